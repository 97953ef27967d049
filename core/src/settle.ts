import { briefOn, onItsDay, shareOfDays } from './job/day.ts';
import type { Brief, DesignOption, Job } from './job/schema.ts';
import { ambientByMinuteC } from './loads/ambient.ts';
import { type LoadProfile, rememberedProfile, type Surroundings } from './loads/profile.ts';
import { coincidenceOf } from './moment/coincidence.ts';
import { type SizedInverter, sizeInverters } from './moment/sizeInverters.ts';
import { type Slice, slicesOf } from './moment/slices.ts';
import { type Feed, feedOf, givenRatingW } from './paths/feed.ts';
import { type BusDay, busDay } from './paths/ledger.ts';
import { CHEMISTRY } from './reference/chemistries.ts';
import type { Demand } from './store/demand.ts';
import { designMonth, type SunDay, sunDay } from './sun/day.ts';

/** One day of an option reckoned through: sizes settled, demand known, nothing explained yet. */
export interface Settled {
  /** As it holds on its kind of day. */
  readonly brief: Brief;
  readonly option: DesignOption;
  readonly ambientC: Float64Array;
  readonly sun: SunDay;
  readonly profiles: readonly LoadProfile[];
  /** What may be on at the same time. */
  readonly slices: readonly Slice[];
  /** Main first. */
  readonly inverters: readonly SizedInverter[];
  /** Every device that loads may hang on, sizes settled. */
  readonly feeds: readonly Feed[];
  readonly bus: BusDay;
  readonly roundTripEfficiency: number;
  readonly demand: Demand;
}

/** @param optionId the job's first option when left out; a RangeError when the job has no such option */
export function settle(job: Job, optionId?: string): Settled {
  const option = optionId === undefined ? job.options[0] : job.options.find(({ id }) => id === optionId);
  if (!option) {
    const known = job.options.map(({ id }) => id).join(', ');
    throw new RangeError(`this job has no option "${optionId}"; it has ${known}`);
  }
  const brief = briefOn(job.brief);
  const { devices, store } = option.system;
  const ambientC = ambientByMinuteC(brief.place);
  const sun = sunDay(brief.place, designMonth(brief));
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: brief.day };
  const profiles = job.loads.map((load) => rememberedProfile(load, around));
  const slices = slicesOf(profiles, job);
  const inverters = sizeInverters(profiles, devices, slices, coincidenceOf(job.together), job.rules);
  const feeds = devices.flatMap((device): Feed[] => {
    if (device.kind === 'inverter') {
      const feed = inverters.find((sized) => sized.device.id === device.id)?.feed;
      return feed ? [feed] : [];
    }
    const ratingW = givenRatingW(device);
    return ratingW === null ? [] : [feedOf(device, ratingW, job.rules.inverterCurve)];
  });
  const bus = busDay(profiles, devices, feeds);
  return {
    brief,
    option,
    ambientC,
    sun,
    profiles,
    slices,
    inverters,
    feeds,
    bus,
    demand: demandOf(job, profiles, around, (days) => busDay(days, devices, feeds).busW, bus.busW),
    roundTripEfficiency: store.roundTripEfficiency ?? CHEMISTRY[store.chemistry].roundTripEfficiency,
  };
}

const wattHours = (busW: Float64Array): number => busW.reduce((sum, w) => sum + w, 0) / 60;

/**
 * The day's demand with what runs only on some days of the week taken apart: the day without any of it, and what each
 * adds on a day it runs. What they add together is shared out by their own energy.
 */
function demandOf(
  job: Job,
  profiles: readonly LoadProfile[],
  around: Surroundings,
  busOf: (profiles: readonly LoadProfile[]) => Float64Array,
  meanBusW: Float64Array,
): Demand {
  const isOccasional = (load: Job['loads'][number]) => shareOfDays(load, around.day) < 1;
  if (!job.loads.some(isOccasional)) return { everyDayWh: wattHours(meanBusW), occasional: [] };
  const dayWith = (runs: boolean) =>
    job.loads.map((load, i) =>
      isOccasional(load) ? rememberedProfile(onItsDay(load, runs), around) : (profiles[i] as LoadProfile),
    );
  const all = dayWith(true);
  const everyDayWh = wattHours(busOf(dayWith(false)));
  const addedWh = Math.max(0, wattHours(busOf(all)) - everyDayWh);
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
