import type { Fault } from './fault.ts';
import { SCHEMA_VERSION } from './values.ts';

const MISSING = 'the key is missing';

/**
 * Why a document is refused, in one sentence: that it was made before its form had its number or was complete, if it
 * looks so, otherwise its first fault with its place.
 */
export function formFault(document: unknown, faults: readonly Fault[]): string {
  const [first] = faults;
  const version = (document as { readonly schemaVersion?: unknown } | null)?.schemaVersion;
  if (version === undefined && first?.path === '/schemaVersion')
    return `It has no schemaVersion: it was made by a version before job files were numbered. This program reads versions 1 to ${SCHEMA_VERSION}.`;
  const missing = faults.filter(({ expected }) => expected.includes(MISSING));
  if (typeof version === 'number' && version <= SCHEMA_VERSION && missing.length > 0) {
    const more = missing.length > 1 ? ` and ${missing.length - 1} more` : '';
    return `It says version ${version} of the job file but lacks ${missing[0]?.path}${more}: it was made by a version before that form was complete. Save it again in the program that made it, or add what is missing.`;
  }
  return `${first?.path}: expected ${first?.expected}.`;
}
