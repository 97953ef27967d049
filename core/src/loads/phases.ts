import { cycleLength } from '../job/draw.ts';
import { overlappingUse } from '../job/overlap.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { spreadUses } from './uses.ts';

type Phases = Extract<Draw, { kind: 'cycle' }>['phases'];

/**
 * The draw and uses of a load with other phases: uses are as long as fixed phases, or at least as long when one
 * phase fills the rest. Runs that would then meet are spread anew; as many as a day holds are kept.
 */
export function withPhases(load: Load, phases: Phases): Pick<Load, 'draw' | 'uses' | 'variants'> {
  return {
    draw: { kind: 'cycle', phases: [...phases] },
    uses: fitted(load.uses, phases),
    variants: load.variants.map(({ on, uses }) => ({ on, uses: fitted(uses, phases) })),
  };
}

function fitted(old: readonly Use[], phases: Phases): Use[] {
  const { fixedMin, stretches } = cycleLength(phases);
  const length = (use: Use) => (stretches ? Math.max(use.minutes, fixedMin) : fixedMin);
  const uses = old.map((use) => ({ ...use, minutes: Math.min(MINUTES_PER_DAY, length(use)) }));
  if (!overlappingUse(uses)) return uses;
  const longest = Math.max(...uses.map((use) => use.minutes));
  return spreadUses(Math.max(1, Math.min(uses.length, Math.floor(MINUTES_PER_DAY / longest))), longest);
}
