import type { Chemistry, System } from '../job/schema.ts';
import type { Origin } from '../quantity/figure.ts';
import { DEFAULT } from './defaults.ts';
import { ORIGIN } from './origins.ts';

export interface ChemistryData {
  readonly name: string;
  /** V of a nominal 12 V battery at rest. */
  readonly nominal12V: number;
  /** V at which a nominal 12 V battery is charged, the mean. */
  readonly charging12V: number;
  /** Share of its capacity that it loses in a month by itself, at 20 °C. */
  readonly selfDischarge: number;
  /** Share of the capacity that is planned to be used. */
  readonly usableDepth: number;
  /** Energy out ÷ energy in over a full cycle. */
  readonly roundTripEfficiency: number;
  /** Share of the capacity left when the battery is due for replacement. */
  readonly ageingReserve: number;
  readonly peukert: number;
  /** Largest charge and discharge current, as a multiple of the capacity in Ah. */
  readonly chargeLimitC: number;
  readonly dischargeLimitC: number;
  /** What it gives for a short time, and for how many s. */
  readonly short: { readonly c: number; readonly seconds: number };
  /** Share of capacity lost for each K below `coldFromC`. */
  readonly coldLossPerK: number;
  readonly coldFromC: number;
  /** State of charge above which charging tapers (exponentially, lead) and the share of the limit left at 100 %. */
  readonly taperFromSoc: number;
  readonly minChargeC: number;
  /** Ah stored ÷ Ah put in; what is left of the round trip is in the voltage. */
  readonly coulombic: number;
  /** mΩ inside a 12 V unit of 100 Ah. */
  readonly mohmPer100Ah12V: number;
  /** Cycles to the end of its life by the depth of each, and the years after which it is old anyway. */
  readonly cycles: readonly (readonly [depth: number, cycles: number])[];
  readonly calendarYears: number;
  /** V at rest of a 12 V unit by its state of charge, the fullest first. */
  readonly restV: readonly (readonly [soc: number, volts: number])[];
  /** kg per 100 Ah at 12 V. */
  readonly kgPer100Ah12V: number;
  readonly origin: Origin;
}

const lead = {
  nominal12V: 12.0,
  charging12V: 14.2,
  selfDischarge: 0.04,
  usableDepth: 0.5,
  ageingReserve: 0.8,
  coldLossPerK: 0.01,
  coldFromC: 25,
  minChargeC: -40,
  coulombic: 0.95,
  mohmPer100Ah12V: 6,
  calendarYears: 6,
  restV: [
    [1, 12.85],
    [0.75, 12.5],
    [0.5, 12.2],
    [0.25, 12.0],
    [0, 11.8],
  ],
} as const;
const SEALED_CYCLES = [
  [0.3, 1200],
  [0.5, 600],
  [0.8, 350],
] as const;
/** A quarter of its Ah for long, as much as its Ah for five minutes. */
const leadLimits = {
  chargeLimitC: 0.2,
  dischargeLimitC: 0.25,
  short: { c: 1, seconds: 300 },
  taperFromSoc: 0.8,
  kgPer100Ah12V: 30,
} as const;

