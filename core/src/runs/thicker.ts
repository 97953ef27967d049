import type { BusDay } from '../paths/ledger.ts';
import { drawnUsually } from './appliances.ts';
import { withOhm } from './busNet.ts';
import { dropOutAt } from './dropOut.ts';
import type { Cabled } from './fitted.ts';
import { type LaidRuns, nameOnBus } from './laid.ts';
import { runKg } from './mass.ts';
import { ohmAt, type SizedRun, thickerThan } from './sized.ts';

/** What the next thicker cable would win. */
export interface Thicker {
  readonly areaMm2: number;
  readonly parallel: number;
  /** Wh a day less lost in it. */
  readonly savedWh: number;
  readonly kg: number;
  /** At the price of copper of the brief; null = none is given. */
  readonly money: number | null;
  /** Ah of the store that the load that gains most would reach further down, and its name; 0 and null when none does. */
  readonly wonAh: number;
  readonly wonBy: string | null;
}

/** What each thicker run would win, in the order of the runs. Lost watt-hours scale with its cold Ω. */
export function thickerOf({ rows, net, onBus, appliances }: LaidRuns, fitted: Cabled, bus: BusDay): (Thicker | null)[] {
  const { coldC, hotC } = fitted.job.rules.cables;
  const { copperPerKg } = fitted.job.brief.prices;
  const usuallyOn = drawnUsually(net, fitted, onBus, bus.devices);
  return rows.map((own, index) => {
    const next = thickerThan(own.run.conductor, own);
    if (!next) return null;
    const coldOhm = ohmAt(own, next, coldC);
    const kg = runKg(own.run, { ...next, lengthM: own.lengthM }) - own.kg;
    const won = { wonAh: 0, wonBy: null as string | null };
    if (own.zone.kind === 'bus') {
      const thicker = withOhm(net, index, coldOhm, ohmAt(own, next, hotC));
      for (const [i, appliance] of onBus.entries()) {
        const now = appliances[i]?.dropOut;
        if (!now || appliance.cutOffV === null || now.soc === 0 || !isBehind(rows, appliance.run, index)) continue;
        const then = dropOutAt(thicker, 'cold', usuallyOn(appliance), appliance.node, appliance.cutOffV, fitted);
        const wonAh = now.strandedAh - then.strandedAh;
        if (wonAh > won.wonAh) [won.wonAh, won.wonBy] = [wonAh, nameOnBus(appliance)];
      }
    }
    return {
      ...next,
      savedWh: own.coldOhm > 0 ? own.lostWh * (1 - coldOhm / own.coldOhm) : 0,
      kg,
      money: copperPerKg === null ? null : kg * copperPerKg,
      ...won,
    };
  });
}

/** Whether a run lies on the way from the store to the end of another. */
function isBehind(rows: readonly SizedRun[], run: number, way: number): boolean {
  for (let at = run; at >= 0; at = (rows[at] as SizedRun).parent) if (at === way) return true;
  return false;
}
