import { Type } from '@sinclair/typebox';
import { idOrNull, object, oneOf, orNull } from './schemaParts.ts';
import { PLAN_KINDS } from './values.ts';

/** Some days of a kind, one after the other. */
export const PlanStretch = object(
  {
    kind: oneOf(PLAN_KINDS, 'kind of day'),
    days: Type.Integer({ minimum: 1, maximum: 366, description: 'how many of them' }),
    driveH: orNull(0, 24, 'h of driving on each, of driving days; null = as the brief says'),
    supply: idOrNull('the supply, of days on one; null of all others'),
    hours: orNull(0, 24, 'h of that supply on each; null = its own hours'),
  },
  'some days of a kind',
);
