import type { Device } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Chain } from './chain.ts';
import type { Feed } from './feed.ts';

/** What one device does through the day. */
export interface DeviceDay {
  readonly feed: Feed;
  /** W it gives in each minute. */
  readonly outputW: Float64Array;
  /** W it takes from the bus, and the part of it that is idle with nothing on it. */
  readonly inputW: Float64Array;
  readonly waitingW: Float64Array;
  /** Share of each minute that it is on. */
  readonly onShare: Float64Array;
  /** Share of each minute that a load holds it on, and how many do, by the time they hold it. */
  readonly heldShare: Float64Array;
  readonly holders: Float64Array;
  readonly onMin: number;
  /** Idle while something on it runs, and while nothing does, Wh. */
  readonly heldIdleWh: number;
  readonly unattendedIdleWh: number;
  readonly conversionWh: number;
}

/** A load with the chain that feeds it. */
export interface Fed {
  readonly profile: LoadProfile;
  readonly chain: Chain;
}

/** What one device does through the day; its losses are added to the bus. */
export function deviceDay(fed: readonly Fed[], feed: Feed, busW: Float64Array, busIdleW: Float64Array): DeviceDay {
  const { ratingW, curve } = feed;
  const outputW = new Float64Array(MINUTES_PER_DAY);
  const varianceW2 = new Float64Array(MINUTES_PER_DAY);
  const heldShare = new Float64Array(MINUTES_PER_DAY);
  const holders = new Float64Array(MINUTES_PER_DAY);
  for (const { profile, chain } of fed) {
    const { meanW, onShare } = profile;
    const perUseful = 1 / chain.efficiency;
    for (const [from, to] of profile.active) {
      for (let m = from; m < to; m++) {
        const on = onShare[m] as number;
        outputW[m] = (outputW[m] as number) + (meanW[m] as number) * perUseful;
        holders[m] = (holders[m] as number) + on;
        if (on > (heldShare[m] as number)) heldShare[m] = on;
        if (profile.varianceW2) {
          varianceW2[m] = (varianceW2[m] as number) + (profile.varianceW2[m] as number) * perUseful ** 2;
        }
      }
    }
  }
  const idleW = ratingW * curve.c0;
  const search = feed.device.kind === 'inverter' ? feed.device.search : null;
  const waitingW = search ? Math.min(search.idleW, idleW) : idleW;
  const onShare = onShares(feed.device, heldShare);
  const square = curve.c2 / ratingW;
  const inputW = new Float64Array(MINUTES_PER_DAY);
  const restingW = new Float64Array(MINUTES_PER_DAY);
  let onMin = 0;
  let unattendedWm = 0;
  let heldWm = 0;
  let conversionWm = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const held = heldShare[m] as number;
    const on = onShare[m] as number;
    const output = outputW[m] as number;
    const conversion = curve.c1 * output + square * (output * output + (varianceW2[m] as number));
    const waiting = waitingW * (on - held);
    onMin += on;
    heldWm += idleW * held;
    unattendedWm += waiting;
    conversionWm += conversion;
    inputW[m] = output + conversion + idleW * held + waiting;
    restingW[m] = waiting;
    busIdleW[m] = (busIdleW[m] as number) + idleW * held + waiting;
    busW[m] = (busW[m] as number) + idleW * held + waiting + conversion;
  }
  return {
    feed,
    outputW,
    inputW,
    waitingW: restingW,
    onShare,
    heldShare,
    holders,
    onMin,
    heldIdleWh: heldWm / 60,
    unattendedIdleWh: unattendedWm / 60,
    conversionWh: conversionWm / 60,
  };
}

/** What a load's device loses on its account, W in each minute that it is on. */
export function eachShare(
  profile: LoadProfile,
  chain: Chain,
  day: DeviceDay,
  each: (minute: number, conversionW: number, idleW: number) => void,
): void {
  const { ratingW, curve } = day.feed;
  const { meanW, varianceW2, onShare } = profile;
  const idleW = ratingW * curve.c0;
  const square = curve.c2 / ratingW;
  for (const [from, to] of profile.active) {
    for (let m = from; m < to; m++) {
      const output = day.outputW[m] as number;
      const w = (meanW[m] as number) / chain.efficiency;
      const variance = varianceW2 ? (varianceW2[m] as number) / chain.efficiency ** 2 : 0;
      const share = output > 0 ? w / output : (onShare[m] as number) / (day.holders[m] as number);
      each(m, w * (curve.c1 + square * output) + square * variance, idleW * (day.heldShare[m] as number) * share);
    }
  }
}

/**
 * Share of each minute that a device is on: always while a load needs it, and beyond that by its policy.
 * "manual" spreads the hours it is left on over the minutes in which nothing runs.
 */
function onShares(device: Device, heldShare: Float64Array): Float64Array {
  if (device.policy === 'with-loads') return heldShare.slice();
  if (device.policy === 'always') return new Float64Array(MINUTES_PER_DAY).fill(1);
  if (device.policy === 'manual') {
    const freeMin = heldShare.reduce((sum, held) => sum + 1 - held, 0);
    const left = freeMin > 0 ? Math.min(1, (device.leftOnH * 60) / freeMin) : 0;
    return heldShare.map((held) => held + (1 - held) * left);
  }
  const on = heldShare.slice();
  for (const { startMin, minutes } of device.hours) {
    const end = startMin + minutes;
    for (let m = Math.floor(startMin); m < end; m++) {
      const share = Math.min(m + 1, end) - Math.max(m, startMin);
      const at = m % MINUTES_PER_DAY;
      on[at] = Math.max(on[at] as number, share);
    }
  }
  return on;
}
