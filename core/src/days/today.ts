import { holdBack, isShared, type Sharing } from '../sources/shared.ts';
import type { Flow } from '../sources/source.ts';
import { type FollowingLoad, runningSums } from './demand.ts';
import type { MonthSky } from './income.ts';
import type { DaysSetup, DayTables } from './setup.ts';
import type { WeatherRun } from './weather.ts';

/** A day resolved to numbers before it is stepped through, a value for each step. */
export interface Today {
  /** °C of the air: `meanC` and `swingC` times the shape of the day; in a row once `writeAir` has made it. */
  shape: Float64Array;
  meanC: number;
  swingC: number;
  readonly airC: Float64Array;
  /** °C, mean of the day. */
  dayC: number;
  /** W/m² on the flat; made where a load asks for it. */
  readonly flatWm2: Float64Array;
  readonly busW: Float64Array;
  readonly usefulW: Float64Array;
  readonly sunW: Float64Array;
  /** The day's own where something changes them, else those of its tables. */
  cableW: Float64Array;
  cableSums: Float64Array;
  drivingW: Float64Array;
  supplyW: Float64Array;
  otherW: Float64Array;
  /** Those that follow the weather, and of which of them the rows below tell; null = not yet of today's. */
  following: readonly FollowingLoad[];
  toldOf: readonly FollowingLoad[] | null;
  followed: Followed | null;
}

/** Load after load, of those that follow the weather: W at their terminals, and lost on the way to them. */
interface Followed {
  readonly usefulW: Float64Array;
  readonly lossW: Float64Array;
  readonly cableW: Float64Array;
}

const NONE = new Float64Array(0);

export function emptyDay(steps: number): Today {
  const row = () => new Float64Array(steps);
  return {
    shape: NONE,
    meanC: 0,
    swingC: 0,
    airC: row(),
    dayC: 0,
    flatWm2: row(),
    busW: row(),
    usefulW: row(),
    sunW: row(),
    cableW: NONE,
    cableSums: NONE,
    drivingW: NONE,
    supplyW: NONE,
    otherW: NONE,
    following: [],
    toldOf: null,
    followed: null,
  };
}

/**
 * What a day asks for and offers in its weather, one short loop after the other.
 * @param d which day of the weather; `beyondH` h in which loads cannot do what they should, added to; `measured` Wh of
 * each array in each hour of weather that is known by the hour
 */
export function fillDay(
  today: Today,
  { steps, stepMin, sharing, arrayIds }: DaysSetup,
  { demand, driving, drivingW, supplyW, otherW }: DayTables,
  sky: MonthSky,
  weather: WeatherRun,
  d: number,
  beyondH: Float64Array,
  measured: readonly Float64Array[] | null,
): void {
  const [clearness, meanC, swingC] = [weather.clearness[d], weather.meanC[d], weather.swingC[d]] as [
    number,
    number,
    number,
  ];
  today.cableW = demand.followInCables ? demand.cableW.slice() : demand.cableW;
  today.following = demand.following;
  today.toldOf = null;
  const { hours } = weather;
  if (hours) eachHour(today.airC, hours.airC, d);
  today.shape = hours ? today.airC : sky.warmth;
  today.meanC = hours ? 0 : meanC;
  today.swingC = hours ? 1 : swingC;
  today.dayC = meanC;
  if (demand.followsLight) {
    if (hours) eachHour(today.flatWm2, hours.ghiWh, d);
    else along(today.flatWm2, sky.flatWm2, 0, clearness);
  }
  followAll(today, demand, beyondH, stepMin / 60, null);
  today.cableSums = demand.followInCables ? runningSums(today.cableW) : demand.cableSums;
  const level = Math.min(sky.lastLevel, Math.floor(clearness / sky.levelStep));
  const above = Math.min(1, clearness / sky.levelStep - level);
  const gives: Gives = measured
    ? (to, array) => addHours(to, measured[array] as Float64Array, d)
    : (to, array) => addArray(to, sky, array, level * steps, above, meanC - sky.meanC, swingC - sky.swingC);
  if (isShared(sharing)) {
    shareOut(today, sharing, [...arrayIds.map((id, a) => arrayFlow(id, a, steps, gives)), ...driving], supplyW);
    return;
  }
  today.sunW.fill(0);
  for (let a = 0; a < sky.arrays.length; a++) gives(today.sunW, a);
  today.drivingW = drivingW;
  today.supplyW = supplyW;
  today.otherW = otherW;
}

