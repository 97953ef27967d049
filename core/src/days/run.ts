import { MONTH_OF_DAY } from '../sun/months.ts';
import type { DemandTable, FollowingLoad } from './demand.ts';
import { socOf, whAt } from './fill.ts';
import { LEVEL_STEP, type MonthSky } from './income.ts';
import type { DaysSetup } from './setup.ts';
import { type Books, type LoadShares, makeStep, noBooks, type StepInput, type StepState } from './step.ts';
import { dayOf, type WeatherRun } from './weather.ts';

/** Hour by hour what happened, a value for each step; W are means of the step. */
export interface Trace {
  /** At the end of each step, 0…1 of what the cold leaves. */
  readonly soc: Float32Array;
  /** Asked for at the bus. */
  readonly needW: Float32Array;
  readonly sunOfferedW: Float32Array;
  readonly sunW: Float32Array;
  readonly drivingW: Float32Array;
  readonly supplyW: Float32Array;
  /** What the appliances went without. */
  readonly unservedW: Float32Array;
  readonly lostW: Float32Array;
  readonly airC: Float32Array;
  readonly storeC: Float32Array;
}

/** Some days played through. */
export interface DaysRun {
  readonly fromDay: number;
  readonly days: number;
  readonly stepMin: number;
  readonly books: Books;
  /** What the store gave more than it took, Wh. */
  readonly fromStoreWh: number;
  /** Of each day: lowest and last state of charge, Wh that appliances went without and that sun could not be put anywhere. */
  readonly lowSoc: Float32Array;
  readonly endSoc: Float32Array;
  readonly shortWh: Float32Array;
  readonly spilledWh: Float32Array;
  /** Wh that each load went without. */
  readonly unservedWh: Float64Array;
  /** h in which each load could not do what it should, however much it is given. */
  readonly beyondH: Float64Array;
  /** h after the beginning at which something first went unserved; null = never. */
  readonly shortFromH: number | null;
  /** h in which the store was too cold to be charged. */
  readonly lockedH: number;
  readonly trace: Trace | null;
  readonly probe: Probe | null;
}

/** What each load takes in one step, W at the bus, and which of them are cut off at its end. */
export interface Probe extends LoadShares {
  readonly isCut: readonly boolean[];
}

export interface RunOptions {
  /** State of charge at the beginning. */
  readonly fromSoc?: number;
  /** Of the calendar on the first day, 0 a Monday; and in the plan. */
  readonly weekday?: number;
  readonly planAt?: number;
  /** Days at the beginning that are played and not counted. */
  readonly leadIn?: number;
  readonly traced?: boolean;
  /** Months in which it is counted what each load goes without; all where left out. */
  readonly countedMonths?: ReadonlySet<number>;
  /** The month whose light there is, whatever the day. */
  readonly month?: number | null;
  /** A step of which it is written down what each load takes; from the first counted day on. */
  readonly probe?: number;
  /** Stops when something goes unserved. */
  readonly untilShort?: boolean;
}

/** h in which a bank inside a vehicle follows the air. From memory. */
const STORE_FOLLOWS_H = 6;

/**
 * Plays days one after the other: time and output are its own, what happens in a step is the step's. The books are held
 * against what is in the store to 1e-6 of what was moved.
 */
