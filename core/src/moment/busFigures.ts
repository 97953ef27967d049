import type { FigureBook, Origin, WorkingInput } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { BusMoment } from './busMoment.ts';

/** Records what the store must give at the worst moment of all loads; its C-rate once the store is known. */
export function recordBus(book: FigureBook, moment: BusMoment, nominalV: number): void {
  const input = (symbol: string, label: string, value: number, origin: Origin): WorkingInput => ({
    symbol,
    label,
    value,
    unit: 'W',
    origin,
  });
  book.set('peak.bus', {
    value: moment.weight,
    unit: 'W',
    label: 'Worst moment at the store',
    basis: ORIGIN.practice,
    working: {
      formula: moment.isProved
        ? '{dc} + {through} + {loss}'
        : 'at most: the heaviest found is this, the search was cut short',
      inputs: [
        input('dc', 'Loads on the bus', moment.directW, ORIGIN.computed),
        input('through', 'Loads through inverters and converters', moment.throughW, ORIGIN.computed),
        input('loss', 'Their own loss', moment.lossW, ORIGIN.schmidtSauer),
      ],
      note: `The heaviest set of all loads that may coincide: ${moment.ids.length} of them.`,
    },
  });
  book.set('peak.current', {
    value: moment.weight / nominalV,
    unit: 'A',
    label: 'From the store at that moment',
    basis: ORIGIN.si,
    working: {
      formula: '{bus} ÷ {volts}',
      inputs: [
        book.input('bus', 'peak.bus'),
        { symbol: 'volts', label: 'Nominal voltage', value: nominalV, unit: 'V', origin: ORIGIN.practiceRecalled },
      ],
      note: 'At a low battery the voltage is lower and the current higher: size cables and fuses with a margin.',
    },
  });
}

/** How hard that is on the store: A for each Ah. */
export function recordCRate(book: FigureBook): void {
  const ah = book.value('store.ah');
  book.set('peak.crate', {
    value: ah > 0 ? book.value('peak.current') / ah : 0,
    unit: 'C',
    label: 'Current ÷ capacity',
    basis: ORIGIN.si,
    working: {
      formula: ah > 0 ? '{amps} ÷ {ah}' : 'no store, no rate',
      inputs: [book.input('amps', 'peak.current'), book.input('ah', 'store.ah')],
      note: 'Common practice: up to 1 C for LFP, or what its management allows; 0.25 C for lead.',
    },
  });
}
