import { Ajv2020, type ErrorObject } from 'ajv/dist/2020.js';
import { type FirmAppliance, FirmApplianceSchema } from './applianceSchema.ts';
import { consistencyFaults, loadFaults } from './consistency.ts';
import { migrate } from './migrate.ts';
import { type Job, JobSchema } from './schema.ts';

/** One thing wrong with a document: where (JSON path), what was expected, what stood there. */
export interface Fault {
  readonly path: string;
  readonly expected: string;
  readonly found?: string;
}

export type Validated = { readonly ok: true; readonly job: Job } | { readonly ok: false; readonly faults: Fault[] };

const FAULTS_SHOWN = 20;
const ajv = new Ajv2020({ allErrors: true, verbose: true, discriminator: true, allowUnionTypes: true });
const fits = ajv.compile<Job>(JobSchema);
const fitsAppliance = ajv.compile<FirmAppliance>(FirmApplianceSchema);

/** The one door for documents from outside: brings older versions forward, checks shape, ranges and cross-references. */
export function validateJob(document: unknown): Validated {
  const migrated = migrate(document);
  if ('fault' in migrated) return { ok: false, faults: [migrated.fault] };
  if (!fits(migrated.document)) {
    return { ok: false, faults: (fits.errors ?? []).slice(0, FAULTS_SHOWN).map(toFault) };
  }
  const faults = consistencyFaults(migrated.document);
  return faults.length ? { ok: false, faults: faults.slice(0, FAULTS_SHOWN) } : { ok: true, job: migrated.document };
}

export type ValidatedAppliance =
  | { readonly ok: true; readonly appliance: FirmAppliance }
  | { readonly ok: false; readonly faults: Fault[] };

/** The door for entries of the firm's own catalogue. */
export function validateAppliance(document: unknown): ValidatedAppliance {
  if (!fitsAppliance(document)) {
    return { ok: false, faults: (fitsAppliance.errors ?? []).slice(0, FAULTS_SHOWN).map(toFault) };
  }
  const faults = loadFaults(document.load, '/load');
  return faults.length ? { ok: false, faults: faults.slice(0, FAULTS_SHOWN) } : { ok: true, appliance: document };
}

/** An Ajv error in the reader's words: `/loads/3/draw/powerW`, "a number of at least 0", "-5". */
function toFault(error: ErrorObject): Fault {
  const params = error.params as Record<string, unknown>;
  const schema = error.parentSchema as { description?: string } | undefined;
  const hint = schema?.description ? ` (${schema.description})` : '';
  switch (error.keyword) {
    case 'additionalProperties':
      return { path: `${error.instancePath}/${params.additionalProperty}`, expected: 'no such key here' };
    case 'required':
      return { path: `${error.instancePath}/${params.missingProperty}`, expected: 'a value: the key is missing' };
    case 'enum':
      return told(error, `one of ${(params.allowedValues as unknown[]).map(String).join(', ')}`);
    case 'const':
      return told(error, JSON.stringify(params.allowedValue));
    case 'discriminator':
      return {
        path: `${error.instancePath}/kind`,
        expected: error.instancePath.includes('/devices/')
          ? 'one of inverter, converter, port'
          : 'one of steady, cycle, thermostatic, standby, water-heating, room',
      };
    case 'type':
      return told(error, `${[params.type].flat().join(' or ')}${hint}`);
    case 'pattern':
      return told(error, `text of the allowed form${hint}`);
    default:
      return told(error, `${LIMIT_WORDS[error.keyword]?.(params.limit) ?? error.message}${hint}`);
  }
}

/** Ajv's limits in plain words. */
const LIMIT_WORDS: Readonly<Record<string, (limit: unknown) => string>> = {
  minimum: (limit) => `a number of at least ${limit}`,
  maximum: (limit) => `a number of at most ${limit}`,
  exclusiveMinimum: (limit) => `a number above ${limit}`,
  minLength: (limit) => `at least ${limit} characters`,
  maxLength: (limit) => `at most ${limit} characters`,
  minItems: (limit) => `at least ${limit} entries`,
  maxItems: (limit) => `at most ${limit} entries`,
  uniqueItems: () => 'no entry twice',
};

function told(error: ErrorObject, expected: string): Fault {
  return { path: error.instancePath || '/', expected, found: excerpt(error.data) };
}

/** What stood there, short enough for a message. */
function excerpt(value: unknown): string {
  const shown = typeof value === 'object' && value !== null ? (Array.isArray(value) ? 'a list' : 'an object') : value;
  const asText = typeof shown === 'string' && shown === value ? JSON.stringify(shown) : String(shown);
  return asText.length > 60 ? `${asText.slice(0, 60)}…` : asText;
}