function arrayFlow(id: string, array: number, steps: number, gives: Gives): Flow {
  const watts = new Float64Array(steps);
  gives(watts, array);
  return { id, kind: 'sun', watts };
}

/** What is left of each where they hold one another back. */
function shareOut(today: Today, sharing: Sharing, flows: readonly Flow[], supplyW: Float64Array): void {
  const supply: Flow = { id: 'supply', kind: 'supply', watts: supplyW };
  const held = [...flows, supply].map((flow) => ({ ...flow, watts: flow.watts.slice() }));
  holdBack(held, sharing);
  const of = (wanted: Flow['kind']) =>
    held.reduce(
      (sum, { kind, watts }) => (kind === wanted ? sum.map((w, s) => w + (watts[s] as number)) : sum),
      new Float64Array(supplyW.length),
    );
  today.sunW.set(of('sun'));
  today.drivingW = of('driving');
  today.supplyW = of('supply');
  today.otherW = today.drivingW.map((w, s) => w + (today.supplyW[s] as number));
}

/** Adds what an array gives in each step of the day. */
type Gives = (to: Float64Array, array: number) => void;

/** A value of each hour to its steps. */
function eachHour(out: Float64Array, hours: Float64Array, d: number): void {
  const perHour = out.length / 24;
  for (let s = 0; s < out.length; s++) out[s] = hours[d * 24 + Math.floor(s / perHour)] as number;
}

function addHours(to: Float64Array, hours: Float64Array, d: number): void {
  const perHour = to.length / 24;
  for (let s = 0; s < to.length; s++) to[s] = (to[s] as number) + (hours[d * 24 + Math.floor(s / perHour)] as number);
}

/** Makes the row of the air. */
export const writeAir = ({ airC, shape, meanC, swingC }: Today): void => along(airC, shape, meanC, swingC);

function along(out: Float64Array, shape: Float64Array, mean: number, swing: number): void {
  const [from, by] = [double(mean), double(swing)];
  for (let s = 0; s < out.length; s++) out[s] = from + by * (shape[s] as number);
}

/** What each load takes that follows the weather, in the rows of `today`: made for a day when it is first asked for. */
export function tellFollowed(today: Today, loads: number): Followed {
  const { busW, following, toldOf } = today;
  const row = () => new Float64Array(busW.length * loads);
  today.followed ??= { usefulW: row(), lossW: row(), cableW: row() };
  const { followed } = today;
  if (toldOf === following) return followed;
  for (const rows of [followed.usefulW, followed.lossW, followed.cableW]) rows.fill(0);
  // What they add to the day is in it already.
  const apart = { busW: busW.slice(), usefulW: busW.slice(), cableW: busW.slice() };
  followAll({ ...today, ...apart }, apart, new Float64Array(loads), 0, followed);
  today.toldOf = following;
  return followed;
}

/** What is asked for before a load that follows the weather is added. */
type Before = Pick<Today, 'busW' | 'usefulW'>;

/** @param others without those that follow; `told` takes what each of them comes to */
function followAll(today: Today, others: Before, beyondH: Float64Array, hours: number, told: Followed | null): void {
  const outputs = new Map<number, Float64Array>();
  let before = others;
  if (today.following.length === 0) {
    today.busW.set(before.busW);
    today.usefulW.set(before.usefulW);
  }
  for (const load of today.following) {
    const { index, outputW, device, cablePerW } = load;
    let beyond: number;
    if (outputW === null && cablePerW === null && told === null) beyond = followPlainly(today, before, load);
    else {
      // What others that follow give on the same device is part of what it gives.
      const output = outputs.get(device) ?? outputW?.slice() ?? null;
      if (output) outputs.set(device, output);
      beyond = follow(today, before, load, output, told);
    }
    before = today;
    beyondH[index] = (beyondH[index] as number) + beyond * hours;
  }
}

/** A number of an object as a plain double: what a loop would else look at anew in each step. */
const double = (of: number): number => of * 1;

/** More than all the time there is, by more than what rounding adds. */
const BEYOND = 1 + 1e-9;

/** Share of the time that a load would have to run, were it for the air alone. */
const wantedIn = (base: number, perK: number, leastC: number, outsideC: number): number =>
  base + perK * (outsideC > leastC ? outsideC : leastC);

/** The air that a load follows, of the step or of the day. */
const airFor = ({ meanC, swingC, dayC }: Today, { byDay }: FollowingLoad['follow']): [number, number] =>
  byDay ? [dayC, 0] : [meanC, swingC];

