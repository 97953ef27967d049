import type { FittedStore } from '../store/model.ts';
import { passageOf } from '../store/passage.ts';
import { type DayStore, dayStore } from './dayAtStore.ts';
import { type DayIncome, dayIncome } from './dayIncome.ts';
import { storeDriftWh } from './drift.ts';
import type { Source } from './source.ts';

/** Days after which one that still drifts is taken as it is. */
const MOST_DAYS = 40;
/** Wh of store between one midnight and the next that is no drift. */
const SETTLED_WH = 0.01;

/**
 * A day as it is once many like it have gone by: with income enough the store is full at some time of it, with less it
 * is empty at some time. What is spilled and what goes unserved of it is so of every such day.
 * @param play `simulateDay`, or `traceDay` where its state of charge is looked at
 */
export function steadyDay<Played extends { readonly endWh: number }>(
  fitted: FittedStore,
  busW: Float64Array,
  sources: readonly Source[],
  play: (store: DayStore, startWh: number, busW: Float64Array, income: DayIncome) => Played,
): Played {
  const store = dayStore(fitted);
  const income = dayIncome(sources);
  const gains = storeDriftWh(busW, income, passageOf(fitted.option.system)) >= 0;
  let startWh = gains ? store.model.fullWh : store.floorWh;
  let day = play(store, startWh, busW, income);
  for (let n = 1; n < MOST_DAYS && Math.abs(day.endWh - startWh) >= SETTLED_WH; n++) {
    startWh = day.endWh;
    day = play(store, startWh, busW, income);
  }
  return day;
}
