import type { Job, Run } from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import { DEFAULT } from '../reference/defaults.ts';
import type { Fuse } from '../runs/fuse.ts';
import { type ApplianceVolts, asLaid, type LaidRuns, type RunRow } from '../runs/laid.ts';
import { propose } from '../runs/propose.ts';
import type { DecidedBy } from '../runs/sized.ts';
import { type Thicker, thickerOf } from '../runs/thicker.ts';
import { sizeWords } from '../runs/typedSize.ts';
import { unitAt } from '../runs/units.ts';
import { asCabled, runsOf } from '../settle/runs.ts';
import { type Settled, settle, settledWithin } from '../settle/settle.ts';
import { onVoltage } from './onVoltage.ts';
import { withSystem } from './withSystem.ts';

/** What the next thicker would win, its size in words. */
export type ThickerLine = Thicker & { readonly size: string };

/** One run, as a page or a file shows it: plain figures and words. */
export interface RunLine {
  readonly run: Run;
  readonly depth: number;
  /** What is at its end, in words. */
  readonly leadsTo: string;
  /** Whether that is an all-in-one unit. */
  readonly isUnit: boolean;
  readonly zone: 'bus' | 'output' | 'panels' | 'alternator';
  readonly volts: number;
  readonly carriesA: number;
  readonly nominalA: number;
  readonly chargeA: number;
  readonly startA: number;
  readonly startSeconds: number;
  readonly lengthM: number;
  readonly isUsualLength: boolean;
  readonly size: string;
  readonly areaMm2: number;
  readonly parallel: number;
  readonly decidedBy: DecidedBy;
  readonly coldMohm: number;
  readonly hotMohm: number;
  readonly ampacityA: number;
  readonly dropV: number;
  readonly dropShare: number;
  readonly wayShare: number;
  readonly limitShare: number;
  readonly fuse: Fuse;
  /** Whether a fuse or breaker stands between the store and it. */
  readonly isProtectedAbove: boolean;
  readonly shortA: number | null;
  readonly kg: number;
  readonly lostWh: number;
  readonly outputV: number | null;
}

/** The copper of this job at another bus voltage, every size as it then needs. */
export interface CopperAt {
  readonly busV: 12 | 24;
  readonly isChosen: boolean;
  readonly kg: number;
  /** At the price of the brief; null = none is given. */
  readonly money: number | null;
  readonly lostWh: number;
  /** The heaviest run and its fuse. */
  readonly largest: string;
  readonly fuseA: number | null;
}

export interface RunsDetail {
  readonly isLaid: boolean;
  readonly lines: readonly RunLine[];
  readonly appliances: readonly ApplianceVolts[];
  readonly withoutRun: readonly string[];
  readonly kg: number;
  readonly money: number | null;
  readonly lostWh: number;
  readonly reserveSoc: number;
  /** The runs as they would be laid, and with what is missing added. */
  readonly proposed: readonly Run[];
  readonly completed: readonly Run[];
}

/** What a joint and a way back through a chassis have where nothing is said, mΩ. */
export const usualOfRuns = { jointMohm: DEFAULT.jointMohm.value, chassisMohm: DEFAULT.chassisMohm.value } as const;

/** All that the Runs step says beyond the figures. @param effort what its searches may cost */
export const runsDetail = (job: Job, optionId: string, effort = Number.POSITIVE_INFINITY): RunsDetail =>
  runsDetailOf(settledWithin(job, optionId, effort));

/** The same of what is settled already. @param reckoned its runs, where they are there too */
export function runsDetailOf(settled: Settled, reckoned: LaidRuns | null = null): RunsDetail {
  const laid = reckoned ?? runsOf(settled);
  const { option, job } = settled;
  const { runs } = option.system;
  const { copperPerKg } = job.brief.prices;
  const cabled = asCabled(settled);
  const completed = propose(cabled, runs ?? []);
  return {
    isLaid: laid.isLaid,
    lines: laid.rows.map((row) => lineOf(row, laid.rows, job, option.id)),
    appliances: laid.appliances,
    withoutRun: laid.withoutRun,
    kg: laid.kg,
    money: copperPerKg === null ? null : laid.kg * copperPerKg,
    lostWh: laid.lostWh,
    reserveSoc: laid.bank.reserveSoc,
    proposed: runs ?? asLaid(laid.rows, option.system),
    completed: completed.length === (runs ?? []).length ? (runs ?? []) : completed,
  };
}

