/** Ten simulated instruments while the server and PostgreSQL are started anew: whether a reading is lost or doubled. */
import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { throwAwayCluster } from './cluster.mjs';
import { ensurePostgres } from './packages.mjs';
import { startServer } from './server.mjs';

const INSTRUMENTS = 10;
/** s of simulated time; ten times as fast as time. */
const LENGTH_S = 600;
const SPEED = 10;

/** @returns readings that were due, that are there, and that are there more than once */
export async function instrumentsKept() {
  const cluster = await throwAwayCluster(await ensurePostgres(), { durable: true });
  const start = () => startServer({ databaseUrl: cluster.url, ownerUrl: cluster.ownerUrl, port: 0, quiet: true });
  let server = await start();
  try {
    const send = async (path, body) => {
      const answer = await fetch(`http://127.0.0.1:${server.port}/api${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      });
      if (!answer.ok) throw new Error(await answer.text());
      return answer.json();
    };
    const steady = (value) => Array.from({ length: 24 }, () => value);
    const truth = {
      stepMin: 60,
      ah: 100,
      w: steady(39),
      needW: steady(39),
      soc: steady(0.8),
      v: steady(13),
      airC: steady(15),
      storeC: steady(18),
    };
    const logs = [];
    for (let i = 0; i < INSTRUMENTS; i++) {
      const { id, number } = await send('/logs', { log: { format: 'joulemetric-log', version: 1 } });
      await send(`/logs/${id}/instruments`, {
        kind: i % 2 ? 'plug' : 'monitor',
        everyS: 1,
        speed: SPEED,
        seed: i + 1,
        truth,
      });
      logs.push(number);
    }
    const part = (LENGTH_S / SPEED / 3) * 1000;
    await sleep(part);
    await server.stop();
    server = await start();
    await sleep(part);
    await cluster.pause();
    await sleep(2000);
    await cluster.resume();
    await sleep(part);
    const client = new pg.Client({ connectionString: cluster.ownerUrl });
    await client.connect();
    try {
      const { rows } = await client.query(
        `select stored, (select count(*) from reading where log = log_instrument.log)::integer as there,
                (select count(distinct t) from reading where log = log_instrument.log)::integer as moments
           from log_instrument where log = any($1)`,
        [logs],
      );
      return {
        due: rows.reduce((sum, { stored }) => sum + stored, 0),
        there: rows.reduce((sum, { there }) => sum + there, 0),
        doubled: rows.reduce((sum, { there, moments }) => sum + there - moments, 0),
        shortest: Math.min(...rows.map(({ stored }) => stored)),
      };
    } finally {
      await client.end();
    }
  } finally {
    await server.stop();
    await cluster.stop();
  }
}
