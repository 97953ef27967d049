import { dayGainWh } from '../battery/drift.ts';
import { storeModelOf } from '../battery/fittedModel.ts';
import { withHeater } from '../battery/warmDay.ts';
import type { DesignOption, Job, Place } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { Effort } from '../moment/effort.ts';
import type { Leads } from '../paths/cables.ts';
import type { Ledger } from '../paths/shares.ts';
import { standingW } from '../paths/standing.ts';
import { remembering } from '../quantity/remember.ts';
import { bankVoltageV, chargingVoltageV } from '../reference/chemistries.ts';
import { shortSecondsOf } from '../reference/currents.ts';
import { type Asked, askedBy } from '../settle/asked.ts';
import { aroundOn, settleDay } from '../settle/day.ts';
import { type Fit, fitFor, usualDay, warmOn } from '../settle/fit.ts';
import { dayIncome, takenOf } from '../sources/dayIncome.ts';
import { throughShared } from '../sources/shared.ts';
import { offeredWh, type Source, wattHours, yieldOf } from '../sources/source.ts';
import { type SupplyDay, supplyDay } from '../sources/supplyDay.ts';
import { placeIn, type SunDay, sunDay, withSunInItsMonth } from '../sun/day.ts';
import { monthlyExtraterrestrialKwh } from '../sun/geometry.ts';
import { seasonOf } from '../sun/season.ts';
import { BRIGHT_SHARE, clearnessAt, DULL_SHARE } from '../sun/spread.ts';

/** A kind of day: parked under a bright or a dull sky, driving, or on a supply, the last two under a mean one. */
export interface KindOfDay {
  readonly kind: 'bright' | 'dull' | 'driving' | 'hookup' | 'generator' | 'outlet';
  readonly name: string;
  /** Of a day on a supply, which. */
  readonly supplyId: string | null;
}

/** One kind of day in one month, as it is once many like it have gone by; Wh a day at the store. */
export interface DayCell {
  readonly month: number;
  readonly kind: KindOfDay['kind'];
  readonly supplyId: string | null;
  /** kWh/m² on the flat. */
  readonly sunHours: number;
  readonly needWh: number;
  readonly sunWh: number;
  readonly drivingWh: number;
  readonly supplyWh: number;
  /** What the battery gains over such a day, below 0 what it loses; and what is in it beside income less need. */
  readonly netWh: number;
  readonly sparedWh: number;
  /** Sun that finds no room. */
  readonly spilledWh: number;
  /** What goes unserved. */
  readonly shortWh: number;
  /** Where something goes unserved: the source that this kind of day lives by. */
  readonly shortOf: 'sun' | 'driving' | 'supply' | null;
  readonly sources: readonly {
    readonly id: string;
    readonly kind: Source['kind'];
    readonly offeredWh: number;
    readonly takenWh: number;
    readonly clippedWh: number;
  }[];
}

/** What one kind of day in one month comes to before it is played through. */
export interface PlayedDay extends Fit {
  readonly option: DesignOption;
  readonly sun: SunDay;
  /** Wh at the store, its heater among them. */
  readonly needWh: number;
  readonly cooler: Cooler | null;
  readonly supply: SupplyDay | null;
  /** W on the bus, the battery's heater apart, without what a supply lets through. */
  readonly busW: Float64Array;
}

/** The kinds of day that a job has: no driving and no supply, no such day. */
export function kindsOf({ brief }: Job): KindOfDay[] {
  return [
    { kind: 'bright', name: 'Parked, bright', supplyId: null },
    { kind: 'dull', name: 'Parked, dull', supplyId: null },
    ...(brief.drives.length > 0 ? [{ kind: 'driving', name: 'Driving', supplyId: null } as const] : []),
    ...brief.supplies.map(({ kind, name, id }) => ({ kind, name, supplyId: id })),
  ];
}

/** Peak sun hours of a kind of day in a month; null = the month's mean. A place with figures of its own keeps them. */
function sunHoursOn(place: Place, month: number, meanHours: number, kind: KindOfDay['kind']): number | null {
  if (kind !== 'bright' && kind !== 'dull') return null;
  const own = kind === 'bright' ? place.monthly.brightSunHours : place.monthly.dullSunHours;
  if (own) return own[month - 1] ?? null;
  const above = monthlyExtraterrestrialKwh(place.latitudeDeg, month);
  if (above <= 0) return null;
  return clearnessAt(meanHours / above, kind === 'bright' ? BRIGHT_SHARE : DULL_SHARE) * above;
}

/** Places already made, so that each stays the same object and what is reckoned of its sun is kept. */
const rememberedPlace = remembering<Place, Place>(2 * 12);

/** The place in a month with so many peak sun hours. */
function placeUnder(place: Place, month: number, peakSunHours: number): Place {
  return rememberedPlace(place, [month, peakSunHours], () => ({
    ...placeIn(place, month),
    peakSunHours,
    monthly: { ...place.monthly, peakSunHours: new Array(12).fill(peakSunHours) },
  }));
}

/** The job on one kind of day of one month. */
function jobOn(job: Job, month: number, { kind }: Pick<KindOfDay, 'kind'>): Job {
  const brief = withSunInItsMonth(job.brief);
  const { sunHours: meanHours } = sunDay(placeIn(brief.place, month), month);
  const hours = sunHoursOn(brief.place, month, meanHours, kind);
  const place = hours === null ? brief.place : placeUnder(brief.place, month, hours);
  return {
    ...job,
    brief: {
      ...brief,
      months: [month],
      place,
      day: {
        ...brief.day,
        season: seasonOf(month, brief.place.latitudeDeg),
        motion: kind === 'driving' ? 'driving' : 'parked',
      },
    },
  };
}

