import type { Chemistry } from '../job/schema.ts';
import type { Origin } from '../quantity/figure.ts';
import { ORIGIN } from './origins.ts';

export interface ChemistryData {
  readonly name: string;
  /** V of a nominal 12 V battery at rest. */
  readonly nominal12V: number;
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
  /** Share of capacity lost for each K below `coldFromC`. */
  readonly coldLossPerK: number;
  readonly coldFromC: number;
  /** State of charge above which charging tapers (exponentially, lead) and the share of the limit left at 100 %. */
  readonly taperFromSoc: number;
  readonly minChargeC: number;
  /** kg per 100 Ah at 12 V. */
  readonly kgPer100Ah12V: number;
  readonly origin: Origin;
}

const lead = {
  nominal12V: 12.0,
  usableDepth: 0.5,
  ageingReserve: 0.8,
  coldLossPerK: 0.01,
  coldFromC: 25,
  minChargeC: -40,
} as const;
const leadLimits = { chargeLimitC: 0.2, dischargeLimitC: 0.25, taperFromSoc: 0.8, kgPer100Ah12V: 30 } as const;

/** Battery chemistries: common practice, figures recalled from memory. */
export const CHEMISTRY: Readonly<Record<Chemistry, ChemistryData>> = {
  lfp: {
    name: 'LFP',
    nominal12V: 12.8,
    usableDepth: 0.8,
    roundTripEfficiency: 0.95,
    ageingReserve: 0.8,
    peukert: 1,
    chargeLimitC: 0.5,
    dischargeLimitC: 1,
    coldLossPerK: 0.007,
    coldFromC: 0,
    taperFromSoc: 0.95,
    minChargeC: 0,
    kgPer100Ah12V: 12,
    origin: ORIGIN.practiceRecalled,
  },
  agm: {
    name: 'AGM',
    ...lead,
    ...leadLimits,
    roundTripEfficiency: 0.85,
    peukert: 1.12,
    origin: ORIGIN.practiceRecalled,
  },
  gel: {
    name: 'Gel',
    ...lead,
    ...leadLimits,
    roundTripEfficiency: 0.85,
    peukert: 1.15,
    origin: ORIGIN.practiceRecalled,
  },
  flooded: {
    name: 'Flooded lead',
    ...lead,
    ...leadLimits,
    chargeLimitC: 0.15,
    roundTripEfficiency: 0.78,
    peukert: 1.25,
    origin: ORIGIN.practiceRecalled,
  },
};

/** Nominal voltage of a bank on a 12, 24 or 48 V bus, V. */
export function nominalVoltageV(chemistry: Chemistry, busVoltageV: number): number {
  return (CHEMISTRY[chemistry].nominal12V * busVoltageV) / 12;
}
