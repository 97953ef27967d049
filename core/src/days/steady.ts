import type { Settled } from '../settle/settle.ts';
import { type DayIncome, dayIncome } from '../sources/dayIncome.ts';
import { storeDriftWh } from '../sources/drift.ts';
import type { Source } from '../sources/source.ts';
import { passageOf } from '../store/passage.ts';
import {
  type DayAtStore,
  type DayStore,
  dayEndWh,
  dayStore,
  simulateDay,
  type TracedDay,
  traceDay,
} from './simulate.ts';

/** Days after which one that still drifts is taken as it is. */
const MOST_DAYS = 40;
/** Wh of store between one midnight and the next that is no drift. */
const SETTLED_WH = 0.01;

/**
 * How a day begins once many like it have gone by: with income enough the store is full at some time of it, with less it
 * is empty at some time.
 */
function steadyStart(
  settled: Pick<Settled, 'store' | 'option'>,
  busW: Float64Array,
  sources: readonly Source[],
): { readonly store: DayStore; readonly startWh: number; readonly income: DayIncome } {
  const store = dayStore(settled);
  const income = dayIncome(sources);
  const gains = storeDriftWh(busW, income, passageOf(settled.option.system)) >= 0;
  let startWh = gains ? store.model.fullWh : store.floorWh;
  for (let day = 1; day < MOST_DAYS; day++) {
    const endWh = dayEndWh(store, startWh, busW, income);
    if (Math.abs(endWh - startWh) < SETTLED_WH) break;
    startWh = endWh;
  }
  return { store, startWh, income };
}

/** Such a day: what is spilled and what goes unserved of it is so of every one like it. */
export function steadyDay(
  settled: Pick<Settled, 'store' | 'option'>,
  busW: Float64Array,
  sources: readonly Source[],
): DayAtStore {
  const { store, startWh, income } = steadyStart(settled, busW, sources);
  return simulateDay(store, startWh, busW, income);
}

/** The same with its state of charge minute by minute. */
export function steadyTrace(
  settled: Pick<Settled, 'store' | 'option'>,
  busW: Float64Array,
  sources: readonly Source[],
): TracedDay {
  const { store, startWh, income } = steadyStart(settled, busW, sources);
  return traceDay(store, startWh, busW, income);
}