/**
 * A load straight on the bus, with no cable of its own.
 * @returns steps in which it would take more than all the time there is
 */
function followPlainly(today: Today, before: Before, load: FollowingLoad): number {
  const { shape, flatWm2, busW, usefulW } = today;
  const { busW: otherBusW, usefulW: otherUsefulW } = before;
  const { mayRun, follow } = load;
  const [mean, swing] = airFor(today, follow);
  const meanC = double(mean);
  const swingC = double(swing);
  const base = double(follow.base);
  const perK = double(follow.perK);
  const perWm2 = double(follow.perWm2);
  const byLight = perWm2 !== 0;
  const leastC = double(follow.leastC);
  const fullW = double(load.fullW);
  const perUseful = double(load.perUseful);
  let beyond = 0;
  for (let s = 0; s < busW.length; s++) {
    const may = mayRun[s] as number;
    let duty = wantedIn(base, perK, leastC, meanC + swingC * (shape[s] as number));
    if (byLight) duty += perWm2 * (flatWm2[s] as number);
    if (duty > 1) {
      if (duty > BEYOND) beyond += may;
      duty = 1;
    }
    const useful = fullW * may * (duty > 0 ? duty : 0);
    usefulW[s] = (otherUsefulW[s] as number) + useful;
    busW[s] = (otherBusW[s] as number) + useful * perUseful;
  }
  return beyond;
}

/**
 * A load with what its device and its cables lose on its account.
 * @param output of its device, W, to which it adds
 * @returns steps in which it would take more than all the time there is
 */
function follow(
  today: Today,
  before: Before,
  load: FollowingLoad,
  output: Float64Array | null,
  told: Followed | null,
): number {
  const { shape, flatWm2, busW, usefulW, cableW } = today;
  const { index, mayRun, cablePerW } = load;
  const { base, perK, perWm2, leastC } = load.follow;
  const [meanC, swingC] = airFor(today, load.follow);
  const fullW = double(load.fullW);
  const perUseful = double(load.perUseful);
  const linear = double(load.linear);
  const square = double(load.square);
  const piecesW2 = double(load.piecesW2);
  const cablePerW2 = double(load.cablePerW2);
  const steps = busW.length;
  let beyond = 0;
  for (let s = 0; s < steps; s++) {
    const may = mayRun[s] as number;
    const outsideC = meanC + swingC * (shape[s] as number);
    const wanted = wantedIn(base, perK, leastC, outsideC) + perWm2 * (flatWm2[s] as number);
    if (wanted > BEYOND) beyond += may;
    const duty = Math.max(0, Math.min(1, wanted));
    const useful = fullW * may * duty;
    const drawn = useful * perUseful;
    const variance = piecesW2 * may * duty * (1 - duty);
    let loss = drawn - useful;
    if (output) {
      const other = output[s] as number;
      loss += linear * drawn + square * (2 * drawn * other + drawn * drawn + variance);
      output[s] = other + drawn;
    }
    let inCables = 0;
    if (cablePerW) {
      const w = useful + loss;
      // What flows there anyway is lost more of as well: 2·W₀·w + w².
      inCables = 2 * w * (cablePerW[s] as number) + cablePerW2 * (w * w + variance);
      cableW[s] = (cableW[s] as number) + inCables;
    }
    usefulW[s] = (before.usefulW[s] as number) + useful;
    busW[s] = (before.busW[s] as number) + useful + loss + inCables;
    if (told) {
      told.usefulW[index * steps + s] = useful;
      told.lossW[index * steps + s] = loss;
      told.cableW[index * steps + s] = inCables;
    }
  }
  return beyond;
}

/**
 * Adds what an array gives: straight between two levels of clearness, less in warmer air, held to its controller.
 * @param warmerK than the month's is the day's mean, and `swingK` its swing
 */
function addArray(
  sunW: Float64Array,
  sky: MonthSky,
  array: number,
  level: number,
  above: number,
  warmerK: number,
  swingK: number,
): void {
  const table = sky.arrays[array] as Float64Array;
  const { warmth, lit } = sky;
  const [from, to] = lit;
  const perK = sky.perK[array] as number;
  const mostW = sky.mostW[array] as number;
  const steps = sunW.length;
  for (let s = from; s < to; s++) {
    const low = table[level + s] as number;
    const high = table[level + steps + s] as number;
    const w = (low + (high - low) * above) * (1 + perK * (warmerK + swingK * (warmth[s] as number)));
    sunW[s] = (sunW[s] as number) + (w < mostW ? w : mostW);
  }
}
