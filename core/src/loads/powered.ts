import { runningPowerW, withRunningPower } from '../job/draw.ts';
import type { Draw } from '../job/schema.ts';
import type { Match } from '../reference/appliances.ts';
import { NAMEPLATE } from '../reference/nameplates.ts';

/** W of heat that a room's machine moves at least and at most, as the schema has it. */
const LEAST_ROOM_W = 50;
const MOST_ROOM_W = 30_000;

/** Whether these watts are too few or too many for what a type does to a room: then it is some other thing. */
const isNoRoom = (draw: Draw, watts: number): boolean =>
  draw.kind === 'room' && (watts * draw.cop < LEAST_ROOM_W || watts * draw.cop > MOST_ROOM_W);

/** Types that may be meant by so many watts. */
export const bearing = (types: readonly Match[], watts: number | null): Match[] =>
  types.filter(({ appliance }) => watts === null || watts <= 0 || !isNoRoom(appliance.draw, watts));

/**
 * The draw of a type with the watts or the cooling that were typed or stand on a label.
 * @param highW what the type takes at most as a rule; of what glows before it runs that is said of the running
 */
export function poweredDraw(
  draw: Draw,
  { powerW, coolingW }: { readonly powerW: number | null; readonly coolingW: number | null },
  highW: number | null,
): Draw {
  if (coolingW !== null && draw.kind === 'room') {
    const cop = powerW === null ? draw.cop : Math.min(8, Math.max(0.5, coolingW / powerW));
    return { ...draw, capacityW: coolingW, cop };
  }
  const watts = powerW ?? (coolingW === null ? null : coolingW / NAMEPLATE.coolingPerInput.value);
  if (watts === null) return draw;
  if (isNoRoom(draw, watts)) return { kind: 'steady', powerW: watts };
  const powered = withRunningPower(draw, watts);
  if (draw.kind !== 'cycle' || powered.kind !== 'cycle' || highW === null || runningPowerW(draw) <= highW)
    return powered;
  return {
    ...powered,
    phases: powered.phases.map((phase) => (phase.minutes === null ? { ...phase, powerW: watts } : phase)),
  };
}
