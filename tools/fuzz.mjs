/** `npm run fuzz [-- --calls 5000 --seed 1]`: mutated calls against the API; fails on any 5xx, hang, stack trace or accepted nonsense. */
import { parseArgs } from 'node:util';
import { validateJob } from '@joulemetric/core/validate';
import { fuzz } from './lib/fuzz.mjs';
import { startService } from './lib/service.mjs';

const { values } = parseArgs({
  options: { calls: { type: 'string', default: '5000' }, seed: { type: 'string', default: '20261125' } },
});
const service = await startService();
const started = Date.now();
const { calls, faults, statuses } = await fuzz({
  url: service.url,
  calls: Number(values.calls),
  seed: Number(values.seed),
  validate: (job) => validateJob(job).ok,
});
await service.stop();
for (const { what, call } of faults.slice(0, 20)) process.stdout.write(`${what}\n  ${call}\n`);
const count = (pattern) => faults.filter(({ what }) => pattern.test(what)).length;
process.stdout.write(
  [
    `${calls} calls in ${((Date.now() - started) / 1000).toFixed(0)} s, seed ${values.seed}`,
    `answers ${Object.entries(statuses)
      .map(([status, times]) => `${status}: ${times}`)
      .join(', ')}`,
    `5xx ${count(/^answer/)}, hangs ${count(/in time|broke/)}, stack traces ${count(/stack/)}, long refusals ${count(/refusal/)}, nonsense accepted ${count(/nonsense/)}`,
    '',
  ].join('\n'),
);
process.exit(faults.length > 0 ? 1 : 0);
