import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { onePixel } from './onePixel.mjs';
import { run } from './run.mjs';
import { startService } from './service.mjs';

const SIZE_MB = 160;

/**
 * A database whose disk runs full, stays so, and is freed again: saves, readings, parts and photos are refused as
 * "later" while it is full and taken afterwards, and what was acknowledged meanwhile is there. Null where no small disk
 * can be mounted.
 * @param {number} fullMs ms for which it stays full
 * @returns {Promise<{ whileFull: number[], afterwards: number, intact: boolean, lost: number } | null>}
 */
export async function fullDisk(job, fullMs = 60_000) {
  const mount = mkdtempSync(join(tmpdir(), 'joulemetric-full-'));
  const mounted = await run(['mount', '-t', 'tmpfs', '-o', `size=${SIZE_MB}m,mode=1777`, 'tmpfs', mount]);
  if (mounted.code !== 0) {
    rmSync(mount, { recursive: true, force: true });
    return null;
  }
  const base = join(mount, 'data');
  mkdirSync(base, { mode: 0o755 });
  try {
    return await fillAndFree(base, join(mount, 'filler'), job, fullMs);
  } finally {
    await run(['umount', '-l', mount]);
    rmSync(mount, { recursive: true, force: true });
  }
}

async function fillAndFree(base, filler, job, fullMs) {
  const service = await startService({ base, durable: true });
  try {
    const created = await (await send(`${service.url}/api/jobs`, 'POST', job)).json();
    const url = `${service.url}/api/jobs/${created.id}`;
    const logId = randomUUID();
    const log = { format: 'joulemetric-log', version: 1, name: 'On a full disk' };
    await send(`${service.url}/api/logs`, 'POST', { id: logId, jobId: created.id, log });
    const kept = [];
    /** What is made under ids of one's own, each acknowledged or told to come later. */
    const others = async () => {
      const id = randomUUID();
      const make = { 'If-None-Match': '*' };
      const made = [
        [
          `/api/logs/${logId}`,
          await send(`${service.url}/api/logs/${logId}/entries`, 'POST', [{ id, at: '2026-06-01T10:00Z', soc: 50 }]),
        ],
        [
          '/api/parts',
          await send(
            `${service.url}/api/parts/${id}`,
            'PUT',
            { kind: 'dc-dc', name: id, ratingA: 30, idleW: null, kg: null, price: null },
            make,
          ),
        ],
        [
          `/api/jobs/${created.id}/photos/${id}`,
          await sendPicture(`${service.url}/api/jobs/${created.id}/photos/${id}`),
        ],
      ];
      for (const [path, { ok }] of made) if (ok) kept.push({ id, path });
      return made.map(([, { status }]) => status);
    };
    const free = () => {
      const { bavail, bsize } = statfsSync(base);
      return bavail * bsize;
    };
    for (let part = 0; free() > 0 && part < 1000; part++)
      try {
        writeFileSync(`${filler}-${part}`, Buffer.alloc(Math.max(4096, Math.min(1_048_576, free()))));
      } catch {
        break;
      }
    const whileFull = [];
    let { version } = created;
    // The log of writes has some room of its own before it needs the disk.
    for (let i = 0; i < 400 && !whileFull.includes(503); i++) {
      const answer = await send(url, 'PUT', { ...job, client: `while full ${i}` }, { 'If-Match': `"${version}"` });
      whileFull.push(answer.status);
      if (answer.ok) ({ version } = await answer.json());
      whileFull.push(...(await others()));
    }
    // It stays so for a while, and whoever tries is told the same each time.
    for (const end = Date.now() + fullMs; Date.now() < end; await new Promise((resolve) => setTimeout(resolve, 500)))
      whileFull.push(...(await others()));
    for (let part = 0; part < 1000; part++) rmSync(`${filler}-${part}`, { force: true });
    let afterwards = 0;
    for (let i = 0; i < 40 && afterwards !== 200; i++) {
      await new Promise((resolve) => setTimeout(resolve, 500));
      const answer = await send(url, 'PUT', { ...job, client: 'afterwards' }, { 'If-Match': `"${version}"` });
      afterwards = answer.status;
      // Refused as "later", it may still have been stored: then the newest says so.
      if (afterwards === 412) ({ version } = (await answer.json()).current);
      if (afterwards === 503) await service.cluster.resumeIfDead();
    }
    const stored = await (await fetch(url)).json();
    const lost = [];
    for (const { id, path } of kept) {
      const found = await fetch(service.url + path);
      const isThere = path.includes('/photos/') ? found.ok : (await found.text()).includes(id);
      if (!isThere) lost.push(path);
    }
    return { whileFull, afterwards, intact: stored.job?.client === 'afterwards', lost: lost.length };
  } finally {
    await service.stop();
  }
}

const send = (url, method, body, headers = {}) =>
  fetch(url, { method, body: JSON.stringify(body), headers: { 'Content-Type': 'application/json', ...headers } });

const sendPicture = (url) => fetch(url, { method: 'PUT', body: onePixel(), headers: { 'Content-Type': 'image/png' } });
