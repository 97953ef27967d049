import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { faults } from './lib/faults.mjs';
import { fullDisk } from './lib/fullDisk.mjs';
import { fuzz } from './lib/fuzz.mjs';
import { validators } from './lib/fuzzValidators.mjs';
import { startService } from './lib/service.mjs';

/** Short forms of `npm run faults` and `npm run fuzz`. */
const job = JSON.parse(readFileSync(new URL('../demo/bookbinders-camper.json', import.meta.url), 'utf8'));

it('spoiled calls bring no fault of the server, no hang, no nonsense; what is accepted is there, once', async () => {
  const service = await startService();
  const {
    calls,
    faults: found,
    statuses,
    readBack,
  } = await fuzz({
    url: service.url,
    calls: 500,
    seed: 7,
    validate: validators,
  });
  await service.stop();
  expect(calls).toBe(500);
  expect(found).toEqual([]);
  const sent = Object.values(statuses).reduce((sum, times) => sum + times, 0);
  const accepted = Object.entries(statuses).reduce((sum, [status, times]) => sum + (status < '300' ? times : 0), 0);
  expect(accepted / sent).toBeGreaterThan(1 / 3);
  expect(readBack).toBeGreaterThan(40);
}, 120_000);

it('while server, database and wire break, no acknowledged edit is lost, doubled or overwritten', async () => {
  const service = await startService({ durable: true });
  const total = await faults({ service, job, rounds: 1 });
  await service.stop();
  expect(total.acknowledged).toBeGreaterThan(5);
  expect(total).toMatchObject({ faults: 7, lost: 0, doubled: 0, overwritten: 0, hangs: 0 });
  // The page's own parts were at work meanwhile.
  for (const what of ['edits', 'readings', 'photos', 'partEdits'] as const) expect(total[what]).toBeGreaterThan(5);
}, 180_000);

it('a disk that is full for a while: all are told to come later, and nothing that was acknowledged is lost', async () => {
  const disk = await fullDisk(job, 3000);
  // Only root can mount a small disk.
  if (disk === null) return;
  expect(new Set(disk.whileFull)).toContain(503);
  expect(disk.whileFull.filter((status) => ![200, 201, 503].includes(status))).toEqual([]);
  expect([disk.afterwards, disk.intact, disk.lost]).toEqual([200, true, 0]);
}, 180_000);
