import type { Charger, Device, Supply, System } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { chainOf } from '../paths/chain.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import type { Coincidence } from './coincidence.ts';
import type { SizedInverter } from './sizeInverters.ts';
import type { Slice } from './slices.ts';
import { allAtOnce, bestStartOrder, type Starter, type StartOrder, worstOrderPeak } from './startOrder.ts';
import { type SupplyLimit, sizeOn, supplyLimit } from './supplyLimit.ts';
import { type TimedSet, Weighed } from './weighed.ts';
import { type AcLoad, acLoad } from './worstMoment.ts';

/** How the chargers of the system are called among the loads of a supply: `@` and their id, a form no load's id has. */
const CHARGER_MARK = '@';
export const chargerId = (id: string): string => `${CHARGER_MARK}${id}`;
export const isCharger = (id: string): boolean => id.startsWith(CHARGER_MARK);

/** Something that a supply feeds while the vehicle is plugged in. */
export interface SupplyLoad extends Starter {
  readonly name: string;
  /** W that it draws, and W of DC for each W if it charges the store. */
  readonly watts: number;
  readonly ac: AcLoad | null;
  /** The inverter it passes through; null when it waits for a supply. */
  readonly deviceId: string | null;
  /** A charger that can be turned down: what it draws at its lowest before it is off, in the supply's unit. */
  readonly leastSize: number | null;
}

/** What a supply must give, and what can be done where that is too much. */
export interface SupplyMoment {
  readonly limit: SupplyLimit;
  readonly loads: readonly SupplyLoad[];
  /** The heaviest set of what cannot be turned down, in the supply's unit. */
  readonly worst: TimedSet;
  /** All chargers at full beside it. */
  readonly fullSize: number;
  /** What is left for the chargers beside the worst set; 0 when it is less than they can be turned down to. */
  readonly chargingSize: number;
  /** What an assisting inverter must add, and can; 0 without one. */
  readonly assistSize: number;
  readonly assistableSize: number;
  /** What is borne at a start, an assisting inverter's surge included. */
  readonly startingSize: number;
  /** What is missing even so: beyond inverter and supply together, or of what hangs on the supply alone. */
  readonly shortSize: number;
  readonly assisting: SizedInverter | null;
  /** The worst set and what is left for charging, switched on in the best order. */
  readonly order: StartOrder;
  /** The same if all start in one instant, and if the hardest start comes last with the chargers at full. */
  readonly allAtOnce: number;
  readonly worstOrder: number;
  /** Whether what cannot be turned down may all run at once, without help. */
  readonly fits: boolean;
}

/** Whether mains loads of this inverter run straight from a supply while the vehicle is plugged in. */
export const passesSupply = ({ form }: SizedInverter['device']): boolean => form !== 'stand-alone';

/** What an inverter-charger's or separate charger's DC current asks of mains, W. @param volts at which it charges */
export function chargerWatts(ratingA: number, charger: Charger, volts: number): number {
  return (ratingA * volts) / (charger.efficiency ?? DEFAULT.chargerEfficiency.value);
}

/** Everything that hangs on a supply: mains loads let through, loads that wait for one, and the chargers. */
function supplyLoads(
  limit: SupplyLimit,
  profiles: readonly LoadProfile[],
  system: System,
  inverters: readonly SizedInverter[],
): SupplyLoad[] {
  const devices: readonly Device[] = system.devices;
  const through = new Set(inverters.filter(({ device }) => passesSupply(device)).map(({ device }) => device.id));
  const mains = profiles.flatMap(({ load, runningW }): SupplyLoad[] => {
    const chain = chainOf(load, devices);
    const waits = load.path === 'supply-only';
    if (!waits && !(chain.device?.kind === 'inverter' && through.has(chain.device.id))) return [];
    const ac = acLoad(load, runningW, chain.efficiency);
    return [
      {
        id: load.id,
        name: load.name,
        ac,
        deviceId: waits ? null : (chain.device?.id ?? null),
        watts: ac.runningW,
        size: sizeOn(limit, ac.runningW, ac.apparentVa),
        startExtra: sizeOn(limit, ac.startExtraW, ac.startExtraW * ac.vaPerW),
        leastSize: load.chargesStore ? 0 : null,
      },
    ];
  });
  const chargers = system.chargers.flatMap((charger): SupplyLoad[] => {
    if (charger.ratingA === 0) return [];
    const watts = chargerWatts(charger.ratingA, charger, chargingVoltageV(system));
    const factor = charger.powerFactor ?? DEFAULT.chargerPowerFactor.value;
    const size = sizeOn(limit, watts, watts / factor);
    const leastSize =
      charger.leastA === null ? null : (size * Math.min(charger.leastA, charger.ratingA)) / charger.ratingA;
    const { name } = charger;
    return [{ id: chargerId(charger.id), name, ac: null, deviceId: null, watts, size, startExtra: 0, leastSize }];
  });
  return [...mains, ...chargers];
}

