import { assertBalanced, type Books, noBooks } from '../battery/books.ts';
import { socOf, whAt } from '../battery/fill.ts';
import { type LoadShares, makeSteps, type StepRows, type StepState, standADay } from '../battery/player.ts';
import { emptyWarmth, neverCold, type Warmth, warmShareAt, warmthOf } from '../battery/warmth.ts';
import { MONTH_OF_DAY } from '../sun/months.ts';
import type { DemandTable } from './demand.ts';
import type { Tripped } from './portTrips.ts';
import type { DaysSetup, DayTables } from './setup.ts';
import { emptyDay, fillDay, type Today, tellFollowed, writeAir } from './today.ts';
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
  /** Wh that each load went without since its port had shut off, beside that. */
  readonly trippedWh: Float64Array;
  /** h in which each load could not do what it should, however much it is given. */
  readonly beyondH: Float64Array;
  /** h after the beginning at which something first went unserved; null = never. */
  readonly shortFromH: number | null;
  /** h after the beginning at which the battery was first down to where loads go; null = never. */
  readonly cutFromH: number | null;
  /** h in which the store was too cold to be charged. */
  readonly lockedH: number;
  /** h at which an outlet's battery was first down to its reserve; null = never. */
  readonly outletEmptyH: number | null;
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
  /** Stops at the end of the day on which the battery is down to where loads go and something goes unserved. */
  readonly untilShort?: boolean;
}

/** Wh of an outlet's battery that are none. */
const EMPTY_WH = 1e-6;

/**
 * Plays days one after the other: time and output are its own, what happens in a step is the step's. The books are held
 * against what is in the store to 1e-6 of what was moved.
 */
