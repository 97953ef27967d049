import { restVoltageV } from '../battery/rest.ts';
import type { Run, System } from '../job/schema.ts';
import { startExtraW, startOf } from '../moment/starts.ts';
import type { DeviceDay } from '../paths/device.ts';
import { intoLead } from '../paths/lead.ts';
import { type BusDay, busDay } from '../paths/ledger.ts';
import { remembering } from '../quantity/remember.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { type Appliance, appliancesOn, drawnBy, drawnUsually, heaviestWith } from './appliances.ts';
import { type BusNet, busNet, type Copper, solveBus } from './busNet.ts';
import { type DropOut, dropOutAt } from './dropOut.ts';
import type { BankEnd, Cabled, Fitted } from './fitted.ts';
import { leadsThrough } from './leads.ts';
import type { Solved } from './network.ts';
import { outputVolts } from './outputs.ts';
import { needsNoLead, propose } from './propose.ts';
import { type SizedRun, sizedRuns } from './sized.ts';

/** How charged the store is: full, half of what may be used gone, at its reserve. */
export type Charged = 'full' | 'typical' | 'low';

/** V at one appliance, or at the device that feeds it. */
export interface ApplianceVolts {
  readonly loadId: string;
  readonly name: string;
  /** The run it, or its device, hangs on; null = straight on the store. */
  readonly runId: string | null;
  readonly deviceName: string | null;
  /** V with all that may run beside it, by the charge of the store and the warmth of the copper; null = it cannot hold. */
  readonly volts: Readonly<Record<Charged, Readonly<Record<Copper, number | null>>>>;
  /** V for the moment of its start, at a low store and hot; null = it cannot start; the same as running where nothing starts. */
  readonly startV: number | null;
  /** V then at the terminals of the store: below its cut-off no cable helps. */
  readonly startAtStoreV: number | null;
  readonly startSeconds: number;
  /** The run that gives way where it cannot hold at a low store or start; null = it holds. */
  readonly fallsAt: string | null;
  readonly cutOffV: number | null;
  /** What its start pulls below its own cut-off beside it, the worst first. */
  readonly pulls: readonly Pulled[];
  /** Where it drops out beside what usually runs, cold. Null = no cut-off is known. */
  readonly dropOut: DropOut | null;
}

/** What runs on the same bus and cuts out while something else starts. */
export interface Pulled {
  readonly loadId: string;
  readonly name: string;
  readonly volts: number;
  readonly cutOffV: number;
}

export interface RunRow extends SizedRun {
  /** Wh a day lost in it. */
  readonly lostWh: number;
  /** V at its end behind a converter or port, hot; null on the bus, or where it does not hold. */
  readonly outputV: number | null;
}

export interface LaidRuns {
  /** Whether they are laid, or only proposed. */
  readonly isLaid: boolean;
  readonly rows: readonly RunRow[];
  readonly appliances: readonly ApplianceVolts[];
  /** Loads and devices of the bus that no run leads to, by their names. */
  readonly withoutRun: readonly string[];
  readonly kg: number;
  readonly lostWh: number;
  readonly bank: BankEnd;
  /** What the network is, for questions that go on from it. */
  readonly net: BusNet;
  readonly onBus: readonly Appliance[];
}

const rememberedRow = remembering<SizedRun, RunRow>();

/** Runs of an option as laid, or as the program proposes them, with all that follows. Pure. */
export function layRuns(fitted: Cabled, bus: BusDay): LaidRuns {
  const { option, profiles, feeds, bank } = fitted;
  const { runs } = option.system;
  const shown = runs ?? propose(fitted);
  const sized = sizedRuns(shown, fitted);
  const cables =
    runs === null ? busDay(profiles, option.system, feeds, leadsThrough(shown, sized, fitted)).cables : bus.cables;
  const net = busNet(sized, bank.resistanceOhm);
  const appliances = appliancesOn(fitted, sized, net);
  const volts = appliances.length > 0 ? voltsOf(fitted, net, appliances, sized, bus.devices) : [];
  const behind = outputVolts(fitted, sized);
  const rows = sized.map((run, i): RunRow => {
    const lostWh = (cables?.lostWh[i] ?? 0) + lostComingWh(run, sized, fitted);
    const outputV = behind.get(i) ?? null;
    return rememberedRow(run, [lostWh, outputV], () => ({ ...run, lostWh, outputV }));
  });
  return {
    isLaid: runs !== null,
    rows,
    appliances: volts,
    withoutRun: [...new Set(appliances.filter(({ run, load }) => run < 0 && !needsNoLead(load)).map(nameOnBus))],
    kg: rows.reduce((sum, { kg }) => sum + kg, 0),
    lostWh: rows.reduce((sum, { lostWh }) => sum + lostWh, 0),
    bank,
    net,
    onBus: appliances,
  };
}

/** What lies behind a lead of these ends. */
const BEHIND = { panels: 'array', alternator: 'driving' } as const;

/** Wh a day that what a source brings loses on its own leads, cold: from what reaches the bus back to where it comes from. */
function lostComingWh({ run, coldOhm }: SizedRun, sized: readonly SizedRun[], { sources, option }: Fitted): number {
  const source = sources.find(
    ({ kind, id }) => id === run.part && (kind === run.end || kind === BEHIND[run.end as keyof typeof BEHIND]),
  );
  if (!source?.day) return 0;
  const { watts, efficiency } = source.day;
  const isFar = run.end === 'panels' || run.end === 'alternator';
  const busV = chargingVoltageV(option.system);
  const volts = isFar ? (source.far?.volts ?? 0) : busV;
  if (!(volts > 0)) return 0;
  const sum = (of: (w: number) => number): number => {
    let wattMinutes = 0;
    // Nothing comes, nothing is lost: the night is passed over.
    for (const w of watts) if (w !== 0) wattMinutes += of(w);
    return wattMinutes / 60;
  };
  // Once leads are laid, what a source brings is told after them; while they are only proposed, before them.
  if (option.system.runs === null) return sum((w) => coldOhm * ((isFar ? w / efficiency : w) / volts) ** 2);
  const near = isFar ? sized.find((one) => one.run.end === source.kind && one.run.part === source.id) : null;
  const out = (w: number): number => (isFar ? intoLead(w, near?.coldOhm ?? 0, busV) / efficiency : w);
  return sum((w) => intoLead(out(w), coldOhm, volts) - out(w));
}

