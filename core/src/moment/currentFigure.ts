import type { Job } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { chainOf } from '../paths/chain.ts';
import type { Inverter } from '../paths/ledger.ts';
import type { FigureBook } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';
import { heaviestSet } from './heaviestSet.ts';

/**
 * The current the store must deliver at its worst moment, A: the heaviest admissible set of all loads, the
 * inverter's own loss included. The set is found with each inverter load weighted by its linear loss; the
 * inverter's loss is then taken from its curve.
 */
export function recordPeakCurrent(
  book: FigureBook,
  profiles: readonly LoadProfile[],
  inverter: Inverter | null,
  neverTogether: Job['neverTogether'],
  nominalV: number,
): void {
  const drawn = profiles.map(({ load, runningW }) => {
    const chain = chainOf(load);
    return { id: load.id, weight: runningW / chain.efficiency, ac: chain.usesInverter };
  });
  const c1 = inverter?.curve.c1 ?? 0;
  const set = heaviestSet(
    drawn.map(({ id, weight, ac }) => ({ id, weight: ac ? weight * (1 + c1) : weight })),
    neverTogether,
  );
  const running = drawn.filter(({ id }) => set.ids.includes(id));
  const sum = (ac: boolean) => running.reduce((total, load) => total + (load.ac === ac ? load.weight : 0), 0);
  const dcW = sum(false);
  const acW = sum(true);
  const lossW = inverter
    ? inverter.ratingW * inverter.curve.c0 + acW * (inverter.curve.c1 + (inverter.curve.c2 * acW) / inverter.ratingW)
    : 0;
  book.set('peak.current', {
    value: (dcW + acW + lossW) / nominalV,
    unit: 'A',
    label: 'From the store at that moment',
    basis: ORIGIN.si,
    working: {
      formula: '({dc} + {ac} + {loss}) ÷ {volts}',
      inputs: [
        { symbol: 'dc', label: 'Loads on the bus', value: dcW, unit: 'W', origin: ORIGIN.computed },
        { symbol: 'ac', label: 'Loads on the inverter', value: acW, unit: 'W', origin: ORIGIN.computed },
        { symbol: 'loss', label: 'Inverter’s own loss', value: lossW, unit: 'W', origin: ORIGIN.schmidtSauer },
        { symbol: 'volts', label: 'Nominal voltage', value: nominalV, unit: 'V', origin: ORIGIN.practiceRecalled },
      ],
      note: 'At a low battery the voltage is lower and the current higher: size cables and fuses with a margin.',
    },
  });
}
