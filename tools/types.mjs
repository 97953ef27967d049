/** `npm run types`: every part is checked against what it may use (the core sees neither Node nor a browser). */
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';

const PROJECTS = ['core', 'server', 'web', 'e2e', 'tests'];
const results = await Promise.all(
  PROJECTS.map((project) =>
    run(
      [
        process.execPath,
        'node_modules/typescript/bin/tsc',
        '-p',
        project === 'tests' ? 'tsconfig.tests.json' : project,
      ],
      { cwd: ROOT },
    ),
  ),
);
const failed = results.filter(({ code }) => code !== 0);
for (const { output } of failed) process.stdout.write(output);
process.exit(failed.length > 0 ? 1 : 0);
