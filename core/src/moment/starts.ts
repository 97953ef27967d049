import type { Load } from '../job/schema.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { usualStartSeconds } from '../reference/starts.ts';

/** How one piece of a load starts. */
export interface Start {
  /** Starting power ÷ running power. */
  readonly ratio: number;
  /** s it lasts. */
  readonly seconds: number;
}

/** A soft starter holds the ratio down and draws the start out. */
export function startOf(load: Pick<Load, 'startRatio' | 'startSeconds' | 'softStart'>): Start {
  const ratio = load.softStart ? Math.min(load.startRatio, DEFAULT.softStartRatio.value) : load.startRatio;
  const usual = load.softStart ? DEFAULT.softStartSeconds.value : usualStartSeconds(load.startRatio);
  return { ratio, seconds: load.startSeconds ?? usual };
}