export function runDays(setup: DaysSetup, weather: WeatherRun, options: RunOptions = {}): DaysRun {
  const { steps, stepMin, model, cutOff, battery, sharing } = setup;
  const { leadIn = 0, month: onlyMonth = null } = options;
  const days = weather.clearness.length - leadIn;
  const loads = setup.loadNames.length;
  const hours = stepMin / 60;
  const step = makeStep(model, cutOff);
  const warm = (storeC: number): number =>
    1 - battery.coldLossPerK * Math.min(60, Math.max(0, battery.coldFromC - storeC));
  const firstC = Math.max(battery.coldestC, weather.meanC[0] ?? 0);
  let storeC = firstC;
  const state: StepState = {
    storedWh: whAt(model, options.fromSoc ?? 1, warm(storeC)),
    cut: new Uint8Array(loads + 2),
    cutCount: 0,
    shortAtH: -1,
  };
  const input: StepInput = {
    hours,
    busW: 0,
    usefulW: 0,
    idleW: 0,
    sunW: 0,
    drivingW: 0,
    supplyW: 0,
    warmShare: 1,
    isLocked: false,
    stopWh: 0,
  };
  const book = { now: noBooks() };
  let unserved = new Float64Array(loads);
  let beyondH = new Float64Array(loads);
  let beganWh = state.storedWh;
  const lowSoc = new Float32Array(days);
  const endSoc = new Float32Array(days);
  const shortWh = new Float32Array(days);
  const spilledWh = new Float32Array(days);
  const trace = options.traced ? emptyTrace(days * steps) : null;
  const followStoreShare = 1 - Math.exp(-hours / STORE_FOLLOWS_H);
  let shortFromH: number | null = null;
  let lockedH = 0;
  // What each load takes in the step that is played; made only where some are dropped.
  const shares: LoadShares = {
    usefulW: new Float64Array(loads + 2),
    conversionW: new Float64Array(loads + 2),
    idleW: new Float64Array(loads + 2),
  };
  const elsewhere = new Float64Array(loads);
  let sharesAt = -1;
  // Where the loop stands, for what is made on the way: its own variables stay out of closures, which would box them.
  const cursor: { demand: DemandTable | null; at: number; clock: number } = { demand: null, at: 0, clock: 0 };
  const followUseful = new Float64Array(loads);
  const followLoss = new Float64Array(loads);
  const devicePower = new Float64Array(16);
  const shareOut = (): LoadShares => {
    if (sharesAt === cursor.clock) return shares;
    sharesAt = cursor.clock;
    const { at } = cursor;
    const demand = cursor.demand as DemandTable;
    const rows = demand.rows();
    for (let i = 0; i < loads; i++) {
      const k = i * steps + at;
      shares.usefulW[i] = (rows.usefulW[k] as number) + (followUseful[i] as number);
      shares.conversionW[i] = (rows.conversionW[k] as number) + (followLoss[i] as number);
      shares.idleW[i] = rows.idleW[k] as number;
    }
    shares.idleW[loads] = demand.unattendedW[at] as number;
    return shares;
  };
  let playedDays = 0;
  let probe: Probe | null = null;

  for (let d = 0; d < days + leadIn; d++) {
    const day = dayOf(weather.fromDay + d);
    const month = onlyMonth ?? (MONTH_OF_DAY[day] as number);
    const tables = setup.dayOn((options.weekday ?? weather.fromDay) + d, (options.planAt ?? 0) + d, month);
    const sky = setup.skyIn(month);
    const { demand, driving, supplyW } = tables;
    cursor.demand = demand;
    const { following } = demand;
    const clearness = weather.clearness[d] as number;
    const meanC = weather.meanC[d] as number;
    const swingC = weather.swingC[d] as number;
    const level = Math.min(9, Math.floor(clearness / LEVEL_STEP));
    const above = Math.min(1, clearness / LEVEL_STEP - level);
    if (d === leadIn) {
      book.now = noBooks();
      unserved = new Float64Array(loads);
      beyondH = new Float64Array(loads);
      beganWh = state.storedWh;
      shortFromH = null;
      lockedH = 0;
    }
    const books = book.now;
    const counted = d - leadIn;
    const without = options.countedMonths?.has(month) === false ? elsewhere : unserved;
    const shortBefore = books.unservedWh;
    const spilledBefore = books.sunOfferedWh - books.sunWh;
    let low = 1;
    for (let at = 0; at < steps; at++) {
      cursor.at = at;
      cursor.clock++;
      const airC = meanC + swingC * (sky.warmth[at] as number);
      input.stopWh = demand.stopWh[at] as number;
      // Loads.
      let busW = demand.busW[at] as number;
      let usefulW = demand.usefulW[at] as number;
      if (following.length > 0) {
        const sunWm2 = clearness * (sky.flatWm2[at] as number);
        if (following.length > 1) devicePower.fill(0);
        for (let f = 0; f < following.length; f++) {
          const load = following[f] as FollowingLoad;
          const { follow } = load;
          const aroundC = follow.byDay ? meanC : airC > follow.leastC ? airC : follow.leastC;
          let duty = follow.base + follow.perK * aroundC + follow.perWm2 * sunWm2;
          const may = load.mayRun[at] as number;
          if (duty > 1 + 1e-9) {
            beyondH[load.index] = (beyondH[load.index] as number) + may * hours;
            duty = 1;
          } else if (duty < 0) duty = 0;
          const usefulOne = load.fullW * may * duty;
          const drawnW = usefulOne * load.perUseful;
          let lossW = drawnW - usefulOne;
          if (load.outputW) {
            const other = (load.outputW[at] as number) + (devicePower[load.device] as number);
            const varianceW2 = load.piecesW2 * may * duty * (1 - duty);
            lossW += load.linear * drawnW + load.square * (2 * drawnW * other + drawnW * drawnW + varianceW2);
            if (following.length > 1) devicePower[load.device] = (devicePower[load.device] as number) + drawnW;
          }
          followUseful[load.index] = usefulOne;
          followLoss[load.index] = lossW;
          usefulW += usefulOne;
          busW += usefulOne + lossW;
        }
      }
      // Sources.
      const warmer = airC - sky.meanC - sky.swingC * (sky.warmth[at] as number);
      let sunW = 0;
      for (let a = 0; a < sky.arrays.length; a++) sunW += arrayW(sky, a, level, above, at, steps, warmer);
      let drivingW = 0;
      for (let l = 0; l < driving.length; l++) drivingW += (driving[l] as Float64Array)[at] as number;
      let suppliedW = supplyW[at] as number;
      if (drivingW > 0 && sharing.outputs.length > 0) {
        for (const { array, link, mostW, blended } of sharing.outputs) {
          const own = arrayW(sky, array, level, above, at, steps, warmer);
          const driven = (driving[link] as Float64Array)[at] as number;
          const over = own + driven - mostW;
          if (over <= 0) continue;
          const sunLess = blended ? (over * own) / (own + driven) : Math.max(0, own - mostW);
          sunW -= sunLess;
          drivingW -= over - sunLess;
        }
      }
      if (sharing.oneInput) {
        if (sunW >= drivingW && sunW >= suppliedW) {
          drivingW = 0;
          suppliedW = 0;
        } else if (drivingW >= suppliedW) {
          sunW = 0;
          suppliedW = 0;
        } else {
          sunW = 0;
          drivingW = 0;
        }
      }
      if (sunW + drivingW + suppliedW > sharing.inputW) {
        sunW = Math.min(sunW, sharing.inputW);
        drivingW = Math.min(drivingW, sharing.inputW - sunW);
        suppliedW = Math.min(suppliedW, sharing.inputW - sunW - drivingW);
      }
      // The store's own warmth.
      const aroundStoreC = airC > battery.coldestC ? airC : battery.coldestC;
      storeC += (aroundStoreC - storeC) * followStoreShare;
      input.isLocked = storeC < battery.minChargeC;
      let heaterW = 0;
      if (battery.heaterW > 0 && storeC < battery.heatToC && sunW + drivingW + suppliedW > 0) {
        heaterW = battery.heaterW;
        storeC += (heaterW * hours) / battery.whPerK;
      }
      shares.usefulW[loads + 1] = heaterW;
      if (input.isLocked) lockedH += hours;
      input.warmShare = warm(storeC);
      input.busW = busW + heaterW;
      input.usefulW = usefulW + heaterW;
      input.idleW = demand.idleW[at] as number;
      input.sunW = sunW;
      input.drivingW = drivingW;
      input.supplyW = suppliedW;
      if (trace === null) step(state, input, books, shareOut, without);
      else tracedStep(counted * steps + at, airC, storeC, without);
      if (counted * steps + at === options.probe) {
        const { usefulW: useful, conversionW, idleW } = shareOut();
        probe = {
          usefulW: useful.slice(),
          conversionW: conversionW.slice(),
          idleW: idleW.slice(),
          isCut: [...state.cut].map((cut) => cut === 1),
        };
      }
      const soc = socOf(model, state.storedWh, input.warmShare);
      if (soc < low) low = soc;
      if (shortFromH === null && state.shortAtH >= 0) shortFromH = counted * 24 + at * hours + state.shortAtH;
    }
    if (counted < 0) continue;
    playedDays = counted + 1;
    lowSoc[counted] = low;
    endSoc[counted] = socOf(model, state.storedWh, input.warmShare);
    shortWh[counted] = books.unservedWh - shortBefore;
    spilledWh[counted] = books.sunOfferedWh - books.sunWh - spilledBefore;
    if (options.untilShort && shortFromH !== null) break;
  }
  const fromStoreWh = beganWh - state.storedWh;
  assertBalanced(book.now, fromStoreWh);
  return {
    fromDay: dayOf(weather.fromDay + leadIn),
    days: playedDays,
    stepMin,
    books: book.now,
    fromStoreWh,
    lowSoc,
    endSoc,
    shortWh,
    spilledWh,
    unservedWh: unserved,
    beyondH,
    shortFromH,
    lockedH,
    trace,
    probe,
  };

  /** A step of which everything is written down. */
  function tracedStep(k: number, airC: number, storeC: number, without: Float64Array): void {
    const books = book.now;
    const before = { ...books };
    step(state, input, books, shareOut, without);
    if (k < 0 || !trace) return;
    const rate = (key: keyof Books) => (books[key] - before[key]) / hours;
    trace.soc[k] = socOf(model, state.storedWh, input.warmShare);
    trace.needW[k] = input.busW;
    trace.sunOfferedW[k] = input.sunW;
    trace.sunW[k] = rate('sunWh');
    trace.drivingW[k] = rate('drivingWh');
    trace.supplyW[k] = rate('supplyWh');
    trace.unservedW[k] = rate('unservedWh');
    trace.lostW[k] = rate('conversionWh') + rate('idleWh') + rate('storageWh');
    trace.airC[k] = airC;
    trace.storeC[k] = storeC;
  }
}

