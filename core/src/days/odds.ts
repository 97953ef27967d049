import { addBooks, type Books, noBooks } from '../battery/books.ts';
import { MONTH_OF_DAY, YEAR_DAYS } from '../sun/months.ts';
import { runDays } from './run.ts';
import type { DaysSetup } from './setup.ts';
import { dayOf, syntheticRun } from './weather.ts';

/** What many years came to, year after year, before anything is said of it: parts of it may be made apart and joined. */
export interface YearsSample {
  readonly years: number;
  /** For each day of each year: the lowest state of charge, and Wh that appliances went without. */
  readonly lowSoc: Float32Array;
  readonly shortWh: Float32Array;
  /** Wh that each load went without in each year. */
  readonly unservedWh: Float64Array;
  readonly books: Books;
  readonly fromStoreWh: number;
}

/** A share of years with its 95 % interval. */
export interface Share {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

export interface YearsOdds {
  /** Of the years: with any short day. */
  readonly anyShort: Share;
  /** Days a year on which something goes unserved: mean with its interval, and what one year in ten is below and above. */
  readonly shortDays: Share & { readonly p10: number; readonly p90: number };
}

export interface MonthOdds {
  readonly month: number;
  /** Of the years: with a short day in that month. */
  readonly anyShort: Share;
  /** Of its days: short, in the mean of the years. */
  readonly shortDays: number;
}

export interface LoadOdds {
  readonly id: string;
  readonly name: string;
  readonly critical: boolean;
  /** Wh a year that it goes without. */
  readonly whPerYear: number;
}

export interface Odds {
  readonly years: number;
  readonly seed: number;
  /** In the months of use, and in all of the year were it used so all the year round. */
  readonly inUse: YearsOdds;
  readonly allYear: YearsOdds;
  readonly months: readonly MonthOdds[];
  /** Lowest state of charge of each day of the year that so many of the years are below. */
  readonly lowSoc: { readonly p10: Float32Array; readonly p50: Float32Array; readonly p90: Float32Array };
  /** What loads go without in the months of use: critical ones first, then the most. */
  readonly loads: readonly LoadOdds[];
  /** Wh a year that appliances go without in the months of use. */
  readonly unservedWh: number;
  /** h a year that a generator of the job would have to run to serve them; null without one. */
  readonly generatorH: number | null;
  readonly books: Books;
  readonly fromStoreWh: number;
}

/** Days before each year that are played and not counted. */
const LEAD_IN = 30;

/**
 * Plays years that might be. @param first number of the first year of the seed; the same seed and number are the same year
 * @param onYear told after each; false stops
 */
export function sampleYears(
  setup: DaysSetup,
  seed: number,
  first: number,
  years: number,
  onYear: (done: number) => boolean = () => true,
): YearsSample {
  const loads = setup.loadNames.length;
  const countedMonths = new Set(setup.settled.job.brief.months);
  const sample = emptySample(years, loads);
  let fromStoreWh = 0;
  let done = 0;
  for (; done < years; done++) {
    const year = first + done;
    const weather = syntheticRun(setup.climate, setup.latitudeDeg, seed, year, -LEAD_IN, YEAR_DAYS + LEAD_IN);
    // Years begin on each day of the week, and in each place of the plan, by turns.
    const run = runDays(setup, weather, { leadIn: LEAD_IN, weekday: year, planAt: year, countedMonths });
    sample.lowSoc.set(run.lowSoc, done * YEAR_DAYS);
    sample.shortWh.set(run.shortWh, done * YEAR_DAYS);
    sample.unservedWh.set(run.unservedWh, done * loads);
    addBooks(sample.books, run.books);
    fromStoreWh += run.fromStoreWh;
    if (!onYear(done + 1)) {
      done++;
      break;
    }
  }
  return {
    years: done,
    lowSoc: sample.lowSoc.subarray(0, done * YEAR_DAYS),
    shortWh: sample.shortWh.subarray(0, done * YEAR_DAYS),
    unservedWh: sample.unservedWh.subarray(0, done * loads),
    books: sample.books,
    fromStoreWh,
  };
}

const emptySample = (years: number, loads: number) => ({
  lowSoc: new Float32Array(years * YEAR_DAYS),
  shortWh: new Float32Array(years * YEAR_DAYS),
  unservedWh: new Float64Array(years * loads),
  books: noBooks(),
});

export function joinSamples(samples: readonly YearsSample[]): YearsSample {
  const years = samples.reduce((sum, one) => sum + one.years, 0);
  const loads = samples[0] && samples[0].years > 0 ? samples[0].unservedWh.length / samples[0].years : 0;
  const joined = emptySample(years, loads);
  let [at, fromStoreWh] = [0, 0];
  for (const one of samples) {
    joined.lowSoc.set(one.lowSoc, at * YEAR_DAYS);
    joined.shortWh.set(one.shortWh, at * YEAR_DAYS);
    joined.unservedWh.set(one.unservedWh, at * loads);
    addBooks(joined.books, one.books);
    fromStoreWh += one.fromStoreWh;
    at += one.years;
  }
  return { years, ...joined, fromStoreWh };
}

/** Wh below which a day is served. */
const SHORT_DAY_WH = 0.01;
/** Of the standard normal: two-sided 95 %. */
const Z = 1.959964;

/** A share of n with its 95 % interval after Wilson (1927). */
export function wilson(count: number, n: number): Share {
  if (n === 0) return { value: 0, low: 0, high: 1 };
  const p = count / n;
  const z2 = Z * Z;
  const middle = (p + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z / (1 + z2 / n)) * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n));
  return {
    value: p,
    low: count === 0 ? 0 : Math.max(0, middle - half),
    high: count === n ? 1 : Math.min(1, middle + half),
  };
}

