import type { FollowingLoad } from './demand.ts';
import { LEVEL_STEP, LEVELS, type MonthSky } from './income.ts';
import type { DaysSetup, DayTables, Sharing } from './setup.ts';
import type { WeatherRun } from './weather.ts';

/** A day resolved to numbers before it is stepped through, a value for each step. */
export interface Today {
  readonly airC: Float64Array;
  /** W/m² on the flat; made where a load asks for it. */
  readonly flatWm2: Float64Array;
  readonly busW: Float64Array;
  readonly usefulW: Float64Array;
  readonly cableW: Float64Array;
  readonly sunW: Float64Array;
  readonly drivingW: Float64Array;
  readonly supplyW: Float64Array;
  /** Load after load, of those that follow the weather: W at their terminals, and lost on the way to them. */
  followed: readonly FollowingLoad[];
  readonly followUsefulW: Float64Array;
  readonly followLossW: Float64Array;
  readonly followCableW: Float64Array;
}

export function emptyDay(steps: number, loads: number): Today {
  const row = () => new Float64Array(steps);
  return {
    airC: row(),
    flatWm2: row(),
    busW: row(),
    usefulW: row(),
    cableW: row(),
    sunW: row(),
    drivingW: row(),
    supplyW: row(),
    followed: [],
    followUsefulW: new Float64Array(steps * loads),
    followLossW: new Float64Array(steps * loads),
    followCableW: new Float64Array(steps * loads),
  };
}

/** Highest level of clearness that has one above it. */
const LAST_LEVEL = LEVELS - 2;

/**
 * What a day asks for and offers in its weather, one short loop after the other.
 * @param d which day of the weather; `beyondH` h in which loads cannot do what they should, added to; `measured` Wh of
 * each array in each hour of weather that is known by the hour
 */
