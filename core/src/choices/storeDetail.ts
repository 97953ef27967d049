import { hoursToSoc, socAfter } from '../battery/charging.ts';
import { cyclesAt } from '../battery/cycles.ts';
import { FULL_SOC } from '../battery/fill.ts';
import { storeModelOf } from '../battery/fittedModel.ts';
import type { Part } from '../job/partFields.ts';
import type { Job, System } from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import { type Bank, banksOfList } from '../parts/choose.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { CHEMISTRY, chargingVoltageV, highestChargingV } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { GUIDE_W } from '../reference/sizes.ts';
import { runsOf } from '../settle/runs.ts';
import { type Settled, settle, settledWithin } from '../settle/settle.ts';
import { holdBack, sharingOf } from '../sources/shared.ts';
import type { Flow } from '../sources/source.ts';
import { onVoltage } from './onVoltage.ts';
import { withSystem } from './withSystem.ts';

/** How one source, or all together, fill the store from its reserve. */
export interface Filling {
  readonly name: string;
  readonly kind: 'driving' | 'sun' | 'charger' | 'all';
  /** A at the store while it is charged; of the sun at the best minute of the day. */
  readonly amps: number;
  /** C, A that the store takes of them for each Ah of it. */
  readonly chargeC: number;
  /** h from the reserve to full, nothing drawing meanwhile; null = never. */
  readonly hours: number | null;
  /** What decides most of the time: the charger, or what the store takes. */
  readonly decidedBy: 'source' | 'store';
  /** Of driving: after a usual day's drive, by amps × hours alone and with the taper. */
  readonly drive: {
    readonly hours: number;
    readonly inAh: number;
    readonly flatSoc: number;
    readonly soc: number;
  } | null;
}

/** What a depth of use asks and costs. */
export interface DepthSchool {
  readonly depth: number;
  readonly isChosen: boolean;
  readonly requiredAh: number;
  /** Cycles to the end of its life when used to that depth, and the years that makes in this job. */
  readonly cycles: number;
  readonly years: number;
}

/** Units of the parts list that make a bank. */
export interface ListedBank {
  readonly name: string;
  readonly series: number;
  readonly parallel: number;
  /** Of all units and the copper of the bank's leads; null = a unit does not say. */
  readonly kg: number | null;
  /** Of all units, and of the leads where a price of copper is given; null likewise. */
  readonly money: number | null;
}

/** The main run as laid or proposed in Runs. */
export interface MainRun {
  /** A of its fuse, of all where conductors side by side have one each; null = it has none, or none so large is sold. */
  readonly fuseA: number | null;
  readonly fuseWays: number;
  /** Area of each pole, its copper, and Wh a day that it loses. */
  readonly areaMm2: number;
  readonly kg: number;
  readonly lostWh: number;
}

/** This very job on another bus voltage. */
export interface VoltageChoice {
  readonly busV: 12 | 24 | 48;
  readonly isChosen: boolean;
  /** A from the store at the worst moment. */
  readonly worstA: number;
  readonly storeAh: number;
  /** The run from the bank to its busbars; null where none is laid. */
  readonly main: MainRun | null;
  /** W of array that a controller of 50 A carries. */
  readonly controllerW: number;
  /** Loads that run at 12 V only, and Wh a day that a converter for them loses: idling and converting. */
  readonly converterLoads: number;
  readonly converterWh: number;
  /** Banks of the parts list that hold what is needed and give the worst moment: of units of this voltage, and in a row. */
  readonly native: ListedBank | null;
  readonly inRow: ListedBank | null;
  /** A of charger on the alternator that would cover the day. */
  readonly drivingA: number;
  /** Wh a day lost in all: as at any voltage, in the leads, in the converter. */
  readonly lostWh: number;
  /** Whether one common fuse and cable carry the worst moment and what the main run is made for. */
  readonly isByOneFuse: boolean;
  /** What the trade's rule of thumb says of this worst moment. */
  readonly isByGuide: boolean;
}

export interface StoreDetail {
  readonly fillings: readonly Filling[];
  readonly schools: readonly DepthSchool[];
  readonly voltages: readonly VoltageChoice[];
  /** The voltage with the least loss among those whose worst moment a common fuse carries. */
  readonly advised: 12 | 24 | 48;
  /** V at rest by state of charge, for this bus. */
  readonly gauge: readonly { readonly soc: number; readonly volts: number }[];
}

/** A that one common fuse and cable carry; above, a higher voltage is the answer. Common practice. */
const MOST_A = 300;
/** Loss that tells voltages apart, as a share of the need: less is no reason to leave the simpler one. Common practice. */
const TELLING = 0.03;
/** A of a common solar controller. Common practice. */
const CONTROLLER_A = 50;

