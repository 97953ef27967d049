import type { Device, System } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type CableDay, cableDay, eachCableShare, type Leads } from './cables.ts';
import { type Chain, chainOf } from './chain.ts';
import { type DeviceDay, deviceDay, eachShare, type Fed } from './device.ts';
import type { Feed } from './feed.ts';
import { type Standing, standingW } from './standing.ts';

/** Where the watt-hours of one load's day go, Wh. Storage is shared out later, when the store is known. */
export interface LedgerRow {
  readonly loadId: string;
  readonly usefulWh: number;
  readonly conversionWh: number;
  readonly idleWh: number;
  readonly cableWh: number;
}

export interface BusDay {
  readonly devices: readonly DeviceDay[];
  /** Idle in minutes when nothing on a device runs: nobody's but the switch's, Wh. */
  readonly unattendedIdleWh: number;
  /** Mean W drawn from the battery bus in each minute; the parts that the appliances use and that idle away. */
  readonly busW: Float64Array;
  readonly usefulW: Float64Array;
  readonly idleW: Float64Array;
  /** What the cables lose; null where none are laid. */
  readonly cables: CableDay | null;
}

/**
 * The day's demand on the battery bus, minute by minute.
 * @param system of which what charges idles around the clock
 * @param feeds the devices that loads hang on, sizes settled; a load on a device not among them has no loss there
 * @param leads the cables on the way, where they are laid; null = nothing is lost in them
 */
export function busDay(
  profiles: readonly LoadProfile[],
  system: Pick<System, 'devices'> & Standing,
  feeds: readonly Feed[],
  leads: Leads | null,
): BusDay {
  const busW = new Float64Array(MINUTES_PER_DAY);
  const usefulW = new Float64Array(MINUTES_PER_DAY);
  const idleW = new Float64Array(MINUTES_PER_DAY);
  const fed = fedLoads(profiles, system.devices);
  const aroundTheClockW = standingW(system);
  busW.fill(aroundTheClockW);
  idleW.fill(aroundTheClockW);
  for (const { profile, chain } of fed) {
    if (!chain.fromBus) continue;
    const { meanW } = profile;
    const perUseful = 1 / chain.efficiency;
    for (const [from, to] of profile.active) {
      for (let m = from; m < to; m++) {
        const w = meanW[m] as number;
        usefulW[m] = (usefulW[m] as number) + w;
        busW[m] = (busW[m] as number) + w * perUseful;
      }
    }
  }
  const days = feeds.flatMap((feed) => {
    const own = fed.filter(({ chain }) => chain.device?.id === feed.device.id);
    // What is left on takes its idle with nothing on it as well.
    return own.length > 0 || feed.device.policy === 'always' ? [deviceDay(own, feed, busW, idleW)] : [];
  });
  const unattendedIdleWh = days.reduce((sum, day) => sum + day.unattendedIdleWh, aroundTheClockW * 24);
  const cables = leads && cableDay(leads, fed, days);
  if (cables) for (let m = 0; m < MINUTES_PER_DAY; m++) busW[m] = (busW[m] as number) + (cables.lostW[m] as number);
  return { devices: days, unattendedIdleWh, busW, usefulW, idleW, cables };
}

const fedLoads = (profiles: readonly LoadProfile[], devices: readonly Device[]): Fed[] =>
  profiles.map((profile) => ({ profile, chain: chainOf(profile.load, devices) }));

/**
 * Where each load's watt-hours go.
 *
 * Attribution: a device's idle is shared, in each minute, among the loads that hold it on, in proportion to
 * their power (by the time they hold it if none draws); linear and quadratic losses in proportion to power,
 * with the extra quadratic loss of a cycling load (c₂·Var P/P_rated) to that load. Shares sum to the total.
 */
export function ledgerRows(
  profiles: readonly LoadProfile[],
  devices: readonly Device[],
  days: readonly DeviceDay[],
  cables: CableDay | null,
): LedgerRow[] {
  return fedLoads(profiles, devices).map(({ profile, chain }): LedgerRow => {
    const loadId = profile.load.id;
    if (!chain.fromBus) return { loadId, usefulWh: 0, conversionWh: 0, idleWh: 0, cableWh: 0 };
    const { energyWh } = profile;
    const day = days.find(({ feed }) => feed.device.id === chain.device?.id);
    const share = day ? shareOf(profile, chain, day) : { conversionWh: 0, idleWh: 0 };
    const ownWh = energyWh / chain.efficiency - energyWh;
    return {
      loadId,
      usefulWh: energyWh,
      conversionWh: ownWh + share.conversionWh,
      idleWh: share.idleWh,
      cableWh: cables ? cableShareWh(cables, profile, chain, day ?? null) : 0,
    };
  });
}

/** A load's share of what the cables lose. */
function cableShareWh(cables: CableDay, profile: LoadProfile, chain: Chain, day: DeviceDay | null): number {
  let wattMinutes = 0;
  eachCableShare(cables, profile, chain, day, (_, w) => {
    wattMinutes += w;
  });
  return wattMinutes / 60;
}

/** A load's share of what its device loses. */
function shareOf(profile: LoadProfile, chain: Chain, day: DeviceDay): { conversionWh: number; idleWh: number } {
  let conversionWm = 0;
  let idleWm = 0;
  eachShare(profile, chain, day, (_, conversionW, idleW) => {
    conversionWm += conversionW;
    idleWm += idleW;
  });
  return { conversionWh: conversionWm / 60, idleWh: idleWm / 60 };
}
