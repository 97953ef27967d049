import { runningPowerW, withRunningPower } from '../job/draw.ts';
import { overlappingUse } from '../job/overlap.ts';
import type { Draw, Job, Load, Use } from '../job/schema.ts';
import { minutesPerDay } from '../loads/uses.ts';
import { Effort } from '../moment/effort.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { settle } from '../settle/settle.ts';
import type { Stated } from './cycle.ts';
import type { Log } from './logSchema.ts';
import type { LogReport } from './report.ts';

/** A measured figure that can take the place of a typical one in the job. */
export interface Calibration {
  readonly id: 'power' | 'cycle' | 'loss' | 'health';
  readonly what: string;
  readonly unit: string;
  readonly from: number | null;
  readonly to: number;
  /** Why it may not be taken as it stands; null = it may. */
  readonly refused: string | null;
  readonly apply: (job: Job) => Job;
}

/** Below it the share of the charge that was used tells too little of the capacity: common practice. */
const LEAST_PERCENT = 30;
/** A job's fridge runs at least this share of the time. */
const LEAST_DUTY = 0.001;

/** What a log offers to the job that it is about: each as one change, which undo takes back. */
export function calibrations(job: Job, optionId: string, log: Log, report: LogReport): Calibration[] {
  const { about } = log;
  if (about?.kind === 'load')
    return ofLoad(job, about.optionId ?? optionId, about.id ?? '', report, log.conditions?.ambientC ?? null);
  if (about?.kind === 'device') return ofDevice(job, about.optionId ?? optionId, about.id ?? '', report);
  return about?.kind === 'store' ? ofStore(job, about.optionId ?? optionId, report) : [];
}

/** What contradicts itself is no evidence until somebody has chosen. */
const contradicted = ({ contradictions }: LogReport): string | null =>
  contradictions.find(({ refused }) => refused)?.says ?? null;

/** Of what the battery gives, the share that reaches a load at its terminals: its own energy ÷ what is drawn for it. */
function reachesLoad(job: Job, optionId: string, id: string): number {
  const { ledger } = settle(job, optionId, new Effort(LITTLE_EFFORT));
  const row = ledger.loads.find(({ loadId }) => loadId === id);
  const drawnWh = row ? row.usefulWh + row.conversionWh + row.idleWh + row.cableWh : 0;
  return row && drawnWh > 0 ? row.usefulWh / drawnWh : 1;
}

/** Its energies do not hang on the searches of its worst moment. */
const LITTLE_EFFORT = 1000;

/** The same start in W, whatever it takes while it runs. */
const MOST_START = 12;
const keptStart = ({ startRatio, draw }: Load, to: Draw): number => {
  const watts = runningPowerW(to);
  return watts > 0 ? Math.min(MOST_START, Math.max(1, (startRatio * runningPowerW(draw)) / watts)) : startRatio;
};

/** @param ambientC °C of the air meanwhile; null = not said */
function ofLoad(job: Job, optionId: string, id: string, report: LogReport, ambientC: number | null): Calibration[] {
  const load = job.loads.find((one) => one.id === id);
  if (!load) return [];
  const refused = contradicted(report);
  const pieces = load.quantity;
  const take =
    (draw: Draw) =>
    (now: Job): Job => ({
      ...now,
      loads: now.loads.map((one) =>
        one.id === id ? { ...one, draw, startRatio: keptStart(one, draw), evidence: 'measured' as const } : one,
      ),
    });
  // What was measured stands as it is where nobody noted how warm it was.
  const takenAtC = (setC: number): number | null => (ambientC !== null && ambientC >= setC + 1 ? ambientC : null);
  /** Its running watts are those of its highest level, where its levels can be told, else as they were; its duty such that the mean comes out. */
  const ofSwitching = (draw: Extract<Draw, { kind: 'thermostatic' }>, meanW: number): Calibration => {
    const runningW = report.levels.length > 1 ? (report.levels.at(-1)?.mean ?? 0) / pieces : draw.runningW;
    const duty = meanW / pieces / runningW;
    const beyond =
      duty > 1
        ? `a mean of ${meanW.toFixed(1)} W is more than the ${(runningW * pieces).toFixed(1)} W it is said to take while it runs: log its watts first`
        : null;
    return {
      id: 'power',
      what: `${load.name}, mean W`,
      unit: 'W',
      from: draw.runningW * draw.duty * pieces,
      to: meanW,
      refused: refused ?? beyond,
      apply: take({ ...draw, runningW, duty: Math.min(1, Math.max(LEAST_DUTY, duty)), dutyAtC: takenAtC(draw.setC) }),
    };
  };
  if (load.draw.kind === 'cycle' && report.stated) return ofCycle(load, load.draw, report.stated, refused);
  const way = report.energy.counts;
  const readW = way === null ? null : (report.energy[way]?.meanW ?? null);
  // What a state of charge tells is at the battery: on the way to the load some of it is lost.
  const meanW = readW !== null && way === 'soc' ? readW * reachesLoad(job, optionId, id) : readW;
  const high = report.levels.at(-1);
  if (load.draw.kind === 'thermostatic') return meanW !== null && meanW > 0 ? [ofSwitching(load.draw, meanW)] : [];
  if (meanW === null || !(meanW > 0) || load.draw.kind === 'cycle') return [];
  const watts = load.draw.kind === 'steady' && report.levels.length > 1 && high ? high.mean : meanW;
  const now = runningPowerW(load.draw) * pieces;
  // A mean over hours in which it is off as well is not what it takes while it runs.
  const isMean =
    way !== 'power' && load.draw.kind !== 'standby' && minutesPerDay(load.uses) < MINUTES_PER_DAY - 1
      ? 'this is a mean over time in which it may have been off: log its watts while it runs, or correct how long it runs'
      : null;
  return [
    {
      id: 'power',
      what: `${load.name}, W`,
      unit: 'W',
      from: now,
      to: watts,
      refused: refused ?? isMean,
      apply: take(withRunningPower(load.draw, watts / pieces)),
    },
  ];
}

