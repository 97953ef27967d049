import type { Supply } from '../job/schema.ts';
import { supplyLimit } from '../moment/supplyLimit.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { usualDay, warmOn } from '../settle/fit.ts';
import type { Settled } from '../settle/settle.ts';
import { dayIncome } from '../sources/dayIncome.ts';
import { throughShared } from '../sources/shared.ts';
import { offeredWh, type Source, wattHours } from '../sources/source.ts';
import { beginsAtMin, chargersOf, hoursOf, type SupplyDay, supplyDay } from '../sources/supplyDay.ts';

/** What charging from a supply takes of it, for this job. */
export interface SupplyUse {
  readonly supplyId: string;
  readonly name: string;
  readonly kind: Supply['kind'];
  /** W from it into the chargers, nothing else running, and W at the store. */
  readonly acW: number;
  readonly dcW: number;
  /** Share of what it may give that the chargers take. */
  readonly limitShare: number;
  /** What it takes to cover a day of the month designed for: by itself, and beside sun and driving; null = never. */
  readonly alone: Covering | null;
  readonly beside: Covering | null;
  /** Of a generator: l of fuel an hour with the chargers at full. */
  readonly fuelLPerH: number | null;
  /** Of a traction battery: kWh it has down to its reserve, h that this job runs on it, and h at which a timer ends that. */
  readonly packKwh: number | null;
  readonly lastsH: number | null;
  readonly timerH: number | null;
}

/** How long a supply is on each day so that all is served, day after day. */
export interface Covering {
  readonly hours: number;
  /** When it begins. */
  readonly fromMin: number;
  /** Of a generator, l a day. */
  readonly fuelL: number | null;
  /** Whether the battery, not the charger, decides most of the time: it takes less than it is offered. */
  readonly heldByBattery: boolean;
}

export const supplyUses = (settled: Settled): SupplyUse[] =>
  settled.brief.supplies.map((supply) => {
    const { option, leads } = settled;
    const limit = supplyLimit(supply);
    const chargers = chargersOf(option.system, leads);
    const mostAcW = limit.runningSize * limit.wattsPerUnit;
    const share = chargers.acW > 0 ? Math.min(1, mostAcW / (chargers.acW * vaFactor(supply, chargers.vaPerW))) : 0;
    const acW = chargers.acW * share >= chargers.leastAcW ? chargers.acW * share : 0;
    const played = allDayOn(supply, settled);
    return {
      supplyId: supply.id,
      name: supply.name,
      kind: supply.kind,
      acW,
      dcW: chargers.storeW(acW),
      limitShare: mostAcW > 0 ? (acW * vaFactor(supply, chargers.vaPerW)) / mostAcW : 0,
      alone: leastHours(played, []),
      beside: leastHours(played, settled.sources),
      fuelLPerH: supply.kind === 'generator' && acW > 0 ? fuelOf(supply, 1, acW) : null,
      packKwh: null,
      lastsH: null,
      timerH: supply.kind === 'outlet' ? supply.offAfterH : null,
      ...(supply.kind === 'outlet' && packOf(supply, played)),
    };
  });

/** A day on a supply that is there all day, in place of which each minute may be one without it. */
interface AllDay {
  readonly settled: Settled;
  readonly supply: Supply;
  readonly day: SupplyDay;
  readonly onW: Float64Array;
}

function allDayOn(supply: Supply, settled: Settled): AllDay {
  const { profiles, inverters, feeds, leads, bus, option } = settled;
  const always = { ...supply, hours: [] };
  const day = supplyDay(always, { profiles, system: option.system, inverters, feeds, leads, busW: bus.busW });
  return { settled, supply, day, onW: day.busW() };
}

/** Unserved Wh a day below which all is served. */
const SERVED_WH = 1;

/** The day with the supply on for so many minutes, once many like it have gone by. @param beside what charges too */
function dayOn({ settled, supply, day, onW }: AllDay, minutes: number, beside: readonly Source[]) {
  const on = minutes > 0 ? hoursOf([{ startMin: beginsAtMin(supply), minutes }]) : new Float64Array(MINUTES_PER_DAY);
  const { bus, option, store } = settled;
  const busW = bus.busW.map((w, m) => w + ((onW[m] as number) - w) * (on[m] as number));
  const source: Source = { ...day.source, watts: day.source.watts.map((w, m) => w * (on[m] as number)) };
  const brings = dayIncome(throughShared([...beside, source], option.system));
  const heater = warmOn(store, settled, brings);
  return { on, source, played: usualDay({ store, option, brings, heater }, busW) };
}

