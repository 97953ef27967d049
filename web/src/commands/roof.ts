import { freeId, type Job, layOut, type PlacedPanel, type Roof, type System } from '@joulemetric/core';
import { changeBrief, changeOption } from './design.ts';
import type { Edit } from './loads.ts';

/** Edits of the roof and of what lies on it. */

const MOST_OBSTACLES = 24;

export const changeRoof = (roof: Job['brief']['roof']): Edit => changeBrief({ roof });

/** Something in the way, half a metre square, in the middle. */
export const addObstacle =
  (roof: Roof): Edit =>
  (job) => {
    if (roof.obstacles.length >= MOST_OBSTACLES) return job;
    const id = freeId(
      'hatch',
      roof.obstacles.map((one) => one.id),
    );
    const size = { lengthM: Math.min(0.4, roof.lengthM), widthM: Math.min(0.4, roof.widthM) };
    const middle = { xM: (roof.lengthM - size.lengthM) / 2, yM: (roof.widthM - size.widthM) / 2 };
    return changeRoof({ ...roof, obstacles: [...roof.obstacles, { id, name: 'Hatch', ...middle, ...size }] })(job);
  };

const changePlaces = (optionId: string, change: (system: System) => readonly PlacedPanel[]): Edit =>
  changeOption(optionId, (option) => ({ ...option, system: { ...option.system, roof: [...change(option.system)] } }));

const isSame = (a: PlacedPanel, b: Pick<PlacedPanel, 'array' | 'group' | 'index'>): boolean =>
  a.array === b.array && a.group === b.group && a.index === b.index;

/** Lays a panel there, or takes it off the roof. */
export const placePanel = (
  optionId: string,
  panel: Pick<PlacedPanel, 'array' | 'group' | 'index'>,
  place: Pick<PlacedPanel, 'xM' | 'yM' | 'turned'> | null,
): Edit =>
  changePlaces(optionId, ({ roof }) => [
    ...roof.filter((one) => !isSame(one, panel)),
    ...(place ? [{ array: panel.array, group: panel.group, index: panel.index, ...place }] : []),
  ]);

/** Lays down what has no place yet, where there is room. */
export const layAllOut = (optionId: string, roof: Roof): Edit =>
  changePlaces(optionId, (system) => layOut(roof, system));
