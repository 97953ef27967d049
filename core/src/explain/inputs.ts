import type { WorkingInput } from '../quantity/figure.ts';
import { CHEMISTRY, chargingVoltageV } from '../reference/chemistries.ts';
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

/** What charges is sized for the store's heater too; nothing where it asks for nothing. */
export const besidesInputs = ({ heaterAsksWh, selfAsksWh }: Settled): WorkingInput[] => [
  ...(heaterAsksWh > 0
    ? [computed('heater', 'Heater of the store, while something charges', heaterAsksWh, 'Wh/day')]
    : []),
  ...(selfAsksWh > 0 ? [computed('self', 'Self-discharge of the battery', selfAsksWh, 'Wh/day')] : []),
];

export const chemistryOf = ({ option }: Settled) => CHEMISTRY[option.system.store.chemistry];

/** V at which the store is charged. */
export const chargingVolts = (settled: Settled): WorkingInput => ({
  symbol: 'volts',
  label: 'At the store while it is charged',
  value: chargingVoltageV(settled.option.system),
  unit: 'V',
  origin: settled.option.system.store.chargeV === null ? chemistryOf(settled).origin : ORIGIN.job,
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
