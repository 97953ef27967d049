import { type Draft, family, refer } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';
import { computed, nominalVolts } from './inputs.ts';

/** What the store must give at the worst moment of all loads, and how hard that is on it. */
export const explainBus = (settled: Settled) =>
  family('peak', {
    bus: bus(settled),
    current: current(settled),
    long: long(settled),
    start: start(settled),
    crate: crate(settled),
  });

const bus = ({ busPeak }: Settled): Draft => ({
  value: busPeak.weight,
  unit: 'W',
  label: 'Worst moment at the store',
  basis: ORIGIN.practice,
  working: {
    formula: busPeak.isProved
      ? '{dc} + {through} + {loss}'
      : 'at most: the heaviest found is this, the search was cut short',
    inputs: [
      computed('dc', 'Loads on the bus', busPeak.directW, 'W'),
      computed('through', 'Loads through inverters and converters', busPeak.throughW, 'W'),
      { ...computed('loss', 'Their own loss', busPeak.lossW, 'W'), origin: ORIGIN.schmidtSauer },
    ],
    note: `The heaviest set of all loads that may coincide: ${busPeak.ids.length} of them.`,
  },
});

const currentA = ({ busPeak, nominalV }: Settled): number => busPeak.weight / nominalV;

const current = (settled: Settled): Draft => ({
  value: currentA(settled),
  unit: 'A',
  label: 'From the store at that moment',
  basis: ORIGIN.si,
  working: {
    formula: '{bus} ÷ {volts}',
    inputs: [refer('bus', 'peak.bus'), nominalVolts(settled)],
    note: 'At a low battery the voltage is lower and the current higher: size cables and fuses with a margin.',
  },
});

const long = ({ currents, store }: Settled): Draft => ({
  value: currents.longA,
  unit: 'A',
  label: 'Of it, for long',
  basis: ORIGIN.practice,
  working: {
    formula: 'the heaviest set of loads that run longer than {seconds} in one go',
    inputs: [computed('seconds', 'The battery gives more for', store.discharge.shortS, 's')],
    note: 'What switches on and off by itself counts as running on.',
  },
});

const start = ({ currents }: Settled): Draft => ({
  value: currents.startA,
  unit: 'A',
  label: 'At the largest start',
  basis: ORIGIN.practice,
  working: {
    formula: 'the heaviest set with one of its loads starting',
    inputs: [refer('running', 'peak.current')],
    note: 'For as long as a start lasts, mostly less than a second.',
  },
});

/** A for each Ah. */
function crate(settled: Settled): Draft {
  const { ah } = settled.store;
  return {
    value: ah > 0 ? currentA(settled) / ah : 0,
    unit: 'C',
    label: 'Current ÷ capacity',
    basis: ORIGIN.si,
    working: {
      formula: ah > 0 ? '{amps} ÷ {ah}' : 'no store, no rate',
      inputs: [refer('amps', 'peak.current'), refer('ah', 'store.ah')],
      note: 'Common practice: up to 1 C for LFP, or what its management allows; 0.25 C for lead.',
    },
  };
}