export function runDays(setup: DaysSetup, weather: WeatherRun, options: RunOptions = {}): DaysRun {
  const { steps, stepMin, model, cutOff, battery } = setup;
  const { leadIn = 0, month: onlyMonth = null } = options;
  const days = weather.clearness.length - leadIn;
  const loads = setup.loadNames.length;
  const hours = stepMin / 60;
  const { usual, close } = makeSteps(model, cutOff, hours);
  let storeC = Math.max(battery.coldestC, weather.meanC[0] ?? 0);
  const state: StepState = {
    storedWh: whAt(model, options.fromSoc ?? 1, warmShareAt(battery, storeC)),
    cut: new Uint8Array(loads + 2),
    cutCount: 0,
    shortAtH: -1,
    cutAtH: -1,
    lowSoc: 1,
  };
  const today = emptyDay(steps);
  const warmth = emptyWarmth(steps);
  const rows = rowsOf(today, warmth);
  const measured = weather.hours && setup.yieldsIn(weather.hours);
  let books = noBooks();
  let unserved = new Float64Array(loads);
  const trippedWh = new Float64Array(loads);
  let beyondH = new Float64Array(loads);
  let beganWh = state.storedWh;
  const lowSoc = new Float32Array(days);
  const endSoc = new Float32Array(days);
  const shortWh = new Float32Array(days);
  const spilledWh = new Float32Array(days);
  // How warm the store is matters where it may get cold, and is looked at in a trace.
  const warms = options.traced === true || !neverCold(battery);
  const warm = (from: number, beforeC: number) => {
    if (!warms) return;
    writeAir(today);
    warmthOf(warmth, today, battery, hours, from, beforeC);
  };
  const trace = options.traced ? emptyTrace(days * steps) : null;
  let shortFromH: number | null = null;
  let cutFromH: number | null = null;
  let lockedH = 0;
  const elsewhere = new Float64Array(loads);
  // What each load takes in the step that is played; made only where some are dropped.
  const shares: LoadShares = {
    usefulW: new Float64Array(loads + 2),
    conversionW: new Float64Array(loads + 2),
    idleW: new Float64Array(loads + 2),
    cableW: new Float64Array(loads + 2),
  };
  // Where the loop stands, for what is made on the way: its own variables stay out of closures, which would box them.
  const cursor: { demand: DemandTable | null; tripped: Tripped | null; at: number; clock: number } = {
    demand: null,
    tripped: null,
    at: 0,
    clock: 0,
  };
  let sharesAt = -1;
  const shareOut = (): LoadShares => {
    if (sharesAt === cursor.clock) return shares;
    sharesAt = cursor.clock;
    const demand = cursor.demand as DemandTable;
    const rows = demand.rows();
    const followed = tellFollowed(today, loads);
    for (let i = 0; i < loads; i++) {
      const k = i * steps + cursor.at;
      shares.usefulW[i] = (rows.usefulW[k] as number) + (followed.usefulW[k] as number);
      shares.conversionW[i] = (rows.conversionW[k] as number) + (followed.lossW[k] as number);
      shares.idleW[i] = rows.idleW[k] as number;
      shares.cableW[i] = (rows.cableW[k] as number) + (followed.cableW[k] as number);
    }
    shares.usefulW[loads + 1] = warmth.heaterW[cursor.at] as number;
    shares.idleW[loads] = demand.unattendedW[cursor.at] as number;
    shares.cableW[loads] = demand.unattendedCableW[cursor.at] as number;
    return shares;
  };
  // Wh taken of the battery of each outlet since it was full, and what the day now takes of one.
  const spentWh = new Map<string, number>();
  let outletEmptyH: number | null = null;
  /** What is of the day's tables or of the day. */
  const setRows = ({ demand }: DayTables) => {
    rows.idleW = demand.idleW;
    rows.idleSums = demand.idleSums;
    rows.cableSums = today.cableSums;
    rows.stopWh = demand.stopWh;
    rows.cableW = today.cableW;
    rows.drivingW = today.drivingW;
    rows.supplyW = today.supplyW;
    rows.otherW = today.otherW;
  };
  let playedDays = 0;
  let probe: Probe | null = null;

  for (let d = 0; d < days + leadIn; d++) {
    const day = dayOf(weather.fromDay + d);
    const month = onlyMonth ?? (MONTH_OF_DAY[day] as number);
    if (d === leadIn) {
      books = noBooks();
      unserved = new Float64Array(loads);
      beyondH = new Float64Array(loads);
      beganWh = state.storedWh;
      shortFromH = null;
      cutFromH = null;
      lockedH = 0;
      outletEmptyH = null;
    }
    const index = (options.weekday ?? weather.fromDay) + d;
    const planAt = (options.planAt ?? 0) + d;
    const planned = setup.dayOn(index, planAt, month);
    if (planned.isHome || planAt % setup.plan.length === 0) spentWh.clear();
    let { outlet } = planned;
    let leftWh = outlet ? outlet.packWh - (spentWh.get(outlet.id) ?? 0) : 0;
    let tables = outlet && leftWh <= EMPTY_WH ? setup.dayOn(index, planAt, month, false) : planned;
    if (tables !== planned) {
      outlet = null;
      if (d >= leadIn) outletEmptyH ??= (d - leadIn) * 24;
    }
    cursor.demand = tables.demand;
    cursor.tripped = tables.tripped;
    fillDay(today, setup, tables, setup.skyIn(month), weather, d, beyondH, measured);
    warm(0, storeC);
    setRows(tables);
    const without = options.countedMonths?.has(month) === false ? elsewhere : unserved;
    const counted = d - leadIn;
    tables.tripped?.wh.forEach((wh, i) => {
      if (counted >= 0) trippedWh[i] = (trippedWh[i] as number) + wh;
    });
    const shortBefore = books.unservedWh;
    const spilledBefore = books.sunOfferedWh - books.sunWh;
    let suppliedBefore = books.supplyWh;
    state.lowSoc = 1;
    standADay(model, state, books);
    for (let at = 0; at < steps; at++) {
      const k = counted * steps + at;
      // One by one where each is looked at.
      const isWatched = trace !== null || outlet !== null || options.probe !== undefined;
      const before = trace && k >= 0 ? { ...books } : null;
      const reached = usual(state, rows, at, isWatched ? at + 1 : steps, books);
      cursor.at = at;
      cursor.clock++;
      if (reached > at) at = reached - 1;
      else close(state, rows, at, books, shareOut, without);
      if (before) traced(k, rows, at, before);
      if (k === options.probe) {
        const { usefulW: useful, conversionW, idleW: idle, cableW: inCables } = shareOut();
        probe = {
          usefulW: useful.slice(),
          conversionW: conversionW.slice(),
          idleW: idle.slice(),
          cableW: inCables.slice(),
          isCut: [...state.cut].map((cut) => cut === 1),
        };
      }
      if (outlet) {
        leftWh -= (outlet.drawnW[at] as number) * hours + (books.supplyWh - suppliedBefore) * outlet.perChargedW;
        suppliedBefore = books.supplyWh;
        spentWh.set(outlet.id, outlet.packWh - leftWh);
        if (leftWh <= EMPTY_WH) {
          // The rest of the day is one without it.
          if (counted >= 0) outletEmptyH ??= counted * 24 + (at + 1) * hours;
          outlet = null;
          tables = setup.dayOn(index, planAt, month, false);
          cursor.demand = tables.demand;
          fillDay(today, setup, tables, setup.skyIn(month), weather, d, elsewhere, measured);
          warm(at + 1, warmth.storeC[at] as number);
          setRows(tables);
        }
      }
      if (shortFromH === null && state.shortAtH >= 0) shortFromH = counted * 24 + at * hours + state.shortAtH;
      if (cutFromH === null && state.cutAtH >= 0) cutFromH = counted * 24 + at * hours + state.cutAtH;
    }
    if (warms) {
      storeC = warmth.storeC[steps - 1] as number;
      for (const isLocked of warmth.locked) lockedH += isLocked * hours;
    }
    if (counted < 0) continue;
    playedDays = counted + 1;
    lowSoc[counted] = state.lowSoc;
    endSoc[counted] = socOf(model, state.storedWh, warmth.warmShare[steps - 1] as number);
    shortWh[counted] = books.unservedWh - shortBefore;
    spilledWh[counted] = books.sunOfferedWh - books.sunWh - spilledBefore;
    if (options.untilShort && shortFromH !== null && cutFromH !== null) break;
  }
  const fromStoreWh = beganWh - state.storedWh;
  assertBalanced(books, fromStoreWh);
  return {
    fromDay: dayOf(weather.fromDay + leadIn),
    days: playedDays,
    stepMin,
    books: books,
    fromStoreWh,
    lowSoc,
    endSoc,
    shortWh,
    spilledWh,
    unservedWh: unserved,
    trippedWh,
    beyondH,
    shortFromH,
    cutFromH,
    lockedH,
    outletEmptyH,
    trace,
    probe,
  };

  /** Writes down all that a step came to. @param before the books when it began */
  function traced(k: number, rows: StepRows, at: number, before: Books): void {
    if (!trace) return;
    const rate = (key: keyof Books) => (books[key] - before[key]) / hours;
    trace.soc[k] = socOf(model, state.storedWh, rows.warmShare[at] as number);
    trace.needW[k] = rows.busW[at] as number;
    trace.sunOfferedW[k] = rows.sunW[at] as number;
    trace.sunW[k] = rate('sunWh');
    trace.drivingW[k] = rate('drivingWh');
    trace.supplyW[k] = rate('supplyWh');
    trace.unservedW[k] = rate('unservedWh') + (cursor.tripped?.stepW[at] ?? 0);
    trace.lostW[k] = rate('conversionWh') + rate('idleWh') + rate('cableWh') + rate('storageWh');
    trace.airC[k] = today.airC[at] as number;
    trace.storeC[k] = warmth.storeC[at] as number;
  }
}

/** The rows that steps are played by; idle and what stopping takes are those of each day's tables. */
const rowsOf = (
  { busW, usefulW, cableW, sunW, drivingW, supplyW, otherW }: Today,
  { warmShare, locked }: Warmth,
): { -readonly [row in keyof StepRows]: StepRows[row] } => ({
  busW,
  usefulW,
  idleW: cableW,
  cableW,
  idleSums: cableW,
  cableSums: cableW,
  sunW,
  drivingW,
  supplyW,
  otherW,
  warmShare,
  locked,
  stopWh: cableW,
  spareW: null,
  levelWh: null,
});

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
