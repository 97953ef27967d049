import { onItsDay, shareOfDays } from '../job/day.ts';
import { type LoadProfile, rememberedProfile } from '../loads/profile.ts';
import { busDay } from '../paths/ledger.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Settled } from '../settle/settle.ts';
import { type DayIncome, dayIncome } from '../sources/dayIncome.ts';
import { offeredWh, type Source } from '../sources/source.ts';
import { withHeater } from '../store/heaterDay.ts';
import { fill, notFilled, type StoreModel, socOf, whAt } from './fill.ts';
import { storeModelOf } from './setup.ts';

/** Energy books of one simulated day, Wh. */
export interface DayBooks {
  /** Taken from each source, as they stand in the stay. */
  readonly takenWh: readonly number[];
  /** Sun that found no room. */
  readonly spilledWh: number;
  readonly servedWh: number;
  readonly unservedWh: number;
  readonly storageLossWh: number;
  readonly storeChangeWh: number;
}

export interface DayTrace {
  /** State of charge 0…1 at the start of each minute and at the day's end: 1,441 values. */
  readonly soc: Float64Array;
  readonly books: DayBooks;
  readonly lowestSoc: number;
  /** First minute in which something went unserved; null when all was served. */
  readonly unservedFromMin: number | null;
}

export interface StaySimulation {
  /** The day after arriving with a full store, and the last day of the stay. */
  readonly first: DayTrace;
  readonly last: DayTrace;
  /** The day on which most goes unserved, and which of the stay it is, 1 first; the first when all is served. */
  readonly worst: DayTrace;
  readonly worstDay: number;
  /** The first day on which something goes unserved; null when all is served. */
  readonly shortFromDay: number | null;
  readonly days: number;
  readonly floorSoc: number;
  /** In the order they are drawn on. */
  readonly sources: readonly Pick<Source, 'id' | 'kind' | 'name'>[];
}

/**
 * Simulates the stay off-grid, minute by minute from midnight, beginning with a full store, in the darkest month of
 * use: the store old and at its coldest, as it is sized; what runs on some days of the week on those days and all of it
 * on the first. Asserts that the books balance to 1e-6 of the energy moved.
 */
export function simulateStay(settled: Settled): StaySimulation {
  const { job, sources } = settled;
  const store = dayStore(settled);
  const busOn = busOfDay(settled);
  const days = job.brief.nightsOffGrid;
  let storedWh = store.model.fullWh;
  const income = dayIncome(sources);
  let today = traceDay(store, storedWh, busOn(0), income);
  const first = today;
  let [worst, worstDay] = [first, 1];
  let shortFromDay: number | null = null;
  for (let day = 0; day < days; day++) {
    // A day that begins as the one before did, with the same loads, is the same day.
    const same = day === 0 || (busOn(day) === busOn(day - 1) && storedWh === today.startWh);
    if (!same) today = traceDay(store, storedWh, busOn(day), income);
    if (shortFromDay === null && today.books.unservedWh > 1e-9) shortFromDay = day + 1;
    if (today.books.unservedWh > worst.books.unservedWh + 1e-9) [worst, worstDay] = [today, day + 1];
    storedWh = today.endWh;
  }
  return {
    first,
    last: today,
    worst,
    worstDay,
    shortFromDay,
    days,
    floorSoc: socOf(store.model, store.floorWh, store.warmShare),
    sources: sources.map(({ id, kind, name }) => ({ id, kind, name })),
  };
}

/** A store and the level at which it has nothing left to give. */
export interface DayStore {
  readonly model: StoreModel;
  /** Share of its capacity that the cold leaves. */
  readonly warmShare: number;
  readonly floorWh: number;
}

/** The store as it is sized: old, at its coldest; the reserve is a share of the capacity as it then is. */
export function dayStore(settled: Pick<Settled, 'store' | 'option'>): DayStore {
  const model = storeModelOf(settled, 'old');
  const { coldFactor, usableDepth } = settled.store.factors;
  return { model, warmShare: coldFactor, floorWh: whAt(model, 1 - usableDepth, coldFactor) };
}

