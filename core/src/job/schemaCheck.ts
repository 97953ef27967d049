import { Ajv2020, type ErrorObject } from 'ajv/dist/2020.js';
import { cutShort } from './bounds.ts';
import { type Fault, shown } from './fault.ts';
import { PART_KINDS } from './partFields.ts';

/** Faults that are told of a refused document. */
export const FAULTS_SHOWN = 20;
/** Values of a refused document that every fault is told of; of a larger one its start, and the first fault of all. */
const EXPLAINED_VALUES = 5000;
const SETTINGS = { verbose: true, discriminator: true, allowUnionTypes: true };

export interface TwoWays<T> {
  readonly accepts: (document: unknown) => document is T;
  readonly faults: (document: unknown) => Fault[];
}

/** Accepting stops at the first fault; only a refusal collects more, from no more than can be read in a moment. */
export function twoWays<T>(schema: object): TwoWays<T> {
  const first = new Ajv2020(SETTINGS).compile<T>(schema);
  const every = new Ajv2020({ ...SETTINGS, allErrors: true }).compile<T>(schema);
  return {
    accepts: (document): document is T => first(document),
    faults: (document) => {
      first(document);
      const told = (first.errors ?? []).map(toFault);
      every(cutShort(document, EXPLAINED_VALUES));
      for (const error of every.errors ?? []) {
        if (told.length >= FAULTS_SHOWN) break;
        // A list that was cut short here may have had enough entries.
        if (error.keyword === 'minItems') continue;
        const fault = toFault(error);
        if (!told.some(({ path, expected }) => path === fault.path && expected === fault.expected)) told.push(fault);
      }
      return told.sort((a, b) => a.path.localeCompare(b.path, 'en', { numeric: true }));
    },
  };
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
        expected: `one of ${kindsAt(error.instancePath)}`,
      };
    case 'type':
      return told(error, `${[params.type].flat().join(' or ')}${hint}`);
    case 'pattern':
      return told(error, `text of the allowed form${hint}`);
    default:
      return told(error, `${LIMIT_WORDS[error.keyword]?.(params.limit) ?? error.message}${hint}`);
  }
}

/** The kinds there are at a place of a document. */
function kindsAt(path: string): string {
  if (path.includes('/devices/')) return 'inverter, converter, port';
  if (path.includes('/supplies/')) return 'hookup, generator, outlet';
  if (path === '') return Object.keys(PART_KINDS).join(', ');
  return 'steady, cycle, thermostatic, standby, water-heating, room';
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
  return { path: error.instancePath || '/', expected, found: shown(error.data) };
}