function lineOf(row: RunRow, rows: readonly RunRow[], job: Job, optionId: string): RunLine {
  const { run, carried, zone, coldOhm, hotOhm, volts, dropV } = row;
  const units = job.options.find(({ id }) => id === optionId)?.system.allInOnes ?? [];
  const unit = unitAt(
    run,
    rows.map((other) => other.run),
    units,
  );
  return {
    run,
    depth: row.depth,
    leadsTo: unit ? unit.name : endWords(run, job, optionId),
    isUnit: unit !== null,
    zone: zone.kind,
    volts,
    carriesA: carried.lowA,
    nominalA: carried.nominalA,
    chargeA: carried.chargeA,
    startA: carried.startA,
    startSeconds: carried.startSeconds,
    lengthM: row.lengthM,
    isUsualLength: row.isUsualLength,
    size: sizeWords({ ...row, conductor: run.conductor }),
    areaMm2: row.areaMm2,
    parallel: row.parallel,
    decidedBy: row.decidedBy,
    coldMohm: coldOhm * 1000,
    hotMohm: hotOhm * 1000,
    ampacityA: row.ampacityA,
    dropV,
    dropShare: dropV / volts,
    wayShare: row.wayShare,
    limitShare: row.limitShare,
    fuse: row.fuse,
    // What is in front of a controller or a charger protects nothing behind it.
    isProtectedAbove: row.isProtectedAbove && row.run.end !== 'panels' && row.run.end !== 'alternator',
    shortA: row.shortA,
    kg: row.kg,
    lostWh: row.lostWh,
    outputV: row.outputV,
  };
}

/** What the next thicker cable of each run would win, by the run's id; null where there is none. */
export function thickerRuns(
  job: Job,
  optionId: string,
  effort = Number.POSITIVE_INFINITY,
): Readonly<Record<string, ThickerLine | null>> {
  const settled = settledWithin(job, optionId, effort);
  const laid = runsOf(settled);
  const thicker = thickerOf(laid, asCabled(settled), settled.bus);
  return Object.fromEntries(
    laid.rows.map(({ run }, i) => {
      const next = thicker[i] ?? null;
      return [run.id, next && { ...next, size: sizeWords({ ...next, conductor: run.conductor }) }];
    }),
  );
}

/** What lies at the end of a run. */
function endWords(run: Run, job: Job, optionId: string): string {
  const system = job.options.find(({ id }) => id === optionId)?.system;
  const named = (list: readonly { readonly id: string; readonly name: string }[] | null | undefined): string =>
    list?.find(({ id }) => id === run.part)?.name ?? run.name;
  switch (run.end) {
    case 'busbar':
      return 'busbars';
    case 'device':
      return named(system?.devices);
    case 'loads':
      return run.loads.map((id) => job.loads.find((load) => load.id === id)?.name ?? id).join(', ') || 'nothing yet';
    case 'array':
      return 'solar controller';
    case 'panels':
      return 'panels';
    case 'driving':
      return 'charger on the alternator';
    case 'alternator':
      return 'the vehicle’s own battery';
    case 'charger':
      return 'mains charger';
  }
}

/** The copper of this very job at 12 and at 24 V. @param effort what its searches may cost */
export const copperChoice = (job: Job, optionId: string, effort = Number.POSITIVE_INFINITY): CopperAt[] =>
  ([12, 24] as const).map((busV) => copperAt(job, optionId, busV, effort));

function copperAt(job: Job, optionId: string, busV: 12 | 24, effort: number): CopperAt {
  const isChosen = job.options.some(({ id, system }) => id === optionId && system.busVoltageV === busV);
  const other = withSystem(job, optionId, (system) => onVoltage(system, busV));
  const laid = runsOf(settle(other, optionId, new Effort(effort)));
  const { copperPerKg } = job.brief.prices;
  const [largest] = [...laid.rows].sort((a, b) => b.areaMm2 * b.parallel - a.areaMm2 * a.parallel);
  return {
    busV,
    isChosen,
    kg: laid.kg,
    money: copperPerKg === null ? null : laid.kg * copperPerKg,
    lostWh: laid.lostWh,
    largest: largest ? sizeWords({ ...largest, conductor: largest.run.conductor }) : '',
    fuseA: largest?.fuse.ratingA ?? null,
  };
}
