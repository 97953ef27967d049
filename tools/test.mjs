/** `npm test`: everything, on a fresh machine too. Leaves no process and no data behind. */
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureBuild, ensureChromium, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { say } from './lib/say.mjs';

const started = Date.now();
await ensureNodePackages();
await ensurePostgres();
await ensureChromium();

const bin = (path) => [process.execPath, join('node_modules', path)];
const CACHE = join(ROOT, '.cache');
const CHECKS = [
  ['Format and lint', [...bin('@biomejs/biome/bin/biome'), 'check', '--error-on-warnings', '.']],
  ['Types', [process.execPath, 'tools/types.mjs']],
  [
    'Layers',
    [
      ...bin('dependency-cruiser/bin/dependency-cruise.mjs'),
      'core/src',
      'server/src',
      'web/src',
      'cli',
      '--config',
      '.dependency-cruiser.cjs',
    ],
  ],
  ['Unused code', [...bin('knip/bin/knip.js')]],
  ['Published schema', [process.execPath, '--import', 'tsx', 'cli/schema.ts', '--check']],
];
/** Some of the unit tests, with their report. */
const vitest = (report, ...projects) => [
  ...bin('vitest/vitest.mjs'),
  'run',
  ...projects.map((project) => `--project=${project}`),
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${join(CACHE, report)}`,
];
const UNIT_REPORTS = ['unit.json', 'service.json'];
const TESTS = [
  ['Unit and API tests', vitest(UNIT_REPORTS[0], 'core', 'web', 'cli', 'server')],
  // Whole services, which want the machine for themselves.
  ['Tests of the running service', vitest(UNIT_REPORTS[1], 'tools')],
  ['Browser tests', [...bin('@playwright/test/cli.js'), 'test', '--reporter=list,json']],
];

rmSync(CACHE, { recursive: true, force: true });
const checks = await Promise.all(CHECKS.map(([name, command]) => step(name, command, true)));
await ensureBuild();
const tests = [];
for (const [name, command] of TESTS) tests.push(await step(name, command, false));

const counts = tally();
const failed = counts.failed + [...checks, ...tests].filter((ok) => !ok).length;
process.stdout.write(`\n${counts.names.map((name) => `✗ ${name}\n`).join('')}`);
process.stdout.write(`${((Date.now() - started) / 1000).toFixed(0)} s\n`);
process.stdout.write(`${counts.passed} passed, ${failed} failed\n`);
process.exit(failed > 0 ? 1 : 0);

async function step(name, command, quiet) {
  const from = Date.now();
  const env = { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: join(CACHE, 'browser.json'), FORCE_COLOR: '0' };
  const { code, output } = await run(command, { cwd: ROOT, quiet, env });
  say(`${name}: ${code === 0 ? 'ok' : 'FAILED'} (${((Date.now() - from) / 1000).toFixed(1)} s)`);
  if (code !== 0 && quiet) process.stdout.write(`${output}\n`);
  return code === 0;
}

/** The browser's tests, out of the groups they stand in. */
function specsOf(group) {
  return [...(group?.specs ?? []), ...(group?.suites ?? []).flatMap(specsOf)];
}

/** Tests that passed and failed, those by name, from both runners' reports. */
function tally() {
  const read = (name) => (existsSync(join(CACHE, name)) ? JSON.parse(readFileSync(join(CACHE, name), 'utf8')) : null);
  const unit = UNIT_REPORTS.map(read);
  const sum = (count) => unit.reduce((all, report) => all + (report?.[count] ?? 0), 0);
  const browser = read('browser.json');
  const { expected = 0, flaky = 0, unexpected = 0 } = browser?.stats ?? {};
  const units = unit
    .flatMap((report) => report?.testResults ?? [])
    .flatMap(({ name, assertionResults }) =>
      assertionResults.map(({ status, fullName }) => ({ status, name: `${relative(ROOT, name)}: ${fullName}` })),
    );
  return {
    passed: sum('numPassedTests') + expected + flaky,
    failed: sum('numFailedTests') + unexpected,
    names: [
      ...units.filter(({ status }) => status === 'failed').map(({ name }) => name),
      ...specsOf(browser)
        .filter(({ ok }) => !ok)
        .map(({ file, title }) => `${file}: ${title}`),
    ],
  };
}
