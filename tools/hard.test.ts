import { readFileSync } from 'node:fs';
import { validateJob } from '@joulemetric/core/validate';
import { expect, it } from 'vitest';
import { faults } from './lib/faults.mjs';
import { fuzz } from './lib/fuzz.mjs';
import { startService } from './lib/service.mjs';

/** Short forms of `npm run faults` and `npm run fuzz`. */
const job = JSON.parse(readFileSync(new URL('../demo/bookbinders-camper.json', import.meta.url), 'utf8'));

it('mutated calls bring no fault of the server, no hang, no stack trace, and no nonsense is stored', async () => {
  const service = await startService();
  const { calls, faults: found } = await fuzz({
    url: service.url,
    calls: 400,
    seed: 7,
    validate: (document: unknown) => validateJob(document).ok,
  });
  await service.stop();
  expect(calls).toBe(400);
  expect(found).toEqual([]);
}, 120_000);

it('while server, database and wire break, no acknowledged edit is lost, doubled or overwritten', async () => {
  const service = await startService({ durable: true });
  const total = await faults({ service, job, rounds: 1 });
  await service.stop();
  expect(total.acknowledged).toBeGreaterThan(5);
  expect(total).toMatchObject({ faults: 7, lost: 0, doubled: 0, overwritten: 0, hangs: 0 });
}, 180_000);
