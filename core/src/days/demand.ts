import { usesOn } from '../job/day.ts';
import { runningPowerW } from '../job/draw.ts';
import type { Day, Use } from '../job/schema.ts';
import { type Follow, followOf } from '../loads/follow.ts';
import { type LoadProfile, onlyWhile } from '../loads/profile.ts';
import { stopWhOf } from '../loads/stop.ts';
import { eachCableShare, type Leads } from '../paths/cables.ts';
import { type Chain, chainOf } from '../paths/chain.ts';
import { eachShare } from '../paths/device.ts';
import type { Feed } from '../paths/feed.ts';
import { type BusDay, busDay } from '../paths/ledger.ts';
import { eachMinute } from '../quantity/minutes.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';

/** A load whose duty follows the weather, step by step. */
export interface FollowingLoad {
  readonly index: number;
  readonly follow: Follow;
  /** W of all its pieces at its terminals while it runs, and the share of each step in which it may. */
  readonly fullW: number;
  readonly mayRun: Float64Array;
  /** W from its device, or the bus, for each W at its terminals. */
  readonly perUseful: number;
  /** Which of the devices it hangs on, and what that gives to loads that do not follow; -1 and null = none. */
  readonly device: number;
  readonly outputW: Float64Array | null;
  /** Loss of its device: c₁ and c₂ ÷ rating. */
  readonly linear: number;
  readonly square: number;
  /** Lost in cables for each W at the bus, with what does not follow already in them, and for each W² of its own; null = none laid. */
  readonly cablePerW: Float64Array | null;
  readonly cablePerW2: number;
  /** W² of all its pieces going on and off on their own. */
  readonly piecesW2: number;
}

/** What the loads of one kind of day ask of the bus, a mean for each step of the day. */
export interface DemandTable {
  readonly steps: number;
  /** Without what follows the weather. */
  readonly busW: Float64Array;
  readonly usefulW: Float64Array;
  readonly idleW: Float64Array;
  readonly cableW: Float64Array;
  /** Of all steps before one, and at last of all. */
  readonly idleSums: Float64Array;
  readonly cableSums: Float64Array;
  /** Part of the idle: while nothing runs on a device. */
  readonly unattendedW: Float64Array;
  readonly unattendedCableW: Float64Array;
  readonly following: readonly FollowingLoad[];
  /** Whether any of them goes by the sun on the ground, and is fed through cables. */
  readonly followsLight: boolean;
  readonly followInCables: boolean;
  readonly devices: number;
  /** Wh at the bus that loads which run then need to be stopped. */
  readonly stopWh: Float64Array;
  /** Load by load: made when it is first asked for. */
  readonly rows: () => LoadRows;
}

/** What each load takes of the bus in each step, load after load; what follows the weather without its own watts. */
export interface LoadRows {
  readonly usefulW: Float64Array;
  readonly conversionW: Float64Array;
  readonly idleW: Float64Array;
  readonly cableW: Float64Array;
}

/** What a day's loads are fed by. */
export interface Feeding {
  readonly system: Parameters<typeof busDay>[1];
  readonly feeds: readonly Feed[];
  readonly leads: Leads | null;
  /** Whether so much is kept back that what runs can be stopped in order. */
  readonly keepToStop: boolean;
}

/**
 * @param mayRun share of each minute in which a supply leaves a load on the bus; null = all of each
 * @param meanC °C for which the rise of hot water is said
 */
export function demandTable(
  profiles: readonly LoadProfile[],
  mayRun: readonly (Float64Array | null)[],
  { system, feeds, leads, keepToStop }: Feeding,
  day: Day,
  meanC: number,
  steps: number,
): DemandTable {
  const chains = profiles.map(({ load }) => chainOf(load, system.devices));
  const follows = profiles.map(({ load }) => followOf(load, usesOn(load, day), meanC));
  const fixed = profiles.map((profile, i) => {
    const onBus = mayRun[i] ? onlyWhile(profile, mayRun[i]) : profile;
    return follows[i] ? withoutDuty(onBus, mayRun[i] ?? null) : onBus;
  });
  const bus = busDay(fixed, system, feeds, leads);
  const toSteps = (watts: Float64Array) => stepMeans(watts, steps);
  const ids = bus.devices.map(({ feed }) => feed.device.id);
  const heldIdleW = new Float64Array(MINUTES_PER_DAY);
  for (const { feed, heldShare } of bus.devices)
    for (let m = 0; m < MINUTES_PER_DAY; m++)
      heldIdleW[m] = (heldIdleW[m] as number) + feed.ratingW * feed.curve.c0 * (heldShare[m] as number);
  const following = profiles.flatMap(({ load }, index): FollowingLoad[] => {
    const follow = follows[index];
    const chain = chains[index] as Chain;
    if (!follow) return [];
    const device = ids.indexOf(chain.device?.id ?? '');
    const feeder = bus.devices[device];
    const { cables } = bus;
    const way = feeder ? leads?.ofDevice.get(feeder.feed.device.id) : leads?.ofLoad.get(load.id);
    const oneW = load.path === 'fuel' ? load.residueW : runningPowerW(load.draw);
    return [
      {
        index,
        follow,
        fullW: load.quantity * oneW,
        mayRun: toSteps(usesShare(usesOn(load, day), mayRun[index] ?? null)),
        perUseful: 1 / chain.efficiency,
        device,
        outputW: feeder ? toSteps(feeder.outputW) : null,
        linear: feeder ? feeder.feed.curve.c1 : 0,
        square: feeder ? feeder.feed.curve.c2 / feeder.feed.ratingW : 0,
        cablePerW: cables && way !== undefined ? toSteps(cables.perW[way] as Float64Array) : null,
        cablePerW2: cables && way !== undefined ? (cables.perVariance[way] as number) : 0,
        piecesW2: load.quantity * (oneW / chain.efficiency) ** 2,
      },
    ];
  });
  let rows: LoadRows | null = null;
  const idleW = toSteps(bus.idleW);
  const cableW = toSteps(bus.cables?.lostW ?? new Float64Array(MINUTES_PER_DAY));
  return {
    steps,
    busW: toSteps(bus.busW),
    usefulW: toSteps(bus.usefulW),
    idleW,
    cableW,
    idleSums: runningSums(idleW),
    cableSums: runningSums(cableW),
    unattendedW: toSteps(bus.idleW.map((w, m) => w - (heldIdleW[m] as number))),
    unattendedCableW: toSteps(bus.cables?.unattendedW ?? new Float64Array(MINUTES_PER_DAY)),
    following,
    followsLight: following.some(({ follow }) => follow.perWm2 !== 0),
    followInCables: following.some(({ cablePerW }) => cablePerW !== null),
    devices: ids.length,
    stopWh: keepToStop ? stopsOf(fixed, chains, steps) : new Float64Array(steps),
    rows: () => {
      rows ??= loadRows(fixed, chains, bus, steps);
      return rows;
    },
  };
}

