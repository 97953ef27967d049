import type { Device, Job } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { chainOf } from '../paths/chain.ts';
import type { Feed } from '../paths/feed.ts';
import type { FigureBook } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';
import { heaviestSet } from './heaviestSet.ts';

/**
 * The current the store must deliver at its worst moment, A: the heaviest admissible set of all loads, the
 * devices' own losses included. The set is found with each load weighted by its device's linear loss; the
 * loss is then taken from the curve.
 */
export function recordPeakCurrent(
  book: FigureBook,
  profiles: readonly LoadProfile[],
  devices: readonly Device[],
  feeds: readonly Feed[],
  neverTogether: Job['neverTogether'],
  nominalV: number,
): void {
  const drawn = profiles.flatMap(({ load, runningW }) => {
    const chain = chainOf(load, devices);
    if (!chain.fromBus) return [];
    const feed = feeds.find(({ device }) => device.id === chain.device?.id) ?? null;
    const powerW = load.path === 'fuel' ? load.residueW * load.quantity : runningW;
    return [{ id: load.id, weight: powerW / chain.efficiency, feed }];
  });
  const set = heaviestSet(
    drawn.map(({ id, weight, feed }) => ({ id, weight: weight * (1 + (feed?.curve.c1 ?? 0)) })),
    neverTogether,
  );
  const running = drawn.filter(({ id }) => set.ids.includes(id));
  const sum = (on: Feed | null) => running.reduce((total, load) => total + (load.feed === on ? load.weight : 0), 0);
  const dcW = sum(null);
  const fed = feeds.map((feed) => ({ feed, outW: sum(feed) }));
  const acW = fed.reduce((total, { outW }) => total + outW, 0);
  const lossW = fed.reduce(
    (total, { feed: { ratingW, curve }, outW }) =>
      total + ratingW * curve.c0 + outW * (curve.c1 + (curve.c2 * outW) / ratingW),
    0,
  );
  book.set('peak.current', {
    value: (dcW + acW + lossW) / nominalV,
    unit: 'A',
    label: 'From the store at that moment',
    basis: ORIGIN.si,
    working: {
      formula: '({dc} + {ac} + {loss}) ÷ {volts}',
      inputs: [
        { symbol: 'dc', label: 'Loads on the bus', value: dcW, unit: 'W', origin: ORIGIN.computed },
        {
          symbol: 'ac',
          label: 'Loads through inverters and converters',
          value: acW,
          unit: 'W',
          origin: ORIGIN.computed,
        },
        { symbol: 'loss', label: 'Their own loss', value: lossW, unit: 'W', origin: ORIGIN.schmidtSauer },
        { symbol: 'volts', label: 'Nominal voltage', value: nominalV, unit: 'V', origin: ORIGIN.practiceRecalled },
      ],
      note: 'At a low battery the voltage is lower and the current higher: size cables and fuses with a margin.',
    },
  });
}
