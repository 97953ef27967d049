import { type Evaluation, evaluate } from '../assess.ts';
import { onItsDay, shareOfDays } from '../job/day.ts';
import type { Job } from '../job/schema.ts';
import { type LoadProfile, rememberedProfile } from '../loads/profile.ts';
import type { Effort } from '../moment/effort.ts';
import { busDay } from '../paths/ledger.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { chargeAtPeukert } from '../store/peukert.ts';
import { type Step, type StoreModel, stepStore } from './step.ts';

/** Energy books of one simulated day, Wh. */
export interface DayBooks {
  readonly solarUsedWh: number;
  readonly alternatorUsedWh: number;
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
  /** The day on which most goes unserved; the first when all is served. */
  readonly worst: DayTrace;
  readonly days: number;
  readonly floorSoc: number;
  readonly busW: Float64Array;
  readonly solarW: Float64Array;
  readonly alternatorW: Float64Array;
}

/**
 * Simulates the stay off-grid, minute by minute from midnight, beginning with a full store, in the darkest month of
 * use: the store old and at its coldest, as it is sized; what runs on some days of the week on those days and all of it
 * on the first. Asserts that the books balance to 1e-6 of the energy moved.
 */
export function simulateStay(asStored: Job, optionId: string, effort?: Effort): StaySimulation {
  const evaluation = evaluate(asStored, optionId, effort);
  const { job, assessment, option, factors, arrayW: solarW, alternatorW } = evaluation;
  const { figures } = assessment;
  const data = CHEMISTRY[option.system.store.chemistry];
  const { nominalV, usableDepth, coldFactor, ageingReserve } = factors;
  const ratedAh = figures['store.capacity'].value / nominalV;
  const capacityWh =
    chargeAtPeukert(ratedAh, factors.typicalA, factors.peukert) * nominalV * coldFactor * ageingReserve;
  const model: StoreModel = {
    capacityWh,
    // The reserve is a share of the capacity as it then is.
    floorWh: capacityWh * (1 - usableDepth),
    oneWayEfficiency: factors.dischargeEfficiency,
    chargeLimitW: ratedAh * data.chargeLimitC * nominalV,
    dischargeLimitW: ratedAh * data.dischargeLimitC * nominalV,
    taperFromSoc: data.taperFromSoc,
  };
  const busOn = busOfDay(evaluation);

  const days = job.brief.nightsOffGrid;
  let storedWh = capacityWh;
  let first: DayTrace | undefined;
  let last: DayTrace | undefined;
  let worst: DayTrace | undefined;
  for (let day = 0; day < days; day++) {
    last = simulateDay(model, storedWh, busOn(day), solarW, alternatorW);
    first ??= last;
    if (!worst || last.books.unservedWh > worst.books.unservedWh + 1e-9) worst = last;
    storedWh = (last.soc[MINUTES_PER_DAY] as number) * capacityWh;
  }
  if (!first || !last || !worst) throw new RangeError('a stay has at least one night');
  const floorSoc = capacityWh > 0 ? model.floorWh / capacityWh : 0;
  return { first, last, worst, days, floorSoc, busW: busOn(0), solarW, alternatorW };
}

/** W on the bus on each day of the stay: what is of some days runs on the first, and then as often as it is said to. */
function busOfDay({
  job,
  bus,
  profiles,
  option,
  feeds,
  brief,
  ambientC,
  sun,
}: Evaluation): (day: number) => Float64Array {
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: brief.day };
  const shares = job.loads.map((load) => shareOfDays(load, brief.day));
  if (shares.every((share) => share >= 1)) return () => bus.busW;
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
    const { busW } = busDay(those, option.system.devices, feeds);
    made.set(key, busW);
    return busW;
  };
}

function simulateDay(
  model: StoreModel,
  startWh: number,
  busW: Float64Array,
  solarW: Float64Array,
  alternatorW: Float64Array,
): DayTrace {
  const soc = new Float64Array(MINUTES_PER_DAY + 1);
  const step: Step = {
    storedWh: startWh,
    solarUsedWh: 0,
    alternatorUsedWh: 0,
    spilledWh: 0,
    servedWh: 0,
    unservedWh: 0,
    storageLossWh: 0,
  };
  const books = { solarUsedWh: 0, alternatorUsedWh: 0, spilledWh: 0, servedWh: 0, unservedWh: 0, storageLossWh: 0 };
  const perWh = model.capacityWh > 0 ? 1 / model.capacityWh : 0;
  let lowestWh = startWh;
  let unservedFromMin: number | null = null;
  soc[0] = startWh * perWh;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const demandW = busW[m] as number;
    stepStore(model, step.storedWh, demandW, solarW[m] as number, alternatorW[m] as number, 1 / 60, step);
    books.solarUsedWh += step.solarUsedWh;
    books.alternatorUsedWh += step.alternatorUsedWh;
    books.spilledWh += step.spilledWh;
    books.servedWh += step.servedWh;
    books.unservedWh += step.unservedWh;
    books.storageLossWh += step.storageLossWh;
    if (unservedFromMin === null && step.unservedWh > 1e-9) unservedFromMin = m;
    lowestWh = Math.min(lowestWh, step.storedWh);
    soc[m + 1] = step.storedWh * perWh;
  }
  const storeChangeWh = step.storedWh - startWh;
  assertBalanced(books, storeChangeWh);
  return { soc, books: { ...books, storeChangeWh }, lowestSoc: lowestWh * perWh, unservedFromMin };
}

/** Sources − store change = served + storage loss, to 1e-6 of what was moved. */
function assertBalanced(books: Omit<DayBooks, 'storeChangeWh'>, storeChangeWh: number): void {
  const income = books.solarUsedWh + books.alternatorUsedWh;
  const off = income - storeChangeWh - books.servedWh - books.storageLossWh;
  const moved = income + books.servedWh + books.storageLossWh;
  if (Math.abs(off) > 1e-6 * Math.max(1, moved)) throw new Error(`the day's books are ${off} Wh out of balance`);
}
