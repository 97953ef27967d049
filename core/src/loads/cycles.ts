import { runningPowerW } from '../job/draw.ts';
import type { Draw } from '../job/schema.ts';

export type Cycle = Extract<Draw, { kind: 'cycle' }>;
type Phase = Cycle['phases'][number];

/** Share of the strongest phase from which a phase is what the cycle heats with. From memory. */
const STRONG = 0.5;
/** Minutes that are no rest. */
const SLIGHT_MIN = 1e-6;

const minutesOf = (phases: readonly Phase[]): number => phases.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0);
const energyWh = (phases: readonly Phase[]): number =>
  phases.reduce((sum, { powerW, minutes }) => sum + (powerW * (minutes ?? 0)) / 60, 0);

/** What a cycle heats with, and what takes little of it. */
function parts(draw: Cycle): { readonly isWeak: (phase: Phase) => boolean; strong: Phase[]; weak: Phase[] } {
  const most = runningPowerW(draw);
  const isWeak = ({ powerW }: Phase) => powerW < STRONG * most;
  return { isWeak, strong: draw.phases.filter((phase) => !isWeak(phase)), weak: draw.phases.filter(isWeak) };
}

/** Shares of its usual energy that a cycle of a type may take. From memory. */
const LEAST_SHARE = 0.1;
const MOST_SHARE = 4;

/** A cycle that takes so many Wh a run: its phases last as long as that needs. Null where it is nothing like it. */
export function cycleTaking(draw: Cycle, useWh: number): Cycle | null {
  const fixedWh = draw.phases.reduce((sum, { powerW, minutes }) => sum + (powerW * (minutes ?? 0)) / 60, 0);
  if (draw.phases.some(({ minutes }) => minutes === null) || fixedWh <= 0) return draw;
  const share = useWh / fixedWh;
  if (share > MOST_SHARE || share < LEAST_SHARE) return null;
  return { ...draw, phases: draw.phases.map((phase) => ({ ...phase, minutes: (phase.minutes ?? 0) * share })) };
}

const stretched = (draw: Cycle, factor: (phase: Phase) => number): Cycle => ({
  ...draw,
  phases: draw.phases.map((phase) =>
    phase.minutes === null ? phase : { ...phase, minutes: phase.minutes * factor(phase) },
  ),
});

/**
 * A cycle of fixed phases that lasts so long: what takes little of it takes up the difference; all of it grows or shrinks
 * where that is not enough. @param minutes of the whole, above 0
 */
export function cycleLasting(draw: Cycle, minutes: number): Cycle {
  const { isWeak, strong, weak } = parts(draw);
  const rest = minutes - minutesOf(strong);
  if (weak.length > 0 && rest > 0) return stretched(draw, (phase) => (isWeak(phase) ? rest / minutesOf(weak) : 1));
  return stretched(draw, () => minutes / minutesOf(draw.phases));
}

/**
 * A cycle that takes so much and lasts so long: it heats for longer or shorter, and what takes little of it takes up the
 * rest. Null where it would have to take more than its watts. @param useWh of one run, Wh @param minutes of it
 */
export function cycleIn(draw: Cycle, useWh: number, minutes: number): Cycle | null {
  const { isWeak, strong, weak } = parts(draw);
  const weakMin = minutesOf(weak);
  const weakW = weakMin > 0 ? (energyWh(weak) * 60) / weakMin : 0;
  const heats = (useWh - (weakW * minutes) / 60) / (energyWh(strong) - (weakW * minutesOf(strong)) / 60);
  const rest = minutes - heats * minutesOf(strong);
  if (weakMin > 0 && heats > 0 && rest > 0) return stretched(draw, (phase) => (isWeak(phase) ? rest / weakMin : heats));
  // So little that not even what takes little goes on for all of it: then it rests.
  const scaled = cycleTaking(draw, useWh);
  const restMin = scaled ? minutes - minutesOf(scaled.phases) : -1;
  if (!scaled || restMin < -SLIGHT_MIN) return null;
  if (restMin <= SLIGHT_MIN) return scaled;
  return { ...scaled, phases: [...scaled.phases, { label: 'Rest', powerW: 0, minutes: restMin, startRatio: null }] };
}
