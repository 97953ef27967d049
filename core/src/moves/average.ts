import { chainOf } from '../paths/chain.ts';
import type { SettledDay } from '../settle/day.ts';
import type { Move } from './move.ts';

/**
 * What a move would save by the average efficiency of its chain, Wh/day at the store: the usual reckoning of a
 * multiplied pair of percentages, in which idle is spread over whatever passes. Null for moves of a device.
 */
export function averageSavingWh(settled: SettledDay, after: SettledDay, move: Move): number | null {
  if (!('loadId' in move) || move.kind === 'into-sun' || move.kind === 'other-inverter') return null;
  return throughAverage(settled, move.loadId) - throughAverage(after, move.loadId, settled);
}

/** A load's energy at the store by average efficiencies; those of the day before the move where it still applies. */
function throughAverage(settled: SettledDay, loadId: string, averages: SettledDay = settled): number {
  const profile = settled.profiles.find(({ load }) => load.id === loadId);
  if (!profile) return 0;
  const chain = chainOf(profile.load, settled.option.system.devices);
  if (!chain.fromBus) return 0;
  const day = averages.bus.devices.find(({ feed }) => feed.device.id === chain.device?.id);
  let efficiency = chain.efficiency;
  if (day) {
    const outWh = day.outputW.reduce((sum, w) => sum + w, 0) / 60;
    const lostWh = day.conversionWh + day.heldIdleWh + day.unattendedIdleWh;
    if (outWh > 0) efficiency *= outWh / (outWh + lostWh);
  }
  return profile.energyWh / efficiency / settled.roundTripEfficiency;
}
