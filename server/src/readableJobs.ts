import { formFault, SCHEMA_VERSION } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { Problem } from './errors.ts';
import type { StoredJob } from './queries/job.ts';

/** Versions of jobs that are remembered as readable. */
const MOST_REMEMBERED = 20_000;

/**
 * Stored jobs as they are handed out: one of an older form is brought forward, one that this program cannot read is
 * refused in words, since a page would break on it. Each version is looked into once.
 */
export class ReadableJobs {
  readonly #good = new Set<string>();

  /** A version that was validated when it was stored. */
  saved({ id, version }: Pick<StoredJob, 'id' | 'version'>): void {
    if (this.#good.size >= MOST_REMEMBERED) this.#good.clear();
    this.#good.add(`${id} ${version}`);
  }

  readable(stored: StoredJob): StoredJob {
    if (this.#good.has(`${stored.id} ${stored.version}`)) return stored;
    const document: unknown = JSON.parse(stored.text);
    // Whoever asks says of a newer one that it is newer.
    if (versionOf(document) > SCHEMA_VERSION) return stored;
    const checked = validateJob(document);
    if (!checked.ok) throw new Problem('older-form', formFault(document, checked.faults), { faults: checked.faults });
    if (versionOf(document) < SCHEMA_VERSION) return { ...stored, text: JSON.stringify(checked.job) };
    this.saved(stored);
    return stored;
  }
}

const versionOf = (document: unknown): number => Number((document as { schemaVersion?: unknown }).schemaVersion);