/** A cycle's phases as they were measured; each of its uses becomes as long as they are together. */
function ofCycle(
  load: Load,
  draw: Extract<Draw, { kind: 'cycle' }>,
  { phases, wh }: Stated,
  refused: string | null,
): Calibration[] {
  const startsAs = new Map(draw.phases.map(({ label, startRatio }) => [label, startRatio]));
  const measured = phases.flatMap(({ label, minutes, meanW }) => {
    const startRatio = startsAs.get(label) ?? null;
    return meanW === null || minutes === null ? [] : [{ label, powerW: meanW / load.quantity, minutes, startRatio }];
  });
  if (measured.length === 0 || wh === null) return [];
  const length = measured.reduce((sum, { minutes }) => sum + minutes, 0);
  const lasting = (uses: readonly Use[]): Use[] => uses.map((use) => ({ ...use, minutes: length }));
  const overlap = [load.uses, ...load.variants.map(({ uses }) => uses)].some((uses) => overlappingUse(lasting(uses)));
  const tooLong =
    length > MINUTES_PER_DAY || overlap
      ? `a cycle of ${length.toFixed(1)} min does not fit between its uses: move them apart in its lane first`
      : null;
  const change: Partial<Load> = {
    draw: { kind: 'cycle', phases: measured },
    uses: lasting(load.uses),
    variants: load.variants.map((variant) => ({ ...variant, uses: lasting(variant.uses) })),
    evidence: 'measured',
  };
  const before = draw.phases.reduce((sum, { powerW, minutes }) => sum + (powerW * (minutes ?? 0)) / 60, 0);
  return [
    {
      id: 'cycle',
      what: `a cycle of ${load.name}`,
      unit: 'Wh',
      from: before * load.quantity,
      to: wh,
      refused: refused ?? tooLong,
      apply: (job) => ({ ...job, loads: job.loads.map((one) => (one.id === load.id ? { ...one, ...change } : one)) }),
    },
  ];
}

function ofDevice(job: Job, optionId: string, id: string, { loss, contradictions }: LogReport): Calibration[] {
  const device = job.options.find((option) => option.id === optionId)?.system.devices.find((one) => one.id === id);
  const pairs = (loss?.pairs ?? []).filter(({ outW }) => outW > 0);
  if (!device || !loss || pairs.length < 2) return [];
  const points = pairs.map(({ outW, inW }) => ({ outW, inW }));
  const apply = (now: Job): Job => ({
    ...now,
    options: now.options.map((option) =>
      option.id === optionId
        ? {
            ...option,
            system: {
              ...option.system,
              // The idle is fitted from the points: what was said of it before no longer stands.
              devices: option.system.devices.map((one) =>
                one.id === id ? { ...one, points, idleW: null, peakEfficiency: null } : one,
              ),
            },
          }
        : option,
    ),
  });
  const refused = contradictions.find(({ code }) => code === 'more-out-than-in')?.says ?? null;
  return [
    {
      id: 'loss',
      what: `${device.name}, idle by ${pairs.length} pairs`,
      unit: 'W',
      from: device.idleW,
      to: loss.idleW,
      refused,
      apply,
    },
  ];
}

/** What the store still holds of its label: metered Wh over the share of the charge they took. */
function ofStore(job: Job, optionId: string, report: LogReport): Calibration[] {
  const strings = job.options.find(({ id }) => id === optionId)?.system.store.strings ?? null;
  const metered = report.energy.counter ?? report.energy.power;
  const { soc } = report.energy;
  if (!strings || !metered || !soc || !report.capacity || soc.wh === 0) return [];
  const percent = (soc.wh / report.capacity.wh) * 100;
  if (Math.abs(percent) < LEAST_PERCENT) return [];
  const health = metered.wh / (percent / 100) / report.capacity.wh;
  if (!(health >= 0.05 && health <= 1.2)) return [];
  const apply = (now: Job): Job => ({
    ...now,
    options: now.options.map((option) =>
      option.id === optionId
        ? {
            ...option,
            system: {
              ...option.system,
              store: { ...option.system.store, strings: strings.map((one) => ({ ...one, health })) },
            },
          }
        : option,
    ),
  });
  return [
    {
      id: 'health',
      what: 'the store, of its label',
      unit: '%',
      from: (strings[0]?.health ?? 1) * 100,
      to: health * 100,
      refused: contradicted(report),
      apply,
    },
  ];
}