/** All that the Store step says beyond the figures. @param effort what its searches may cost */
export function storeDetail(
  job: Job,
  optionId: string,
  parts: readonly Part[],
  effort = Number.POSITIVE_INFINITY,
): StoreDetail {
  const settled = settledWithin(job, optionId, effort);
  const voltages = ([12, 24, 48] as const).map((busV) => atVoltage(job, settled, busV, parts, effort));
  return {
    fillings: fillingsOf(settled),
    schools: schoolsOf(job, settled, effort),
    voltages,
    advised: advisedOf(voltages, settled.ledger.total.batteryWh),
    gauge: CHEMISTRY[settled.option.system.store.chemistry].restV.map(([soc, volts]) => ({
      soc,
      volts: (volts * settled.option.system.busVoltageV) / 12,
    })),
  };
}

function advisedOf(voltages: readonly VoltageChoice[], needWh: number): 12 | 24 | 48 {
  const fit = voltages.filter(({ isByOneFuse }) => isByOneFuse);
  const able = fit.length > 0 ? fit : voltages.slice(-1);
  const least = Math.min(...able.map(({ lostWh }) => lostWh));
  // Where the loss does not tell them apart the lower voltage is the simpler.
  return (able.find(({ lostWh }) => lostWh <= least + TELLING * needWh) ?? (able[0] as VoltageChoice)).busV;
}

/** The store as it is charged: what each source does alone, and all at once. */
function fillingsOf({ store, driving, sources, option }: Settled): Filling[] {
  const { chargers } = option.system;
  const volts = chargingVoltageV(option.system);
  const model = storeModelOf({ store, option }, 'now');
  const reserve = 1 - store.factors.usableDepth;
  const filled = (name: string, kind: Filling['kind'], amps: number, driveH = 0): Filling => {
    const each = kind === 'sun' ? model.inBySun : model.inByAmps;
    const hours = hoursToSoc(model, reserve, FULL_SOC, amps * volts, each);
    const drive =
      kind === 'driving' && driveH > 0 && store.ah > 0
        ? {
            hours: driveH,
            inAh: amps * driveH,
            flatSoc: Math.min(1, reserve + (amps * driveH) / store.ah),
            soc: socAfter(model, reserve, amps * volts, each, driveH),
          }
        : null;
    const alone = hoursToSoc(
      { ...model, chargeLimitW: Number.MAX_SAFE_INTEGER },
      reserve,
      FULL_SOC,
      amps * volts,
      each,
    );
    return {
      name,
      kind,
      amps,
      chargeC: store.ah > 0 ? Math.min(amps, store.chargeLimitA) / store.ah : 0,
      hours: Number.isFinite(hours) ? hours : null,
      decidedBy: hours > 2 * alone ? 'store' : 'source',
      drive,
    };
  };
  const atBest = (id: string, kind: Flow['kind'], watts: number): Flow => ({ id, kind, watts: Float64Array.of(watts) });
  const sun = sources
    .filter(({ kind }) => kind === 'sun')
    .map(({ id, name, watts }) => ({ name, flow: atBest(id, 'sun', Math.max(0, ...watts)) }));
  const links = driving.links.map(({ link, outputW }) => atBest(link.id, 'driving', outputW));
  const mains = (of: System['chargers']): Flow =>
    atBest(
      'mains',
      'supply',
      of.reduce((sum, { ratingA }) => sum + ratingA * volts, 0),
    );
  /** A of what comes at once, held to what it shares on its way. */
  const ampsOf = (flows: readonly Flow[], of: System['chargers'] = chargers): number => {
    const held = flows.map((flow) => ({ ...flow, watts: flow.watts.slice() }));
    holdBack(held, sharingOf({ ...option.system, chargers: of }));
    return held.reduce((sum, { watts }) => sum + (watts[0] as number), 0) / volts;
  };
  const fillings = [
    ...sun.map(({ name, flow }) => filled(name, 'sun', ampsOf([flow]))),
    filled('Driving', 'driving', ampsOf(links), driving.hours),
    ...chargers.map((one) => filled(one.name, 'charger', ampsOf([mains([one])], [one]))),
  ].filter(({ amps }) => amps > 0);
  const all = [...sun.map(({ flow }) => flow), ...links, mains(chargers)];
  return fillings.length > 1 ? [...fillings, filled('All at once', 'all', ampsOf(all))] : fillings;
}

