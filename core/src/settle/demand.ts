import type { Demand } from '../battery/demand.ts';
import { onItsDay, shareOfDays } from '../job/day.ts';
import type { Load } from '../job/schema.ts';
import { type LoadProfile, rememberedProfile } from '../loads/profile.ts';
import { busDay } from '../paths/ledger.ts';
import type { SettledDay } from './day.ts';

/**
 * The day's demand with what runs only on some days of the week taken apart: the day without any of it, and what each
 * adds on a day it runs. What they add together is shared out by their own energy.
 */
export function demandOn({ job, brief, option, ambientC, sun, profiles, feeds, leads, bus }: SettledDay): Demand {
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: brief.day };
  const isOccasional = (load: Load) => shareOfDays(load, around.day) < 1;
  if (!job.loads.some(isOccasional)) return { everyDayWh: wattHours(bus.busW), occasional: [] };
  const dayWith = (uses: boolean): LoadProfile[] =>
    job.loads.map((load, i) =>
      isOccasional(load) ? rememberedProfile(onItsDay(load, uses), around) : (profiles[i] as LoadProfile),
    );
  const whOf = (day: readonly LoadProfile[]) => wattHours(busDay(day, option.system, feeds, leads).busW);
  const all = dayWith(true);
  const everyDayWh = whOf(dayWith(false));
  const addedWh = Math.max(0, whOf(all) - everyDayWh);
  const own = all.flatMap((profile, i) => {
    const load = job.loads[i];
    return load && isOccasional(load) ? [{ energyWh: profile.energyWh, daysPerWeek: load.daysPerWeek }] : [];
  });
  const ownWh = own.reduce((sum, { energyWh }) => sum + energyWh, 0);
  return {
    everyDayWh,
    occasional: own.map(({ energyWh, daysPerWeek }) => ({
      wh: ownWh > 0 ? (addedWh * energyWh) / ownWh : 0,
      daysPerWeek,
    })),
  };
}

const wattHours = (busW: Float64Array): number => busW.reduce((sum, w) => sum + w, 0) / 60;
