import DataLoader from 'dataloader';
import type { Database } from '../database.ts';
import { type JobKey, readJobs, type StoredJob } from './job.ts';

export type JobReader = (workspace: string, id: string) => Promise<StoredJob | null>;

/** Most jobs of one statement. */
const MOST = 100;

/**
 * Reads that are asked for in one turn of the event loop share one statement: under load the trip to the database is
 * most of a read. Nothing is remembered, each read sees what is stored when it is sent.
 */
export function jobReader(db: Database): JobReader {
  const loader = new DataLoader<JobKey, StoredJob | null>((keys) => readJobs(db, keys), {
    cache: false,
    maxBatchSize: MOST,
    batchScheduleFn: (send) => setImmediate(send),
  });
  return (workspace, id) => loader.load({ workspace, id });
}
