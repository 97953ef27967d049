import { FULL_SOC } from '../battery/fill.ts';
import {
  generatorW,
  type Survival,
  survivalOf,
  type TripWeather,
  type TypicalDay,
  typicalDays,
  weatherFor,
} from '../days/answers.ts';
import { type Odds, oddsOf, sampleYears, type YearsSample } from '../days/odds.ts';
import { planOf } from '../days/plan.ts';
import { type DaysRun, runDays } from '../days/run.ts';
import { type DaysSetup, setUpDays } from '../days/setup.ts';
import { typicalRun } from '../days/weather.ts';
import { jobUnder, type WhatIf, weatherUnder } from '../days/whatIf.ts';
import type { Job, PlanStretch } from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import { asFitted } from '../settle/fitted.ts';
import { type Settled, settle, settledWithin } from '../settle/settle.ts';
import { designMonth } from '../sun/day.ts';
import { dayOfYear, YEAR_DAYS } from '../sun/months.ts';
import type { HourlyYear } from '../weather/hours.ts';

/** Under what the days are played. */
export interface DaysAsk {
  /** In which the trip begins; null = in the month that is designed for. */
  readonly month: number | null;
  readonly weather: TripWeather;
  readonly ifs: readonly WhatIf[];
  readonly stepMin: number;
  /** The imported year hour by hour, where it is kept; left out = its days. */
  readonly hourly?: HourlyYear | null;
}

/** A job ready to be played, with its sizes as they are settled. */
export interface PreparedDays {
  readonly settled: Settled;
  readonly setup: DaysSetup;
  readonly ask: DaysAsk;
}

/** @param effort what the searches of the day may cost */
export function prepareDays(job: Job, optionId: string, ask: DaysAsk, effort = Number.POSITIVE_INFINITY): PreparedDays {
  const asItIs = settledWithin(job, optionId, effort);
  const fitted = jobUnder(asFitted(asItIs, job), ask.ifs);
  const settled = fitted === job ? asItIs : settle(fitted, optionId, new Effort(effort));
  return { settled, ask, setup: setUpDays(settled, ask.stepMin, ask.ifs.includes('aged') ? 'old' : 'now') };
}

/** A moment that matters. */
export interface Mark {
  readonly kind: 'cut-off' | 'back' | 'full' | 'locked' | 'outlet';
  /** h from the beginning. */
  readonly atH: number;
}

/** The trip once through. */
export interface TripDetail {
  readonly run: DaysRun;
  readonly month: number;
  readonly plan: readonly PlanStretch[];
  /** Of each day, which stretch of the plan it is in. */
  readonly stretchOfDay: readonly number[];
  readonly marks: readonly Mark[];
  readonly cutOffSoc: number;
  readonly reconnectSoc: number;
  readonly fullWh: number;
  /** Wh that each load went without, critical ones first. */
  readonly unserved: readonly {
    readonly id: string;
    readonly name: string;
    readonly critical: boolean;
    readonly wh: number;
    /** Of it, since its port had shut off. */
    readonly trippedWh: number;
  }[];
  /** h in which a load could not do what it should, however much it was given. */
  readonly beyond: readonly { readonly id: string; readonly name: string; readonly hours: number }[];
  /** Whether the weather that was asked for is there. */
  readonly hasWeather: boolean;
}

/** Trips begin on a Saturday: days after a Monday. Common practice. */
export const SATURDAY = 5;

export function tripDetail({ settled, setup, ask }: PreparedDays): TripDetail {
  const plan = planOf(settled.job.brief);
  const { weather, month, isThere } = tripWeather({ settled, setup, ask });
  const run = runDays(setup, weather, { weekday: SATURDAY, traced: true });
  return {
    run,
    month,
    plan,
    stretchOfDay: plan.flatMap(({ days: n }, i) => new Array<number>(n).fill(i)),
    marks: marksOf(run, setup),
    cutOffSoc: setup.cutOff.soc,
    reconnectSoc: Math.min(FULL_SOC, setup.cutOff.soc + setup.cutOff.keep + setup.cutOff.reconnect),
    fullWh: setup.model.fullWh,
    unserved: setup.loadNames
      .map((load, i) => {
        const trippedWh = run.trippedWh[i] ?? 0;
        return { ...load, trippedWh, wh: (run.unservedWh[i] ?? 0) + trippedWh };
      })
      .filter(({ wh }) => wh > 0.01)
      .sort((a, b) => Number(b.critical) - Number(a.critical) || b.wh - a.wh),
    beyond: setup.loadNames
      .map(({ id, name }, i) => ({ id, name, hours: run.beyondH[i] ?? 0 }))
      .filter(({ hours }) => hours > 0),
    hasWeather: isThere,
  };
}

