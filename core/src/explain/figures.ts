import { bind, type Figure } from '../quantity/figure.ts';
import type { LaidRuns } from '../runs/laid.ts';
import type { Settled } from '../settle/settle.ts';
import { explainArrays } from './arrays.ts';
import { explainBus } from './bus.ts';
import { explainDemand } from './demand.ts';
import { explainDriving } from './driving.ts';
import { explainInverters } from './inverter.ts';
import { explainLosses } from './loss.ts';
import { explainMass } from './mass.ts';
import { explainRuns } from './runs.ts';
import { explainStore } from './store.ts';
import { explainSun } from './sun.ts';
import { explainSupplies } from './supply.ts';

const familiesOf = (settled: Settled, runs: LaidRuns | null) => [
  explainDemand(settled),
  explainLosses(settled),
  explainInverters(settled),
  explainBus(settled),
  explainSupplies(settled),
  explainStore(settled),
  explainDriving(settled),
  explainSun(settled),
  explainArrays(settled),
  explainRuns(settled, runs),
  explainMass(settled),
];

/** As the families declare them. */
type Families = ReturnType<typeof explainDemand> &
  ReturnType<typeof explainLosses> &
  ReturnType<typeof explainInverters> &
  ReturnType<typeof explainBus> &
  ReturnType<typeof explainSupplies> &
  ReturnType<typeof explainStore> &
  ReturnType<typeof explainDriving> &
  ReturnType<typeof explainSun> &
  ReturnType<typeof explainArrays> &
  ReturnType<typeof explainRuns> &
  ReturnType<typeof explainMass>;

/** `store.required` of what there is once, `supply[shore].limit` of what there may be several of. */
export type FigureId = keyof Families;

/** Every figure of an option; of what there may not be, only what there is. */
export type Figures = { readonly [Id in keyof Families]: Figure<FigureId> };

/** Writes the working of every figure from what is settled; settles nothing itself. */
export const explain = (settled: Settled, runs: LaidRuns | null): Figures =>
  bind(...familiesOf(settled, runs)) as Figures;
