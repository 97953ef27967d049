import DataLoader from 'dataloader';
import { type Database, databaseTrouble } from '../database.ts';
import { type Save, type SavedJob, updateJobs } from './job.ts';

/** Null when the job has moved on, is gone, or is of a newer program. */
export type JobWriter = (save: Save) => Promise<SavedJob | null>;

/** Most jobs of one statement. */
const MOST = 8;

/**
 * Saves that are asked for in one turn of the event loop share one statement and one commit, as reads do. Where it
 * fails nothing of it is stored, and each is tried alone: what is wrong with one is no trouble of the others.
 */
export function jobWriter(db: Database): JobWriter {
  const loader = new DataLoader<Save, SavedJob | null>((saves) => updateEach(db, saves), {
    cache: false,
    maxBatchSize: MOST,
    batchScheduleFn: (send) => setImmediate(send),
  });
  return (save) => loader.load(save);
}

async function updateEach(db: Database, saves: readonly Save[]): Promise<(SavedJob | null | Error)[]> {
  try {
    return await updateJobs(db, saves);
  } catch (error) {
    // Without an answer nobody knows whether it was stored: the writers ask again themselves.
    if (saves.length === 1 || databaseTrouble(error) === 'away') throw error;
  }
  return Promise.all(
    saves.map(async (save) => (await updateEach(db, [save]).catch((error: Error) => [error]))[0] ?? null),
  );
}
