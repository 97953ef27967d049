import type { TestProject } from 'vitest/node';
import { throwAwayCluster } from '../../../tools/lib/cluster.mjs';
import { ensurePostgres } from '../../../tools/lib/packages.mjs';

/** Vitest's global setup: a throw-away PostgreSQL whose address the tests are given. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const cluster = await throwAwayCluster(await ensurePostgres());
  project.provide('databaseUrl', cluster.adminUrl);
  return cluster.stop;
}

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string;
  }
}
