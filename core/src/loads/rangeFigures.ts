import type { FigureBook } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';
import { EVIDENCE_SPREAD, type EvidenceSummary } from './evidence.ts';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** Records the best and the worst case of the daily need. */
export function recordRange(book: FigureBook, { shares, lowWh, highWh }: EvidenceSummary): void {
  const record = (id: 'demand.low' | 'demand.high', value: number, label: string, side: 'below' | 'above') =>
    book.set(id, {
      value,
      unit: 'Wh/day',
      label,
      basis: ORIGIN.practice,
      working: {
        formula: `every load at its ${side === 'below' ? 'lowest' : 'highest'} at once`,
        inputs: Object.entries(EVIDENCE_SPREAD).map(([evidence, spread]) => ({
          symbol: evidence,
          label: `${evidence.replace('-', ' ')}: ${percent(spread[side])} ${side}`,
          value: shares[evidence as keyof typeof shares],
          unit: 'share',
          origin: ORIGIN.practice,
        })),
        note: 'The shares say how much of the day rests on each kind of figure. All loads at their limit at once is rare: the truth is likely nearer the middle.',
      },
    });
  record('demand.low', lowWh, 'Need, at the least', 'below');
  record('demand.high', highWh, 'Need, at the most', 'above');
}
