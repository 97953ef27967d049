import { cycleLength } from '../job/draw.ts';
import { overlappingRun } from '../job/overlap.ts';
import type { Draw, Load, Run } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { spreadRuns } from './runs.ts';

type Phases = Extract<Draw, { kind: 'cycle' }>['phases'];

/**
 * The draw and runs of a load with other phases: runs are as long as fixed phases, or at least as long when one
 * phase fills the rest. Runs that would then meet are spread anew; as many as a day holds are kept.
 */
export function withPhases(load: Load, phases: Phases): Pick<Load, 'draw' | 'runs' | 'variants'> {
  return {
    draw: { kind: 'cycle', phases: [...phases] },
    runs: fitted(load.runs, phases),
    variants: load.variants.map(({ on, runs }) => ({ on, runs: fitted(runs, phases) })),
  };
}

function fitted(old: readonly Run[], phases: Phases): Run[] {
  const { fixedMin, stretches } = cycleLength(phases);
  const length = (run: Run) => (stretches ? Math.max(run.minutes, fixedMin) : fixedMin);
  const runs = old.map((run) => ({ ...run, minutes: Math.min(MINUTES_PER_DAY, length(run)) }));
  if (!overlappingRun(runs)) return runs;
  const longest = Math.max(...runs.map((run) => run.minutes));
  return spreadRuns(Math.max(1, Math.min(runs.length, Math.floor(MINUTES_PER_DAY / longest))), longest);
}
