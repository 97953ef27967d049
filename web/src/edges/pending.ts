import type { Job } from '@joulemetric/core';

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
    return text === null ? null : (JSON.parse(text) as Pending);
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