/** The hardest load that cools a room, with what it takes from the store while it runs, W. */
interface Cooler {
  readonly name: string;
  readonly storeW: number;
}

function hardestCooler(profiles: readonly LoadProfile[], ledger: Ledger): Cooler | null {
  const coolers = profiles.filter(({ load }) => load.draw.kind === 'room' && load.draw.mode === 'cooling');
  const [hardest] = [...coolers].sort((a, b) => b.runningW - a.runningW);
  if (!hardest) return null;
  const { id, name } = hardest.load;
  const row = ledger.loads.find(({ loadId }) => loadId === id);
  // Watts at the store's terminals for each watt at the appliance, as on this day.
  const perUseful = row && row.usefulWh > 0 ? row.batteryWh / row.usefulWh : 1;
  return { name, storeW: hardest.runningW * perUseful };
}

/** What a kind of day asks for, whatever fills the store. */
interface AskedDay extends Asked {
  readonly cooler: Cooler | null;
  readonly supply: SupplyDay | null;
}

/** Days kept of one list of loads: twelve months of so many kinds. */
const KEPT_DAYS = 12 * 10;

const remembered = remembering<Job['loads'], AskedDay>(KEPT_DAYS);

/** All of a job that may change what its days ask for; what fills the store does not. */
function deciding({ brief, rules, together }: Job, { feeds, system }: DesignOption, leads: Leads | null): unknown[] {
  const { arrays, driving, runs, store, devices, chargers, ...rest } = system;
  return [
    standingW(system),
    ...Object.values(brief),
    rules,
    together,
    feeds,
    ...devices,
    ...chargers,
    ...Object.values(rest),
    store.chemistry,
    store.roundTripEfficiency,
    chargingVoltageV(system),
    bankVoltageV(store, system.busVoltageV),
    shortSecondsOf(store),
    leads?.ways,
  ];
}

function askedOn(
  job: Job,
  option: DesignOption,
  effort: number,
  leads: Leads | null,
  supplyId: string | null,
): AskedDay {
  const day = settleDay(job, option.id, new Effort(effort), leads);
  const { ledger, needWh, busW, demand, typicalA, currents } = askedBy(day);
  const asked = { needWh, busW, demand, typicalA, currents, cooler: hardestCooler(day.profiles, ledger) };
  const given = job.brief.supplies.find(({ id }) => id === supplyId);
  if (!given) return { ...asked, supply: null };
  const supply = supplyDay(given, { ...day, system: day.option.system, busW });
  const onSupplyW = supply.busW();
  return { ...asked, needWh: wattHours(onSupplyW) / day.roundTripEfficiency, busW: onSupplyW, supply };
}

/**
 * @param job with its sizes fitted
 * @param leads the cables as they lie, whatever the month
 */
export function playDay(
  job: Job,
  optionId: string,
  month: number,
  { kind, supplyId }: KindOfDay,
  effort: number,
  leads: Leads | null,
): PlayedDay {
  const option = job.options.find(({ id }) => id === optionId);
  if (!option) throw new RangeError(`this job has no option "${optionId}"`);
  const onDay = jobOn(job, month, { kind });
  const from = [month, kind, supplyId, effort, ...deciding(job, option, leads)];
  const asked = remembered(job.loads, from, () => askedOn(onDay, option, effort, leads, supplyId));
  const around = aroundOn(onDay);
  const fit = fitFor(asked, { ...around, job: onDay, option, leads });
  const { needWh, busW, supply, cooler } = asked;
  const { system } = option;
  const sources = supply ? throughShared([...fit.sources, supply.source], system) : fit.sources;
  const brings = supply ? dayIncome(sources) : fit.brings;
  const heater = supply ? warmOn(fit.store, { option, ambientC: around.ambientC }, brings) : fit.heater;
  return {
    ...fit,
    sources,
    brings,
    heater,
    option,
    sun: around.sun,
    needWh: needWh + heater.wh,
    cooler,
    supply,
    busW,
  };
}

/** Unserved Wh below which a day is served. */
const SERVED_WH = 1;

export function cellOf(played: PlayedDay, month: number, { kind, supplyId }: KindOfDay): DayCell {
  const { sun, needWh, busW, sources } = played;
  const { books, spareW } = usualDay(played, busW);
  const taken = takenOf(sources, spareW);
  const sunWh = yieldOf(sources, 'sun');
  const drivingWh = yieldOf(sources, 'driving');
  const supplyWh = yieldOf(sources, 'supply');
  const shortWh = books.unservedWh;
  const netWh = dayGainWh(withHeater(busW, played.heater), played.brings, storeModelOf(played, 'old'), played.heater);
  return {
    month,
    kind,
    supplyId,
    sunHours: sun.sunHours,
    needWh,
    sunWh,
    drivingWh,
    supplyWh,
    netWh,
    sparedWh: netWh - (sunWh + drivingWh + supplyWh - needWh),
    spilledWh: books.sunOfferedWh - books.sunWh,
    shortWh,
    shortOf: shortWh < SERVED_WH ? null : supplyId !== null ? 'supply' : kind === 'driving' ? 'driving' : 'sun',
    sources: sources.map((source, i) => ({
      id: source.id,
      kind: source.kind,
      offeredWh: offeredWh(source),
      takenWh: taken[i] as number,
      clippedWh: source.clippedWh,
    })),
  };
}
