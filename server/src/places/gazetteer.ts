import { type ChildProcess, fork } from 'node:child_process';
import { setPriority } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { Logger } from 'pino';
import type { Database } from '../database.ts';

const LOADER = fileURLToPath(new URL('./load.ts', import.meta.url));
/** So that filling it is never felt. */
const LOW_PRIORITY = 10;

/** Fills the gazetteer beside the server where it is empty. Without it places are typed by hand. */
export class Gazetteer {
  #loader: ChildProcess | null = null;

  async fill(db: Database, databaseUrl: string, log: Logger): Promise<void> {
    const { rows } = await db.query('select exists (select 1 from place) as loaded');
    if (rows[0].loaded) return;
    const loader = fork(LOADER, [], {
      execArgv: ['--import', 'tsx'],
      env: { PATH: process.env.PATH, HOME: process.env.HOME, DATABASE_URL: databaseUrl },
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    this.#loader = loader;
    if (loader.pid) setPriority(loader.pid, LOW_PRIORITY);
    loader.once('error', (error) => log.warn({ reason: error.message }, 'places could not be loaded'));
    loader.once('exit', (code) => {
      this.#loader = null;
      if (code === 0) log.info('places loaded');
      else log.warn({ code }, 'places could not be loaded');
    });
  }

  close(): void {
    this.#loader?.kill('SIGTERM');
  }
}
