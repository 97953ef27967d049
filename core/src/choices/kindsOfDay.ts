import { steadyDay } from '../days/steady.ts';
import type { Job, Place } from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import { type Settled, settle } from '../settle/settle.ts';
import { throughBoxes } from '../sources/allInOne.ts';
import { throughInputs } from '../sources/shared.ts';
import { offeredWh, type Source } from '../sources/source.ts';
import { type SupplyDay, supplyDay } from '../sources/supplyDay.ts';
import { placeIn, sunDay } from '../sun/day.ts';
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
  /** Income less need. */
  readonly netWh: number;
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
export interface PlayedDay {
  readonly settled: Settled;
  readonly supply: SupplyDay | null;
  readonly busW: Float64Array;
  readonly sources: readonly Source[];
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
const made = new WeakMap<Place, Map<string, Place>>();

/** The place in a month with so many peak sun hours. */
function placeUnder(place: Place, month: number, peakSunHours: number): Place {
  const places = made.get(place) ?? new Map<string, Place>();
  made.set(place, places);
  const key = `${month} ${peakSunHours}`;
  const found = places.get(key) ?? {
    ...placeIn(place, month),
    peakSunHours,
    monthly: { ...place.monthly, peakSunHours: null },
  };
  places.set(key, found);
  return found;
}

/** The job on one kind of day of one month. */
function jobOn(job: Job, month: number, { kind }: KindOfDay, meanHours: number): Job {
  const { brief } = job;
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

/** @param job with its sizes fitted */
export function playDay(job: Job, optionId: string, month: number, kind: KindOfDay, effort: number): PlayedDay {
  const { sunHours } = sunDay(placeIn(job.brief.place, month), month);
  const settled = settle(jobOn(job, month, kind, sunHours), optionId, new Effort(effort));
  const supply = job.brief.supplies.find(({ id }) => id === kind.supplyId);
  if (!supply) return { settled, supply: null, busW: settled.bus.busW, sources: settled.sources };
  const day = supplyDay(supply, {
    profiles: settled.profiles,
    system: settled.option.system,
    inverters: settled.inverters,
    feeds: settled.feeds,
    leads: settled.leads,
    busW: settled.bus.busW,
  });
  return {
    settled,
    supply: day,
    busW: day.busW,
    sources: throughInputs(
      throughBoxes([...settled.sources, day.source], settled.option.system),
      settled.option.system.store,
    ),
  };
}

/** Unserved Wh below which a day is served. */
const SERVED_WH = 1;

export function cellOf(played: PlayedDay, month: number, { kind, supplyId }: KindOfDay): DayCell {
  const { settled, supply, busW, sources } = played;
  const trace = steadyDay(settled, busW, sources);
  const wh = (of: Source['kind']) =>
    sources.reduce((sum, source) => sum + (source.kind === of ? offeredWh(source) : 0), 0);
  const busWh = busW.reduce((sum, w) => sum + w, 0) / 60;
  const needWh = supply ? busWh / settled.roundTripEfficiency : settled.ledger.total.batteryWh;
  const [sunWh, drivingWh, supplyWh] = [wh('sun'), wh('driving'), wh('supply')];
  const shortWh = trace.books.unservedWh;
  return {
    month,
    kind,
    supplyId,
    sunHours: settled.sun.sunHours,
    needWh,
    sunWh,
    drivingWh,
    supplyWh,
    netWh: sunWh + drivingWh + supplyWh - needWh,
    spilledWh: trace.books.spilledWh,
    shortWh,
    shortOf: shortWh < SERVED_WH ? null : supplyId !== null ? 'supply' : kind === 'driving' ? 'driving' : 'sun',
    sources: sources.map((source, i) => ({
      id: source.id,
      kind: source.kind,
      offeredWh: offeredWh(source),
      takenWh: trace.books.takenWh[i] ?? 0,
      clippedWh: source.clippedWh,
    })),
  };
}
