import { once } from 'node:events';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import net from 'node:net';
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
    await summariesDone(service.url);
    const pick = `\\set n random(1, ${ids.length})\n`;
    const own = '\\set n :client_id + 1\n';
    const which = `workspace_id = (select id from workspace where slug = 'demo') and id = (array[${ids.map((id) => `'${id}'::uuid`)}])[:n]`;
    const statements = {
      read: `${pick}select id, version, updated_at, document::text from job where ${which};\n`,
      save: `${own}update job set document = :document, version = version + 1, updated_at = now() where ${which} returning id, version, updated_at;\n`,
    };
    const api = {
      read: await drive(service.port, ids, 'GET', ''),
      save: await drive(service.port, ids, 'PUT', JSON.stringify(job)),
    };
    // The bare saves raise versions that the API's writers would not know of: they come last.
    const bare = {};
    // A save hands its document over each time, as a value: in the statement's own text it would be read but once.
    const values = { read: [], save: ['-D', `document=${JSON.stringify(job)}`] };
    for (const [name, sql] of Object.entries(statements))
      bare[name] = await pgbench(bin, service.cluster.url, sql, values[name]);
    return { bare, api };
  } finally {
    await service.stop();
  }
}

/** The server sums new jobs up in the background: not while it is measured. */
async function summariesDone(url) {
  for (let waiting = true; waiting; ) {
    await new Promise((resolve) => setTimeout(resolve, 200));
    const listed = await (await fetch(`${url}/api/jobs`)).json();
    waiting = listed.some(({ summary }) => summary === null);
  }
}

async function pgbench(bin, url, sql, values) {
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
        ...values,
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
  const times = [];
  const until = Date.now() + SECONDS * 1000;
  await Promise.all(
    Array.from({ length: CLIENTS }, async (_, client) => {
      const own = ids[client % ids.length];
      const call = await connection(port);
      let version = 1;
      while (Date.now() < until) {
        const id = method === 'GET' ? ids[Math.floor(Math.random() * ids.length)] : own;
        const began = performance.now();
        const answer = await call(request(method, `/api/jobs/${id}`, body, version));
        times.push(performance.now() - began);
        if (answer.status !== 200) throw new Error(`${method} answered ${answer.status}`);
        version = answer.version;
      }
      call.end();
    }),
  );
  return sorted(times);
}

function request(method, path, body, version) {
  const head = `${method} ${path} HTTP/1.1\r\nHost: localhost\r\n`;
  if (!body) return `${head}\r\n`;
  const length = Buffer.byteLength(body);
  return `${head}Content-Type: application/json\r\nIf-Match: "${version}"\r\nContent-Length: ${length}\r\n\r\n${body}`;
}

/**
 * One kept connection, as lean as pgbench's: on two cores a client library's own work would be most of what is
 * measured. It reads the status, the length and the version of an answer and skips the rest.
 */
async function connection(port) {
  const socket = net.connect(port, '127.0.0.1');
  await once(socket, 'connect');
  socket.setNoDelay(true);
  let resolve;
  let reject;
  let left = 0;
  let answer = null;
  let begun = '';
  socket.on('error', (error) => reject?.(error));
  socket.on('close', () => reject?.(new Error('The connection was closed.')));
  socket.on('data', (chunk) => {
    if (answer) left -= chunk.length;
    else {
      begun += chunk.toString('latin1');
      const end = begun.indexOf('\r\n\r\n');
      if (end < 0) return;
      const head = begun.slice(0, end);
      answer = { status: Number(head.slice(9, 12)), version: Number(/\netag: "(\d+)"/i.exec(head)?.[1]) };
      left = Number(/\ncontent-length: (\d+)/i.exec(head)?.[1]) - (begun.length - end - 4);
    }
    if (left > 0) return;
    const whole = answer;
    answer = null;
    begun = '';
    resolve(whole);
  });
  const call = (text) =>
    new Promise((done, fail) => {
      resolve = done;
      reject = fail;
      socket.write(text);
    });
  call.end = () => {
    reject = undefined;
    socket.destroy();
  };
  return call;
}
