import type { Books } from './books.ts';
import { FULL_SOC, fill, notFilled, type StoreModel, socOf, TAPER_END, whAt } from './fill.ts';
import { keptSocOf } from './levels.ts';

/** What the steps of a day begin with, a value for each: what is asked for, what is offered, how it is around the store. */
export interface StepRows {
  /** W at the bus, and the parts of it that appliances use and that idle away. */
  readonly busW: Float64Array;
  readonly usefulW: Float64Array;
  readonly idleW: Float64Array;
  readonly cableW: Float64Array;
  /** Of all steps before one, and at last of all. */
  readonly idleSums: Float64Array;
  readonly cableSums: Float64Array;
  readonly sunW: Float64Array;
  /** Of chargers, whose amps are limited: from the alternator, and from supplies. */
  readonly drivingW: Float64Array;
  readonly supplyW: Float64Array;
  /** Both together. */
  readonly otherW: Float64Array;
  /** Share of the capacity that the cold leaves, and 1 where the store may not be charged. */
  readonly warmShare: Float64Array;
  readonly locked: Uint8Array;
  /** Wh at the bus that must be left to stop what runs. */
  readonly stopWh: Float64Array;
  /** Takes W in each step that nothing had use for; null = not asked. */
  readonly spareW: Float64Array | null;
  /** Takes Wh in the battery at the end of each step where all is served or nothing told apart; null = not asked. */
  readonly levelWh: Float64Array | null;
}

