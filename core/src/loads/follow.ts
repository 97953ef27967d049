import type { Draw, Load, Use } from '../job/schema.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { coldLine, type DutyLine } from './duty.ts';
import { roomLine } from './room.ts';
import { minutesPerDay } from './uses.ts';
import { waterWhPerK } from './water.ts';

/** How a load follows the weather. */
export interface Follow extends DutyLine {
  /** °C below which it does not get around it: a fridge stands inside. */
  readonly leastC: number;
  /** Whether it goes by the day's mean temperature, as cold water does, and not by the hour's. */
  readonly byDay: boolean;
}

/**
 * A load's duty as a line in the weather, or null where it draws the same in any. Cold water follows the day's mean
 * temperature from what it is taken to be in the month designed for.
 * @param meanC °C, mean of the month for which the rise of its water is said
 */
export function followOf(load: Load, uses: readonly Use[], meanC: number): Follow | null {
  const draw: Draw = load.draw;
  if (load.path === 'supply-only') return null;
  // A heater on fuel draws its fan and pump for as long as the room asks for heat.
  if (load.path === 'fuel' && draw.kind !== 'room') return null;
  if (draw.kind === 'thermostatic') return { ...coldLine(draw), leastC: DEFAULT.livedInC.value, byDay: false };
  if (draw.kind === 'room') return { ...roomLine(draw), leastC: Number.NEGATIVE_INFINITY, byDay: false };
  if (draw.kind !== 'water-heating') return null;
  const fullWh = (draw.powerW * minutesPerDay(uses)) / 60;
  if (!(fullWh > 0)) return null;
  const perK = -waterWhPerK(draw) / fullWh;
  return { base: -perK * (draw.riseK + meanC), perK, perWm2: 0, leastC: Number.NEGATIVE_INFINITY, byDay: true };
}
