import { type Cabled, type Fitted, sourceLeads } from '../runs/fitted.ts';
import { type LaidRuns, layRuns } from '../runs/laid.ts';
import type { Settled } from './settle.ts';

/** An option with its sizes settled, as its cables see it. */
export function asCabled(settled: Settled): Cabled {
  const { job, option, profiles, slices, coincidence, inverters, feeds, store, nominalV, solar, driving } = settled;
  const fitted: Fitted = {
    job,
    option,
    profiles,
    slices,
    coincidence,
    inverters,
    feeds,
    sources: sourceLeads(option.system, settled.brief, {
      arrays: solar.arrays,
      links: driving.links.map(({ link }) => link),
      sources: settled.sources,
    }),
    bank: null,
  };
  const bank = {
    ah: store.ah,
    nominalV,
    resistanceOhm: store.resistanceOhm,
    reserveSoc: store.factors.levels.cutOffSoc,
  };
  return { ...fitted, bank };
}

/** The runs of an option, laid or proposed, with all that follows from them. */
export const runsOf = (settled: Settled): LaidRuns => layRuns(asCabled(settled), settled.bus);
