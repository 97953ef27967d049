import { type Static, Type } from '@sinclair/typebox';
import { Load } from './loadSchema.ts';
import { number, object, oneOf, text } from './schemaParts.ts';
import { SCHEMA_VERSION } from './values.ts';

/** One unit of an appliance as it was measured. */
const Measured = object({
  on: Type.String({ pattern: '^\\d{4}-\\d{2}-\\d{2}$', description: 'the day, YYYY-MM-DD' }),
  value: number(1e-3, 1e6, 'of one piece: mean W while it is on, or Wh of a cycle'),
  unit: oneOf(['W', 'Wh'], 'of the value'),
  of: text(80, 'which unit it was, such as the vehicle'),
});

/** An entry of the firm's own catalogue: a load as it was measured, and the words it is found by. */
export const FirmApplianceSchema = object({
  schemaVersion: Type.Literal(SCHEMA_VERSION),
  name: text(120, 'what the firm calls it', 1),
  words: text(200, 'everyday words it is also found by'),
  load: Type.Composite([Load], { additionalProperties: false, description: 'the load as it is put into a job' }),
  measured: Type.Array(Measured, {
    maxItems: 100,
    description: 'units of it that were measured; its load is at their mean',
  }),
});

export type FirmAppliance = Static<typeof FirmApplianceSchema>;