/** Mean of each step. */
export function stepMeans(perMinute: Float64Array, steps: number): Float64Array {
  const length = MINUTES_PER_DAY / steps;
  const means = new Float64Array(steps);
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const s = Math.floor(m / length);
    means[s] = (means[s] as number) + (perMinute[m] as number) / length;
  }
  return means;
}

/** Sum of all that stand before each of some values, and at last of all of them. */
export function runningSums(values: Float64Array): Float64Array {
  const sums = new Float64Array(values.length + 1);
  for (let i = 0; i < values.length; i++) sums[i + 1] = (sums[i] as number) + (values[i] as number);
  return sums;
}

/** What a load that follows the weather draws in any: it holds its device on, and its tank cools. */
function withoutDuty(profile: LoadProfile, share: Float64Array | null): LoadProfile {
  const { load } = profile;
  const standing = load.draw.kind === 'water-heating' ? load.quantity * load.draw.standingW : 0;
  return {
    ...profile,
    meanW: profile.meanW.map((_, m) => standing * (share ? (share[m] as number) : 1)),
    varianceW2: null,
  };
}

/** Share of each minute of the day that uses cover. */
function usesShare(uses: readonly Use[], mayRun: Float64Array | null): Float64Array {
  const share = new Float64Array(MINUTES_PER_DAY);
  for (const { startMin, minutes } of uses)
    eachMinute(startMin, minutes, (m, part) => {
      share[m] = Math.min(1, (share[m] as number) + part) * (mayRun ? (mayRun[m] as number) : 1);
    });
  return share;
}

function stopsOf(profiles: readonly LoadProfile[], chains: readonly Chain[], steps: number): Float64Array {
  const wh = new Float64Array(steps);
  for (const [i, { load, onShare }] of profiles.entries()) {
    const chain = chains[i] as Chain;
    const stop = chain.fromBus && load.path !== 'fuel' ? stopWhOf(load) / chain.efficiency : 0;
    if (stop === 0) continue;
    const on = stepMeans(onShare, steps);
    for (let s = 0; s < steps; s++) if ((on[s] as number) > 0) wh[s] = (wh[s] as number) + stop;
  }
  return wh;
}

function loadRows(profiles: readonly LoadProfile[], chains: readonly Chain[], bus: BusDay, steps: number): LoadRows {
  const length = MINUTES_PER_DAY / steps;
  const rows = {
    usefulW: new Float64Array(profiles.length * steps),
    conversionW: new Float64Array(profiles.length * steps),
    idleW: new Float64Array(profiles.length * steps),
    cableW: new Float64Array(profiles.length * steps),
  };
  for (const [i, profile] of profiles.entries()) {
    const chain = chains[i] as Chain;
    if (!chain.fromBus) continue;
    const add = (row: Float64Array, m: number, w: number) => {
      const at = i * steps + Math.floor(m / length);
      row[at] = (row[at] as number) + w / length;
    };
    for (const [from, to] of profile.active)
      for (let m = from; m < to; m++) {
        const w = profile.meanW[m] as number;
        add(rows.usefulW, m, w);
        add(rows.conversionW, m, w / chain.efficiency - w);
      }
    const day = bus.devices.find(({ feed }) => feed.device.id === chain.device?.id);
    if (bus.cables) eachCableShare(bus.cables, profile, chain, day ?? null, (m, w) => add(rows.cableW, m, w));
    if (!day) continue;
    eachShare(profile, chain, day, (m, conversionW, idleW) => {
      add(rows.conversionW, m, conversionW);
      add(rows.idleW, m, idleW);
    });
  }
  return rows;
}
