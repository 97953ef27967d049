import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { fill, notFilled, type StoreModel, socOf, whAt } from '../store/fill.ts';
import { type FittedStore, storeModelOf } from '../store/model.ts';
import type { DayIncome } from './dayIncome.ts';
import { offeredWh, wattHours } from './source.ts';

/** A store and the level at which it has nothing left to give. */
export interface DayStore {
  readonly model: StoreModel;
  /** Share of its capacity that the cold leaves. */
  readonly warmShare: number;
  readonly floorWh: number;
}

/** The store as it is sized: old, at its coldest; the reserve is a share of the capacity as it then is. */
export function dayStore(fitted: FittedStore): DayStore {
  const model = storeModelOf(fitted, 'old');
  const { coldFactor, usableDepth } = fitted.store.factors;
  return { model, warmShare: coldFactor, floorWh: whAt(model, 1 - usableDepth, coldFactor) };
}

/** Energy books of one simulated day, Wh. */
export interface DayBooks {
  /** Taken from each source, as they stand in the income. */
  readonly takenWh: readonly number[];
  /** Sun that found no room. */
  readonly spilledWh: number;
  readonly servedWh: number;
  readonly unservedWh: number;
  readonly storageLossWh: number;
  readonly storeChangeWh: number;
}

/** A day at the store's terminals: its books, what is in the store when it begins, at the least and when it ends. */
export interface DayAtStore {
  readonly books: DayBooks;
  readonly startWh: number;
  readonly lowestWh: number;
  readonly endWh: number;
  /** First minute in which something went unserved; null when all was served. */
  readonly unservedFromMin: number | null;
}

export interface DayTrace {
  /** State of charge 0…1 at the start of each minute and at the day's end: 1,441 values. */
  readonly soc: Float64Array;
  readonly books: DayBooks;
  readonly lowestSoc: number;
  /** First minute in which something went unserved; null when all was served. */
  readonly unservedFromMin: number | null;
}

export interface TracedDay extends DayTrace {
  readonly startWh: number;
  readonly endWh: number;
}

/** Unserved energy worth a word: what an average hour of the day asks for. Less is within what the model can tell. From memory. */
const WORTH_A_WORD_H = 1;

/** @param unservedWh of a day on which this is asked for, W in each minute */
export const isWorthAWord = (unservedWh: number, busW: Float64Array): boolean =>
  unservedWh > 0 && unservedWh * 24 >= wattHours(busW) * WORTH_A_WORD_H;

/** Of a step. */
const HOURS = 1 / 60;
/** Wh below which nothing is missing. */
const MISSING_WH = 1e-9;

/** What is asked for in a day. */
interface Asked {
  /** Wh before each minute, and at last of the whole day. */
  readonly beforeWh: Float64Array;
  readonly mostW: number;
}

/** A day's watts are never changed in place, and the same loads are asked about again and again. */
const knownAsked = new WeakMap<Float64Array, Asked>();

function askedIn(busW: Float64Array): Asked {
  const known = knownAsked.get(busW);
  if (known) return known;
  const beforeWh = new Float64Array(MINUTES_PER_DAY + 1);
  let wh = 0;
  let mostW = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const w = busW[m] as number;
    if (w > mostW) mostW = w;
    wh += w * HOURS;
    beforeWh[m + 1] = wh;
  }
  const asked = { beforeWh, mostW };
  knownAsked.set(busW, asked);
  return asked;
}

/**
 * A day at the store's terminals, of which the loads are not told apart: sources feed the bus, the sun before chargers,
 * what is over charges, what is missing is taken down to the floor, and the rest goes unserved. Minute by minute while
 * anything comes; before and after, where the store may give what is asked for, at once.
 * @param levels takes what is in the store at the start of each minute and at the day's end, Wh; each minute is then
 * looked at
 */
