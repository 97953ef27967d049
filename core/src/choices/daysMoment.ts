import { type DaysRun, runDays, type Trace } from '../days/run.ts';
import { setUpDays } from '../days/setup.ts';
import { blankArray } from '../job/blank.ts';
import { driveHours, withDriveHours } from '../job/day.ts';
import type { Job, System } from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import { settle } from '../settle/settle.ts';
import { type PreparedDays, SATURDAY, tripWeather } from './daysDetail.ts';
import { withSystem } from './withSystem.ts';

/** What a load takes at a moment, W. */
export interface LoadNow {
  readonly id: string;
  readonly name: string;
  readonly usefulW: number;
  /** Lost on the way to it, idle that it holds included. */
  readonly lostW: number;
  readonly isCut: boolean;
}

/** Something that could have been decided otherwise, and what would have come of it. */
export interface Decision {
  readonly kind: 'panel' | 'store' | 'driving' | 'without';
  /** W of panel, share of store, h of driving; 0 where a load is left out. */
  readonly amount: number;
  /** The load that is left out. */
  readonly name: string | null;
  /** Whether everything would have been served at that moment. */
  readonly helps: boolean;
  /** h until which it would have lasted; null = to the end. */
  readonly lastsH: number | null;
}

/** One moment of a trip. */
export interface MomentExplained {
  readonly atH: number;
  readonly soc: number;
  readonly needW: number;
  readonly sunW: number;
  readonly sunOfferedW: number;
  readonly drivingW: number;
  readonly supplyW: number;
  readonly unservedW: number;
  readonly lostW: number;
  readonly airC: number;
  readonly storeC: number;
  /** The most first; those that take nothing are left out. */
  readonly loads: readonly LoadNow[];
  /** Idle that is nobody's. */
  readonly idleW: number;
  /** h at which the outage that it lies in began, or the next one; null = none comes. */
  readonly outageFromH: number | null;
  /** The smallest of each kind that helps, else the largest that was tried. */
  readonly decisions: readonly Decision[];
}

const PANEL_STEPS_W = [100, 200, 400] as const;
const STORE_STEPS = [0.25, 0.5, 1] as const;
const DRIVING_STEPS_H = [1, 2] as const;

/** @param atH h from the beginning of the trip */
export function daysMoment(prepared: PreparedDays, atH: number): MomentExplained | null {
  const { settled, setup } = prepared;
  const k = Math.floor((atH * 60) / setup.stepMin);
  const run = playAgain(prepared, settled.job, k);
  const { trace, probe } = run;
  if (!trace || !probe || k < 0 || k >= trace.soc.length) return null;
  const at = (row: Float32Array) => row[k] as number;
  const outage = outageAt(trace, k);
  const idlers = setup.loadNames.length;
  return {
    atH: (k * setup.stepMin) / 60,
    soc: at(trace.soc),
    needW: at(trace.needW),
    sunW: at(trace.sunW),
    sunOfferedW: at(trace.sunOfferedW),
    drivingW: at(trace.drivingW),
    supplyW: at(trace.supplyW),
    unservedW: at(trace.unservedW),
    lostW: at(trace.lostW),
    airC: at(trace.airC),
    storeC: at(trace.storeC),
    loads: setup.loadNames
      .map(({ id, name }, i) => ({
        id,
        name,
        usefulW: probe.usefulW[i] as number,
        lostW: (probe.conversionW[i] as number) + (probe.idleW[i] as number) + (probe.cableW[i] as number),
        isCut: probe.isCut[i] as boolean,
      }))
      .filter(({ usefulW, lostW }) => usefulW + lostW > 0.05)
      .sort((a, b) => b.usefulW + b.lostW - a.usefulW - a.lostW),
    idleW: probe.idleW[idlers] as number,
    outageFromH: outage === null ? null : (outage * setup.stepMin) / 60,
    decisions: outage === null ? [] : decisionsFor(prepared, Math.max(k, outage), outage, probe.usefulW),
  };
}