/** W of an array in a step: straight between the levels of clearness, less in warmer air, held to its controller. */
function arrayW(
  { arrays, perK, mostW }: MonthSky,
  array: number,
  level: number,
  above: number,
  at: number,
  steps: number,
  warmerK: number,
): number {
  const table = arrays[array] as Float64Array;
  const low = table[level * steps + at] as number;
  const high = table[(level + 1) * steps + at] as number;
  const w = (low + (high - low) * above) * (1 + (perK[array] as number) * warmerK);
  const most = mostW[array] as number;
  return w < most ? w : most;
}

function emptyTrace(length: number): Trace {
  const row = () => new Float32Array(length);
  return {
    soc: row(),
    needW: row(),
    sunOfferedW: row(),
    sunW: row(),
    drivingW: row(),
    supplyW: row(),
    unservedW: row(),
    lostW: row(),
    airC: row(),
    storeC: row(),
  };
}

/** Sources + what the store gave = useful + conversion + idle + storage, to 1e-6 of what was moved. */
export function assertBalanced(books: Books, fromStoreWh: number): void {
  const income = books.sunWh + books.drivingWh + books.supplyWh;
  const spent = books.usefulWh + books.conversionWh + books.idleWh + books.storageWh;
  const moved = income + spent + Math.abs(fromStoreWh);
  const off = income + fromStoreWh - spent;
  if (!(Math.abs(off) <= 1e-6 * Math.max(1, moved))) throw new Error(`the books are ${off} Wh out of balance`);
}