export function simulateDay(
  { model, warmShare, floorWh }: DayStore,
  startWh: number,
  busW: Float64Array,
  { sources, allW, sunW, fromMin, toMin }: DayIncome,
  levels: Float64Array | null = null,
): DayAtStore {
  const { fullWh, inBySun, inByAmps, out, chargeLimitW, dischargeLimitW, taperFromSoc } = model;
  const { beforeWh, mostW } = askedIn(busW);
  const givesAtOnce = levels === null && mostW <= dischargeLimitW;
  const offered = sources.map(({ watts }) => watts);
  const untakenWh = new Float64Array(sources.length);
  const filled = notFilled();
  const tapersFromWh = fullWh - (1 - taperFromSoc) * fullWh * warmShare;
  const perOut = 1 / out;
  let servedWh = 0;
  let unservedWh = 0;
  let storageLossWh = 0;
  let unservedFromMin = MINUTES_PER_DAY;
  let lowestWh = startWh;
  let storedWh = startWh;
  let m = 0;
  while (m < MINUTES_PER_DAY) {
    const isDark = m < fromMin || m >= toMin;
    const until = m < fromMin ? fromMin : m < toMin ? toMin : MINUTES_PER_DAY;
    if (isDark && givesAtOnce) {
      const alreadyWh = beforeWh[m] as number;
      const askedWh = (beforeWh[until] as number) - alreadyWh;
      const heldWh = storedWh > floorWh ? (storedWh - floorWh) * out : 0;
      const outWh = askedWh < heldWh ? askedWh : heldWh;
      if (askedWh - outWh > MISSING_WH) {
        unservedWh += askedWh - outWh;
        while (unservedFromMin > m && (beforeWh[m + 1] as number) - alreadyWh - heldWh <= MISSING_WH) m++;
        if (unservedFromMin > m) unservedFromMin = m;
      }
      servedWh += outWh;
      storageLossWh += outWh * perOut - outWh;
      storedWh -= outWh * perOut;
      if (storedWh < lowestWh) lowestWh = storedWh;
      m = until;
      continue;
    }
    for (; m < until; m++) {
      const demandW = busW[m] as number;
      const incomeW = allW[m] as number;
      const over = incomeW - demandW;
      if (levels) levels[m] = storedWh;
      let next = storedWh;
      if (over > 0) {
        const bySun = (sunW[m] as number) - demandW;
        const sunOver = bySun > 0 ? bySun : 0;
        const inW = sunOver * inBySun + (over - sunOver) * inByAmps;
        let takenWh = 0;
        if (over <= chargeLimitW && storedWh + inW * HOURS <= tapersFromWh) {
          next = storedWh + inW * HOURS;
          takenWh = over * HOURS;
        } else if (storedWh < fullWh) {
          fill(model, storedWh, over, inW / over, warmShare, HOURS, Number.POSITIVE_INFINITY, filled);
          next = filled.storedWh;
          takenWh = filled.takenWh;
        }
        storageLossWh += takenWh - (next - storedWh);
        servedWh += demandW * HOURS;
        let spareWh = over * HOURS - takenWh;
        // The earlier source gives first: what is not used is the last one's.
        for (let i = offered.length - 1; spareWh > 0 && i >= 0; i--) {
          const given = ((offered[i] as Float64Array)[m] as number) * HOURS;
          const spare = given < spareWh ? given : spareWh;
          spareWh -= spare;
          untakenWh[i] = (untakenWh[i] as number) + spare;
        }
      } else {
        const limitWh = (-over < dischargeLimitW ? -over : dischargeLimitW) * HOURS;
        const heldWh = (storedWh - floorWh) * out;
        const outWh = heldWh > limitWh ? limitWh : heldWh > 0 ? heldWh : 0;
        next = storedWh - outWh * perOut;
        storageLossWh += storedWh - next - outWh;
        servedWh += incomeW * HOURS + outWh;
        const missingWh = -over * HOURS - outWh;
        if (missingWh > MISSING_WH) {
          unservedWh += missingWh;
          if (unservedFromMin > m) unservedFromMin = m;
        }
      }
      if (next < lowestWh) lowestWh = next;
      storedWh = next;
    }
  }
  if (levels) levels[MINUTES_PER_DAY] = storedWh;
  let spilledWh = 0;
  for (const [i, { kind }] of sources.entries()) if (kind === 'sun') spilledWh += untakenWh[i] as number;
  const books = {
    takenWh: sources.map((source, i) => Math.max(0, offeredWh(source) - (untakenWh[i] as number))),
    spilledWh,
    servedWh,
    unservedWh,
    storageLossWh,
    storeChangeWh: storedWh - startWh,
  };
  assertBalanced(books);
  return {
    books,
    startWh,
    lowestWh,
    endWh: storedWh,
    unservedFromMin: unservedFromMin < MINUTES_PER_DAY ? unservedFromMin : null,
  };
}

/** The same day with its state of charge minute by minute. */
export function traceDay(store: DayStore, startWh: number, busW: Float64Array, income: DayIncome): TracedDay {
  const levels = new Float64Array(MINUTES_PER_DAY + 1);
  const { books, lowestWh, endWh, unservedFromMin } = simulateDay(store, startWh, busW, income, levels);
  const socAt = (wh: number) => socOf(store.model, wh, store.warmShare);
  return { soc: levels.map(socAt), books, lowestSoc: socAt(lowestWh), unservedFromMin, startWh, endWh };
}

/** Sources − store change = served + storage loss, to 1e-6 of what was moved. */
function assertBalanced({ takenWh, storeChangeWh, servedWh, storageLossWh }: DayBooks): void {
  const income = takenWh.reduce((sum, wh) => sum + wh, 0);
  const off = income - storeChangeWh - servedWh - storageLossWh;
  const moved = income + servedWh + storageLossWh;
  if (Math.abs(off) > 1e-6 * Math.max(1, moved)) throw new Error(`the day's books are ${off} Wh out of balance`);
}
