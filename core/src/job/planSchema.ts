import { idOrNull, inRangeOrNull, object, oneOf, whole } from './schemaParts.ts';
import { PLAN_KINDS } from './values.ts';

/** Some days of a kind, one after the other. */
export const PlanStretch = object(
  {
    kind: oneOf(PLAN_KINDS, 'kind of day'),
    days: whole('stretch.days', 'how many of them'),
    driveH: inRangeOrNull('stretch.driveH', 'h of driving on each, of driving days; null = as the brief says'),
    supply: idOrNull('the supply, of days on one; null of all others'),
    hours: inRangeOrNull('stretch.hours', 'h of that supply on each; null = its own hours'),
  },
  'some days of a kind',
);
