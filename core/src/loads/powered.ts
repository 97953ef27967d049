import { withRunningPower } from '../job/draw.ts';
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

/** The draw of a type with the watts or the cooling that were typed or stand on a label. */
export function poweredDraw(
  draw: Draw,
  { powerW, coolingW }: { readonly powerW: number | null; readonly coolingW: number | null },
): Draw {
  if (coolingW !== null && draw.kind === 'room') {
    const cop = powerW === null ? draw.cop : Math.min(8, Math.max(0.5, coolingW / powerW));
    return { ...draw, capacityW: coolingW, cop };
  }
  const watts = powerW ?? (coolingW === null ? null : coolingW / NAMEPLATE.coolingPerInput.value);
  if (watts === null) return draw;
  return isNoRoom(draw, watts) ? { kind: 'steady', powerW: watts } : withRunningPower(draw, watts);
}
