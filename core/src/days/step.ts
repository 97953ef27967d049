import { FULL_SOC } from '../store/charging.ts';
import { type Filled, fill, type StoreModel, whAt } from './fill.ts';

/** What one step of a day begins with: what is asked for, what is offered, how it is around the store. */
export interface StepInput {
  hours: number;
  /** W at the bus, and the parts of it that appliances use and that idle away. */
  busW: number;
  usefulW: number;
  idleW: number;
  cableW: number;
  sunW: number;
  /** Of chargers, whose amps are limited: from the alternator, and from supplies. */
  drivingW: number;
  supplyW: number;
  /** Share of the capacity that the cold leaves, and whether the store may not be charged. */
  warmShare: number;
  isLocked: boolean;
  /** Wh at the bus that must be left to stop what runs. */
  stopWh: number;
}

/**
 * What each load takes, W at the bus: asked for only where some are dropped. After the loads stand idle that is nobody's
 * and the heater of the store, which is never cut off.
 */
export interface LoadShares {
  readonly usefulW: Float64Array;
  readonly conversionW: Float64Array;
  readonly idleW: Float64Array;
  readonly cableW: Float64Array;
}

/** When loads are dropped and come back, and in what order. */
export interface CutOff {
  /** State of charge at which all are cut off; above it, what is kept for critical ones; above that, where they come back. */
  readonly soc: number;
  readonly keep: number;
  readonly reconnect: number;
  /** All at once, or one after the other until the rest can be carried. */
  readonly together: boolean;
  /** Loads in the order in which they are dropped; idle that is nobody's goes first. */
  readonly order: readonly number[];
  readonly critical: readonly boolean[];
}

/** What stands from one step to the next. */
export interface StepState {
  storedWh: number;
  /** Loads that are cut off, and how many. */
  readonly cut: Uint8Array;
  cutCount: number;
  /** h into the last step at which something first went unserved in it; below 0 = nothing did. */
  shortAtH: number;
}

/** Energy books, Wh: sources + what the store gave = useful + every loss. What goes unserved stands beside them. */
export interface Books {
  sunOfferedWh: number;
  sunWh: number;
  drivingWh: number;
  supplyWh: number;
  /** Of the sun, what went straight to what ran. */
  directSunWh: number;
  /** Wh at the terminals into the store and out of it. */
  intoStoreWh: number;
  outOfStoreWh: number;
  usefulWh: number;
  conversionWh: number;
  idleWh: number;
  cableWh: number;
  storageWh: number;
  /** What the appliances would have used. */
  unservedWh: number;
  /** Sun that was not taken while the store was too cold to be charged. */
  lockedWh: number;
}

export const noBooks = (): Books => ({
  sunOfferedWh: 0,
  sunWh: 0,
  drivingWh: 0,
  supplyWh: 0,
  directSunWh: 0,
  intoStoreWh: 0,
  outOfStoreWh: 0,
  usefulWh: 0,
  conversionWh: 0,
  idleWh: 0,
  cableWh: 0,
  storageWh: 0,
  unservedWh: 0,
  lockedWh: 0,
});

export const addBooks = (to: Books, from: Books): void => {
  for (const key of Object.keys(to) as (keyof Books)[]) to[key] += from[key];
};

/** Of charge, between where loads go and where they come back. */
const LEAST_BAND = 0.01;
/** h below which no time has passed. */
const NO_TIME = 1e-12;
/** Wh within which a level counts as reached. */
const REACHED_WH = 1e-9;
/** Times that loads come back within a step: what is filled and emptied faster than that stays off until the next. From memory. */
const MOST_RETURNS = 8;
/** W that are not missed. */
const NO_POWER_W = 1e-9;

/**
 * One step at constant powers. Sources feed the loads first and straight from the bus; what is over charges, the sun
 * before chargers; what is missing comes out of the store. Where the store reaches its cut-off inside the step, loads
 * are dropped there and then, whole ones, and come back where it reaches the level of that, a few times in a step.
 * @param shares what each load takes in this step; asked for only where some are dropped
 * @param unserved Wh that each load went without, added to
 */