/** The depths that are used, each with the store it asks for and the life it leaves. */
function schoolsOf(job: Job, settled: Settled, effort: number): DepthSchool[] {
  const { chemistry } = settled.option.system.store;
  const usableDepth = settled.store.factors.levels.depth;
  const usual = chemistry === 'lfp' ? [0.8, 0.9, 1] : [0.5, 0.6, 0.8];
  const depths = [...new Set([...usual, usableDepth])].sort((a, b) => a - b);
  return depths.map((depth) => {
    const { store } = settle(
      withSystem(job, settled.option.id, (system) => ({
        ...system,
        store: { ...system.store, usableDepth: depth, cutOff: null, keepForCritical: 0 },
      })),
      settled.option.id,
      new Effort(effort),
    );
    const cycles = cyclesAt(chemistry, depth);
    // The depth is reached once in the days it is sized for.
    const years = Math.min(CHEMISTRY[chemistry].calendarYears, (cycles * store.daysAsked) / 365);
    return {
      depth,
      isChosen: depth === usableDepth,
      requiredAh: store.need.requiredWh / settled.nominalV,
      cycles,
      years,
    };
  });
}

function atVoltage(job: Job, now: Settled, busV: 12 | 24 | 48, parts: readonly Part[], effort: number): VoltageChoice {
  const isChosen = now.option.system.busVoltageV === busV;
  const settled = isChosen
    ? now
    : settle(
        withSystem(job, now.option.id, (system) => onVoltage(system, busV)),
        now.option.id,
        new Effort(effort),
      );
  const { nominalV, busPeak, driving, ledger, store } = settled;
  const main = mainRunOf(settled);
  const [leadKg, leadWh] = [main?.kg ?? 0, main?.lostWh ?? 0];
  const converter = busV === 12 ? { loads: 0, wh: 0 } : converterFor12V(settled, busV);
  const worstA = busPeak.weight / nominalV;
  const { chemistry } = settled.option.system.store;
  const banks = banksOfList(parts, chemistry, busV, { requiredWh: store.need.requiredWh, currents: settled.currents });
  const listed = (bank: Bank | null) => bank && listedBank(bank, leadKg, job.brief.prices.copperPerKg);
  return {
    busV,
    isChosen,
    worstA,
    isByOneFuse: worstA <= MOST_A && (main?.fuseWays ?? 1) === 1,
    native: listed(banks.native),
    inRow: listed(banks.inRow),
    storeAh: isChosen ? store.need.requiredWh / nominalV : store.ah,
    main,
    controllerW: CONTROLLER_A * chargingVoltageV(settled.option.system),
    converterLoads: converter.loads,
    converterWh: converter.wh,
    drivingA: driving.requiredA,
    lostWh: ledger.total.conversionWh + ledger.total.idleWh + ledger.total.storageWh + leadWh + converter.wh,
    isByGuide: busPeak.weight <= GUIDE_W[busV] && (busV === 12 || busPeak.weight > GUIDE_W[busV === 24 ? 12 : 24]),
  };
}

function mainRunOf(settled: Settled): MainRun | null {
  const main = runsOf(settled).rows.find(({ run }) => run.end === 'busbar' && run.from === null);
  if (!main) return null;
  const { fuse, areaMm2, parallel, kg, lostWh } = main;
  return { fuseA: fuse.ratingA, fuseWays: fuse.ways, areaMm2: areaMm2 * parallel, kg, lostWh };
}

function listedBank({ part, series, parallel }: Bank, leadKg: number, copperPerKg: number | null): ListedBank {
  const units = series * parallel;
  return {
    name: part.name,
    series,
    parallel,
    kg: part.kg === null ? null : part.kg * units + leadKg,
    money: part.price === null ? null : part.price * units + leadKg * (copperPerKg ?? 0),
  };
}

/** What a shared converter down to 12 V loses for the loads wired straight to the bus that bear no more. */
function converterFor12V({ profiles }: Settled, busV: 24 | 48): { readonly loads: number; readonly wh: number } {
  const bears = (maxV: number | null) => maxV !== null && maxV >= highestChargingV(busV);
  const those = profiles.filter(({ load }) => load.path === 'direct' && !bears(load.maxV));
  if (those.length === 0) return { loads: 0, wh: 0 };
  let peakW = 0;
  let wh = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const w = those.reduce((sum, { meanW }) => sum + (meanW[m] as number), 0);
    peakW = Math.max(peakW, w);
    wh += w / 60;
  }
  const idleWh = peakW * DEFAULT.converterIdleShare.value * 24;
  return { loads: those.length, wh: wh * (1 / DEFAULT.converterEfficiency.value - 1) + idleWh };
}