/** The weather of the trip as it is asked for; typical days where there is none of that. */
export function tripWeather({ settled, setup, ask }: PreparedDays) {
  const month = ask.month ?? designMonth(settled.job.brief);
  const fromDay = dayOfYear(month, 1);
  const days = setup.plan.length;
  const found = weatherFor(settled, setup.climate, ask.weather, fromDay, days, ask.hourly);
  const weather = weatherUnder(found ?? typicalRun(setup.climate, fromDay, days), ask.ifs);
  return { weather, month, isThere: found !== null };
}

/** The moments that matter: of each kind the beginnings, and of "full" the first of a day. */
function marksOf({ trace, stepMin, outletEmptyH }: DaysRun, { battery }: DaysSetup): Mark[] {
  if (!trace) return [];
  const marks: Mark[] = [];
  const hours = stepMin / 60;
  let [isShort, isFull, isLocked, fullDay] = [false, true, false, -1];
  for (let k = 0; k < trace.soc.length; k++) {
    const short = (trace.unservedW[k] as number) > 0.01;
    const full = (trace.soc[k] as number) >= FULL_SOC;
    const locked = (trace.storeC[k] as number) < battery.minChargeC && (trace.sunOfferedW[k] as number) > 0;
    const day = Math.floor((k * hours) / 24);
    if (short !== isShort) marks.push({ kind: short ? 'cut-off' : 'back', atH: k * hours });
    if (full && !isFull && fullDay !== day) {
      marks.push({ kind: 'full', atH: (k + 1) * hours });
      fullDay = day;
    }
    if (locked && !isLocked) marks.push({ kind: 'locked', atH: k * hours });
    [isShort, isFull, isLocked] = [short, full, locked];
  }
  return outletEmptyH === null
    ? marks
    : [...marks, { kind: 'outlet' as const, atH: outletEmptyH }].sort((a, b) => a.atH - b.atH);
}

/** What the days of a year are like: usual days, no sun, and the typical or a seeded year day by day. */
export interface YearDetail {
  readonly typical: readonly TypicalDay[];
  /** A year with its days × hours of state of charge. */
  readonly run: DaysRun;
  readonly hourly: Float32Array;
}

export function survivals({ settled, ask }: PreparedDays): Survival[] {
  const month = designMonth(settled.job.brief);
  return (['now', 'old'] as const).map((age) => survivalOf(settled, ask.stepMin, age, month));
}

export function yearDetail(prepared: PreparedDays): YearDetail {
  const { settled, setup, ask } = prepared;
  const found =
    ask.weather === 'sunless' ? null : weatherFor(settled, setup.climate, ask.weather, 0, YEAR_DAYS, ask.hourly);
  const run = runDays(setup, found ?? typicalRun(setup.climate, 0, YEAR_DAYS), { weekday: 0, traced: true });
  const soc = run.trace?.soc ?? new Float32Array();
  const perHour = 60 / setup.stepMin;
  return {
    typical: typicalDays(settled, ask.stepMin),
    run: { ...run, trace: null },
    hourly: Float32Array.from({ length: soc.length / perHour }, (_, h) => soc[(h + 1) * perHour - 1] ?? 0),
  };
}

/** Some years of a seed, to be joined with others. */
export const yearsSample = (
  { setup }: PreparedDays,
  seed: number,
  first: number,
  years: number,
  onYear?: (done: number) => boolean,
): YearsSample => sampleYears(setup, seed, first, years, onYear);

export const yearsOdds = ({ settled, setup }: PreparedDays, sample: YearsSample, seed: number): Odds =>
  oddsOf(sample, setup, seed, generatorW(settled), settled.job.brief.months);
