import type { Supply, System, Use } from '../job/schema.ts';
import { type LoadProfile, onlyWhile } from '../loads/profile.ts';
import type { SizedInverter } from '../moment/sizeInverters.ts';
import { sizeOn, supplyLimit } from '../moment/supplyLimit.ts';
import { passesSupply } from '../moment/supplyMoment.ts';
import type { Leads } from '../paths/cables.ts';
import { type Chain, chainOf } from '../paths/chain.ts';
import type { Feed } from '../paths/feed.ts';
import { lostIn, togetherOhm } from '../paths/lead.ts';
import { busDay } from '../paths/ledger.ts';
import { eachMinute } from '../quantity/minutes.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import type { Source } from './source.ts';

/** A day on a supply: what charges, and what is left for the bus to carry. */
export interface SupplyDay {
  readonly source: Source;
  /** Of each load the share of each minute that stays on the bus; null = all of each. */
  readonly onBus: readonly (Float64Array | null)[];
  /** W on the bus, without what the supply lets through while it is there. */
  readonly busW: () => Float64Array;
  /** W that it gives straight to mains loads in each minute. */
  readonly throughW: Float64Array;
  /** W of what runs on mains that an assisting inverter adds from the battery in each minute. */
  readonly lentW: Float64Array;
  /** W that its chargers draw of it in each minute. */
  readonly chargersW: Float64Array;
  /** h in which it is plugged in or runs. */
  readonly hours: number;
}

/** What the day is made of. */
interface Day {
  readonly profiles: readonly LoadProfile[];
  readonly system: System;
  readonly inverters: readonly SizedInverter[];
  readonly feeds: readonly Feed[];
  readonly leads: Leads | null;
  readonly busW: Float64Array;
}

/** The chargers of a system together: W from mains, W that they give, VA for each W. */
export interface Chargers {
  readonly acW: number;
  readonly dcW: number;
  readonly vaPerW: number;
  /** W from mains below which they are off. */
  readonly leastAcW: number;
  /** W that reach the store of so many from mains, their own leads taken off once they are laid. */
  readonly storeW: (acW: number) => number;
}

export function chargersOf(system: System, leads: Pick<Leads, 'ofCharger'> | null): Chargers {
  const { chargers } = system;
  const volts = chargingVoltageV(system);
  let [acW, dcW, va, leastAcW] = [0, 0, 0, 0];
  for (const { id, ratingA, leastA, efficiency, powerFactor, senses } of chargers) {
    // One that senses at the battery holds its volts there, and makes good what its lead takes.
    const intoLeadW = senses === 'battery' ? ratingA ** 2 * (leads?.ofCharger.get(id) ?? 0) : 0;
    const w = (ratingA * volts + intoLeadW) / (efficiency ?? DEFAULT.chargerEfficiency.value);
    acW += w;
    dcW += ratingA * volts;
    va += w / (powerFactor ?? DEFAULT.chargerPowerFactor.value);
    // What cannot be turned down is on at full or off.
    leastAcW += leastA === null || ratingA === 0 ? w : (w * Math.min(leastA, ratingA)) / ratingA;
  }
  const leadOhm = togetherOhm(
    chargers.map(({ id, ratingA, senses }) => ({
      ohm: senses === 'battery' ? 0 : (leads?.ofCharger.get(id) ?? 0),
      share: dcW > 0 ? (ratingA * volts) / dcW : 0,
    })),
  );
  const storeW = (fromW: number): number => {
    const givenW = acW > 0 ? (dcW * fromW) / acW : 0;
    return givenW - lostIn(givenW, leadOhm, volts);
  };
  return { acW, dcW, vaPerW: acW > 0 ? va / acW : 1, leastAcW, storeW };
}

/**
 * The supply feeds mains loads that pass through to it and those that wait for it. What they ask beyond its limit an
 * assisting inverter adds from the battery; what is left of it charges, as far as the chargers go and no less than they
 * can be turned down to. Its share is kept, as at the worst moment.
 */
