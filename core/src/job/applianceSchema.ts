import { type Static, Type } from '@sinclair/typebox';
import { Load } from './loadSchema.ts';
import { object, text } from './schemaParts.ts';
import { SCHEMA_VERSION } from './values.ts';

/** An entry of the firm's own catalogue: a load as it was measured, and the words it is found by. */
export const FirmApplianceSchema = object({
  schemaVersion: Type.Literal(SCHEMA_VERSION),
  name: text(120, 'what the firm calls it', 1),
  words: text(200, 'everyday words it is also found by'),
  load: Type.Composite([Load], { additionalProperties: false, description: 'the load as it is put into a job' }),
});

export type FirmAppliance = Static<typeof FirmApplianceSchema>;
