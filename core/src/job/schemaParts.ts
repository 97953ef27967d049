import { type Static, type TSchema, Type } from '@sinclair/typebox';
import { type FieldKey, rangeOf } from '../terms/fields.ts';
import { ID_PATTERN } from './values.ts';

/** The pieces that the schema of a job file is put together from. */

/** No control characters (PostgreSQL refuses NUL) and no lone surrogates. */
const TEXT_PATTERN = '^[^\\p{Cc}\\p{Cs}]*$';
export const text = (maxLength: number, description: string, minLength = 0) =>
  Type.String({ minLength, maxLength, pattern: TEXT_PATTERN, description });
export const number = (minimum: number, maximum: number, description: string) =>
  Type.Number({ minimum, maximum, description });
export const oneOf = <const T extends readonly [string, ...string[]]>(values: T, description: string) =>
  Type.Unsafe<T[number]>({ type: 'string', enum: [...values], description });
export const oneNumberOf = <const T extends readonly [number, ...number[]]>(values: T, description: string) =>
  Type.Unsafe<T[number]>({ type: 'number', enum: [...values], description });
/** A number, or null for "the program works it out" (as one type, so that an error names the range, not a union). */
export const orNull = (minimum: number, maximum: number, description: string) =>
  Type.Unsafe<number | null>({ type: ['number', 'null'], minimum, maximum, description });
/** The number of a field, in the range that the catalogue of fields has for it. */
export const inRange = (field: FieldKey, description: string) => number(...rangeOf(field), description);
export const inRangeOrNull = (field: FieldKey, description: string) => orNull(...rangeOf(field), description);
/** A whole number of such a field. */
export const whole = (field: FieldKey, description: string) => {
  const [minimum, maximum] = rangeOf(field);
  return Type.Integer({ minimum, maximum, description });
};
/** What a part weighs and costs. */
export const bought = {
  kg: inRangeOrNull('part.kg', 'kg of it; null = not known'),
  price: inRangeOrNull('part.price', 'of it, in the currency of the region; null = not known'),
};
/** Twelve numbers, January first, or null for "not known". */
export const byMonth = (minimum: number, maximum: number, description: string) =>
  Type.Unsafe<readonly number[] | null>({
    type: ['array', 'null'],
    items: { type: 'number', minimum, maximum },
    minItems: 12,
    maxItems: 12,
    description: `${description}, January to December; null = not known month by month`,
  });
const YEAR_DAYS = 365;
/** Several figures for each day of a year of 365, 1 January first, or null. */
export const byDay = <K extends string>(
  columns: Readonly<Record<K, readonly [minimum: number, maximum: number, description: string]>>,
  description: string,
) =>
  Type.Unsafe<Readonly<Record<K, readonly number[]>> | null>({
    type: ['object', 'null'],
    additionalProperties: false,
    required: Object.keys(columns),
    properties: Object.fromEntries(
      Object.entries<readonly [number, number, string]>(columns).map(([key, [minimum, maximum, of]]) => [
        key,
        {
          type: 'array',
          items: { type: 'number', minimum, maximum },
          minItems: YEAR_DAYS,
          maxItems: YEAR_DAYS,
          description: of,
        },
      ]),
    ),
    description: `${description}; null = not known day by day`,
  });
export const object = <T extends Record<string, TSchema>>(properties: T, description?: string) =>
  Type.Object(properties, { additionalProperties: false, ...(description ? { description } : {}) });
/** One of several kinds, told by `kind`. `discriminator` lets Ajv complain only about the one chosen; others may ignore it. */
export const oneKindOf = <const T extends readonly TSchema[]>(kinds: T, description: string) =>
  Type.Unsafe<Static<T[number]>>({
    type: 'object',
    discriminator: { propertyName: 'kind' },
    required: ['kind'],
    oneOf: kinds,
    description,
  });
export const id = (description: string) => Type.String({ pattern: ID_PATTERN, description });
export const idOrNull = (description: string) =>
  Type.Unsafe<string | null>({ type: ['string', 'null'], pattern: ID_PATTERN, description });

const stretch = {
  startMin: number(0, 1439.999, 'start, minutes after local midnight'),
  minutes: Type.Number({ exclusiveMinimum: 0, maximum: 1440, description: 'length in minutes; may pass midnight' }),
};
export const Use = object(stretch, 'one stretch of use in the day');
export const Shading = object(
  { ...stretch, share: number(0, 1, 'share of the light that is taken meanwhile') },
  'one stretch of the day, by the clock, in which something stands in the light',
);
