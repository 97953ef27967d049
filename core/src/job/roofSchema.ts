import { Type } from '@sinclair/typebox';
import { id, inRange, number, object, text } from './schemaParts.ts';

const onRoof = {
  xM: number(-5, 25, 'm from the front end of the roof, along it'),
  yM: number(-5, 10, 'm from its left side, across it'),
};

/** A roof seen from above: how large it is, and what is in the way. */
export const Roof = object(
  {
    lengthM: inRange('roof.lengthM', 'm from front to rear'),
    widthM: inRange('roof.widthM', 'm from side to side'),
    obstacles: Type.Array(
      object({
        id: id('unique on the roof'),
        name: text(40, 'such as "hatch" or "fan"', 1),
        ...onRoof,
        lengthM: inRange('obstacle.lengthM', 'm along the roof'),
        widthM: inRange('obstacle.widthM', 'm across it'),
      }),
      { maxItems: 24, description: 'what no panel may lie on' },
    ),
  },
  'the roof, seen from above',
);

/** Where panels lie: one entry for each panel, by its array, its group and its number in the group. */
export const Placed = Type.Array(
  object({
    array: id('its array'),
    group: id('its group of panels'),
    index: Type.Integer({ minimum: 0, maximum: 575, description: 'which of the group, 0 the first' }),
    ...onRoof,
    turned: Type.Boolean({ description: 'its long side lies across the roof' }),
  }),
  { maxItems: 200, description: 'panels laid on the roof; those that are not are yet to be placed' },
);