/** W on the bus on each day of the stay: what is of some days runs on the first, and then as often as it is said to. */
function busOfDay({
  job,
  bus,
  profiles,
  option,
  feeds,
  leads,
  brief,
  ambientC,
  sun,
  heater,
}: Settled): (day: number) => Float64Array {
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: brief.day };
  const shares = job.loads.map((load) => shareOfDays(load, brief.day));
  const usual = withHeater(bus.busW, heater);
  if (shares.every((share) => share >= 1)) return () => usual;
  // The first day counts: what is below a whole turn before it is none.
  const runsOnDay = (share: number, day: number) => Math.floor(day * share) > Math.floor((day - 1) * share);
  const made = new Map<string, Float64Array>();
  return (day) => {
    const on = shares.map((share) => share >= 1 || runsOnDay(share, day));
    const key = on.map(Number).join('');
    const known = made.get(key);
    if (known) return known;
    const those = job.loads.map((load, i) =>
      (shares[i] as number) >= 1
        ? (profiles[i] as LoadProfile)
        : rememberedProfile(onItsDay(load, on[i] as boolean), around),
    );
    const busW = withHeater(busDay(those, option.system.devices, feeds, leads).busW, heater);
    made.set(key, busW);
    return busW;
  };
}

/** Of a step. */
const HOURS = 1 / 60;

/** A day at the store's terminals: its books, what is in the store when it begins, at the least and when it ends. */
export interface DayAtStore {
  readonly books: DayBooks;
  readonly startWh: number;
  readonly lowestWh: number;
  readonly endWh: number;
  /** First minute in which something went unserved; null when all was served. */
  readonly unservedFromMin: number | null;
}

/** What a day comes to besides what is in the store, Wh; added up by `passDay`. */
interface DaySums {
  servedWh: number;
  unservedWh: number;
  storageLossWh: number;
  lowestWh: number;
  unservedFromMin: number;
  /** Of each source. */
  readonly untakenWh: Float64Array;
  /** Takes what is in the store at the start of each minute and at the day's end. */
  readonly levels: Float64Array | null;
}

/** Wh below which nothing is missing. */
const MISSING_WH = 1e-9;

/**
 * A day at the store's terminals, minute by minute: sources feed the bus, the sun before chargers, what is over charges,
 * what is missing is taken down to the floor, and the rest goes unserved.
 * @param sums takes what it comes to; null = only the store is asked for
 * @returns Wh in the store at its end
 */
function passDay(
  { model, warmShare, floorWh }: DayStore,
  startWh: number,
  busW: Float64Array,
  { sources, allW, sunW }: DayIncome,
  sums: DaySums | null,
): number {
  const { fullWh, inBySun, inByAmps, out, chargeLimitW, dischargeLimitW, taperFromSoc } = model;
  const offered = sources.map(({ watts }) => watts);
  const filled = notFilled();
  const tapersFromWh = fullWh - (1 - taperFromSoc) * fullWh * warmShare;
  const perOut = 1 / out;
  // One by one: numbers that are taken out of a list are looked at anew in each minute.
  let servedWh = 0;
  let unservedWh = 0;
  let storageLossWh = 0;
  let unservedFromMin = MINUTES_PER_DAY;
  let lowestWh = startWh;
  let storedWh = startWh;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const demandW = busW[m] as number;
    const over = (allW[m] as number) - demandW;
    if (sums?.levels) sums.levels[m] = storedWh;
    let next = storedWh;
    let movedWh = 0;
    if (over > 0) {
      const bySun = (sunW[m] as number) - demandW;
      const sunOver = bySun > 0 ? bySun : 0;
      const inW = sunOver * inBySun + (over - sunOver) * inByAmps;
      if (over <= chargeLimitW && storedWh + inW * HOURS <= tapersFromWh) {
        next = storedWh + inW * HOURS;
        movedWh = over * HOURS;
      } else if (storedWh < fullWh) {
        fill(model, storedWh, over, inW / over, warmShare, HOURS, Number.POSITIVE_INFINITY, filled);
        next = filled.storedWh;
        movedWh = filled.takenWh;
      }
    } else {
      const limitWh = (-over < dischargeLimitW ? -over : dischargeLimitW) * HOURS;
      const heldWh = (storedWh - floorWh) * out;
      const outWh = heldWh > limitWh ? limitWh : heldWh > 0 ? heldWh : 0;
      next = storedWh - outWh * perOut;
      movedWh = -outWh;
    }
    if (sums) {
      const income = allW[m] as number;
      storageLossWh += movedWh - (next - storedWh);
      if (next < lowestWh) lowestWh = next;
      let spareWh = 0;
      if (over > 0) {
        servedWh += demandW * HOURS;
        spareWh = over * HOURS - movedWh;
      } else {
        servedWh += income * HOURS - movedWh;
        const missingWh = -over * HOURS + movedWh;
        if (missingWh > MISSING_WH) {
          unservedWh += missingWh;
          if (unservedFromMin > m) unservedFromMin = m;
        }
      }
      // The earlier source gives first: what is not used is the last one's.
      for (let i = offered.length - 1; spareWh > 0 && i >= 0; i--) {
        const given = ((offered[i] as Float64Array)[m] as number) * HOURS;
        const spare = given < spareWh ? given : spareWh;
        spareWh -= spare;
        sums.untakenWh[i] = (sums.untakenWh[i] as number) + spare;
      }
    }
    storedWh = next;
  }
  if (sums?.levels) sums.levels[MINUTES_PER_DAY] = storedWh;
  if (sums) Object.assign(sums, { servedWh, unservedWh, storageLossWh, lowestWh, unservedFromMin });
  return storedWh;
}

