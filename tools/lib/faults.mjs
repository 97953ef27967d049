import { connect, createServer } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { pageUnderFaults } from './faultsPage.mjs';
import { findProcess } from './processes.mjs';

/** ms after which an edit that is neither taken nor refused counts as hanging. */
const HANG_MS = 60_000;

/** A wire that can be cut: everything to and from the server goes through it. */
async function wire(port) {
  const open = new Set();
  const proxy = createServer((socket) => {
    const upstream = connect(port, '127.0.0.1');
    for (const end of [socket, upstream]) {
      open.add(end);
      end.on('error', () => {});
      end.on('close', () => {
        open.delete(end);
        socket.destroy();
        upstream.destroy();
      });
    }
    socket.pipe(upstream).pipe(socket);
  });
  await new Promise((resolve) => proxy.listen(0, '127.0.0.1', () => resolve(undefined)));
  return {
    port: /** @type {import('node:net').AddressInfo} */ (proxy.address()).port,
    cut: () => {
      for (const end of open) end.resetAndDestroy?.();
    },
    close: () => {
      for (const end of open) end.destroy();
      proxy.close();
    },
  };
}

/** One editor: adds loads with names of its own, one after the other, as the page does: with the version it has seen, again after no answer. */
class Editor {
  acknowledged = [];
  hangs = 0;
  #name;
  #url;
  #seen;

  constructor(name, url, seen) {
    this.#name = name;
    this.#url = url;
    this.#seen = seen;
  }

  async edit(n) {
    const token = `${this.#name}-${n}`;
    const began = Date.now();
    for (;;) {
      if (Date.now() - began > HANG_MS) {
        this.hangs += 1;
        return;
      }
      const { version, job } = this.#seen;
      const already = job.loads.some(({ name }) => name === token);
      if (already) {
        // The answer was lost, not the edit.
        this.acknowledged.push(token);
        return;
      }
      const [load] = job.loads;
      const edited = { ...job, loads: [...job.loads, { ...load, id: token, name: token }] };
      const answer = await this.#call('PUT', edited, { 'If-Match': `"${version}"` });
      if (answer?.status === 200) {
        this.#seen = { version: answer.body.version, job: edited };
        this.acknowledged.push(token);
        return;
      }
      if (answer?.status === 412) this.#seen = answer.body.current;
      else await sleep(100);
    }
  }

  async #call(method, body, headers) {
    try {
      const response = await fetch(this.#url, {
        method,
        body: JSON.stringify(body),
        headers: { 'Content-Type': 'application/json', ...headers },
        signal: AbortSignal.timeout(10_000),
      });
      return { status: response.status, body: await response.json() };
    } catch {
      return null;
    }
  }
}

/** Bodies that never end, as many as one phone with a bad signal would leave behind. */
function dawdle(port) {
  return Array.from({ length: 30 }, () => {
    const socket = connect(port, '127.0.0.1', () =>
      socket.write(
        'POST /api/jobs HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 9999\r\n\r\n{',
      ),
    );
    socket.on('error', () => {});
    return socket;
  });
}

/** Each breaks something for a moment; what is broken comes back by itself or is put back. */
function kindsOf(service, line) {
  const postmaster = () =>
    findProcess((args) => args.includes('-D') && args.includes(`${service.cluster.directory}/postgres`));
  const signal = (pid, name) => {
    try {
      if (pid) process.kill(pid, name);
    } catch {
      // It has ended meanwhile: as good.
    }
  };
  const databaseDies = async (name) => {
    signal(postmaster(), name);
    await sleep(300);
    await service.cluster.resume().catch(() => sleep(1000).then(() => service.cluster.resume()));
  };
  return {
    'server killed': async () => signal(service.serverPid(), 'SIGKILL'),
    'server told to stop': async () => signal(service.serverPid(), 'SIGTERM'),
    'server held': async () => {
      const pid = service.serverPid();
      signal(pid, 'SIGSTOP');
      await sleep(1500);
      signal(pid, 'SIGCONT');
    },
    'database killed': () => databaseDies('SIGKILL'),
    'database stopped at once': () => databaseDies('SIGQUIT'),
    'connections reset': async () => {
      for (let i = 0; i < 5; i++) {
        line.cut();
        await sleep(60);
      }
    },
    'slow bodies': async () => {
      const sockets = dawdle(service.port);
      await sleep(1000);
      for (const socket of sockets) socket.destroy();
    },
  };
}

/**
 * Two editors on each of several jobs, and the page's own undo, readings, photos and lists, while things break. Counts
 * what was acknowledged and what became of it.
 * @param {{ service: Awaited<ReturnType<typeof import('./service.mjs').startService>>, job: object, rounds: number,
 *   say?: (line: string) => void }} options
 */
export async function faults({ service, job, rounds, say = () => {} }) {
  const line = await wire(service.port);
  const kinds = Object.entries(kindsOf(service, line));
  const total = {
    ...{ acknowledged: 0, lost: 0, doubled: 0, overwritten: 0, hangs: 0, faults: 0 },
    ...{ edits: 0, readings: 0, photos: 0, partEdits: 0 },
  };
  const url = `http://127.0.0.1:${line.port}/api/jobs`;
  for (let round = 0; round < rounds; round++) {
    const created = await again(() =>
      fetchJson(`${service.url}/api/jobs`, { method: 'POST', body: JSON.stringify(job) }),
    );
    const page = await again(() => pageUnderFaults(`http://127.0.0.1:${line.port}`));
    let going = true;
    const editors = ['a', 'b'].map((name) => new Editor(name, `${url}/${created.id}`, created));
    const work = editors.map(async (editor) => {
      for (let n = 0; going && n < 200; n++) await editor.edit(n);
    });
    for (const [name, breaks] of kinds) {
      await sleep(400);
      await breaks();
      total.faults += 1;
      say(
        `${name}: ${editors.reduce((sum, { acknowledged }) => sum + acknowledged.length, 0)} edits acknowledged so far`,
      );
    }
    await sleep(1500);
    going = false;
    await Promise.all(work);
    const stored = await again(() => fetchJson(`${service.url}/api/jobs/${created.id}`));
    judge(total, editors, stored, job.loads.length);
    const held = await page.stop();
    for (const [name, count] of Object.entries(held)) total[name] += count;
  }
  line.close();
  return total;
}

function judge(total, editors, { version, job }, before) {
  const names = job.loads.map(({ name }) => name);
  for (const { acknowledged, hangs } of editors) {
    total.acknowledged += acknowledged.length;
    total.hangs += hangs;
    for (const token of acknowledged) {
      const times = names.filter((name) => name === token).length;
      if (times === 0) total.lost += 1;
      if (times > 1) total.doubled += 1;
    }
  }
  // Every accepted save added one load and one version: a version without its load was overwritten by another's.
  total.overwritten += Math.abs(version - 1 - (names.length - before));
}

async function fetchJson(url, options = {}) {
  const response = await fetch(url, {
    ...options,
    headers: { 'Content-Type': 'application/json' },
    signal: AbortSignal.timeout(10_000),
  });
  if (!response.ok) throw new Error(`${response.status}`);
  return response.json();
}

/** Until it succeeds, for as long as a fault may last. */
async function again(call) {
  for (let left = 100; ; left--) {
    try {
      return await call();
    } catch (error) {
      if (left === 0) throw error;
      await sleep(300);
    }
  }
}