export function fillDay(
  today: Today,
  { steps, stepMin, sharing }: DaysSetup,
  { demand, driving, supplyW }: DayTables,
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
  today.busW.set(demand.busW);
  today.usefulW.set(demand.usefulW);
  today.cableW.set(demand.cableW);
  // Those that follow write all of their own rows; of those that did the day before nothing may be left there.
  for (const { index } of today.followed) {
    if (demand.following.some((load) => load.index === index)) continue;
    for (const rows of [today.followUsefulW, today.followLossW, today.followCableW])
      rows.fill(0, index * steps, (index + 1) * steps);
  }
  today.followed = demand.following;
  const { hours } = weather;
  if (hours) eachHour(today.airC, hours.airC, d);
  else along(today.airC, sky.warmth, meanC, swingC);
  if (demand.following.length > 0) {
    if (hours) eachHour(today.flatWm2, hours.ghiWh, d);
    else for (let s = 0; s < steps; s++) today.flatWm2[s] = clearness * (sky.flatWm2[s] as number);
    const outputs = new Map<number, Float64Array>();
    for (const load of demand.following) follow(today, load, meanC, outputs, beyondH, stepMin / 60);
  }
  const level = Math.min(LAST_LEVEL, Math.floor(clearness / LEVEL_STEP));
  const above = Math.min(1, clearness / LEVEL_STEP - level);
  const gives: Gives = measured
    ? (to, array) => addHours(to, measured[array] as Float64Array, d)
    : (to, array) => addArray(to, today.airC, sky, array, level * steps, above);
  today.sunW.fill(0);
  for (let a = 0; a < sky.arrays.length; a++) gives(today.sunW, a);
  today.drivingW.fill(0);
  for (const link of driving) add(today.drivingW, link);
  today.supplyW.set(supplyW);
  if (sharing.outputs.length > 0 && driving.length > 0) shareOutputs(today, sharing, driving, gives);
  for (const box of sharing.boxes) throughBox(today, box, gives);
  if (sharing.oneInput || sharing.inputW < Number.POSITIVE_INFINITY) throughInputs(today, sharing);
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

function along(out: Float64Array, shape: Float64Array, mean: number, swing: number): void {
  for (let s = 0; s < out.length; s++) out[s] = mean + swing * (shape[s] as number);
}

function add(to: Float64Array, more: Float64Array): void {
  for (let s = 0; s < to.length; s++) to[s] = (to[s] as number) + (more[s] as number);
}

/** A load that follows the weather, with what its device loses on its account. */
function follow(
  { airC, flatWm2, busW, usefulW, cableW, followUsefulW, followLossW, followCableW }: Today,
  load: FollowingLoad,
  meanC: number,
  outputs: Map<number, Float64Array>,
  beyondH: Float64Array,
  hours: number,
): void {
  const { index, fullW, mayRun, perUseful, outputW, linear, square, piecesW2, cablePerW, cablePerW2 } = load;
  const { base, perK, perWm2, leastC, byDay } = load.follow;
  const steps = busW.length;
  // What others that follow give on the same device is part of what it gives.
  const known = outputs.get(load.device);
  const output = outputW ? (known ?? outputW.slice()) : null;
  if (output && !known) outputs.set(load.device, output);
  let beyond = 0;
  for (let s = 0; s < steps; s++) {
    const air = byDay ? meanC : (airC[s] as number);
    const may = mayRun[s] as number;
    let duty = base + perK * (air > leastC ? air : leastC) + perWm2 * (flatWm2[s] as number);
    if (duty > 1 + 1e-9) beyond += may;
    if (duty > 1) duty = 1;
    if (duty < 0) duty = 0;
    const useful = fullW * may * duty;
    const drawn = useful * perUseful;
    let loss = drawn - useful;
    if (output) {
      const other = output[s] as number;
      const variance = piecesW2 * may * duty * (1 - duty);
      loss += linear * drawn + square * (2 * drawn * other + drawn * drawn + variance);
      output[s] = other + drawn;
    }
    followUsefulW[index * steps + s] = useful;
    followLossW[index * steps + s] = loss;
    usefulW[s] = (usefulW[s] as number) + useful;
    let inCables = 0;
    if (cablePerW) {
      const w = useful + loss;
      const variance = piecesW2 * may * duty * (1 - duty);
      // What flows there anyway is lost more of as well: 2·W₀·w + w².
      inCables = 2 * w * (cablePerW[s] as number) + cablePerW2 * (w * w + variance);
      cableW[s] = (cableW[s] as number) + inCables;
    }
    followCableW[index * steps + s] = inCables;
    busW[s] = (busW[s] as number) + useful + loss + inCables;
  }
  beyondH[index] = (beyondH[index] as number) + beyond * hours;
}

/** Adds what an array gives: straight between two levels of clearness, less in warmer air, held to its controller. */
function addArray(
  sunW: Float64Array,
  airC: Float64Array,
  sky: MonthSky,
  array: number,
  from: number,
  above: number,
): void {
  const table = sky.arrays[array] as Float64Array;
  const { warmth, meanC, swingC } = sky;
  const perK = sky.perK[array] as number;
  const mostW = sky.mostW[array] as number;
  const steps = sunW.length;
  for (let s = 0; s < steps; s++) {
    const low = table[from + s] as number;
    const high = table[from + steps + s] as number;
    const warmerK = (airC[s] as number) - meanC - swingC * (warmth[s] as number);
    const w = (low + (high - low) * above) * (1 + perK * warmerK);
    sunW[s] = (sunW[s] as number) + (w < mostW ? w : mostW);
  }
}

/** Where an array and a charger on the alternator come out of one output, together they give no more than it. */
function shareOutputs(
  { sunW, drivingW }: Today,
  { outputs }: Sharing,
  driving: readonly Float64Array[],
  gives: Gives,
): void {
  const own = new Float64Array(sunW.length);
  for (const { array, link, mostW, blended } of outputs) {
    own.fill(0);
    gives(own, array);
    const driven = driving[link] as Float64Array;
    for (let s = 0; s < own.length; s++) {
      const [bySun, byDriving] = [own[s] as number, driven[s] as number];
      const over = bySun + byDriving - mostW;
      if (byDriving === 0 || over <= 0) continue;
      const sunLess = blended ? (over * bySun) / (bySun + byDriving) : Math.max(0, bySun - mostW);
      sunW[s] = (sunW[s] as number) - sunLess;
      drivingW[s] = (drivingW[s] as number) - (over - sunLess);
    }
  }
}

/** An all-in-one unit lets in so much of what its arrays and its charger give, the sun first. */
function throughBox(
  { sunW, supplyW }: Today,
  { mostW, arrays, supplyShare }: Sharing['boxes'][number],
  gives: Gives,
): void {
  const own = new Float64Array(sunW.length);
  for (const array of arrays) gives(own, array);
  for (let s = 0; s < own.length; s++) {
    const bySun = own[s] as number;
    const bySupply = (supplyW[s] as number) * supplyShare;
    const sunOver = Math.max(0, bySun - mostW);
    const supplyOver = Math.max(0, bySupply - (mostW - (bySun - sunOver)));
    // Where its output is shared, less may come of an array than it alone would give.
    sunW[s] = Math.max(0, (sunW[s] as number) - sunOver);
    supplyW[s] = (supplyW[s] as number) - supplyOver;
  }
}

/** One socket takes the strongest source; and no more gets in than its limit, the sun first. */
function throughInputs({ sunW, drivingW, supplyW }: Today, { oneInput, inputW }: Sharing): void {
  for (let s = 0; s < sunW.length; s++) {
    let [sun, driving, supply] = [sunW[s], drivingW[s], supplyW[s]] as [number, number, number];
    if (oneInput) {
      const most = Math.max(sun, driving, supply);
      if (sun === most) [driving, supply] = [0, 0];
      else if (driving === most) [sun, supply] = [0, 0];
      else [sun, driving] = [0, 0];
    }
    sunW[s] = Math.min(sun, inputW);
    drivingW[s] = Math.min(driving, inputW - (sunW[s] as number));
    supplyW[s] = Math.min(supply, inputW - (sunW[s] as number) - (drivingW[s] as number));
  }
}
