import type { Assessed, Finding, Rule } from './finding.ts';
import {
  idleDominates,
  inverterOversized,
  inverterParallel,
  inverterTooSmall,
  mainsLicensed,
} from './inverterRules.ts';
import { cannotHold, criticalSingleSource, doubleConversion, measureFirst, noLoads } from './loadRules.ts';
import {
  converterUndersized,
  inverterLoop,
  noPort,
  offHours,
  portOverload,
  searchAsleep,
  steppedWave,
  voltageRange,
} from './pathRules.ts';
import { balanceShort, dcdcLimited, noSun } from './sourceRules.ts';
import { lowVoltageHighCurrent, payloadExceeded, storeCold, storeCurrent, storeShort } from './storeRules.ts';

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
  searchAsleep,
  offHours,
  idleDominates,
  inverterTooSmall,
  inverterOversized,
  inverterParallel,
  lowVoltageHighCurrent,
  storeCurrent,
  storeShort,
  storeCold,
  payloadExceeded,
  noSun,
  balanceShort,
  dcdcLimited,
  mainsLicensed,
];

const RANK = { stop: 0, caution: 1, note: 2 } as const;

/** All findings, the gravest first, otherwise in the order of the work. */
export function findAll(assessed: Assessed): Finding[] {
  return RULES.flatMap((rule) => rule(assessed)).sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}
