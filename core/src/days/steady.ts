import type { Settled } from '../settle/settle.ts';
import { type DayIncome, dayIncome } from '../sources/dayIncome.ts';
import { storeDriftWh } from '../sources/drift.ts';
import type { Source } from '../sources/source.ts';
import { passageOf } from '../store/passage.ts';
import { type DayStore, dayEndWh, dayStore } from './simulate.ts';

/** Days after which one that still drifts is taken as it is. */
const MOST_DAYS = 40;
/** Wh of store between one midnight and the next that is no drift. */
const SETTLED_WH = 0.01;

/**
 * A day as it is once many like it have gone by: with income enough the store is full at some time of it, with less it
 * is empty at some time. What is spilled and what goes unserved of it is so of every such day.
 * @param play `simulateDay`, or `traceDay` where its state of charge is looked at
 */
export function steadyDay<Played>(
  settled: Pick<Settled, 'store' | 'option'>,
  busW: Float64Array,
  sources: readonly Source[],
  play: (store: DayStore, startWh: number, busW: Float64Array, income: DayIncome) => Played,
): Played {
  const store = dayStore(settled);
  const income = dayIncome(sources);
  const gains = storeDriftWh(busW, income, passageOf(settled.option.system)) >= 0;
  let startWh = gains ? store.model.fullWh : store.floorWh;
  for (let day = 1; day < MOST_DAYS; day++) {
    const endWh = dayEndWh(store, startWh, busW, income);
    if (Math.abs(endWh - startWh) < SETTLED_WH) break;
    startWh = endWh;
  }
  return play(store, startWh, busW, income);
}
