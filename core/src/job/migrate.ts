import { JOB_FORMAT, SCHEMA_VERSION } from './schema.ts';
import type { Fault } from './validate.ts';

type Document = Record<string, unknown>;

/** `FORWARD[n]` turns a document of version n into one of version n + 1; pure, and never edited once released. */
const FORWARD: Readonly<Record<number, (older: Document) => Document>> = {};

/** Brings a document forward to the current version, or names why it cannot be one of ours. */
export function migrate(document: unknown): { readonly document: unknown } | { readonly fault: Fault } {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    return { fault: { path: '/', expected: 'a job file: one JSON object' } };
  }
  let current = document as Document;
  if (current.format !== JOB_FORMAT) {
    return { fault: { path: '/format', expected: `"${JOB_FORMAT}"`, found: String(current.format) } };
  }
  const version = current.schemaVersion;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return { fault: { path: '/schemaVersion', expected: 'a whole number from 1', found: String(version) } };
  }
  if (version > SCHEMA_VERSION) {
    const expected = `at most ${SCHEMA_VERSION}: this file was written by a newer Joulemetric; update this one`;
    return { fault: { path: '/schemaVersion', expected, found: String(version) } };
  }
  for (let v = version; v < SCHEMA_VERSION; v++) {
    const step = FORWARD[v];
    if (!step) throw new Error(`no migration from job file version ${v}`);
    current = { ...step(current), schemaVersion: v + 1 };
  }
  return { document: current };
}