export function supplyDay(supply: Supply, day: Day): SupplyDay {
  const { profiles, system, inverters, feeds } = day;
  const limit = supplyLimit(supply);
  const chargers = chargersOf(system, day.leads);
  const chains = profiles.map(({ load }) => chainOf(load, system.devices));
  const passes = passing(profiles, chains, inverters);
  const isOn = hoursOf(supply.hours);
  const assisting = inverters.find(({ device, ratingW }) => device.form === 'assisting' && ratingW > 0) ?? null;
  const isHelped = (i: number) => passes[i] === true && chains[i]?.device?.id === assisting?.device.id;
  const [mainsW, mainsVa, helpedW] = [noWatts(), noWatts(), noWatts()];
  for (const [i, { load, meanW }] of profiles.entries()) {
    if (!passes[i]) continue;
    const perW = 1 / (chains[i]?.efficiency ?? 1);
    const helped = assisting !== null && isHelped(i) ? 1 : 0;
    for (let m = 0; m < MINUTES_PER_DAY; m++) {
      const w = (meanW[m] as number) * perW;
      mainsW[m] = (mainsW[m] as number) + w;
      mainsVa[m] = (mainsVa[m] as number) + w / load.powerFactor;
      helpedW[m] = (helpedW[m] as number) + w * helped;
    }
  }
  const perAcW = sizeOn(limit, 1, chargers.vaPerW);
  const [watts, throughW, chargersW, lentW] = [noWatts(), noWatts(), noWatts(), noWatts()];
  const lentShare = noWatts();
  const mostLentW = assisting?.bears.hotW ?? 0;
  let [minutes, clipped] = [0, 0];
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const on = isOn[m] as number;
    if (on === 0) continue;
    const left = limit.runningSize - sizeOn(limit, mainsW[m] as number, mainsVa[m] as number);
    const helped = helpedW[m] as number;
    const lent = left < 0 ? Math.min(-left * limit.wattsPerUnit, helped, mostLentW) : 0;
    const fitsW = perAcW > 0 ? Math.max(0, left) / perAcW : 0;
    const acW = fitsW >= chargers.leastAcW ? Math.min(chargers.acW, fitsW) : 0;
    const dcW = chargers.acW > 0 ? (chargers.dcW * acW) / chargers.acW : 0;
    watts[m] = chargers.storeW(acW) * on;
    clipped += (chargers.dcW - dcW) * on;
    throughW[m] = ((mainsW[m] as number) - lent) * on;
    lentW[m] = lent * on;
    lentShare[m] = helped > 0 ? lent / helped : 0;
    chargersW[m] = acW * on;
    minutes += on;
  }
  const isLent = lentShare.some((share) => share > 0);
  const [away, helpedOnBus] = [noWatts(), noWatts()];
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const on = isOn[m] as number;
    away[m] = 1 - on;
    helpedOnBus[m] = 1 - on * (1 - (lentShare[m] as number));
  }
  const onBus = profiles.map((_, i) => (passes[i] ? (isLent && isHelped(i) ? helpedOnBus : away) : null));
  const source: Source = {
    id: supply.id,
    kind: 'supply',
    name: supply.name,
    priority: 2,
    watts,
    limitW: chargers.dcW,
    clippedWh: clipped / 60,
    efficiency: chargers.acW > 0 ? chargers.dcW / chargers.acW : 1,
  };
  return {
    source,
    onBus,
    busW: () => {
      const busOf = (left: readonly LoadProfile[]) => busDay(left, system, feeds, day.leads).busW;
      if (!passes.includes(true)) return day.busW;
      if (isLent) return busOf(profiles.map((profile, i) => (onBus[i] ? onlyWhile(profile, onBus[i]) : profile)));
      // All of what passes through, or none of it: the bus is as without those loads while the supply is there.
      const through = throughDevices(inverters);
      const bared = feeds.filter(({ device }) => !through.has(device.id));
      const rest = busDay(
        profiles.filter((_, i) => !passes[i]),
        system,
        bared,
        day.leads,
      ).busW;
      return day.busW.map((w, m) => w + ((rest[m] as number) - w) * (isOn[m] as number));
    },
    throughW,
    lentW,
    chargersW,
    hours: minutes / 60,
  };
}

const noWatts = (): Float64Array => new Float64Array(MINUTES_PER_DAY);

/** Inverters that a supply takes the place of while it is there. */
const throughDevices = (inverters: readonly SizedInverter[]): ReadonlySet<string> =>
  new Set(inverters.filter(({ device }) => passesSupply(device)).map(({ device }) => device.id));

/** Which loads a supply feeds while it is there: those that wait for it, and those on an inverter that lets it through. */
function passing(
  profiles: readonly LoadProfile[],
  chains: readonly Chain[],
  inverters: readonly SizedInverter[],
): boolean[] {
  const through = throughDevices(inverters);
  return profiles.map(
    ({ load }, i) =>
      load.path === 'supply-only' ||
      (chains[i]?.device?.kind === 'inverter' && through.has(chains[i]?.device?.id ?? '')),
  );
}

/** When a supply begins where only its hours are asked for: a generator by day, anything else from the evening on. Common practice. */
const FROM_MIN = { generator: 10 * 60, hookup: 18 * 60, outlet: 18 * 60 } as const;

export const beginsAtMin = ({ kind, hours }: Supply): number => hours[0]?.startMin ?? FROM_MIN[kind];

/** Share of each minute in which it is there; no hours said = all day. */
export function hoursOf(uses: readonly Use[]): Float64Array {
  const on = new Float64Array(MINUTES_PER_DAY).fill(uses.length === 0 ? 1 : 0);
  for (const { startMin, minutes } of uses)
    eachMinute(startMin, minutes, (m, share) => {
      on[m] = Math.min(1, (on[m] as number) + share);
    });
  return on;
}
