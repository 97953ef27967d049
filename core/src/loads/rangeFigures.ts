import type { Load } from '../job/schema.ts';
import type { FigureBook, WorkingInput } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';
import { EVIDENCE_SPREAD, type EvidenceSummary } from './evidence.ts';

/** How many loads the working names: what to measure first. */
const NAMED = 8;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** Records the best and the worst case of the daily need; their workings list what to measure first. */
export function recordRange(book: FigureBook, loads: readonly Load[], summary: EvidenceSummary): void {
  const { shares, lowWh, highWh, ranked } = summary;
  const byId = new Map(loads.map((load) => [load.id, load]));
  const record = (id: 'demand.low' | 'demand.high', value: number, label: string, side: 'below' | 'above') => {
    const widest = ranked.slice(0, NAMED).map(
      (doubt, i): WorkingInput => ({
        symbol: `load${i}`,
        label: `${i + 1}. ${byId.get(doubt.loadId)?.name ?? doubt.loadId}`,
        value: side === 'below' ? doubt.lowWh : doubt.highWh,
        unit: 'Wh',
        origin: { label: 'job', source: (byId.get(doubt.loadId)?.evidence ?? '').replace('-', ' ') },
      }),
    );
    const rests = Object.entries(EVIDENCE_SPREAD).map(
      ([evidence, spread]): WorkingInput => ({
        symbol: evidence,
        label: `Rests on ${evidence.replace('-', ' ')}, ${percent(spread[side])} ${side}`,
        value: shares[evidence as keyof typeof shares],
        unit: 'share',
        origin: ORIGIN.practice,
      }),
    );
    book.set(id, {
      value,
      unit: 'Wh/day',
      label,
      basis: ORIGIN.practice,
      working: {
        formula: `every load at its ${side === 'below' ? 'lowest' : 'highest'} at once`,
        inputs: [...widest, ...rests],
        note: 'The loads are listed by how much their doubt moves the day: measure them in this order. All loads at their limit at once is rare; the truth is likely nearer the middle.',
      },
    });
  };
  record('demand.low', lowWh, 'Need, at the least', 'below');
  record('demand.high', highWh, 'Need, at the most', 'above');
}
