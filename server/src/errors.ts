import type { Fault } from '@joulemetric/core/validate';

/** Everything the API can refuse, with its status and its words; docs/api.md lists the same (a test compares). */
export const PROBLEMS = {
  'malformed-json': { status: 400, title: 'The body is not JSON' },
  'malformed-request': { status: 400, title: 'The request cannot be read' },
  'foreign-request': { status: 403, title: 'The request comes from a page of somewhere else' },
  'unknown-job': { status: 404, title: 'There is no such job' },
  'unknown-photo': { status: 404, title: 'There is no such photo' },
  'unknown-appliance': { status: 404, title: 'There is no such entry in the firm’s catalogue' },
  'unknown-part': { status: 404, title: 'No such part' },
  'unknown-log': { status: 404, title: 'There is no such log' },
  'unknown-reading': { status: 404, title: 'The log has no such reading' },
  'unknown-instrument': { status: 404, title: 'The log has no such instrument' },
  'unknown-weather': { status: 404, title: 'The job keeps no hours of weather' },
  'unknown-route': { status: 404, title: 'There is nothing at this address' },
  'request-timeout': { status: 408, title: 'The request did not arrive in time' },
  'version-conflict': { status: 412, title: 'It was changed by someone else' },
  'body-too-large': { status: 413, title: 'The body is larger than 1 MB, or the photo than 15 MB' },
  'too-many-photos': { status: 409, title: 'The job has all the photos it can keep' },
  'readings-there': { status: 409, title: 'The log has readings of that time already' },
  'older-form': { status: 409, title: 'The job was made by a version that this program cannot read' },
  'newer-job': { status: 409, title: 'The job was written by a newer Joulemetric' },
  'not-json': { status: 415, title: 'The body must be application/json' },
  'unknown-charset': { status: 415, title: 'The text must be UTF-8' },
  'not-a-photo': { status: 415, title: 'The body is not a photo' },
  'foreign-host': { status: 421, title: 'The page is not known under this name' },
  'invalid-appliance': { status: 422, title: 'The entry is not valid' },
  'invalid-part': { status: 422, title: 'The part is not valid' },
  'invalid-log': { status: 422, title: 'The log is not valid' },
  'invalid-reading': { status: 422, title: 'A reading is not valid' },
  'invalid-table': { status: 422, title: 'The table cannot be taken' },
  'invalid-instrument': { status: 422, title: 'The instrument is not valid' },
  'invalid-search': { status: 422, title: 'The search is not valid' },
  'invalid-weather': { status: 422, title: 'The hours are not those of a year' },
  'list-full': { status: 409, title: 'The list is full' },
  'invalid-job': { status: 422, title: 'The job file is not valid' },
  'version-required': { status: 428, title: 'Say which version you have seen' },
  'too-many-requests': { status: 429, title: 'Too many requests from this address' },
  unexpected: { status: 500, title: 'The server failed' },
  'database-unreachable': { status: 503, title: 'The database cannot be reached' },
  'database-busy': { status: 503, title: 'The database cannot take it just now' },
  'page-not-built': { status: 503, title: 'The page has not been built' },
} as const;

export type ProblemCode = keyof typeof PROBLEMS;

export class Problem extends Error {
  readonly code: ProblemCode;
  readonly detail: string;
  readonly extra: { readonly faults?: readonly Fault[]; readonly current?: unknown };

  constructor(code: ProblemCode, detail: string, extra: Problem['extra'] = {}) {
    super(`${code}: ${detail}`);
    this.code = code;
    this.detail = detail;
    this.extra = extra;
  }

  get status(): number {
    return PROBLEMS[this.code].status;
  }

  /** RFC 9457 problem details. */
  toJSON(): object {
    const { status, title } = PROBLEMS[this.code];
    return {
      type: `urn:joulemetric:problem:${this.code}`,
      code: this.code,
      status,
      title,
      detail: this.detail,
      ...this.extra,
    };
  }
}
