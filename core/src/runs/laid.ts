import type { Run, System } from '../job/schema.ts';
import { type BusDay, busDay, type DeviceDay } from '../paths/ledger.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { restVoltageV } from '../store/rest.ts';
import { type Appliance, appliancesOn, drawnBy, drawnUsually, heaviestWith, startExtraW } from './appliances.ts';
import { type BusNet, busNet, type Copper, solveBus, withOhm } from './busNet.ts';
import { type DropOut, dropOutAt } from './dropOut.ts';
import type { BankEnd, Fitted } from './fitted.ts';
import { leadsThrough } from './leads.ts';
import { runKg } from './mass.ts';
import { outputVolts } from './outputs.ts';
import { propose } from './propose.ts';
import { ohmAt, type SizedRun, sizedRuns, thickerThan } from './sized.ts';

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
  readonly startSeconds: number;
  /** The run that gives way where it cannot hold at a low store or start; null = it holds. */
  readonly fallsAt: string | null;
  readonly cutOffV: number | null;
  /** Where it drops out: beside what usually runs, cold; and beside all that may run, hot. Null = no cut-off is known. */
  readonly dropOut: DropOut | null;
  readonly dropOutAtWorst: DropOut | null;
}

/** What the next thicker cable would win. */
export interface Thicker {
  readonly areaMm2: number;
  readonly parallel: number;
  /** Wh a day less lost in it. */
  readonly savedWh: number;
  readonly kg: number;
  /** At the price of copper of the brief; null = none is given. */
  readonly money: number | null;
  /** Ah of the store that the load that gains most would reach further down, and its name; 0 and null when none does. */
  readonly wonAh: number;
  readonly wonBy: string | null;
}

export interface RunRow extends SizedRun {
  /** Wh a day lost in it. */
  readonly lostWh: number;
  /** V at its end behind a converter or port, hot; null on the bus, or where it does not hold. */
  readonly outputV: number | null;
  readonly thicker: Thicker | null;
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
}

/** Runs of an option as laid, or as the program proposes them, with all that follows. Pure. */
export function layRuns(fitted: Fitted & { readonly bank: BankEnd }, bus: BusDay): LaidRuns {
  const { option, profiles, feeds, bank } = fitted;
  const { runs, devices } = option.system;
  const sized = sizedRuns(runs ?? propose(fitted), fitted);
  const cables = runs === null ? busDay(profiles, devices, feeds, leadsThrough(sized, fitted)).cables : bus.cables;
  const net = busNet(sized, bank.resistanceOhm);
  const appliances = appliancesOn(fitted, sized, net);
  const volts = appliances.length > 0 ? voltsOf(fitted, net, appliances, sized, bus.devices) : [];
  const behind = outputVolts(fitted, sized);
  const rows = sized.map((run, i): RunRow => {
    const lostWh = (cables?.lostWh[i] ?? 0) + lostComingWh(run, fitted);
    return {
      ...run,
      lostWh,
      outputV: behind.get(i) ?? null,
      thicker: thickerOf(fitted, sized, i, lostWh, net, appliances, volts, bus.devices),
    };
  });
  return {
    isLaid: runs !== null,
    rows,
    appliances: volts,
    withoutRun: [...new Set(appliances.filter(({ run }) => run < 0).map(nameOnBus))],
    kg: rows.reduce((sum, { kg }) => sum + kg, 0),
    lostWh: rows.reduce((sum, { lostWh }) => sum + lostWh, 0),
    bank,
  };
}

/** What lies behind a lead of these ends. */
const BEHIND = { panels: 'array', alternator: 'driving' } as const;

/** Wh a day that what a source brings loses on its own leads, cold. */
function lostComingWh({ run, coldOhm }: SizedRun, { sources, option }: Fitted): number {
  const source = sources.find(
    ({ kind, id }) => id === run.part && (kind === run.end || kind === BEHIND[run.end as keyof typeof BEHIND]),
  );
  if (!source?.day) return 0;
  const { watts, efficiency } = source.day;
  const isFar = run.end === 'panels' || run.end === 'alternator';
  const volts = isFar ? (source.far?.volts ?? 0) * efficiency : chargingVoltageV(option.system.busVoltageV);
  return volts > 0 ? (coldOhm * watts.reduce((sum, w) => sum + (w / volts) ** 2, 0)) / 60 : 0;
}

const nameOnBus = ({ chain, load }: Appliance): string => chain.device?.name ?? load.name;

const CHARGED: readonly Charged[] = ['full', 'typical', 'low'];
const COPPER: readonly Copper[] = ['cold', 'hot'];

