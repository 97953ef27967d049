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
  /** Of these, the mean W that the appliances use. */
  readonly usefulW: Float64Array;
  /** Minutes of the day that the inverter is on. */
  readonly inverterOnMin: number;
}

/**
 * The day's demand on the battery bus and its ledger, minute by minute.
 *
 * Attribution: idle is shared, in each minute, among the loads that hold the inverter on, in proportion to
 * their power (by the time they hold it if none draws); linear and quadratic losses in proportion to power,
 * with the extra quadratic loss of a cycling load (c₂·Var P/P_rated) to that load. Shares sum to the total.
 * @param inverter null when no load uses one
 */
export function busDay(profiles: readonly LoadProfile[], inverter: Inverter | null): BusDay {
  const busW = new Float64Array(MINUTES_PER_DAY);
  const usefulW = new Float64Array(MINUTES_PER_DAY);
  const onInverter: LoadProfile[] = [];
  for (const profile of profiles) {
    const { efficiency, usesInverter } = chainOf(profile.load);
    if (usesInverter) onInverter.push(profile);
    for (const [from, to] of profile.active) {
      for (let m = from; m < to; m++) {
        const w = profile.meanW[m] as number;
        usefulW[m] = (usefulW[m] as number) + w;
        busW[m] = (busW[m] as number) + w / efficiency;
      }
    }
  }
  const day = inverter && onInverter.length > 0 ? inverterDay(onInverter, inverter) : null;
  if (day) for (let m = 0; m < MINUTES_PER_DAY; m++) busW[m] = (busW[m] as number) + (day.lossW[m] as number);

  const rows = profiles.map((profile): LedgerRow => {
    const { load, energyWh } = profile;
    const share = day?.shares.get(profile) ?? { conversionWh: 0, idleWh: 0 };
    const deviceWh = energyWh / chainOf(load).efficiency - energyWh;
    return { loadId: load.id, usefulWh: energyWh, conversionWh: deviceWh + share.conversionWh, idleWh: share.idleWh };
  });
  return { rows, unattendedIdleWh: day?.unattendedWh ?? 0, busW, usefulW, inverterOnMin: day?.onMin ?? 0 };
}

interface InverterDay {
  readonly lossW: Float64Array;
  readonly shares: ReadonlyMap<LoadProfile, { readonly conversionWh: number; readonly idleWh: number }>;
  readonly unattendedWh: number;
  readonly onMin: number;
}

/** The inverter's own losses through the day, and each load's share of them. */
function inverterDay(profiles: readonly LoadProfile[], { ratingW, curve, policy }: Inverter): InverterDay {
  const outputW = new Float64Array(MINUTES_PER_DAY);
  const heldShare = new Float64Array(MINUTES_PER_DAY);
  const holders = new Float64Array(MINUTES_PER_DAY);
  for (const { load, meanW, onShare, active } of profiles) {
    const { efficiency } = chainOf(load);
    for (const [from, to] of active) {
      for (let m = from; m < to; m++) {
        outputW[m] = (outputW[m] as number) + (meanW[m] as number) / efficiency;
        heldShare[m] = Math.max(heldShare[m] as number, onShare[m] as number);
        holders[m] = (holders[m] as number) + (onShare[m] as number);
      }
    }
  }

  // Idle while something runs belongs to what runs; the rest of an always-on day is unattended.
  const idleW = ratingW * curve.c0;
  const lossW = new Float64Array(MINUTES_PER_DAY);
  let heldMin = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    heldMin += heldShare[m] as number;
    lossW[m] = idleW * (policy === 'always' ? 1 : (heldShare[m] as number));
  }

  const shares = new Map<LoadProfile, { conversionWh: number; idleWh: number }>();
  for (const profile of profiles) {
    const { efficiency } = chainOf(profile.load);
    let conversionWm = 0;
    let idleWm = 0;
    for (const [from, to] of profile.active) {
      for (let m = from; m < to; m++) {
        const output = outputW[m] as number;
        const w = (profile.meanW[m] as number) / efficiency;
        const variance = profile.varianceW2 ? (profile.varianceW2[m] as number) / efficiency ** 2 : 0;
        const conversion = w * (curve.c1 + (curve.c2 * output) / ratingW) + (curve.c2 * variance) / ratingW;
        conversionWm += conversion;
        lossW[m] = (lossW[m] as number) + conversion;
        const share = output > 0 ? w / output : (profile.onShare[m] as number) / (holders[m] as number);
        idleWm += idleW * (heldShare[m] as number) * share;
      }
    }
    shares.set(profile, { conversionWh: conversionWm / 60, idleWh: idleWm / 60 });
  }
  const onMin = policy === 'always' ? MINUTES_PER_DAY : heldMin;
  return { lossW, shares, unattendedWh: (idleW * (onMin - heldMin)) / 60, onMin };
}
