/** `npm run fuzz [-- --calls 5000 --seed 1]`: calls about things of every kind, half of them spoiled; fails on any 5xx, hang, stack trace, accepted nonsense, or what was accepted and is not there. */
import { parseArgs } from 'node:util';
import { fuzz } from './lib/fuzz.mjs';
import { validators } from './lib/fuzzValidators.mjs';
import { startService } from './lib/service.mjs';

const { values } = parseArgs({
  options: { calls: { type: 'string', default: '5000' }, seed: { type: 'string', default: '20261125' } },
});
const service = await startService();
const started = Date.now();
const { calls, faults, statuses, readBack } = await fuzz({
  url: service.url,
  calls: Number(values.calls),
  seed: Number(values.seed),
  validate: validators,
});
await service.stop();
for (const { what, call } of faults.slice(0, 20)) process.stdout.write(`${what}\n  ${call}\n`);
const taken = Object.entries(statuses).reduce((sum, [status, times]) => sum + (status < '300' ? times : 0), 0);
const sent = Object.values(statuses).reduce((sum, times) => sum + times, 0);
const count = (pattern) => faults.filter(({ what }) => pattern.test(what)).length;
process.stdout.write(
  [
    `${calls} calls in ${((Date.now() - started) / 1000).toFixed(0)} s, seed ${values.seed}`,
    `answers ${Object.entries(statuses)
      .map(([status, times]) => `${status}: ${times}`)
      .join(', ')}`,
    `accepted ${taken} of ${sent} (${((100 * taken) / sent).toFixed(0)} %), read back ${readBack}`,
    `5xx ${count(/^answer/)}, hangs ${count(/in time|broke/)}, stack traces ${count(/stack/)}, long refusals ${count(/refusal/)}, nonsense accepted ${count(/nonsense/)}, lost or doubled ${count(/not there|twice|creation/)}, beyond a limit ${count(/instruments/)}`,
    '',
  ].join('\n'),
);
process.exit(faults.length > 0 ? 1 : 0);
