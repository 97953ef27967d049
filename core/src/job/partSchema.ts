import { type TSchema, Type } from '@sinclair/typebox';
import { PART_FIELDS, PART_KINDS, type Part, type PartField, type PartKind } from './partFields.ts';
import { number, object, oneKindOf, oneOf, orNull, text } from './schemaParts.ts';
import { CHEMISTRIES, CONTROLLERS } from './values.ts';

/** The schema of a part of the firm's list, made from the table of its fields. */
function schemaOf(kind: PartKind): TSchema {
  const said = (key: PartField) => {
    const { label, unit, min, max } = PART_FIELDS[key];
    return [min, max, `${label}, ${unit || 'a number'}`] as const;
  };
  const { must, may } = PART_KINDS[kind];
  return object({
    kind: Type.Literal(kind),
    name: text(60, 'what it is called', 1),
    ...(kind === 'battery' ? { chemistry: oneOf(CHEMISTRIES, 'battery chemistry') } : {}),
    ...(kind === 'controller' ? { type: oneOf(CONTROLLERS, 'seeks the best point, or joins straight') } : {}),
    ...Object.fromEntries(must.map((key) => [key, number(...said(key))])),
    ...Object.fromEntries(may.map((key) => [key, orNull(...said(key))])),
  });
}

export const PartSchema = Type.Unsafe<Part>(
  oneKindOf(
    (Object.keys(PART_KINDS) as PartKind[]).map(schemaOf),
    'a part of the firm’s list; what is not known of it is null',
  ),
);
