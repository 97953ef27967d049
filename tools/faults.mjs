/** `npm run faults [-- --rounds 6]`: editors on one job, and the page's undo, readings, photos and lists, while things break, and a disk that is full for a minute; fails on anything lost, doubled, overwritten or hanging. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { faults } from './lib/faults.mjs';
import { fullDisk } from './lib/fullDisk.mjs';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';
import { startService } from './lib/service.mjs';

const { values } = parseArgs({ options: { rounds: { type: 'string', default: '6' } } });
const job = JSON.parse(readFileSync(join(ROOT, 'demo', 'bookbinders-camper.json'), 'utf8'));
const service = await startService({ durable: true });
const total = await faults({ service, job, rounds: Number(values.rounds), say });
await service.stop();
const disk = await fullDisk(job);
if (disk === null) say('Full disk: left out, no small disk can be mounted here');
else
  say(
    `Full disk: ${disk.whileFull.filter((status) => status === 503).length} of ${disk.whileFull.length} saves told to come later, then ${disk.afterwards}, ${disk.intact && disk.lost === 0 ? 'nothing lost' : 'LOST'}`,
  );
process.stdout.write(
  `${total.faults} faults: ${Object.entries(total)
    .filter(([name]) => name !== 'faults')
    .map(([name, count]) => `${name} ${count}`)
    .join(', ')}\n`,
);
const diskFails =
  disk !== null &&
  !(disk.intact && disk.lost === 0 && disk.whileFull.every((status) => [200, 201, 503].includes(status)));
process.exit(total.lost + total.doubled + total.overwritten + total.hangs > 0 || diskFails ? 1 : 0);