export function makeStep(model: StoreModel, cutOff: CutOff) {
  const loads = cutOff.order.length;
  const idler = loads;
  const filled: Filled = { storedWh: 0, hours: 0, takenWh: 0 };
  const slots = loads + 2;
  const canHold = model.fullWh > 0;
  // What is kept for critical loads ends below where all come back, however much is asked to be kept.
  const keptSoc = Math.min(Math.max(cutOff.soc, FULL_SOC - LEAST_BAND), cutOff.soc + cutOff.keep);
  const backSoc = Math.min(FULL_SOC, cutOff.soc + cutOff.reconnect);
  const allBackSoc = Math.min(FULL_SOC, cutOff.soc + cutOff.keep + cutOff.reconnect);
  const { fullWh, inBySun, inByAmps, chargeLimitW } = model;
  const perOut = 1 / model.out;
  const taper = (1 - model.taperFromSoc) * fullWh;
  const on = { busW: 0, usefulW: 0, idleW: 0, cableW: 0 };

  /** What those still connected take. */
  function connected(state: StepState, input: StepInput, shares: () => LoadShares): void {
    if (state.cutCount === 0) {
      on.busW = input.busW;
      on.usefulW = input.usefulW;
      on.idleW = input.idleW;
      on.cableW = input.cableW;
      return;
    }
    const { usefulW, conversionW, idleW, cableW } = shares();
    on.busW = 0;
    on.usefulW = 0;
    on.idleW = 0;
    on.cableW = 0;
    for (let i = 0; i < slots; i++) {
      if (state.cut[i] === 1) continue;
      on.usefulW += usefulW[i] as number;
      on.idleW += idleW[i] as number;
      on.cableW += cableW[i] as number;
      on.busW += (usefulW[i] as number) + (conversionW[i] as number) + (idleW[i] as number) + (cableW[i] as number);
    }
  }

  function drop(state: StepState, i: number): void {
    if (state.cut[i] === 1) return;
    state.cut[i] = 1;
    state.cutCount++;
  }

  /** Drops loads, in their order, until what is left can be carried with so many watts. */
  function dropUntil(state: StepState, input: StepInput, shares: () => LoadShares, carriedW: number): void {
    drop(state, idler);
    connected(state, input, shares);
    for (const i of cutOff.order) {
      if (on.busW <= carriedW + NO_POWER_W) return;
      drop(state, i);
      connected(state, input, shares);
    }
  }

  function dropAll(state: StepState): void {
    for (let i = 0; i <= loads; i++) drop(state, i);
  }

  const ordinaryLeft = (state: StepState): boolean => {
    for (let i = 0; i < loads; i++) if (state.cut[i] === 0 && !cutOff.critical[i]) return true;
    return false;
  };

  /** The store has come down to where loads go. */
  function cutAt(state: StepState, input: StepInput, books: Books, shares: () => LoadShares, isKept: boolean): void {
    if (state.cutCount === 0 && input.stopWh > 0) {
      // What runs is stopped with what was kept for it.
      const givenWh = Math.min(input.stopWh, state.storedWh * model.out);
      state.storedWh -= givenWh / model.out;
      books.usefulWh += givenWh;
      books.outOfStoreWh += givenWh;
      books.storageWh += givenWh / model.out - givenWh;
    }
    if (isKept) {
      drop(state, idler);
      for (const i of cutOff.order) if (!cutOff.critical[i]) drop(state, i);
    } else if (cutOff.together) dropAll(state);
    else dropUntil(state, input, shares, input.sunW + input.drivingW + input.supplyW);
  }

  function reconnect(state: StepState, all: boolean): void {
    for (let i = 0; i <= loads; i++) {
      if (state.cut[i] === 0 || !(all || cutOff.critical[i])) continue;
      state.cut[i] = 0;
      state.cutCount--;
    }
  }

  /**
   * The step as it mostly is: all are served, no level is reached, and the charger decides or the store is full.
   * @returns false, with nothing changed, where it is not so
   */
  function usual(state: StepState, input: StepInput, books: Books): boolean {
    const { hours, busW, sunW, warmShare } = input;
    const otherW = input.drivingW + input.supplyW;
    const overW = sunW + otherW - busW;
    let stored = state.storedWh;
    let intoWh = 0;
    let outWh = 0;
    if (overW < 0) {
      outWh = -overW * hours;
      stored -= outWh * perOut;
      const floor = fullWh * (1 - warmShare * (1 - keptSoc)) + input.stopWh * perOut;
      if (stored < floor || -overW > model.dischargeLimitW) return false;
    } else if (overW > 0 && stored < fullWh && !input.isLocked) {
      intoWh = overW * hours;
      const sunOver = sunW > busW ? sunW - busW : 0;
      stored += (sunOver * inBySun + (overW - sunOver) * inByAmps) * hours;
      if (overW > chargeLimitW || stored > fullWh - taper * warmShare) return false;
    }
    const sunOfferedWh = sunW * hours;
    const needWh = busW * hours;
    const directWh = needWh - outWh;
    const directSunWh = sunOfferedWh < directWh ? sunOfferedWh : directWh;
    const sunLeftWh = sunOfferedWh - directSunWh;
    const sunInWh = intoWh < sunLeftWh ? intoWh : sunLeftWh;
    const usefulWh = input.usefulW * hours;
    const idleWh = input.idleW * hours;
    const cableWh = input.cableW * hours;
    books.sunOfferedWh += sunOfferedWh;
    books.directSunWh += directSunWh;
    books.sunWh += directSunWh + sunInWh;
    if (otherW > 0) {
      const fromOthersWh = directWh - directSunWh + intoWh - sunInWh;
      const directDrivingWh = Math.min(directWh - directSunWh, input.drivingW * hours);
      const drivingWh = directDrivingWh + Math.min(intoWh - sunInWh, input.drivingW * hours - directDrivingWh);
      books.drivingWh += drivingWh;
      books.supplyWh += fromOthersWh - drivingWh;
    }
    books.intoStoreWh += intoWh;
    books.outOfStoreWh += outWh;
    books.storageWh += intoWh - outWh - (stored - state.storedWh);
    books.usefulWh += usefulWh;
    books.idleWh += idleWh;
    books.cableWh += cableWh;
    books.conversionWh += needWh - usefulWh - idleWh - cableWh;
    if (input.isLocked) books.lockedWh += sunLeftWh;
    state.storedWh = stored;
    state.shortAtH = -1;
    return true;
  }

  return function step(
    state: StepState,
    input: StepInput,
    books: Books,
    shares: () => LoadShares,
    unserved: Float64Array,
  ): void {
    if (state.cutCount === 0 && canHold && usual(state, input, books)) return;
    const { warmShare, sunW, drivingW, supplyW } = input;
    const incomeW = sunW + drivingW + supplyW;
    // What it takes to stop what runs is kept beside every level.
    const stopWh = input.stopWh * perOut;
    const cutWh = whAt(model, cutOff.soc, warmShare) + stopWh;
    const keptWh = cutOff.keep > 0 ? whAt(model, keptSoc, warmShare) + stopWh : cutWh;
    // A store that holds nothing has no level to come back to.
    if (!canHold && state.cutCount > 0) reconnect(state, true);
    let left = input.hours;
    state.shortAtH = -1;
    books.sunOfferedWh += sunW * left;
    connected(state, input, shares);
    // Each turn passes time, drops a load or brings some back.
    let turns = (MOST_RETURNS + 1) * (slots + 4);
    let returns = MOST_RETURNS;
    while (left > NO_TIME) {
      if (turns-- === 0) throw new Error(`a step did not end: ${JSON.stringify(input)}`);
      const mayReturn = state.cutCount > 0 && canHold && returns > 0;
      if (mayReturn) {
        const all = state.storedWh >= whAt(model, allBackSoc, warmShare) + stopWh - REACHED_WH;
        if (all || (state.storedWh >= whAt(model, backSoc, warmShare) + stopWh - REACHED_WH && hasCriticalCut(state))) {
          reconnect(state, all);
          returns--;
          connected(state, input, shares);
        }
      }
      const missingW = on.busW - incomeW;
      let used = left;
      let storedNext = state.storedWh;
      let intoWh = 0;
      if (missingW > NO_POWER_W) {
        // More than the store may give trips for as long as it is asked for.
        if (missingW > model.dischargeLimitW + NO_POWER_W && state.storedWh > cutWh + REACHED_WH && canHold) {
          const before = state.cut.slice();
          dropUntil(state, input, shares, incomeW + model.dischargeLimitW);
          const outW = Math.max(0, on.busW - incomeW);
          used = Math.min(left, outW > 0 ? ((state.storedWh - cutWh) * model.out) / outW : left);
          state.storedWh -= (outW * used) / model.out;
          account(
            state,
            input,
            books,
            shares,
            unserved,
            input.hours - left,
            used,
            0,
            outW,
            (outW * used) / model.out - outW * used,
          );
          state.cut.set(before);
          state.cutCount = before.reduce((sum, one) => sum + one, 0);
          connected(state, input, shares);
          left -= used;
          continue;
        }
        const isKept = cutOff.keep > 0 && keptWh > cutWh && state.storedWh > cutWh && ordinaryLeft(state);
        const levelWh = isKept ? keptWh : cutWh;
        const availableWh = (state.storedWh - levelWh) * model.out;
        if (availableWh <= REACHED_WH * model.out) {
          cutAt(state, input, books, shares, isKept);
          connected(state, input, shares);
          continue;
        }
        const lasts = availableWh / missingW;
        if (lasts < left) used = lasts;
        storedNext -= (missingW * used) / model.out;
      } else if (missingW < -NO_POWER_W && !input.isLocked) {
        const over = -missingW;
        const sunOver = Math.max(0, sunW - on.busW);
        const efficiency = (sunOver * model.inBySun + (over - sunOver) * model.inByAmps) / over;
        const until = state.cutCount > 0 && mayReturn ? nextBackWh(state, warmShare, stopWh) : Number.POSITIVE_INFINITY;
        fill(model, state.storedWh, over, efficiency, warmShare, left, until, filled);
        storedNext = filled.storedWh;
        intoWh = filled.takenWh;
        used = Math.min(left, Math.max(NO_TIME, filled.hours));
      }
      const outW = missingW > NO_POWER_W ? missingW : 0;
      const lostWh = outW > 0 ? (outW * used) / model.out - outW * used : intoWh - (storedNext - state.storedWh);
      state.storedWh = storedNext;
      account(state, input, books, shares, unserved, input.hours - left, used, intoWh, outW, lostWh);
      left -= used;
    }
  };

  /** The next level at which loads come back. */
  function nextBackWh(state: StepState, warmShare: number, stopWh: number): number {
    const backWh = whAt(model, backSoc, warmShare) + stopWh;
    return hasCriticalCut(state) && state.storedWh < backWh - REACHED_WH
      ? backWh
      : whAt(model, allBackSoc, warmShare) + stopWh;
  }

  function hasCriticalCut(state: StepState): boolean {
    for (let i = 0; i < loads; i++) if (state.cut[i] === 1 && cutOff.critical[i]) return true;
    return false;
  }

  function account(
    state: StepState,
    input: StepInput,
    books: Books,
    shares: () => LoadShares,
    unserved: Float64Array,
    sinceH: number,
    hours: number,
    intoWh: number,
    outW: number,
    lostWh: number,
  ): void {
    const { sunW, drivingW } = input;
    const needWh = on.busW * hours;
    const directWh = needWh - outW * hours;
    const directSunWh = Math.min(directWh, sunW * hours);
    const directDrivingWh = Math.min(directWh - directSunWh, drivingW * hours);
    const sunInWh = Math.min(intoWh, Math.max(0, sunW * hours - directSunWh));
    const drivingInWh = Math.min(intoWh - sunInWh, Math.max(0, drivingW * hours - directDrivingWh));
    books.directSunWh += directSunWh;
    books.sunWh += directSunWh + sunInWh;
    books.drivingWh += directDrivingWh + drivingInWh;
    books.supplyWh += directWh - directSunWh - directDrivingWh + (intoWh - sunInWh - drivingInWh);
    books.intoStoreWh += intoWh;
    books.outOfStoreWh += outW * hours;
    books.storageWh += lostWh;
    books.usefulWh += on.usefulW * hours;
    books.idleWh += on.idleW * hours;
    books.cableWh += on.cableW * hours;
    books.conversionWh += needWh - (on.usefulW + on.idleW + on.cableW) * hours;
    if (input.isLocked) books.lockedWh += Math.max(0, sunW * hours - directSunWh);
    if (state.cutCount === 0) return;
    const { usefulW } = shares();
    for (let i = 0; i < loads; i++) {
      if (state.cut[i] === 0) continue;
      const wh = (usefulW[i] as number) * hours;
      if (wh > 0 && state.shortAtH < 0) state.shortAtH = sinceH;
      unserved[i] = (unserved[i] as number) + wh;
      books.unservedWh += wh;
    }
  }
}
