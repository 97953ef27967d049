import type { Load } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { Weighed } from '../moment/weighed.ts';
import { type Chain, chainOf } from '../paths/chain.ts';
import type { DeviceDay } from '../paths/device.ts';
import { leastVoltsOf } from '../paths/leastVolts.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { MOTOR_FROM } from '../reference/starts.ts';
import { type BusNet, drawnOn } from './busNet.ts';
import type { Fitted } from './fitted.ts';
import type { Drawn } from './network.ts';
import type { SizedRun } from './sized.ts';

/** An appliance, or what stands before it, as the cables feed it. */
export interface Appliance {
  readonly load: Load;
  readonly profile: LoadProfile;
  readonly chain: Chain;
  /** The run at whose end it, or its device, draws; −1 = it hangs on the store itself. */
  readonly run: number;
  /** The node where it draws. */
  readonly node: number;
  /** W at the bus for each W at its own terminals, its device's idle apart. */
  readonly perUseful: number;
  /** What heats and glows draws less at lower volts; anything else is taken to draw its watts whatever they are. */
  readonly isResistive: boolean;
  /** V at that node below which it stops; null = not known. */
  readonly cutOffV: number | null;
}

/** All that draws from the bus. */
export function appliancesOn(fitted: Fitted, sized: readonly SizedRun[], net: BusNet): Appliance[] {
  const { option, feeds, profiles } = fitted;
  const { devices, busVoltageV } = option.system;
  const runOf = new Map<string, number>();
  for (const [i, { run, zone }] of sized.entries()) {
    if (zone.kind === 'bus') for (const id of run.loads) runOf.set(`load ${id}`, i);
    if (run.end === 'device') runOf.set(`device ${run.part}`, i);
  }
  return profiles.flatMap((profile): Appliance[] => {
    const { load } = profile;
    const chain = chainOf(load, devices);
    if (!chain.fromBus) return [];
    const { device } = chain;
    const run = runOf.get(device ? `device ${device.id}` : `load ${load.id}`) ?? -1;
    const feed = feeds.find((one) => one.device.id === device?.id);
    return [
      {
        load,
        profile,
        chain,
        run,
        node: run < 0 ? 0 : Math.max(0, net.nodeOf[run] as number),
        perUseful: (1 + (feed?.curve.c1 ?? 0)) / chain.efficiency,
        isResistive: device === null && chain.efficiency === 1 && heats(load),
        cutOffV: device
          ? device.kind === 'port'
            ? null
            : (device.cutOffV ?? (DEFAULT.cutOff12V.value * busVoltageV) / 12)
          : leastVoltsOf(load, busVoltageV),
      },
    ];
  });
}

/** What turns electricity into heat and nothing else. */
const heats = ({ draw, startRatio }: Load): boolean =>
  draw.kind === 'water-heating' ||
  (draw.kind === 'room' && draw.mode === 'heating' && draw.cop <= 1 && startRatio < MOTOR_FROM);

/** The heaviest set of loads with a given one in it, by its ids. */
export function heaviestWith(fitted: Fitted, appliances: readonly Appliance[]): (id: string) => ReadonlySet<string> {
  const perW = new Map(appliances.map(({ load, perUseful }) => [load.id, perUseful]));
  const weighed = new Weighed(fitted.slices, fitted.coincidence, (id) => perW.get(id));
  const all = new Set(weighed.heaviest().ids);
  return (id) => {
    if (all.has(id)) return all;
    const own = new Set(weighed.heaviest([id]).ids);
    // One that runs in no slice of the day runs alone.
    return own.has(id) ? own : new Set([id]);
  };
}

/**
 * What loads that run draw at their nodes: each at its strongest; devices with what they lose at what they then give.
 * @param extraW W at its own terminals that loads draw beyond that, for a start
 */
export function drawnBy(
  net: BusNet,
  fitted: Fitted,
  appliances: readonly Appliance[],
  runs: (id: string) => boolean,
  extraW: ReadonlyMap<string, number> = new Map(),
): Drawn {
  const drawn = drawnOn(net);
  const busV = fitted.option.system.busVoltageV;
  const outW = new Map<string, number>();
  const nodeOfDevice = new Map<string, number>();
  for (const { load, profile, chain, node, isResistive } of appliances) {
    if (chain.device) nodeOfDevice.set(chain.device.id, node);
    if (!runs(load.id)) continue;
    const { device } = chain;
    const starts = (extraW.get(load.id) ?? 0) / chain.efficiency;
    // Straight on the bus a start is so many amps; an inverter draws what it takes.
    const w = profile.runningW / chain.efficiency + (device ? starts : 0);
    if (!device) drawn.currentA[node] = (drawn.currentA[node] as number) + starts / busV;
    if (device) outW.set(device.id, (outW.get(device.id) ?? 0) + w);
    else if (isResistive) drawn.siemens[node] = (drawn.siemens[node] as number) + w / busV ** 2;
    else drawn.powerW[node] = (drawn.powerW[node] as number) + w;
  }
  for (const { device, ratingW, curve } of fitted.feeds) {
    const node = nodeOfDevice.get(device.id);
    const out = outW.get(device.id) ?? 0;
    if (node === undefined || out === 0) continue;
    const inW = out + curve.c0 * ratingW + curve.c1 * out + (curve.c2 * out * out) / ratingW;
    drawn.powerW[node] = (drawn.powerW[node] as number) + inW;
  }
  return drawn;
}

/** What all but one appliance draw on the mean of the day, and that one at its strongest. */
export function drawnUsually(
  net: BusNet,
  fitted: Fitted,
  appliances: readonly Appliance[],
  devices: readonly DeviceDay[],
): (self: Appliance) => Drawn {
  const means = appliances
    .filter(({ chain }) => !chain.device)
    .map(({ load, profile, chain, node }) => ({ id: load.id, node, w: profile.energyWh / chain.efficiency / 24 }));
  const ofDevices = devices.flatMap(({ feed, inputW }) => {
    const one = appliances.find(({ chain }) => chain.device?.id === feed.device.id);
    return one
      ? [{ id: feed.device.id, node: one.node, w: inputW.reduce((sum, w) => sum + w, 0) / inputW.length }]
      : [];
  });
  return (self) => {
    const drawn = drawnBy(net, fitted, appliances, (id) => id === self.load.id);
    const add = (node: number, w: number): void => {
      drawn.powerW[node] = (drawn.powerW[node] as number) + w;
    };
    for (const { id, node, w } of means) if (id !== self.load.id) add(node, w);
    for (const { id, node, w } of ofDevices) if (id !== self.chain.device?.id) add(node, w);
    return drawn;
  };
}