/** A day at the store's terminals, of which the loads are not told apart. @param levels what `passDay` writes down */
export function simulateDay(
  store: DayStore,
  startWh: number,
  busW: Float64Array,
  income: DayIncome,
  levels: Float64Array | null = null,
): DayAtStore {
  const { sources } = income;
  const sums: DaySums = {
    servedWh: 0,
    unservedWh: 0,
    storageLossWh: 0,
    lowestWh: startWh,
    unservedFromMin: MINUTES_PER_DAY,
    untakenWh: new Float64Array(sources.length),
    levels,
  };
  const endWh = passDay(store, startWh, busW, income, sums);
  const { servedWh, unservedWh, storageLossWh, lowestWh, unservedFromMin, untakenWh } = sums;
  let spilledWh = 0;
  for (const [i, { kind }] of sources.entries()) if (kind === 'sun') spilledWh += untakenWh[i] as number;
  const books = {
    takenWh: sources.map((source, i) => Math.max(0, offeredWh(source) - (untakenWh[i] as number))),
    spilledWh,
    servedWh,
    unservedWh,
    storageLossWh,
    storeChangeWh: endWh - startWh,
  };
  assertBalanced(books);
  return {
    books,
    startWh,
    lowestWh,
    endWh,
    unservedFromMin: unservedFromMin < MINUTES_PER_DAY ? unservedFromMin : null,
  };
}

export interface TracedDay extends DayTrace {
  readonly startWh: number;
  readonly endWh: number;
}

/** The same day with its state of charge minute by minute. */
export function traceDay(store: DayStore, startWh: number, busW: Float64Array, income: DayIncome): TracedDay {
  const levels = new Float64Array(MINUTES_PER_DAY + 1);
  const { books, lowestWh, endWh, unservedFromMin } = simulateDay(store, startWh, busW, income, levels);
  const socAt = (wh: number) => socOf(store.model, wh, store.warmShare);
  return { soc: levels.map(socAt), books, lowestSoc: socAt(lowestWh), unservedFromMin, startWh, endWh };
}

/** Wh in the store at the end of such a day, and no more: what `simulateDay` comes to. */
export const dayEndWh = (store: DayStore, startWh: number, busW: Float64Array, income: DayIncome): number =>
  passDay(store, startWh, busW, income, null);

/** Sources − store change = served + storage loss, to 1e-6 of what was moved. */
function assertBalanced({ takenWh, storeChangeWh, servedWh, storageLossWh }: DayBooks): void {
  const income = takenWh.reduce((sum, wh) => sum + wh, 0);
  const off = income - storeChangeWh - servedWh - storageLossWh;
  const moved = income + servedWh + storageLossWh;
  if (Math.abs(off) > 1e-6 * Math.max(1, moved)) throw new Error(`the day's books are ${off} Wh out of balance`);
}
