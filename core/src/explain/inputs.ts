import type { WorkingInput } from '../quantity/figure.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';

/** Inputs that several workings have in common. */

export const fromDefault = (symbol: string, label: string, key: keyof typeof DEFAULT, unit: string): WorkingInput => ({
  symbol,
  label,
  value: DEFAULT[key].value,
  unit,
  origin: DEFAULT[key].origin,
});

export const computed = (symbol: string, label: string, value: number, unit: string): WorkingInput => ({
  symbol,
  label,
  value,
  unit,
  origin: ORIGIN.computed,
});

export const ofJob = (symbol: string, label: string, value: number, unit: string): WorkingInput => ({
  symbol,
  label,
  value,
  unit,
  origin: ORIGIN.job,
});

export const chemistryOf = ({ option }: Settled) => CHEMISTRY[option.system.store.chemistry];

/** Nominal voltage of the store, by its chemistry. */
export const storeVolts = (settled: Settled): WorkingInput => ({
  symbol: 'volts',
  label: 'Nominal voltage of the store',
  value: settled.nominalV,
  unit: 'V',
  origin: chemistryOf(settled).origin,
});

export const nominalVolts = ({ nominalV }: Settled, symbol = 'volts'): WorkingInput => ({
  symbol,
  label: 'Nominal voltage',
  value: nominalV,
  unit: 'V',
  origin: ORIGIN.practiceRecalled,
});

export const roundTrip = ({ roundTripEfficiency }: Settled): WorkingInput => ({
  symbol: 'roundTrip',
  label: 'Round trip of the store',
  value: roundTripEfficiency,
  unit: 'share',
  origin: ORIGIN.practiceRecalled,
});