/** The value that a share of a sorted list lies below, straight between neighbours. */
function below(sorted: ArrayLike<number>, share: number): number {
  const at = share * (sorted.length - 1);
  const [low, high] = [sorted[Math.floor(at)] ?? 0, sorted[Math.ceil(at)] ?? 0];
  return low + (at - Math.floor(at)) * (high - low);
}

const ALL_MONTHS = Array.from({ length: 12 }, (_, m) => m + 1);

/** What years with so many short days in each month say of some of the months. */
function yearsOf(perYear: readonly (readonly number[])[], months: readonly number[]): YearsOdds {
  const years = perYear.length;
  const days = perYear.map((short) => months.reduce((sum, month) => sum + (short[month - 1] as number), 0));
  const mean = days.reduce((sum, n) => sum + n, 0) / Math.max(1, years);
  const variance = days.reduce((sum, n) => sum + (n - mean) ** 2, 0) / Math.max(1, years - 1);
  const half = Z * Math.sqrt(variance / Math.max(1, years));
  const sorted = [...days].sort((a, b) => a - b);
  return {
    anyShort: wilson(days.filter((n) => n > 0).length, years),
    shortDays: {
      value: mean,
      low: Math.max(0, mean - half),
      high: mean + half,
      p10: below(sorted, 0.1),
      p90: below(sorted, 0.9),
    },
  };
}

/**
 * What the years say. Years are what is counted: days of one year are not independent.
 * @param generatorW W at the bus that a generator of the job brings; null without one
 * @param months of use
 */
export function oddsOf(
  { years, lowSoc, shortWh, unservedWh, books, fromStoreWh }: YearsSample,
  { loadNames }: Pick<DaysSetup, 'loadNames'>,
  seed: number,
  generatorW: number | null,
  months: readonly number[],
): Odds {
  const perYear = Array.from({ length: years }, (_, y) => {
    const months = new Array<number>(12).fill(0);
    for (let d = 0; d < YEAR_DAYS; d++) {
      const month = (MONTH_OF_DAY[dayOf(d)] as number) - 1;
      if ((shortWh[y * YEAR_DAYS + d] as number) > SHORT_DAY_WH) months[month] = (months[month] as number) + 1;
    }
    return months;
  });
  const quantiles = {
    p10: new Float32Array(YEAR_DAYS),
    p50: new Float32Array(YEAR_DAYS),
    p90: new Float32Array(YEAR_DAYS),
  };
  const column = new Float32Array(years);
  for (let d = 0; d < YEAR_DAYS; d++) {
    for (let y = 0; y < years; y++) column[y] = lowSoc[y * YEAR_DAYS + d] as number;
    column.sort();
    quantiles.p10[d] = below(column, 0.1);
    quantiles.p50[d] = below(column, 0.5);
    quantiles.p90[d] = below(column, 0.9);
  }
  const yearly = Math.max(1, years);
  const loads = loadNames
    .map(({ id, name, critical }, i) => {
      let wh = 0;
      for (let y = 0; y < years; y++) wh += unservedWh[y * loadNames.length + i] as number;
      return { id, name, critical, whPerYear: wh / yearly };
    })
    .filter(({ whPerYear }) => whPerYear > 0)
    .sort((a, b) => Number(b.critical) - Number(a.critical) || b.whPerYear - a.whPerYear);
  const unserved = loads.reduce((sum, { whPerYear }) => sum + whPerYear, 0);
  // What appliances went without, with what is lost on the way to them.
  const perUseful = books.usefulWh > 0 ? (books.usefulWh + books.conversionWh + books.idleWh) / books.usefulWh : 1;
  return {
    years,
    seed,
    inUse: yearsOf(perYear, months),
    allYear: yearsOf(perYear, ALL_MONTHS),
    months: ALL_MONTHS.map((month) => ({
      month,
      anyShort: wilson(perYear.filter((short) => (short[month - 1] as number) > 0).length, years),
      shortDays: perYear.reduce((sum, short) => sum + (short[month - 1] as number), 0) / yearly,
    })),
    lowSoc: quantiles,
    loads,
    unservedWh: unserved,
    generatorH: generatorW === null || generatorW <= 0 ? null : (unserved * perUseful) / generatorW,
    books,
    fromStoreWh,
  };
}
