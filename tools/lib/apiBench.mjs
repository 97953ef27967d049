import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import http from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePostgres } from './packages.mjs';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { startService } from './service.mjs';

const CLIENTS = 50;
const SECONDS = 6;
const JOBS = 60;

/**
 * Reads and saves of one job each by 50 clients at once, through the API and as the bare statement by pgbench on the
 * same database: sorted ms of each.
 */
export async function apiTimes() {
  const service = await startService({ durable: true });
  const bin = await ensurePostgres();
  try {
    const job = JSON.parse(readFileSync(join(ROOT, 'demo', 'river-survey-4wd.json'), 'utf8'));
    const ids = [];
    for (let i = 0; i < JOBS; i++) {
      const { id } = await (
        await fetch(`${service.url}/api/jobs`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(job),
        })
      ).json();
      ids.push(id);
    }
    // A colon before a word would be a variable to pgbench.
    const text = JSON.stringify(job).replaceAll("'", "''").replaceAll('":', '": ');
    const pick = `\\set n random(1, ${ids.length})\n`;
    const own = '\\set n :client_id + 1\n';
    const which = `workspace_id = (select id from workspace where slug = 'demo') and id = (array[${ids.map((id) => `'${id}'::uuid`)}])[:n]`;
    const statements = {
      read: `${pick}select id, version, updated_at, document::text from job where ${which};\n`,
      save: `${own}update job set document = '${text}', version = version + 1, updated_at = now() where ${which} returning id, version, updated_at;\n`,
    };
    const api = {
      read: await drive(service.port, ids, 'GET', ''),
      save: await drive(service.port, ids, 'PUT', JSON.stringify(job)),
    };
    // The bare saves raise versions that the API's writers would not know of: they come last.
    const bare = {};
    for (const [name, sql] of Object.entries(statements)) bare[name] = await pgbench(bin, service.cluster.url, sql);
    return { bare, api };
  } finally {
    await service.stop();
  }
}

async function pgbench(bin, url, sql) {
  const directory = mkdtempSync(join(tmpdir(), 'joulemetric-pgbench-'));
  try {
    writeFileSync(join(directory, 'script.sql'), sql);
    const { code, output } = await run(
      [
        join(bin, 'pgbench'),
        '-n',
        '-M',
        'prepared',
        '-c',
        String(CLIENTS),
        '-j',
        '1',
        '-T',
        String(SECONDS),
        '-f',
        'script.sql',
        '-l',
        url,
      ],
      { cwd: directory },
    );
    if (code !== 0) throw new Error(output.slice(0, 500));
    const logs = readdirSync(directory).filter((name) => name.startsWith('pgbench_log'));
    // Client, number, microseconds, …
    const lines = logs.flatMap((name) => readFileSync(join(directory, name), 'utf8').trim().split('\n'));
    return sorted(lines.map((line) => Number(line.split(' ')[2]) / 1000));
  } finally {
    rmSync(directory, { recursive: true, force: true });
  }
}

const sorted = (times) => Float64Array.from(times).sort();

/** 50 clients that each hold a connection; a save goes on from the version that the job's last save answered. */
async function drive(port, ids, method, body) {
  const agent = new http.Agent({ keepAlive: true, maxSockets: CLIENTS });
  const times = [];
  const until = Date.now() + SECONDS * 1000;
  await Promise.all(
    Array.from({ length: CLIENTS }, async (_, client) => {
      const own = ids[client % ids.length];
      let version = 1;
      while (Date.now() < until) {
        const id = method === 'GET' ? ids[Math.floor(Math.random() * ids.length)] : own;
        const began = performance.now();
        const answer = await call({ port, agent, method, path: `/api/jobs/${id}`, body, version });
        times.push(performance.now() - began);
        if (answer.status !== 200) throw new Error(`${method} answered ${answer.status}`);
        version = answer.version;
      }
    }),
  );
  agent.destroy();
  return sorted(times);
}

function call({ port, agent, method, path, body, version }) {
  return new Promise((resolve, reject) => {
    const headers = body
      ? { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(body), 'If-Match': `"${version}"` }
      : {};
    const request = http.request({ port, host: '127.0.0.1', agent, method, path, headers }, (response) => {
      response.on('data', () => {});
      response.on('end', () =>
        resolve({ status: response.statusCode, version: Number(response.headers.etag?.slice(1, -1)) }),
      );
    });
    request.on('error', reject);
    request.end(body || undefined);
  });
}
