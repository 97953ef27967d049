import { fileURLToPath } from 'node:url';
import pg from 'pg';
import Postgrator from 'postgrator';

/** Any number of servers may start at once; the first to take this lock migrates, the others wait. */
const LOCK_KEY = 7_415_001;

/** Brings the database to the newest migration and says which were applied. */
export async function migrate(connectionString: string): Promise<string[]> {
  const client = new pg.Client({ connectionString, connectionTimeoutMillis: 5000, application_name: 'joulemetric' });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK_KEY]);
    const postgrator = new Postgrator({
      migrationPattern: fileURLToPath(new URL('../../db/migrations/*.sql', import.meta.url)),
      driver: 'pg',
      schemaTable: 'schema_version',
      execQuery: (query) => client.query(query),
    });
    const applied = await postgrator.migrate();
    return applied.map(({ filename }) => filename.split('/').pop() ?? filename);
  } finally {
    await client.end();
  }
}
