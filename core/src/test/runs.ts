import type { Job, Load, Run, System } from '../job/schema.ts';
import { blankRun } from '../runs/propose.ts';
import { aJob, aLoad, withSystem } from './jobs.ts';

/** A bank, its main run and one lead to the only load of the job: 50 mm² with 250 A, then as each test says. */
export const oneLead = (
  load: Partial<Load> & { readonly watts?: number; readonly hours?: number },
  lead: Partial<Run>,
  { main = {}, ah = 100, busVoltageV = 12 as 12 | 24, more = [] as readonly Partial<Load>[] } = {},
): Job => {
  const job = aJob([aLoad(load), ...more.map((one) => aLoad(one))]);
  return withSystem(job, {
    busVoltageV,
    store: { capacityAh: ah },
    array: { ratingW: 0 },
    dcdc: { ratingA: 0 },
    runs: [
      aRun('main', 'busbar', { areaMm2: 50, lengthM: 0.5, ratingA: 250, fuseAtM: 0.2, ...main }),
      aRun('lead', 'loads', { from: 'main', loads: ['load-0'], lengthM: 4, areaMm2: 4, ratingA: 15, ...lead }),
    ],
  });
};

export const aRun = (id: string, end: Run['end'], change: Partial<Run> = {}): Run => ({
  ...blankRun(id, id, null, end),
  joints: 0,
  ...change,
});

/** The job with its runs put in the place of what was proposed. */
export const withRuns = (job: Job, runs: System['runs']): Job => withSystem(job, { runs });