/** The step at which the outage that a step lies in began, or the next one begins; null when none comes. */
function outageAt({ unservedW }: Trace, k: number): number | null {
  const isShort = (i: number) => (unservedW[i] as number) > 0.01;
  if (isShort(k)) {
    let from = k;
    while (from > 0 && isShort(from - 1)) from--;
    return from;
  }
  for (let i = k; i < unservedW.length; i++) if (isShort(i)) return i;
  return null;
}

/** The trip with a job that is a little other, in the same weather. */
function playAgain({ settled, setup, ask }: PreparedDays, job: Job, probe?: number): DaysRun {
  const isSame = job === settled.job;
  const again = isSame
    ? setup
    : setUpDays(
        settle(job, settled.option.id, new Effort(TRIED_EFFORT)),
        ask.stepMin,
        ask.ifs.includes('aged') ? 'old' : 'now',
      );
  const { weather } = tripWeather({ settled, setup, ask });
  return runDays(again, weather, { weekday: SATURDAY, traced: true, ...(probe === undefined ? {} : { probe }) });
}

/** What the searches of a variation may cost: sizes are fitted, only what the day draws counts. */
const TRIED_EFFORT = 3e4;

function decisionsFor(prepared: PreparedDays, k: number, outage: number, usefulW: Float64Array): Decision[] {
  const { settled } = prepared;
  const { job, option } = settled;
  const changed = (change: (system: System) => System): Job => withSystem(job, option.id, change);
  const largest = prepared.setup.loadNames
    .map((load, i) => ({ ...load, w: usefulW[i] as number }))
    .filter(({ critical }) => !critical)
    .sort((a, b) => b.w - a.w)[0];
  const more = (w: number) => blankArray('one-more', 'One more', w);
  const drives = option.system.driving?.some(({ ratingA }) => ratingA > 0) ?? false;
  const tried: {
    kind: Decision['kind'];
    name: string | null;
    steps: readonly number[];
    job: (amount: number) => Job;
  }[] = [
    {
      kind: 'panel',
      name: null,
      steps: PANEL_STEPS_W,
      job: (w) => changed((system) => ({ ...system, arrays: [...(system.arrays ?? []), more(w)] })),
    },
    {
      kind: 'store',
      name: null,
      steps: STORE_STEPS,
      job: (share) =>
        changed(({ store, ...system }) => ({
          ...system,
          store: {
            ...store,
            strings: store.strings?.map((one) => ({ ...one, capacityAh: one.capacityAh * (1 + share) })) ?? null,
          },
        })),
    },
    ...(drives
      ? [{ kind: 'driving' as const, name: null, steps: DRIVING_STEPS_H, job: (h: number) => drivenMore(job, h) }]
      : []),
    ...(largest && largest.w > 0
      ? [
          {
            kind: 'without' as const,
            name: largest.name,
            steps: [0],
            job: () => ({ ...job, loads: job.loads.filter(({ id }) => id !== largest.id) }),
          },
        ]
      : []),
  ];
  return tried.map(({ kind, name, steps, job: otherwise }) => {
    let made: Decision | null = null;
    for (const amount of steps) {
      const { trace } = playAgain(prepared, otherwise(amount));
      const helps = trace !== null && (trace.unservedW[k] as number) <= 0.01;
      const cut = trace ? nextCut(trace, outage) : null;
      made = { kind, amount, name, helps, lastsH: cut === null ? null : (cut * prepared.setup.stepMin) / 60 };
      if (helps) break;
    }
    return made as Decision;
  });
}

/** The first step from one on at which something goes unserved. */
function nextCut({ unservedW }: Trace, from: number): number | null {
  const at = unservedW.findIndex((w, i) => i >= from && w > 0.01);
  return at < 0 ? null : at;
}

/** So many hours more on each day with driving. */
const drivenMore = (job: Job, hours: number): Job => ({
  ...job,
  brief: {
    ...job.brief,
    drives: withDriveHours(job.brief.drives, Math.min(24, driveHours(job.brief) + hours)),
    plan: job.brief.plan.map((stretch) =>
      stretch.kind === 'driving' && stretch.driveH !== null
        ? { ...stretch, driveH: Math.min(24, stretch.driveH + hours) }
        : stretch,
    ),
  },
});
