import { briefOn } from '../job/day.ts';
import { asFed } from '../job/feeds.ts';
import type { Brief, DesignOption, Job } from '../job/schema.ts';
import { ambientByMinuteC } from '../loads/ambient.ts';
import { type LoadProfile, rememberedProfile } from '../loads/profile.ts';
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
import { designMonth, placeIn, type SunDay, sunAheadMin, sunDay, withSunInItsMonth } from '../sun/day.ts';

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
}

/** A job's own day: the brief as it holds on it, the air and the sun of the month designed for. */
export function aroundOn(job: Job): Pick<SettledDay, 'brief' | 'ambientC' | 'sun'> {
  const month = designMonth(job.brief);
  const place = placeIn(job.brief.place, month);
  return {
    brief: { ...briefOn(job.brief), place },
    ambientC: ambientByMinuteC(place, sunAheadMin(place, month)),
    sun: sunDay(place, month),
  };
}

/**
 * @param optionId the job's first option when left out; a RangeError when the job has no such option
 * @param effort what the searches may cost; without a limit when left out
 * @param asLaid the cables as they lie already; sized for this very day when left out
 */
export function settleDay(
  asStored: Job,
  optionId?: string,
  effort: Effort = WHATEVER_IT_TAKES,
  asLaid?: Leads | null,
): SettledDay {
  const option = optionId === undefined ? asStored.options[0] : asStored.options.find(({ id }) => id === optionId);
  if (!option) {
    const known = asStored.options.map(({ id }) => id).join(', ');
    throw new RangeError(`this job has no option "${optionId}"; it has ${known}`);
  }
  const fed = asFed(asStored, option);
  const brief = withSunInItsMonth(fed.brief);
  const job = brief === fed.brief ? fed : { ...fed, brief };
  const { brief: onDay, ambientC, sun } = aroundOn(job);
  const { devices, store } = option.system;
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: onDay.day };
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
  const leads =
    asLaid === undefined ? leadsOf({ ...laid, sources: sourceLeads(option.system, job.brief, null) }) : asLaid;
  const bus = busDay(profiles, option.system, feeds, leads);
  return {
    job,
    brief: onDay,
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
    roundTripEfficiency: store.roundTripEfficiency ?? CHEMISTRY[store.chemistry].roundTripEfficiency,
  };
}