/** Battery chemistries: common practice, figures recalled from memory. */
export const CHEMISTRY: Readonly<Record<Chemistry, ChemistryData>> = {
  lfp: {
    name: 'LFP',
    nominal12V: 12.8,
    charging12V: 13.6,
    selfDischarge: 0.02,
    usableDepth: 0.8,
    roundTripEfficiency: 0.95,
    ageingReserve: 0.8,
    peukert: 1,
    chargeLimitC: 0.5,
    dischargeLimitC: 1,
    // Its BMS decides.
    short: { c: 2, seconds: 10 },
    coldLossPerK: 0.007,
    coldFromC: 0,
    taperFromSoc: 0.95,
    minChargeC: 0,
    coulombic: 0.98,
    mohmPer100Ah12V: 4,
    cycles: [
      [0.5, 6000],
      [0.8, 3500],
      [0.9, 3000],
      [1, 2200],
    ],
    calendarYears: 13,
    restV: [
      [1, 13.6],
      [0.99, 13.4],
      [0.9, 13.3],
      [0.7, 13.2],
      [0.4, 13.1],
      [0.3, 13.0],
      [0.2, 12.9],
      [0.17, 12.8],
      [0.14, 12.5],
      [0.09, 12.0],
      [0, 10.0],
    ],
    kgPer100Ah12V: 12,
    origin: ORIGIN.practiceRecalled,
  },
  agm: {
    name: 'AGM',
    ...lead,
    ...leadLimits,
    roundTripEfficiency: 0.85,
    peukert: 1.12,
    cycles: SEALED_CYCLES,
    origin: ORIGIN.practiceRecalled,
  },
  gel: {
    name: 'Gel',
    ...lead,
    ...leadLimits,
    roundTripEfficiency: 0.85,
    peukert: 1.15,
    cycles: SEALED_CYCLES,
    origin: ORIGIN.practiceRecalled,
  },
  flooded: {
    name: 'Flooded lead',
    ...lead,
    ...leadLimits,
    chargeLimitC: 0.15,
    roundTripEfficiency: 0.78,
    peukert: 1.25,
    cycles: [
      [0.5, 800],
      [0.8, 450],
    ],
    origin: ORIGIN.practiceRecalled,
  },
  // Made to crank an engine: hundreds of amps for seconds, and used up by a few deep discharges.
  starter: {
    name: 'Starter battery',
    ...lead,
    ...leadLimits,
    usableDepth: 0.2,
    dischargeLimitC: 0.1,
    short: { c: 5, seconds: 15 },
    mohmPer100Ah12V: 4,
    kgPer100Ah12V: 24,
    roundTripEfficiency: 0.78,
    peukert: 1.25,
    cycles: [
      [0.1, 500],
      [0.2, 200],
      [0.5, 40],
    ],
    calendarYears: 5,
    origin: ORIGIN.practiceRecalled,
  },
};

/** V at which a bank is charged, the mean: as said, or the usual of its chemistry. From memory. */
export const chargingVoltageV = ({ store: { chemistry, chargeV }, busVoltageV }: Charged): number =>
  chargeV ?? (CHEMISTRY[chemistry].charging12V * busVoltageV) / 12;

/** What is charged. */
export interface Charged {
  readonly store: Pick<System['store'], 'chemistry' | 'chargeV'>;
  readonly busVoltageV: number;
}

/** A store with its charging volts on a bus of so many times the volts. */
export const onBusTimes = <S extends Charged['store']>(store: S, times: number): S => ({
  ...store,
  chargeV: store.chargeV === null ? null : store.chargeV * times,
});

/** V that no charger of a bus goes above, whatever it charges. */
export const highestChargingV = (busVoltageV: number): number => (DEFAULT.chargeVoltage12V.value * busVoltageV) / 12;

/** V above which a unit is a battery and below which it is a cell. */
const CELL_BELOW_V = 5;

/**
 * V that a bank is counted at: what its cells in series come to (15 of 3.2 V are 48.0 V), and of batteries, which are
 * called 12 V whether they have 12.0 or 12.8, the nominal volts of its chemistry.
 */
export function bankVoltageV(
  {
    chemistry,
    strings,
  }: Pick<System['store'], 'chemistry'> & { readonly strings: Readonly<System['store']['strings']> },
  busV: number,
): number {
  const cells = (strings ?? []).find(({ unitV }) => unitV !== null && unitV < CELL_BELOW_V);
  const ownV = cells?.unitV ? cells.unitV * cells.series : 0;
  return Math.abs(ownV / busV - 1) < VOLTS_OFF ? ownV : nominalVoltageV(chemistry, busV);
}

/** Share of its volts by which a string may lie off the bus: 12.0 and 12.8 V are both called 12 V. Common practice. */
export const VOLTS_OFF = 0.1;

/** Nominal voltage of a bank on a 12, 24 or 48 V bus, V. */
export function nominalVoltageV(chemistry: Chemistry, busVoltageV: number): number {
  return (CHEMISTRY[chemistry].nominal12V * busVoltageV) / 12;
}
