import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { assertBalanced, type Books, noBooks } from './books.ts';
import { type StoreModel, socOf, whAt } from './fill.ts';
import { type FittedStore, storeModelOf } from './fittedModel.ts';
import { makeSteps, type StepState, standADay, undivided } from './player.ts';
import type { WarmDay } from './warmDay.ts';

/** What sources bring to the bus through a day, W in each minute. */
export interface Income {
  readonly sunW: Float64Array;
  readonly drivingW: Float64Array;
  readonly supplyW: Float64Array;
  /** What comes by chargers: driving and supply together. */
  readonly otherW: Float64Array;
}

/** A battery through a day: how warm it is, and the level at which it has nothing left to give. */
export interface DayBattery {
  readonly model: StoreModel;
  readonly warm: Pick<WarmDay, 'warmShare' | 'locked'>;
  readonly floorSoc: number;
}

/** The battery as it is sized: old, and as warm as the day leaves it. */
export function dayBattery(fitted: FittedStore, warm: DayBattery['warm']): DayBattery {
  return { model: storeModelOf(fitted, 'old'), warm, floorSoc: 1 - fitted.store.factors.usableDepth };
}

/** A day at the battery's terminals: its books, what is in the battery when it begins and when it ends. */
export interface DayAtBattery {
  readonly books: Books;
  readonly startWh: number;
  readonly endWh: number;
  readonly lowestSoc: number;
  /** First minute in which something went unserved; null when all was served. */
  readonly unservedFromMin: number | null;
  /** W in each minute that nothing had use for. */
  readonly spareW: Float64Array;
}

export interface TracedDay extends DayAtBattery {
  /** State of charge 0…1 at the start of each minute and at the day's end: 1,441 values. */
  readonly soc: Float64Array;
}

/** Unserved energy worth a word: what an average hour of the day asks for. Less is within what the model can tell. From memory. */
const WORTH_A_WORD_H = 1;

/** @param unservedWh of a day on which `askedWh` are asked for */
export const isWorthAWord = (unservedWh: number, askedWh: number): boolean =>
  unservedWh > 0 && unservedWh * 24 >= askedWh * WORTH_A_WORD_H;

const HOURS = 1 / 60;
/** One more than there are minutes, for what stands before each. */
const ZEROES = new Float64Array(MINUTES_PER_DAY + 1);
const NOBODY = new Uint8Array(2);

/**
 * A day minute by minute, of which the loads are not told apart: sources feed the bus, the sun before chargers, what is
 * over charges, what is missing is taken down to the floor, and the rest goes unserved.
 * @param levelWh takes what is in the battery at the end of each minute, Wh
 */
export function simulateDay(
  { model, warm, floorSoc }: DayBattery,
  startWh: number,
  busW: Float64Array,
  income: Income,
  levelWh: Float64Array | null = null,
): DayAtBattery {
  const { usual, starved } = makeSteps(model, undivided(floorSoc), HOURS);
  const books = noBooks();
  const spareW = new Float64Array(MINUTES_PER_DAY);
  const rows = {
    busW,
    usefulW: busW,
    idleW: ZEROES,
    cableW: ZEROES,
    idleSums: ZEROES,
    cableSums: ZEROES,
    stopWh: ZEROES,
    spareW,
    levelWh,
    ...income,
    warmShare: warm.warmShare,
    locked: warm.locked,
  };
  const lowSoc = socOf(model, startWh, warm.warmShare[0] as number);
  const state: StepState = { storedWh: startWh, cut: NOBODY, cutCount: 0, shortAtH: -1, cutAtH: -1, lowSoc };
  standADay(model, state, books);
  let unservedFromMin: number | null = null;
  for (let m = 0; m < MINUTES_PER_DAY; ) {
    const reached = usual(state, rows, m, MINUTES_PER_DAY, books);
    m = reached < MINUTES_PER_DAY ? starved(state, rows, reached, MINUTES_PER_DAY, books) : reached;
    if (state.shortAtH >= 0) unservedFromMin ??= reached;
  }
  assertBalanced(books, startWh - state.storedWh);
  return { books, startWh, endWh: state.storedWh, lowestSoc: state.lowSoc, unservedFromMin, spareW };
}

/** The same day with its state of charge minute by minute. */
export function traceDay(battery: DayBattery, startWh: number, busW: Float64Array, income: Income): TracedDay {
  const levels = new Float64Array(MINUTES_PER_DAY + 1);
  levels[0] = startWh;
  const day = simulateDay(battery, startWh, busW, income, levels.subarray(1));
  const { warmShare } = battery.warm;
  const soc = levels.map((wh, m) => socOf(battery.model, wh, warmShare[Math.max(0, m - 1)] as number));
  return { ...day, soc };
}

/** Wh in the battery when a day begins with it full, and with nothing left to give. */
export const fullAt = ({ model }: DayBattery): number => model.fullWh;
export const emptyAt = ({ model, warm, floorSoc }: DayBattery): number =>
  whAt(model, floorSoc, warm.warmShare[0] as number);
