import type { System } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { chainOf } from './chain.ts';
import type { LossCurve } from './curve.ts';

export interface Inverter {
  readonly ratingW: number;
  readonly curve: LossCurve;
  readonly policy: System['inverter']['policy'];
}

/** Where the watt-hours of one load's day go, Wh. Storage is shared out later, when the store is known. */
export interface LedgerRow {
  readonly loadId: string;
  readonly usefulWh: number;
  readonly conversionWh: number;
  readonly idleWh: number;
}

export interface BusDay {
  readonly rows: readonly LedgerRow[];
  /** Inverter idle in minutes when nothing on it runs: nobody's but the switch's, Wh. */
  readonly unattendedIdleWh: number;
  /** Mean W drawn from the battery bus in each minute. */
  readonly busW: Float64Array;
  /** Minutes of the day that the inverter is on. */
  readonly inverterOnMin: number;
}

/**
 * The day's demand on the battery bus and its ledger, minute by minute.
 *
 * Attribution: idle is shared, in each minute, among the loads that hold the inverter on, in proportion to
 * their power (equally if none draws); linear and quadratic losses in proportion to power, with the extra
 * quadratic loss of a cycling load (c₂·Var P/P_rated) to that load. Shares sum to the total.
 * @param inverter null when no load uses one
 */
export function busDay(profiles: readonly LoadProfile[], inverter: Inverter | null): BusDay {
  const count = profiles.length;
  const chains = profiles.map((profile) => chainOf(profile.load));
  const conversionWm = new Float64Array(count);
  const idleWm = new Float64Array(count);
  const busW = new Float64Array(MINUTES_PER_DAY);
  let unattendedWm = 0;
  let inverterOnMin = 0;

  for (let i = 0; i < count; i++) {
    const { meanW } = profiles[i] as LoadProfile;
    const overhead = 1 / (chains[i] as { efficiency: number }).efficiency - 1;
    for (let m = 0; m < MINUTES_PER_DAY; m++) {
      const w = meanW[m] as number;
      conversionWm[i] = (conversionWm[i] as number) + w * overhead;
      busW[m] = (busW[m] as number) + w * (1 + overhead);
    }
  }

  const onInverter = profiles.flatMap((_, i) => (chains[i]?.usesInverter ? [i] : []));
  if (inverter && onInverter.length > 0) {
    const { ratingW, curve, policy } = inverter;
    for (let m = 0; m < MINUTES_PER_DAY; m++) {
      let outputW = 0;
      let onShare = 0;
      let holders = 0;
      for (const i of onInverter) {
        const profile = profiles[i] as LoadProfile;
        outputW += (profile.meanW[m] as number) / (chains[i] as { efficiency: number }).efficiency;
        const held = profile.onShare[m] as number;
        onShare = Math.max(onShare, held);
        holders += held;
      }
      const poweredShare = policy === 'always' ? 1 : onShare;
      if (poweredShare === 0) continue;
      inverterOnMin += poweredShare;
      // Idle while something runs belongs to what runs; the rest of an always-on minute is unattended.
      const idleW = ratingW * curve.c0 * onShare;
      const unattendedW = ratingW * curve.c0 * (poweredShare - onShare);
      const lossPerW = curve.c1 + (curve.c2 * outputW) / ratingW;
      unattendedWm += unattendedW;
      let lossW = idleW + unattendedW;
      for (const i of onInverter) {
        const profile = profiles[i] as LoadProfile;
        const efficiency = (chains[i] as { efficiency: number }).efficiency;
        const w = (profile.meanW[m] as number) / efficiency;
        const cyclingW = profile.varianceW2
          ? (curve.c2 * (profile.varianceW2[m] as number)) / (efficiency ** 2 * ratingW)
          : 0;
        const share = outputW > 0 ? w / outputW : (profile.onShare[m] as number) / (holders || 1);
        conversionWm[i] = (conversionWm[i] as number) + w * lossPerW + cyclingW;
        idleWm[i] = (idleWm[i] as number) + idleW * share;
        lossW += w * lossPerW + cyclingW;
      }
      busW[m] = (busW[m] as number) + lossW;
    }
  }

  const rows = profiles.map((profile, i) => ({
    loadId: profile.load.id,
    usefulWh: profile.energyWh,
    conversionWh: (conversionWm[i] as number) / 60,
    idleWh: (idleWm[i] as number) / 60,
  }));
  return { rows, unattendedIdleWh: unattendedWm / 60, busW, inverterOnMin };
}