/** What is left of a supply for chargers beside so much that runs; nothing where they cannot be turned down so far. */
function leftToCharge({ runningSize }: SupplyLimit, beside: number, chargers: readonly SupplyLoad[]): number {
  const left = Math.max(0, runningSize - beside);
  const full = chargers.reduce((sum, { size }) => sum + size, 0);
  const least = Math.min(...chargers.map(({ leastSize }) => leastSize ?? 0), Number.POSITIVE_INFINITY);
  return left >= least ? Math.min(full, left) : 0;
}

/** What some of the loads of a supply come to, in its unit: what runs, what is left to charge, what an assisting inverter adds. */
export function chosenOn(
  { limit, loads, assisting }: Pick<SupplyMoment, 'limit' | 'loads' | 'assisting'>,
  ids: ReadonlySet<string>,
): { readonly runningSize: number; readonly chargingSize: number; readonly assistSize: number } {
  const on = loads.filter(({ id }) => ids.has(id));
  const runningSize = on.reduce((sum, { size, leastSize }) => (leastSize === null ? sum + size : sum), 0);
  const chargers = on.filter(({ leastSize }) => leastSize !== null);
  return {
    runningSize,
    chargingSize: leftToCharge(limit, runningSize, chargers),
    assistSize: assisting ? Math.max(0, runningSize - limit.runningSize) : 0,
  };
}

/** @param slices of the day, as for the worst moment */
export function supplyMoment(
  supply: Supply,
  profiles: readonly LoadProfile[],
  system: System,
  inverters: readonly SizedInverter[],
  slices: readonly Slice[],
  coincidence: Coincidence,
): SupplyMoment {
  const limit = supplyLimit(supply);
  const loads = supplyLoads(limit, profiles, system, inverters);
  const fixed = loads.filter(({ leastSize }) => leastSize === null);
  const chargers = loads.filter(({ leastSize }) => leastSize !== null);
  const heaviestOf = (some: readonly SupplyLoad[]): TimedSet => {
    const perWatt = new Map(some.map(({ id, size, ac }) => [id, ac ? (size * ac.perLoadW) / (ac.runningW || 1) : 0]));
    const heaviest = new Weighed(slices, coincidence, (id) => perWatt.get(id)).heaviest();
    // The system's own chargers always may run.
    const chargers = some.filter(({ ac }) => ac === null);
    const weight = heaviest.weight + chargers.reduce((sum, { size }) => sum + size, 0);
    return { ...heaviest, ids: [...heaviest.ids, ...chargers.map(({ id }) => id)], weight };
  };
  const worst = heaviestOf(fixed);
  const fullCharge = chargers.reduce((sum, { size }) => sum + size, 0);
  const chargingSize = leftToCharge(limit, worst.weight, chargers);
  const assisting = inverters.find(({ device, ratingW }) => device.form === 'assisting' && ratingW > 0) ?? null;
  const isThrough = ({ deviceId }: SupplyLoad) => deviceId !== null && deviceId === assisting?.device.id;
  const throughSize = fixed.reduce(
    (sum, load) => sum + (isThrough(load) && worst.ids.includes(load.id) ? load.size : 0),
    0,
  );
  const assistSize = assisting ? Math.max(0, worst.weight - limit.runningSize) : 0;
  const assistableSize = assisting ? Math.min(throughSize, assisting.bears.hotW / limit.wattsPerUnit) : 0;
  const aloneSize = heaviestOf(fixed.filter((load) => !isThrough(load))).weight;
  const shortSize = Math.max(0, assistSize - assistableSize, aloneSize - limit.runningSize);
  const running = fixed.filter(({ id }) => worst.ids.includes(id));
  const down: Starter = { id: chargers[0]?.id ?? '', size: chargingSize, startExtra: 0 };
  const switched = chargingSize > 0 ? [...running, down] : running;
  return {
    limit,
    loads,
    worst,
    fullSize: worst.weight + fullCharge,
    chargingSize,
    assistSize,
    assistableSize,
    startingSize: limit.startingSize + (assisting ? assisting.bears.surgeW / limit.wattsPerUnit : 0),
    // Rounding of a part in a million is no shortage.
    shortSize: shortSize > limit.runningSize * 1e-6 ? shortSize : 0,
    assisting,
    order: bestStartOrder(switched),
    allAtOnce: allAtOnce(switched),
    worstOrder: worstOrderPeak([...running, ...chargers]),
    fits: worst.weight <= limit.runningSize * (1 + 1e-9),
  };
}