function voltsOf(
  fitted: Fitted & { readonly bank: BankEnd },
  net: BusNet,
  appliances: readonly Appliance[],
  sized: readonly SizedRun[],
  devices: readonly DeviceDay[],
): ApplianceVolts[] {
  const { bank, option } = fitted;
  const { store, busVoltageV } = option.system;
  const restV = (soc: number) => restVoltageV(store.chemistry, busVoltageV, soc);
  const rest: Record<Charged, number> = {
    full: restV(1),
    typical: restV((1 + bank.reserveSoc) / 2),
    low: restV(bank.reserveSoc),
  };
  const setWith = heaviestWith(fitted, appliances);
  return appliances.map((appliance): ApplianceVolts => {
    const { load, node, run, cutOffV, chain } = appliance;
    const set = setWith(load.id);
    const running = drawnBy(net, fitted, appliances, (id) => set.has(id));
    const at = (charged: Charged, copper: Copper): number | null => {
      const { volts, collapse } = solveBus(net, copper, rest[charged], running);
      return collapse === null ? (volts[node] as number) : null;
    };
    const extraW = startExtraW(appliance);
    const starting =
      extraW > 0 ? drawnBy(net, fitted, appliances, (id) => set.has(id), new Map([[load.id, extraW]])) : running;
    const start = solveBus(net, 'hot', rest.low, starting);
    const bankOf = { chemistry: store.chemistry, busVoltageV, bank };
    const usually = cutOffV === null ? null : drawnUsually(net, fitted, appliances, devices, appliance);
    return {
      loadId: load.id,
      name: load.name,
      runId: sized[run]?.run.id ?? null,
      deviceName: chain.device?.name ?? null,
      volts: Object.fromEntries(
        CHARGED.map((charged) => [
          charged,
          Object.fromEntries(COPPER.map((copper) => [copper, at(charged, copper)])) as Record<Copper, number | null>,
        ]),
      ) as unknown as ApplianceVolts['volts'],
      startV: start.collapse === null ? (start.volts[node] as number) : null,
      startSeconds: extraW > 0 ? (sized[run]?.carried.startSeconds ?? 0) : 0,
      fallsAt: start.collapse === null ? null : (net.runAt[start.collapse]?.run.name ?? 'the store itself'),
      cutOffV,
      dropOut: usually && cutOffV !== null ? dropOutAt(net, 'cold', usually, node, cutOffV, bankOf) : null,
      dropOutAtWorst: cutOffV !== null ? dropOutAt(net, 'hot', running, node, cutOffV, bankOf) : null,
    };
  });
}

function thickerOf(
  fitted: Fitted & { readonly bank: BankEnd },
  sized: readonly SizedRun[],
  index: number,
  lostWh: number,
  net: BusNet,
  appliances: readonly Appliance[],
  volts: readonly ApplianceVolts[],
  devices: readonly DeviceDay[],
): Thicker | null {
  const own = sized[index] as SizedRun;
  const next = thickerThan(own.run.conductor, own);
  if (!next) return null;
  const { coldC, hotC } = fitted.job.rules.cables;
  const coldOhm = ohmAt(own, next, coldC);
  const { run, lengthM } = own;
  const kg = runKg(run, { ...next, lengthM }) - own.kg;
  const { copperPerKg } = fitted.job.brief.prices;
  let [wonAh, wonBy]: [number, string | null] = [0, null];
  if (own.zone.kind === 'bus') {
    const thicker = withOhm(net, index, coldOhm, ohmAt(own, next, hotC));
    const { store, busVoltageV } = fitted.option.system;
    for (const [i, appliance] of appliances.entries()) {
      const now = volts[i]?.dropOut;
      if (!now || appliance.cutOffV === null || now.soc === 0 || !isBehind(sized, appliance.run, index)) continue;
      const then = dropOutAt(
        thicker,
        'cold',
        drawnUsually(thicker, fitted, appliances, devices, appliance),
        appliance.node,
        appliance.cutOffV,
        { chemistry: store.chemistry, busVoltageV, bank: fitted.bank },
      );
      if (now.strandedAh - then.strandedAh > wonAh)
        [wonAh, wonBy] = [now.strandedAh - then.strandedAh, nameOnBus(appliance)];
    }
  }
  return {
    ...next,
    savedWh: own.coldOhm > 0 ? lostWh * (1 - coldOhm / own.coldOhm) : 0,
    kg,
    money: copperPerKg === null ? null : kg * copperPerKg,
    wonAh,
    wonBy,
  };
}

/** Whether a run lies on the way from the store to the end of another. */
function isBehind(sized: readonly SizedRun[], run: number, way: number): boolean {
  for (let at = run; at >= 0; at = (sized[at] as SizedRun).parent) if (at === way) return true;
  return false;
}

/**
 * The runs with the sizes that were settled said: what was only proposed is laid. What is sized by a source whose own
 * size is still left to the program goes on following it.
 */
export function asLaid(rows: readonly SizedRun[], { arrays, driving }: System): Run[] {
  const isOpen = arrays === null || driving === null;
  const follows = ({ run: { end }, carried }: SizedRun): boolean => {
    if (end === 'array' || end === 'panels') return arrays === null;
    if (end === 'driving' || end === 'alternator') return driving === null;
    return end === 'busbar' && isOpen && carried.chargeA >= carried.lowA;
  };
  return rows.map((row) => {
    const { run, areaMm2, parallel, lengthM } = row;
    if (run.end === 'alternator') return run;
    return follows(row) ? { ...run, lengthM } : { ...run, areaMm2, parallel, lengthM };
  });
}