export const nameOnBus = ({ chain, load }: Appliance): string => chain.device?.name ?? load.name;

/** What is asked of the network while a set of loads runs: answered once for all loads of that set. */
function solvedFor(fitted: Cabled, net: BusNet, appliances: readonly Appliance[]) {
  const rest = restVoltsOf(fitted);
  const known = new Map<ReadonlySet<string>, (charged: Charged, copper: Copper) => Solved>();
  return (set: ReadonlySet<string>) => {
    const found = known.get(set);
    if (found) return found;
    const running = drawnBy(net, fitted, appliances, (id) => set.has(id));
    const solved = new Map<string, Solved>();
    const at = (charged: Charged, copper: Copper): Solved => {
      const key = `${charged} ${copper}`;
      const done = solved.get(key) ?? solveBus(net, copper, rest[charged], running);
      solved.set(key, done);
      return done;
    };
    known.set(set, at);
    return at;
  };
}

/** V at rest of the store by its charge. */
function restVoltsOf({ bank, option }: Cabled): Readonly<Record<Charged, number>> {
  const { store, busVoltageV } = option.system;
  const restV = (soc: number) => restVoltageV(store.chemistry, busVoltageV, soc);
  return { full: restV(1), typical: restV((1 + bank.reserveSoc) / 2), low: restV(bank.reserveSoc) };
}

const voltAt = ({ volts, collapse }: Solved, node: number): number | null =>
  collapse === null ? (volts[node] as number) : null;

function voltsOf(
  fitted: Cabled,
  net: BusNet,
  appliances: readonly Appliance[],
  sized: readonly SizedRun[],
  devices: readonly DeviceDay[],
): ApplianceVolts[] {
  const { low } = restVoltsOf(fitted);
  const setWith = heaviestWith(fitted, appliances);
  const solvedWith = solvedFor(fitted, net, appliances);
  const usuallyOn = drawnUsually(net, fitted, appliances, devices);
  return appliances.map((appliance): ApplianceVolts => {
    const { load, node, run, cutOffV, chain } = appliance;
    const set = setWith(load.id);
    const at = solvedWith(set);
    const extraW = startExtraW(appliance.profile);
    const start =
      extraW > 0
        ? solveBus(
            net,
            'hot',
            low,
            drawnBy(net, fitted, appliances, (id) => set.has(id), new Map([[load.id, extraW]])),
          )
        : at('low', 'hot');
    const pair = (charged: Charged) => ({
      cold: voltAt(at(charged, 'cold'), node),
      hot: voltAt(at(charged, 'hot'), node),
    });
    return {
      loadId: load.id,
      name: load.name,
      runId: sized[run]?.run.id ?? null,
      deviceName: chain.device?.name ?? null,
      volts: { full: pair('full'), typical: pair('typical'), low: pair('low') },
      startV: voltAt(start, node),
      startAtStoreV: voltAt(start, 0),
      startSeconds: extraW > 0 ? startOf(load).seconds : 0,
      fallsAt: start.collapse === null ? null : (net.runAt[start.collapse]?.run.name ?? 'the store itself'),
      cutOffV,
      pulls: start === at('low', 'hot') ? [] : pulledBy(start, at('low', 'hot'), load.id, appliances),
      dropOut: cutOffV === null ? null : dropOutAt(net, 'cold', usuallyOn(appliance), node, cutOffV, fitted),
    };
  });
}

/** What has volts enough beside what runs, and no longer while one of them starts. */
function pulledBy(start: Solved, before: Solved, startingId: string, appliances: readonly Appliance[]): Pulled[] {
  return appliances
    .flatMap(({ load: { id, name }, node, cutOffV }): Pulled[] => {
      const volts = voltAt(start, node);
      const isPulled = cutOffV !== null && volts !== null && volts < cutOffV && (voltAt(before, node) ?? 0) >= cutOffV;
      return isPulled && id !== startingId ? [{ loadId: id, name, volts, cutOffV }] : [];
    })
    .sort((a, b) => a.volts - a.cutOffV - (b.volts - b.cutOffV));
}

/** How often what charges may come to be as large once what is lost in cables counts. From memory. */
const GROWS = 1.1;

/**
 * The runs with the sizes that were settled said: what was only proposed is laid. What is sized by a source whose own
 * size is still left to the program goes on following it.
 */
export function asLaid(rows: readonly SizedRun[], { arrays, driving }: System): Run[] {
  const isOpen = arrays === null || driving === null;
  const follows = ({ run: { end }, carried }: SizedRun): boolean => {
    if (end === 'array' || end === 'panels') return arrays === null;
    if (end === 'driving' || end === 'alternator') return driving === null;
    return end === 'busbar' && isOpen && carried.chargeA * GROWS >= carried.lowA;
  };
  return rows.map((row) => {
    const { run, areaMm2, parallel, lengthM } = row;
    if (run.end === 'alternator') return run;
    return follows(row) ? { ...run, lengthM } : { ...run, areaMm2, parallel, lengthM };
  });
}
