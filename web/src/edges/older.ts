import { blankJob, type Job, migrate } from '@joulemetric/core';

/** Brings forward what an older program kept: fetched only where there is any. */

const BLANK = blankJob('');

/** A job in today's form; null where it cannot be brought into it, also one that has today's number and lacks its keys. */
export function inTodaysForm(document: unknown): Job | null {
  const newest = migrate(document);
  if ('fault' in newest) return null;
  const job = newest.document as Partial<Job>;
  const isWhole =
    Array.isArray(job.loads) &&
    Array.isArray(job.options) &&
    job.options.every((option) => hasKeys(option, BLANK.options[0])) &&
    hasKeys(job, BLANK);
  return isWhole ? (job as Job) : null;
}

/** Whether an object and those inside it have all the keys that they have in another; lists are not looked into. */
function hasKeys(document: unknown, other: unknown): boolean {
  if (typeof other !== 'object' || other === null) return true;
  if (Array.isArray(other)) return Array.isArray(document);
  if (typeof document !== 'object' || document === null) return false;
  return Object.entries(other).every(
    ([key, part]) => key in document && hasKeys((document as Record<string, unknown>)[key], part),
  );
}