/** The least whole minutes a day that serve all of it; null when a whole day does not. */
function leastHours(all: AllDay, beside: readonly Source[]): Covering | null {
  const lackingWh = (minutes: number) => dayOn(all, minutes, beside).played.books.unservedWh - SERVED_WH;
  const fromMin = beginsAtMin(all.supply);
  const none = lackingWh(0);
  if (none < 0) return { hours: 0, fromMin, fuelL: all.supply.kind === 'generator' ? 0 : null, heldByBattery: false };
  const whole = lackingWh(MINUTES_PER_DAY);
  if (whole >= 0) return null;
  const guess = none / (offeredWh(all.day.source) / MINUTES_PER_DAY);
  const enough = firstBelowZero(lackingWh, { at: 0, is: none }, MINUTES_PER_DAY, guess);
  const { offeredShare, acWh } = drawnOn(all, enough, beside);
  const hours = enough / 60;
  const fuelL = all.supply.kind === 'generator' ? fuelOf(all.supply, hours, acWh) : null;
  return { hours, fromMin, fuelL, heldByBattery: offeredShare < MOSTLY };
}

interface Point {
  readonly at: number;
  readonly is: number;
}

/**
 * The first whole number at which what falls is below zero: sought just beyond where the line through two points above
 * zero meets it, and in the middle where that has not halved what is left for four tries.
 * @param to where it is below zero
 * @param guess where it may be, of the right order
 */
function firstBelowZero(of: (at: number) => number, from: Point, to: number, guess: number): number {
  let [last, enough, slow, toZero] = [from, to, 0, guess];
  while (enough - last.at > 1) {
    const room = enough - last.at;
    const step = slow < 4 && toZero > 0 ? Math.ceil(toZero * BEYOND) : Math.floor(room / 2);
    const at = last.at + Math.min(Math.max(step, 1), room - 1);
    const is = of(at);
    if (is < 0) [enough, toZero] = [at, 0];
    else [last, toZero] = [{ at, is }, (is * (at - last.at)) / (last.is - is)];
    slow = enough - last.at > room / 2 ? slow + 1 : 0;
  }
  return enough;
}

/** A little beyond where the line meets zero, so that the other side comes near as well. */
const BEYOND = 1.02;

/** Share of what the chargers offer below which the battery decides. Own choice. */
const MOSTLY = 0.75;

/** What a supply gives on such a day, Wh of mains, and the share of what its chargers offer that is taken. */
function drawnOn(all: AllDay, minutes: number, beside: readonly Source[]) {
  const { on, source, played } = dayOn(all, minutes, beside);
  const offered = offeredWh(source);
  const offeredShare = offered > 0 ? Math.min(1, played.books.supplyWh / offered) : 0;
  const during = (watts: Float64Array) => wattHours(watts.map((w, m) => w * (on[m] as number)));
  return { offeredShare, acWh: during(all.day.throughW) + during(all.day.chargersW) * offeredShare };
}

/** VA count on a socket, and on a generator whose label names them. */
function vaFactor(supply: Supply, vaPerW: number): number {
  if (supply.kind === 'hookup') return vaPerW;
  if (supply.kind === 'generator' && supply.ratedVa !== null)
    return Math.max(1, (vaPerW * supply.ratedW) / supply.ratedVa);
  return 1;
}

/** l: what it takes idling, and as much more as it gives. From memory, of a small inverter generator. */
const fuelOf = (generator: Extract<Supply, { kind: 'generator' }>, hours: number, acWh: number): number =>
  (generator.idleLPerH ?? DEFAULT.generatorIdleLPerH.value) * hours +
  ((generator.fuelLPerKwh ?? DEFAULT.generatorLPerKwh.value) * acWh) / 1000;

/**
 * What a traction battery gives down to its reserve, and how long this job and its own electrics take for it: mains
 * loads straight, the rest through the chargers.
 */
function packOf(
  { packKwh, fullShare, reserveShare, ownW }: Extract<Supply, { kind: 'outlet' }>,
  all: AllDay,
): Pick<SupplyUse, 'packKwh' | 'lastsH'> {
  if (packKwh === null) return { packKwh: null, lastsH: null };
  const kwh = packKwh * (fullShare - reserveShare);
  const meanW = drawnOn(all, MINUTES_PER_DAY, []).acWh / 24 + (ownW ?? 0);
  return { packKwh: kwh, lastsH: meanW > 0 ? (kwh * 1000) / meanW : null };
}
