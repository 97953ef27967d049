import { createHash } from 'node:crypto';
import { expect, it } from 'vitest';
import { LogSchema } from '../logbook/logSchema.ts';
import { LOG_VERSION } from '../logbook/logValues.ts';
import { FirmApplianceSchema } from './applianceSchema.ts';
import { PartSchema } from './partSchema.ts';
import { JobSchema } from './schema.ts';
import { SCHEMA_VERSION } from './values.ts';

/** The rules of a schema without its words: these may be written better at any time. */
function rulesOf(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(rulesOf);
  if (typeof schema !== 'object' || schema === null) return schema;
  return Object.fromEntries(
    Object.entries(schema)
      .filter(([key, value]) => !(key === 'description' && typeof value === 'string'))
      .map(([key, value]) => [key, rulesOf(value)]),
  );
}

const formOf = (schema: unknown): string =>
  createHash('sha256')
    .update(JSON.stringify(rulesOf(schema)))
    .digest('hex')
    .slice(0, 16);

/**
 * The form of each kind of file under its number. Whoever changes a form gives it the next number and a migration, and
 * adds its line here; a line that is there is never edited once released.
 */
const FORMS: Readonly<Record<string, Readonly<Record<number, string>>>> = {
  job: { 9: 'e58df24296fb5b82', 10: 'c4af08d140e6ef1e', 11: '489ec64462c9a045' },
  appliance: { 9: '770c083e471b1f70', 10: '00e9b0e1b4d7e46f', 11: '4de5e930e236b295' },
  log: { 1: '970f3c241239df13' },
  // Parts have no number of their own: they are filled up with what is not known, and change with the job's.
  part: { 9: '69396c7643b4493a', 10: 'fa9c0bae3ab13d77', 11: 'fa9c0bae3ab13d77' },
};

it.each([
  ['job', SCHEMA_VERSION, JobSchema],
  ['appliance', SCHEMA_VERSION, FirmApplianceSchema],
  ['log', LOG_VERSION, LogSchema],
  ['part', SCHEMA_VERSION, PartSchema],
] as const)('the form of a %s file has not changed without its number (%d)', (kind, version, schema) => {
  expect({ [version]: formOf(schema) }).toEqual({ [version]: FORMS[kind]?.[version] });
});
