import { briefOn, onItsDay, shareOfDays } from '../job/day.ts';
import { asFed } from '../job/feeds.ts';
import type { Brief, DesignOption, Job } from '../job/schema.ts';
import { ambientByMinuteC } from '../loads/ambient.ts';
import { type LoadProfile, rememberedProfile, type Surroundings } from '../loads/profile.ts';
import { type Coincidence, coincidenceOf } from '../moment/coincidence.ts';
import { type Effort, WHATEVER_IT_TAKES } from '../moment/effort.ts';
import { type SizedInverter, sizeInverters } from '../moment/sizeInverters.ts';
import { type Slice, slicesOf } from '../moment/slices.ts';
import type { Leads } from '../paths/cables.ts';
import { type Feed, feedOf, givenRatingW } from '../paths/feed.ts';
import { type BusDay, busDay } from '../paths/ledger.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { sourceLeads } from '../runs/fitted.ts';
import { leadsOf } from '../runs/leads.ts';
import type { Demand } from '../store/demand.ts';
import { designMonth, placeIn, type SunDay, sunAheadMin, sunDay } from '../sun/day.ts';

/** One day of an option reckoned through: inverters sized, what every load draws known. */
export interface SettledDay {
  /** Its loads as this option feeds them. */
  readonly job: Job;
  /** As it holds on its kind of day, its place in the month designed for. */
  readonly brief: Brief;
  readonly option: DesignOption;
  readonly ambientC: Float64Array;
  readonly sun: SunDay;
  readonly profiles: readonly LoadProfile[];
  /** What may be on at the same time. */
  readonly slices: readonly Slice[];
  /** Which loads may run at once, searched with what is left of the effort. */
  readonly coincidence: Coincidence;
  /** Main first. */
  readonly inverters: readonly SizedInverter[];
  /** Every device that loads may hang on, sizes settled. */
  readonly feeds: readonly Feed[];
  /** The cables on the way to them; null while none are laid. */
  readonly leads: Leads | null;
  readonly bus: BusDay;
  readonly roundTripEfficiency: number;
  /** What the store must carry on which days. */
  readonly demand: Demand;
}

/**
 * @param optionId the job's first option when left out; a RangeError when the job has no such option
 * @param effort what the searches may cost; without a limit when left out
 */
export function settleDay(asStored: Job, optionId?: string, effort: Effort = WHATEVER_IT_TAKES): SettledDay {
  const option = optionId === undefined ? asStored.options[0] : asStored.options.find(({ id }) => id === optionId);
  if (!option) {
    const known = asStored.options.map(({ id }) => id).join(', ');
    throw new RangeError(`this job has no option "${optionId}"; it has ${known}`);
  }
  const job = asFed(asStored, option);
  const month = designMonth(job.brief);
  const place = placeIn(job.brief.place, month);
  const brief = { ...briefOn(job.brief), place };
  const { devices, store } = option.system;
  const ambientC = ambientByMinuteC(place, sunAheadMin(place, month));
  const sun = sunDay(place, month);
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: brief.day };
  const profiles = job.loads.map((load) => rememberedProfile(load, around));
  const slices = slicesOf(profiles, job);
  const coincidence = coincidenceOf(job.together).within(effort);
  const inverters = sizeInverters(profiles, devices, slices, coincidence, job.rules);
  const feeds = devices.flatMap((device): Feed[] => {
    if (device.kind === 'inverter') {
      const feed = inverters.find((sized) => sized.device.id === device.id)?.feed;
      return feed ? [feed] : [];
    }
    const ratingW = givenRatingW(device);
    return ratingW === null ? [] : [feedOf(device, ratingW, job.rules.inverterCurve)];
  });
  const laid = { job, option, profiles, slices, coincidence, inverters, feeds, bank: null };
  const leads = leadsOf({ ...laid, sources: sourceLeads(option.system, job.brief, null) });
  const bus = busDay(profiles, devices, feeds, leads);
  return {
    job,
    brief,
    option,
    ambientC,
    sun,
    profiles,
    slices,
    coincidence,
    inverters,
    feeds,
    leads,
    bus,
    demand: demandOf(job, profiles, around, (days) => busDay(days, devices, feeds, leads).busW, bus.busW),
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
  const dayWith = (uses: boolean) =>
    job.loads.map((load, i) =>
      isOccasional(load) ? rememberedProfile(onItsDay(load, uses), around) : (profiles[i] as LoadProfile),
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
