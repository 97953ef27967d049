import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run } from './run.mjs';
import { startService } from './service.mjs';

const SIZE_MB = 160;

/**
 * A database whose disk runs full and is freed again: saves are refused as "later" while it is full, and taken
 * afterwards. Null where no small disk can be mounted.
 * @returns {Promise<{ whileFull: number[], afterwards: number, intact: boolean } | null>}
 */
export async function fullDisk(job) {
  const mount = mkdtempSync(join(tmpdir(), 'joulemetric-full-'));
  const mounted = await run(['mount', '-t', 'tmpfs', '-o', `size=${SIZE_MB}m,mode=1777`, 'tmpfs', mount]);
  if (mounted.code !== 0) {
    rmSync(mount, { recursive: true, force: true });
    return null;
  }
  const base = join(mount, 'data');
  mkdirSync(base, { mode: 0o755 });
  try {
    return await fillAndFree(base, join(mount, 'filler'), job);
  } finally {
    await run(['umount', '-l', mount]);
    rmSync(mount, { recursive: true, force: true });
  }
}

async function fillAndFree(base, filler, job) {
  const service = await startService({ base, durable: true });
  try {
    const created = await (await send(`${service.url}/api/jobs`, 'POST', job)).json();
    const url = `${service.url}/api/jobs/${created.id}`;
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
    }
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
    return { whileFull, afterwards, intact: stored.job?.client === 'afterwards' };
  } finally {
    await service.stop();
  }
}

const send = (url, method, body, headers = {}) =>
  fetch(url, { method, body: JSON.stringify(body), headers: { 'Content-Type': 'application/json', ...headers } });
