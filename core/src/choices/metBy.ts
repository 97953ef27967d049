import { chainOf } from '../paths/chain.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Settled } from '../settle/settle.ts';
import { togetherW } from '../sources/source.ts';

/** Useful Wh a day that come through so many conversions, by what gives them in the minute they are drawn. */
export interface MetBy {
  /** Between the bus and the appliance: none, an inverter or converter, or an adapter behind one. */
  readonly conversions: 0 | 1 | 2;
  readonly fromSunWh: number;
  readonly fromDrivingWh: number;
  readonly fromStoreWh: number;
}

/**
 * How the uses of the day sized for are met: of what runs in a minute the sun carries its share of the bus, then what
 * charges while driving, the store the rest. What waits for a supply is none of them.
 */
export function metBy({ profiles, option, sources, bus }: Settled): MetBy[] {
  const of = (kind: 'sun' | 'driving') =>
    togetherW(
      sources.filter((source) => source.kind === kind),
      MINUTES_PER_DAY,
    );
  const [sunW, drivingW] = [of('sun'), of('driving')];
  const rows = ([0, 1, 2] as const).map((conversions) => ({
    conversions,
    fromSunWh: 0,
    fromDrivingWh: 0,
    fromStoreWh: 0,
  }));
  for (const { load, meanW, active } of profiles) {
    const { fromBus, device, efficiency } = chainOf(load, option.system.devices);
    const row = rows[Number(device !== null) + Number(efficiency < 1)];
    if (!fromBus || !row) continue;
    for (const [from, to] of active)
      for (let m = from; m < to; m++) {
        const wh = (meanW[m] as number) / 60;
        const busW = bus.busW[m] as number;
        const sun = busW > 0 ? Math.min(1, (sunW[m] as number) / busW) : 0;
        const driving = busW > 0 ? Math.min(1 - sun, (drivingW[m] as number) / busW) : 0;
        row.fromSunWh += wh * sun;
        row.fromDrivingWh += wh * driving;
        row.fromStoreWh += wh * (1 - sun - driving);
      }
  }
  return rows;
}
