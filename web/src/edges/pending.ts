import { type Job, migrate } from '@joulemetric/core';

/** Edits that the server has not got yet, kept in the browser so that a closed tab loses nothing. */
export interface Pending {
  readonly baseVersion: number;
  readonly job: Job;
}

export interface PendingStore {
  read(id: string): Pending | null;
  write(id: string, pending: Pending): void;
  clear(id: string): void;
}

const key = (id: string): string => `joulemetric:pending:${id}`;

export const browserPending: PendingStore = {
  read(id) {
    const text = localStorage.getItem(key(id));
    if (text === null) return null;
    const { baseVersion, job } = JSON.parse(text) as Pending;
    // The tab may have been closed before the program was updated.
    const newest = migrate(job);
    return 'fault' in newest ? null : { baseVersion, job: newest.document as Job };
  },
  write(id, pending) {
    try {
      localStorage.setItem(key(id), JSON.stringify(pending));
    } catch {
      // Storage full or switched off: the edit is still in memory and on its way to the server.
    }
  },
  clear(id) {
    localStorage.removeItem(key(id));
  },
};
