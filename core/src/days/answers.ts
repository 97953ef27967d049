import { FULL_SOC } from '../battery/fill.ts';
import type { Age } from '../battery/fittedModel.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import type { Settled } from '../settle/settle.ts';
import { chargersOf } from '../sources/supplyDay.ts';
import type { HourlyYear } from '../weather/hours.ts';
import type { PlanDay } from './plan.ts';
import { runDays } from './run.ts';
import { type DaysSetup, setUpDays } from './setup.ts';
import { type Climate, importedRun, syntheticRun, typicalRun, type WeatherRun } from './weather.ts';

/** How long a full store carries the loads when no sun comes and nobody drives. */
export interface Survival {
  readonly age: Age;
  /** Until the battery is down to where loads go; null = longer than the days that are looked at. */
  readonly hours: number | null;
  /** The first load that goes without. */
  readonly first: string | null;
}

const LONGEST_DAYS = 120;
const PARKED: PlanDay = { kind: 'parked', drives: [], supply: null };

/** @param month in whose air it is */
export function survivalOf(settled: Settled, stepMin: number, age: Age, month: number): Survival {
  const usual = setUpDays(settled, stepMin, age, [PARKED]);
  // Old it is as it is sized: at its coldest.
  const setup = age === 'old' ? { ...usual, battery: { ...usual.battery, isPinned: true } } : usual;
  const typical = typicalRun(setup.climate, 0, LONGEST_DAYS, month);
  const dark = { ...typical, clearness: new Float64Array(LONGEST_DAYS) };
  const run = runDays(setup, dark, { weekday: 0, month, untilShort: true });
  const first = run.unservedWh.findIndex((wh) => wh > 0);
  return { age, hours: run.cutFromH, first: setup.loadNames[first]?.name ?? null };
}

/** A day of a month as it is once many like it have gone by. */
export interface TypicalDay {
  readonly month: number;
  readonly needWh: number;
  readonly sunWh: number;
  readonly directSunWh: number;
  readonly drivingWh: number;
  readonly spilledWh: number;
  readonly unservedWh: number;
  readonly lowSoc: number;
  readonly highSoc: number;
  /** Days from the cut-off until it is full again; null = never within a month. */
  readonly fullAfterDays: number | null;
  /** State of charge at the end of each hour. */
  readonly soc: readonly number[];
}

/** Days that are played before the one that is looked at, and within which a store is full again or never. */
const SETTLE_DAYS = 28;

/** A usual day of each month, played on. */
export function typicalDays(settled: Settled, stepMin: number): TypicalDay[] {
  const usual: PlanDay = { kind: 'usual', drives: settled.job.brief.drives, supply: null };
  const setup = setUpDays(settled, stepMin, 'now', [usual]);
  return Array.from({ length: 12 }, (_, i) => typicalDay(setup, i + 1));
}

function typicalDay(setup: DaysSetup, month: number): TypicalDay {
  const weather = typicalRun(setup.climate, 0, SETTLE_DAYS + 7, month);
  const { cutOff, steps } = setup;
  // The last week of many, so that what runs on some days of it is in.
  const settledRun = runDays(setup, weather, { weekday: 0, month, leadIn: SETTLE_DAYS, traced: true });
  const climb = runDays(setup, typicalRun(setup.climate, 0, SETTLE_DAYS, month), {
    weekday: 0,
    month,
    fromSoc: cutOff.soc,
    traced: true,
  });
  const fullAt = climb.trace?.soc.findIndex((soc) => soc >= FULL_SOC) ?? -1;
  const trace = settledRun.trace?.soc ?? new Float32Array();
  const { books, days } = settledRun;
  const perHour = steps / 24;
  return {
    month,
    needWh: sumOf(settledRun.trace?.needW, setup.stepMin) / days,
    sunWh: books.sunWh / days,
    directSunWh: books.directSunWh / days,
    drivingWh: books.drivingWh / days,
    spilledWh: (books.sunOfferedWh - books.sunWh) / days,
    unservedWh: books.unservedWh / days,
    lowSoc: trace.reduce((low, soc) => Math.min(low, soc), 1),
    highSoc: trace.reduce((high, soc) => Math.max(high, soc), 0),
    fullAfterDays: fullAt < 0 ? null : ((fullAt + 1) * setup.stepMin) / 1440,
    soc: Array.from({ length: 24 }, (_, h) => trace[trace.length - steps + (h + 1) * perHour - 1] ?? 0),
  };
}

const sumOf = (watts: Float32Array | undefined, stepMin: number): number =>
  (watts ?? new Float32Array()).reduce((sum, w) => sum + w, 0) * (stepMin / 60);

/** W at the bus that the generator of a job brings, no more than an empty battery takes; null without one. */
export function generatorW({ job, option, leads, store }: Settled): number | null {
  const generator = job.brief.supplies.find(({ kind }) => kind === 'generator');
  if (generator?.kind !== 'generator') return null;
  const { acW, storeW } = chargersOf(option.system, leads);
  const takesW = store.chargeLimitA * chargingVoltageV(option.system);
  return Math.min(takesW, acW > 0 ? storeW(Math.min(acW, generator.ratedW)) : generator.ratedW);
}

/** The weather that days may have: every day the mean of its month, no sun at all, an imported year, or a year that might be. */
export type TripWeather = 'typical' | 'sunless' | 'imported' | { readonly seed: number; readonly number: number };

/** @param hourly of an imported year; @returns null where there is none */
export function weatherFor(
  { job }: Pick<Settled, 'job'>,
  climate: Climate,
  kind: TripWeather,
  fromDay: number,
  days: number,
  hourly: HourlyYear | null = null,
): WeatherRun | null {
  const { place } = job.brief;
  if (kind === 'imported') return importedRun(place, climate, fromDay, days, hourly);
  if (typeof kind === 'object') return syntheticRun(climate, place.latitudeDeg, kind.seed, kind.number, fromDay, days);
  const typical = typicalRun(climate, fromDay, days);
  return kind === 'sunless' ? { ...typical, clearness: new Float64Array(days) } : typical;
}
