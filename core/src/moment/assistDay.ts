import type { System } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { efficiencyAt, type LossCurve } from '../paths/curve.ts';
import type { BusDay } from '../paths/ledger.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { chargerId, isCharger, type SupplyLoad, type SupplyMoment } from './supplyMoment.ts';

/** A day on a supply with an inverter that assists: what the battery lends, and when it has it back. */
export interface AssistDay {
  /** Wh a day that the battery gives beyond what the supply can. */
  readonly lentWh: number;
  /** The most that is owed to the battery, Wh, and when. */
  readonly deepestWh: number;
  readonly deepestMin: number;
  /** Minutes from then until all is back; null when a day does not bring it back. */
  readonly repaidAfterMin: number | null;
}

/**
 * Minute by minute by the lanes: what is above the supply's limit comes from the battery; what is below it charges,
 * up to the charger's rating and not below its lowest setting; loads on the bus draw on it meanwhile. The second of
 * two such days is told, so that it does not matter what the first began with.
 */
export function assistDay(
  moment: SupplyMoment,
  profiles: readonly LoadProfile[],
  bus: BusDay,
  system: System,
  roundTripEfficiency: number,
): AssistDay | null {
  const { limit, loads, assisting } = moment;
  if (!assisting?.feed) return null;
  const sizes = new Float64Array(MINUTES_PER_DAY);
  for (const { id, size, ac, leastSize } of loads) {
    const profile = profiles.find(({ load }) => load.id === id);
    if (!profile || !ac || leastSize !== null || ac.runningW === 0) continue;
    const perW = (size / ac.runningW) * ac.perLoadW;
    for (let m = 0; m < MINUTES_PER_DAY; m++) sizes[m] = (sizes[m] as number) + (profile.meanW[m] as number) * perW;
  }
  const intoStore = Math.sqrt(roundTripEfficiency);
  const adjustable = chargersOf(loads, system, ({ leastSize }) => leastSize !== null);
  // One that cannot be turned down charges at full while anything is owed, whatever else runs.
  const stubborn = chargersOf(loads, system, ({ leastSize, id }) => leastSize === null && isCharger(id));
  const leastSize = Math.min(...loads.map((load) => load.leastSize ?? Number.POSITIVE_INFINITY));
  const dcW = withoutPassing(bus, moment);
  const { curve, ratingW } = assisting.feed;

  const owed = new Float64Array(3 * MINUTES_PER_DAY);
  const lent = new Float64Array(3 * MINUTES_PER_DAY);
  for (let at = 0; at < owed.length; at++) {
    const m = at % MINUTES_PER_DAY;
    const owes = (owed[at - 1] ?? 0) > 0;
    const left = limit.runningSize - (sizes[m] as number) - (owes ? stubborn.size : 0);
    const lentW = left < 0 ? fromBattery(curve, ratingW, -left * limit.wattsPerUnit) : 0;
    const charging = left >= leastSize ? Math.max(0, Math.min(left, adjustable.size)) : 0;
    const backW = (adjustable.size > 0 ? (charging / adjustable.size) * adjustable.dcW : 0) + (owes ? stubborn.dcW : 0);
    lent[at] = lentW / 60;
    owed[at] = Math.max(0, (owed[at - 1] ?? 0) + (lentW + (dcW[m] as number) - backW * intoStore) / 60);
  }
  const second = owed.subarray(MINUTES_PER_DAY, 2 * MINUTES_PER_DAY);
  const deepestMin = second.reduce((best, wh, m) => (wh > (second[best] as number) ? m : best), 0);
  const after = owed.subarray(MINUTES_PER_DAY + deepestMin, 2 * MINUTES_PER_DAY + deepestMin).indexOf(0);
  return {
    lentWh: lent.subarray(MINUTES_PER_DAY, 2 * MINUTES_PER_DAY).reduce((sum, wh) => sum + wh, 0),
    deepestWh: second[deepestMin] as number,
    deepestMin,
    repaidAfterMin: after < 0 ? null : after,
  };
}

/** Some of the chargers together: what they draw at full in the supply's unit, and W of DC that they give for it. */
function chargersOf(loads: readonly SupplyLoad[], { chargers }: System, which: (load: SupplyLoad) => boolean) {
  const some = loads.filter(which);
  const efficiencyOf = (id: string) =>
    chargers.find((charger) => chargerId(charger.id) === id)?.efficiency ?? DEFAULT.chargerEfficiency.value;
  return {
    size: some.reduce((sum, { size }) => sum + size, 0),
    dcW: some.reduce((sum, { id, watts }) => sum + watts * efficiencyOf(id), 0),
  };
}

const fromBattery = (curve: LossCurve, ratingW: number, outW: number): number =>
  outW / efficiencyAt(curve, outW / ratingW);

/** W on the bus that remain when what passes through is fed by the supply. */
function withoutPassing(bus: BusDay, { loads }: SupplyMoment): Float64Array {
  const passing = new Set(loads.flatMap(({ deviceId }) => deviceId ?? []));
  const left = bus.busW.slice();
  for (const { feed, outputW, onShare } of bus.devices) {
    if (!passing.has(feed.device.id)) continue;
    const { curve, ratingW } = feed;
    for (let m = 0; m < MINUTES_PER_DAY; m++) {
      const out = outputW[m] as number;
      const taken = out * (1 + curve.c1 + (curve.c2 * out) / ratingW) + ratingW * curve.c0 * (onShare[m] as number);
      left[m] = Math.max(0, (left[m] as number) - taken);
    }
  }
  return left;
}