/** The same of one step. */
interface StepInput {
  busW: number;
  usefulW: number;
  idleW: number;
  cableW: number;
  sunW: number;
  drivingW: number;
  supplyW: number;
  warmShare: number;
  isLocked: boolean;
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

/** Where loads are not told apart: none is dropped, and what is missing at a level goes unserved. */
export const undivided = (soc: number): CutOff => ({
  soc,
  keep: 0,
  reconnect: 0,
  together: true,
  order: [],
  critical: [],
});

/** What stands from one step to the next. */
export interface StepState {
  storedWh: number;
  /** Loads that are cut off, and how many. */
  readonly cut: Uint8Array;
  cutCount: number;
  /** h into the last step at which something first went unserved in it; below 0 = nothing did. */
  shortAtH: number;
  /** h into the last step at which the first load was cut off in it; below 0 = none was. */
  cutAtH: number;
  /** Lowest state of charge at the end of a step since it was last set. */
  lowSoc: number;
}

/** h below which no time has passed. */
const NO_TIME = 1e-12;
/** Wh within which a level counts as reached. */
const REACHED_WH = 1e-9;
/** Times that loads come back within a step: what is filled and emptied faster than that stays off until the next. From memory. */
const MOST_RETURNS = 8;
/** Wh below which nothing goes unserved. */
const MISSING_WH = 1e-9;
/** W that are not missed. */
const NO_POWER_W = 1e-9;

/** What a battery loses by itself in a day is taken at its beginning: it is too little for the steps of it. */
export function standADay(model: StoreModel, state: StepState, books: Books): void {
  const lostWh = Math.min(state.storedWh, model.selfWhPerDay);
  state.storedWh -= lostWh;
  books.storageWh += lostWh;
}

/**
 * Steps of so many hours at constant powers. Sources feed the loads first and straight from the bus; what is over
 * charges, the sun before chargers; what is missing comes out of the store. Where the store reaches its cut-off inside a
 * step, loads are dropped there and then, whole ones, and come back where it reaches the level of that, a few times in a
 * step.
 */
export function makeSteps(model: StoreModel, cutOff: CutOff, hours: number) {
  const loads = cutOff.order.length;
  const idler = loads;
  const filled = notFilled();
  const slots = loads + 2;
  const canHold = model.fullWh > 0;
  const keptSoc = keptSocOf(cutOff.soc, cutOff.keep);
  const backSoc = Math.min(FULL_SOC, cutOff.soc + cutOff.reconnect);
  const allBackSoc = Math.min(FULL_SOC, cutOff.soc + cutOff.keep + cutOff.reconnect);
  const { fullWh, inBySun, inByAmps, chargeLimitW, dischargeLimitW } = model;
  const perOut = 1 / model.out;
  const taper = (1 - model.taperFromSoc) * fullWh;
  const on = { busW: 0, usefulW: 0, idleW: 0, cableW: 0 };
  const input: StepInput = {
    busW: 0,
    usefulW: 0,
    idleW: 0,
    cableW: 0,
    sunW: 0,
    drivingW: 0,
    supplyW: 0,
    warmShare: 1,
    isLocked: false,
    stopWh: 0,
  };

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
    const { usefulW, conversionW, idleW, cableW } = shares();
    let leftW = on.busW;
    for (const i of cutOff.order) {
      if (leftW <= carriedW + NO_POWER_W) break;
      if (state.cut[i] === 1) continue;
      drop(state, i);
      leftW -= (usefulW[i] as number) + (conversionW[i] as number) + (idleW[i] as number) + (cableW[i] as number);
    }
    connected(state, input, shares);
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
   * Steps as they mostly are, one after the other while they are: all are served and no level is reached.
   * @returns the first that is not so, or `to`
   */
  function usual(state: StepState, rows: StepRows, from: number, to: number, books: Books): number {
    if (state.cutCount > 0 || !canHold) return from;
    const full = fullWh,
      perOutWh = perOut * hours,
      bySun = inBySun * hours,
      byAmps = inByAmps * hours;
    const chargeMostW = chargeLimitW,
      dischargeMostW = dischargeLimitW,
      taperWh = taper,
      alwaysTakenW = chargeLimitW * TAPER_END,
      givesWh = (1 - keptSoc) * fullWh;
    const { busW, sunW, drivingW, otherW, warmShare, locked, stopWh, spareW, levelWh } = rows;
    // What is added up stays in variables of the loops: a field written in each step costs as much as the rest of it.
    let stored = state.storedWh;
    // Wh taken out of a store that the cold leaves whole, at the lowest state of charge.
    let deepestWh = (1 - state.lowSoc) * full;
    let straightSunW = 0,
      overSunW = 0,
      directSunW = 0,
      sunInW = 0,
      drivingTakenW = 0,
      supplyTakenW = 0,
      intoW = 0,
      outW = 0,
      lockedW = 0;
    let s = from;
    steps: while (s < to) {
      // While the store gives, or nothing.
      for (; s < to; s++) {
        const offeredW = sunW[s] as number;
        const byOthersW = otherW[s] as number;
        const missingW = (busW[s] as number) - offeredW - byOthersW;
        if (missingW < 0) break;
        const share = warmShare[s] as number;
        const next = stored - missingW * perOutWh;
        if (full - next > givesWh * share - (stopWh[s] as number) * perOut || missingW > dischargeMostW) break steps;
        stored = next;
        if (levelWh) levelWh[s] = stored;
        outW += missingW;
        straightSunW += offeredW;
        if (byOthersW > 0) {
          const byDrivingW = drivingW[s] as number;
          drivingTakenW += byDrivingW;
          supplyTakenW += byOthersW - byDrivingW;
        }
        if (full - next > deepestWh * share) deepestWh = (full - next) / share;
      }
      // While there is something over.
      for (; s < to; s++) {
        const needW = busW[s] as number;
        const offeredW = sunW[s] as number;
        const byOthersW = otherW[s] as number;
        const missingW = needW - offeredW - byOthersW;
        if (!(missingW < 0)) break;
        const overW = -missingW;
        const share = warmShare[s] as number;
        const sunOver = offeredW > needW ? offeredW - needW : 0;
        let chargingW = 0;
        if (locked[s] === 1) lockedW += sunOver;
        else if (stored < full && overW > NO_POWER_W) {
          const inWh = sunOver * bySun + (overW - sunOver) * byAmps;
          if (overW <= chargeMostW && stored + inWh <= full - (overW <= alwaysTakenW ? 0 : taperWh * share)) {
            stored += inWh;
            chargingW = overW;
          } else {
            fill(model, stored, overW, inWh / (overW * hours), share, hours, Number.POSITIVE_INFINITY, filled);
            stored = filled.storedWh;
            chargingW = filled.takenWh / hours;
          }
        }
        if (spareW) spareW[s] = overW - chargingW;
        if (levelWh) levelWh[s] = stored;
        const storedSunW = chargingW < sunOver ? chargingW : sunOver;
        const straightW = offeredW - sunOver;
        if (byOthersW > 0) {
          const byDrivingW = drivingW[s] as number;
          const straightDrivingW = Math.min(needW - straightW, byDrivingW);
          const takenW = straightDrivingW + Math.min(chargingW - storedSunW, byDrivingW - straightDrivingW);
          drivingTakenW += takenW;
          supplyTakenW += needW - straightW + chargingW - storedSunW - takenW;
        }
        overSunW += offeredW;
        directSunW += straightW;
        sunInW += storedSunW;
        intoW += chargingW;
        if (full - stored > deepestWh * share) deepestWh = (full - stored) / share;
      }
    }
    if (s === from) return from;
    directSunW += straightSunW;
    books.sunOfferedWh += (straightSunW + overSunW) * hours;
    addServed(books, rows, from, s);
    books.directSunWh += directSunW * hours;
    books.sunWh += (directSunW + sunInW) * hours;
    books.drivingWh += drivingTakenW * hours;
    books.supplyWh += supplyTakenW * hours;
    books.intoStoreWh += intoW * hours;
    books.outOfStoreWh += outW * hours;
    books.storageWh += (intoW - outW) * hours - (stored - state.storedWh);
    books.lockedWh += lockedW * hours;
    state.storedWh = stored;
    state.lowSoc = Math.max(0, 1 - deepestWh / full);
    state.shortAtH = -1;
    state.cutAtH = -1;
    return s;
  }

  /**
   * Steps of undivided loads at a limit of the battery, one after the other while it is: it gives what it can.
   * @returns the first that is not so, or `to`; one at least is played
   */
  function starved(state: StepState, rows: StepRows, from: number, to: number, books: Books): number {
    const { busW, sunW, drivingW, otherW, warmShare, spareW, levelWh } = rows;
    let stored = state.storedWh;
    let sun = 0,
      sunTaken = 0,
      driving = 0,
      supply = 0,
      served = 0,
      out = 0,
      unserved = 0;
    state.shortAtH = -1;
    let s = from;
    for (; s < to; s++) {
      const [needW, offeredW, byOthersW] = [busW[s] as number, sunW[s] as number, otherW[s] as number];
      const missingW = needW - offeredW - byOthersW;
      const share = warmShare[s] as number;
      const heldWh = Math.max(0, stored - whAt(model, cutOff.soc, share)) * model.out;
      const mostWh = Math.min(heldWh, dischargeLimitW * hours);
      if (canHold && s > from && (missingW <= 0 || missingW * hours < mostWh)) break;
      const outWh = Math.max(0, Math.min(missingW * hours, mostWh));
      const shortWh = Math.max(0, missingW * hours - outWh);
      // A step that is short ends the stretch, so that it is known when.
      if (shortWh > MISSING_WH && unserved === 0 && s > from) break;
      const straightSun = Math.min(needW, offeredW);
      const straightDriving = Math.min(needW - straightSun, drivingW[s] as number);
      const straight = Math.min(needW, offeredW + byOthersW);
      sun += offeredW;
      sunTaken += straightSun;
      driving += straightDriving;
      supply += straight - straightSun - straightDriving;
      if (spareW) spareW[s] = offeredW + byOthersW - straight;
      served += straight * hours + outWh;
      out += outWh;
      if (shortWh > MISSING_WH) {
        unserved += shortWh;
        state.shortAtH = 0;
      }
      stored -= outWh * perOut;
      if (levelWh) levelWh[s] = stored;
      if (canHold) state.lowSoc = Math.min(state.lowSoc, socOf(model, stored, share));
    }
    books.sunOfferedWh += sun * hours;
    books.sunWh += sunTaken * hours;
    books.directSunWh += sunTaken * hours;
    books.drivingWh += driving * hours;
    books.supplyWh += supply * hours;
    books.usefulWh += served;
    books.outOfStoreWh += out;
    books.storageWh += out * perOut - out;
    books.unservedWh += unserved;
    state.storedWh = stored;
    return s;
  }

  /** What some steps ask for, all of it served. */
  function addServed(books: Books, rows: StepRows, from: number, to: number): void {
    const { busW, usefulW, idleSums, cableSums } = rows;
    const idle = (idleSums[to] as number) - (idleSums[from] as number);
    const cable = (cableSums[to] as number) - (cableSums[from] as number);
    let need = 0,
      useful = 0;
    for (let s = from; s < to; s++) {
      need += busW[s] as number;
      useful += usefulW[s] as number;
    }
    books.usefulWh += useful * hours;
    books.idleWh += idle * hours;
    books.cableWh += cable * hours;
    books.conversionWh += (need - useful - idle - cable) * hours;
  }

  /**
   * Any step, looked at closely.
   * @param shares what each load takes in it; asked for only where some are dropped
   * @param unserved Wh that each load went without, added to
   */
  function close(
    state: StepState,
    rows: StepRows,
    at: number,
    books: Books,
    shares: () => LoadShares,
    unserved: Float64Array,
  ): void {
    input.busW = rows.busW[at] as number;
    input.usefulW = rows.usefulW[at] as number;
    input.idleW = rows.idleW[at] as number;
    input.cableW = rows.cableW[at] as number;
    input.sunW = rows.sunW[at] as number;
    input.drivingW = rows.drivingW[at] as number;
    input.supplyW = rows.supplyW[at] as number;
    input.warmShare = rows.warmShare[at] as number;
    input.isLocked = rows.locked[at] === 1;
    input.stopWh = rows.stopWh[at] as number;
    const { warmShare, sunW, drivingW, supplyW } = input;
    const incomeW = sunW + drivingW + supplyW;
    // What it takes to stop what runs is kept beside every level.
    const stopWh = input.stopWh * perOut;
    const cutWh = whAt(model, cutOff.soc, warmShare) + stopWh;
    const keptWh = cutOff.keep > 0 ? whAt(model, keptSoc, warmShare) + stopWh : cutWh;
    // A store that holds nothing has no level to come back to.
    if (!canHold && state.cutCount > 0) reconnect(state, true);
    let left = hours;
    state.shortAtH = -1;
    state.cutAtH = -1;
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
        if (missingW > dischargeLimitW + NO_POWER_W && state.storedWh > cutWh + REACHED_WH && canHold) {
          const before = state.cut.slice();
          dropUntil(state, input, shares, incomeW + dischargeLimitW);
          const outW = Math.max(0, on.busW - incomeW);
          used = Math.min(left, outW > 0 ? ((state.storedWh - cutWh) * model.out) / outW : left);
          state.storedWh -= (outW * used) / model.out;
          account(
            state,
            input,
            books,
            shares,
            unserved,
            hours - left,
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
          if (state.cutCount === 0) state.cutAtH = hours - left;
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
      account(state, input, books, shares, unserved, hours - left, used, intoWh, outW, lostWh);
      left -= used;
    }
    state.lowSoc = Math.min(state.lowSoc, socOf(model, state.storedWh, warmShare));
  }

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

  return { usual, close, starved };
}
