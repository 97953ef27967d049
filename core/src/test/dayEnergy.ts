import type { Load } from '../job/schema.ts';

/** Wh a day of one piece, by hand: power × time of its runs, phase by phase, duty and all. For tests only. */
export function buildDay({ draw, uses }: Load): number {
  const hours = uses.reduce((sum, { minutes }) => sum + minutes, 0) / 60;
  if (draw.kind === 'standby') return draw.powerW * 24;
  if (draw.kind === 'steady') return draw.powerW * hours;
  if (draw.kind === 'thermostatic') return draw.runningW * draw.duty * hours;
  if (draw.kind !== 'cycle') return Number.NaN;
  const once = draw.phases.reduce((sum, { powerW, minutes }) => sum + (powerW * (minutes ?? 0)) / 60, 0);
  return once * uses.length;
}
