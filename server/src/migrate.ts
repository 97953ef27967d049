import { readdir } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import Postgrator from 'postgrator';

/** Any number of servers may start at once; the first to take this lock migrates, the others wait. */
const LOCK_KEY = 7_415_001;
const MIGRATIONS = new URL('../../db/migrations/', import.meta.url);
const VERSIONS = 'schema_version';

/** The database was brought forward by a newer program: an older one would not know what it overwrites. */
export class NewerDatabase extends Error {}

/**
 * Brings the database to the newest migration and says which were applied.
 * @param ownerUrl of the role that owns the tables
 * @param serverRole of the server, if it is another: it may read and write rows and change nothing else
 */
export async function migrate(ownerUrl: string, serverRole?: string): Promise<string[]> {
  const client = new pg.Client({
    connectionString: ownerUrl,
    connectionTimeoutMillis: 5000,
    application_name: 'joulemetric',
  });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK_KEY]);
    await refuseNewer(client);
    const postgrator = new Postgrator({
      migrationPattern: fileURLToPath(new URL('*.sql', MIGRATIONS)),
      driver: 'pg',
      schemaTable: VERSIONS,
      execQuery: (query) => client.query(query),
    });
    const applied = await postgrator.migrate();
    if (serverRole && serverRole !== client.user) await grantRows(client, serverRole);
    return applied.map(({ filename }) => filename.split('/').pop() ?? filename);
  } finally {
    await client.end();
  }
}

async function refuseNewer(client: pg.Client): Promise<void> {
  const table = await client.query('select to_regclass($1) as found', [VERSIONS]);
  if (table.rows[0].found === null) return;
  const { rows } = await client.query(`select coalesce(max(version), 0)::integer as version from ${VERSIONS}`);
  const newest = Math.max(...(await readdir(MIGRATIONS)).map((name) => Number.parseInt(name, 10)));
  if (rows[0].version > newest)
    throw new NewerDatabase(
      `it is of a newer Joulemetric (form ${rows[0].version}, this program knows ${newest}). Update this program; nothing was changed.`,
    );
}

async function grantRows(client: pg.Client, role: string): Promise<void> {
  const to = client.escapeIdentifier(role);
  await client.query(`
    grant usage on schema public to ${to};
    grant select, insert, update, delete on all tables in schema public to ${to};
    revoke insert, update, delete on ${VERSIONS} from ${to};`);
}
