import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { startService } from './service.mjs';

/** The longest that a body of up to 1 MB, made to be slow, keeps the API from answering, ms; each is sent four times. */
export async function bodyTimes() {
  const job = JSON.parse(readFileSync(join(ROOT, 'demo', 'puppet-theatre-truck.json'), 'utf8'));
  const [load] = job.loads;
  const loads = (count, part) => Array.from({ length: count }, (_, i) => ({ ...load, id: `l${i}`, ...part }));
  const names = Array.from({ length: 499 }, (_, i) => `x${i}`);
  const bodies = [
    `{"format":"joulemetric-job","schemaVersion":3,"loads":[${Array(300_000).fill('{}')}]}`,
    JSON.stringify({ ...job, loads: Array(1000).fill({}) }),
    JSON.stringify({ ...job, loads: loads(500, { runs: Array(120).fill({}) }) }),
    JSON.stringify({ ...job, loads: loads(500, { name: 'x'.repeat(1400) }) }),
    JSON.stringify({ ...job, together: { atMost: Array(180).fill({ loads: names, most: 1 }), always: [] } }),
    `${'['.repeat(500_000)}${']'.repeat(500_000)}`,
  ];
  const service = await startService();
  let longest = 0;
  for (let round = 0; round < 4; round++)
    for (const body of bodies) {
      const began = performance.now();
      await fetch(`${service.url}/api/jobs`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body,
      }).then((answer) => answer.text());
      if (round > 0) longest = Math.max(longest, performance.now() - began);
    }
  await service.stop();
  return longest;
}
