import type { Assessed, Finding, Rule } from './finding.ts';
import {
  idleDominates,
  inverterHeat,
  inverterOversized,
  inverterParallel,
  inverterStart,
  inverterTooSmall,
  mainsLicensed,
  momentUnproved,
  surgeUnknown,
} from './inverterRules.ts';
import { cannotHold, criticalSingleSource, doubleConversion, measureFirst, noLoads } from './loadRules.ts';
import {
  converterStart,
  converterUndersized,
  inverterLoop,
  noPort,
  offHours,
  portOverload,
  searchAsleep,
  steppedWave,
  voltageRange,
} from './pathRules.ts';
import {
  arrayClips,
  arrayUnlike,
  arrayWindow,
  balanceShort,
  chargerNone,
  dcdcLimited,
  drivingDrop,
  noSun,
  panelDoubtful,
  pwmLoses,
  relays,
  sunHoursDoubtful,
} from './sourceRules.ts';
import { runsShort } from './stayRules.ts';
import {
  bankUneven,
  bankVoltage,
  lowVoltageHighCurrent,
  payloadExceeded,
  storeCold,
  storeCurrent,
  storeShort,
} from './storeRules.ts';
import {
  assistShort,
  generatorFumes,
  hookupInlet,
  nothingPasses,
  supplyCharger,
  supplyOverload,
  supplyStart,
  togetherContradiction,
} from './supplyRules.ts';

const RULES: readonly Rule[] = [
  noLoads,
  doubleConversion,
  measureFirst,
  criticalSingleSource,
  cannotHold,
  inverterLoop,
  portOverload,
  noPort,
  steppedWave,
  voltageRange,
  converterUndersized,
  converterStart,
  searchAsleep,
  offHours,
  idleDominates,
  togetherContradiction,
  inverterTooSmall,
  inverterStart,
  inverterHeat,
  surgeUnknown,
  inverterOversized,
  inverterParallel,
  momentUnproved,
  supplyOverload,
  supplyCharger,
  supplyStart,
  assistShort,
  nothingPasses,
  lowVoltageHighCurrent,
  storeCurrent,
  storeShort,
  storeCold,
  bankVoltage,
  bankUneven,
  payloadExceeded,
  noSun,
  sunHoursDoubtful,
  balanceShort,
  runsShort,
  dcdcLimited,
  drivingDrop,
  relays,
  arrayWindow,
  panelDoubtful,
  arrayUnlike,
  arrayClips,
  pwmLoses,
  chargerNone,
  mainsLicensed,
  hookupInlet,
  generatorFumes,
];

const RANK = { stop: 0, caution: 1, note: 2 } as const;

/** All findings, the gravest first, otherwise in the order of the work. */
export function findAll(assessed: Assessed): Finding[] {
  return RULES.flatMap((rule) => rule(assessed)).sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}
