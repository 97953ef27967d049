import type { Load } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { usualStartSeconds } from '../reference/starts.ts';

/** How one piece of a load starts. */
export interface Start {
  /** Starting power ÷ running power. */
  readonly ratio: number;
  /** s it lasts. */
  readonly seconds: number;
}

/** A start of one piece, W at its own terminals: what it draws as it starts, and how much more for a moment. */
export interface StartStep {
  readonly runningW: number;
  readonly extraW: number;
}

/** A soft starter holds the ratio down and draws the start out. */
export function startOf(load: Pick<Load, 'startRatio' | 'startSeconds' | 'softStart'>): Start {
  const ratio = softened(load, load.startRatio);
  const usual = load.softStart ? DEFAULT.softStartSeconds.value : usualStartSeconds(load.startRatio);
  return { ratio, seconds: load.startSeconds ?? usual };
}

const softened = ({ softStart }: Pick<Load, 'softStart'>, ratio: number): number =>
  softStart ? Math.min(ratio, DEFAULT.softStartRatio.value) : ratio;

/**
 * How one piece starts, by what it draws meanwhile; none where nothing starts. In phases each switches on what is its own:
 * a washer's drum starts beside its heater no harder than by itself, and what a weaker phase starts may come to more than
 * the strongest one runs on.
 */
export function startSteps({ load, runningW }: Pick<LoadProfile, 'load' | 'runningW'>): readonly StartStep[] {
  const { draw, path, startRatio, quantity } = load;
  const steps =
    draw.kind === 'cycle' && path !== 'fuel'
      ? draw.phases.map(({ powerW }) => {
          const reached = draw.phases
            .filter((phase) => phase.powerW <= powerW)
            .map((phase) => phase.powerW * softened(load, phase.startRatio ?? startRatio));
          return { runningW: powerW, extraW: Math.max(...reached) - powerW };
        })
      : [{ runningW: runningW / quantity, extraW: (runningW / quantity) * (startOf(load).ratio - 1) }];
  return steps.filter(({ extraW }) => extraW > 0);
}

/** W that one piece draws for a moment beyond its strongest as it starts, at its own terminals; 0 = it starts no harder. */
export function startExtraW(profile: Pick<LoadProfile, 'load' | 'runningW'>): number {
  const reached = startSteps(profile).map(({ runningW, extraW }) => runningW + extraW);
  return Math.max(0, ...reached.map((w) => w - profile.runningW / profile.load.quantity));
}

/** W more that one piece may draw as it starts while it draws so many. */
export function startExtraAt(profile: Pick<LoadProfile, 'load' | 'runningW'>, pieceW: number): number {
  const step = startSteps(profile).find(({ runningW }) => isSameW(runningW, pieceW));
  return step?.extraW ?? 0;
}

/** Whether two W are of the same phase. */
export const isSameW = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-9 * Math.max(a, b, 1);
