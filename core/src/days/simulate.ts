import { evaluate } from '../assess.ts';
import type { Job } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { CHEMISTRY, nominalVoltageV } from '../reference/chemistries.ts';
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
  readonly days: number;
  readonly floorSoc: number;
  readonly busW: Float64Array;
  readonly solarW: Float64Array;
  readonly alternatorW: Float64Array;
}

/** When a usual day's driving is taken to begin, minutes after midnight. Common practice: after breakfast. */
const DRIVE_FROM_MIN = 9 * 60;

/**
 * Simulates the stay off-grid, minute by minute from midnight, beginning with a full store: the usual day
 * of the darkest month of use, repeated. Asserts that the books balance to 1e-6 of the energy moved.
 */
export function simulateStay(job: Job, optionId: string): StaySimulation {
  const { assessment, option, bus, array } = evaluate(job, optionId);
  const { figures } = assessment;
  const { system } = option;
  const data = CHEMISTRY[system.store.chemistry];
  const nominalV = nominalVoltageV(system.store.chemistry, system.busVoltageV);
  const capacityWh = figures['store.capacity'].value;
  const model: StoreModel = {
    capacityWh,
    floorWh: capacityWh - figures['store.usable'].value,
    oneWayEfficiency: Math.sqrt(system.store.roundTripEfficiency ?? data.roundTripEfficiency),
    chargeLimitW: (capacityWh / nominalV) * data.chargeLimitC * nominalV,
    dischargeLimitW: (capacityWh / nominalV) * data.dischargeLimitC * nominalV,
    taperFromSoc: data.taperFromSoc,
  };
  const solarW = array.perRatedW.map((w) => w * figures['array.rating'].value);
  const driveMin = job.brief.driveHoursPerDay * 60;
  const chargeW = driveMin > 0 ? (figures['alternator.yield'].value / driveMin) * 60 : 0;
  const alternatorW = driveProfile(driveMin, chargeW);

  const days = job.brief.nightsOffGrid;
  let storedWh = capacityWh;
  let first: DayTrace | undefined;
  let last: DayTrace | undefined;
  for (let day = 0; day < days; day++) {
    last = simulateDay(model, storedWh, bus.busW, solarW, alternatorW);
    first ??= last;
    storedWh = (last.soc[MINUTES_PER_DAY] as number) * capacityWh;
  }
  if (!first || !last) throw new RangeError('a stay has at least one night');
  const floorSoc = capacityWh > 0 ? model.floorWh / capacityWh : 0;
  return { first, last, days, floorSoc, busW: bus.busW, solarW, alternatorW };
}

function driveProfile(driveMin: number, watts: number): Float64Array {
  const start = Math.min(DRIVE_FROM_MIN, MINUTES_PER_DAY - driveMin);
  return Float64Array.from({ length: MINUTES_PER_DAY }, (_, m) => {
    const share = Math.min(m + 1, start + driveMin) - Math.max(m, start);
    return watts * Math.max(0, share);
  });
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
