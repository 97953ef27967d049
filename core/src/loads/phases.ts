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
export function withPhases(load: Load, phases: Phases): Pick<Load, 'draw' | 'runs'> {
  const { fixedMin, stretches } = cycleLength(phases);
  const length = (run: Run) => (stretches ? Math.max(run.minutes, fixedMin) : fixedMin);
  const runs = load.runs.map((run) => ({ ...run, minutes: Math.min(MINUTES_PER_DAY, length(run)) }));
  const draw = { kind: 'cycle' as const, phases: [...phases] };
  if (!overlappingRun(runs)) return { draw, runs };
  const longest = Math.max(...runs.map((run) => run.minutes));
  return { draw, runs: spreadRuns(Math.max(1, Math.min(runs.length, Math.floor(MINUTES_PER_DAY / longest))), longest) };
}
