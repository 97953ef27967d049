import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { fail, say } from './say.mjs';

/** npm's packages, when the lock file has changed since they were last put in place. */
export async function ensureNodePackages() {
  const stamp = join(ROOT, 'node_modules', '.joulemetric-lock');
  const wanted = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Installing the packages of package-lock.json (npm ci)');
  const { code, output } = await run(['npm', 'ci', '--prefer-offline', '--no-fund', '--no-audit'], { cwd: ROOT });
  if (code !== 0) fail(`npm ci failed:\n${output}`);
  writeFileSync(stamp, wanted);
}

/** Directory with PostgreSQL's server programs, installed from Debian's packages when absent. */
export async function ensurePostgres() {
  const found = postgresBin();
  if (found) return found;
  // Debian would otherwise start a cluster of its own on port 5432, which nobody asked for.
  const noCluster =
    'mkdir -p /etc/postgresql-common/createcluster.d && echo "create_main_cluster = false" > /etc/postgresql-common/createcluster.d/joulemetric.conf';
  await ensureDebian('PostgreSQL', ['postgresql'], noCluster);
  return postgresBin() ?? fail('PostgreSQL was installed, but its programs are not in /usr/lib/postgresql.');
}

export async function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  await ensureDebian('Chromium', ['chromium']);
}

function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base)
    .filter((name) => existsSync(join(base, name, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] ? join(base, versions[0], 'bin') : null;
}

async function ensureDebian(what, names, before = 'true') {
  const install = `apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends ${names.join(' ')}`;
  const asRoot = process.getuid?.() === 0;
  const canSudo = !asRoot && (await run(['sudo', '-n', 'true'])).code === 0;
  if (!asRoot && !canSudo) {
    fail(
      `${what} is not installed. Run this once, then start again:\n\n  sudo sh -c '${before === 'true' ? '' : `${before} && `}${install}'`,
    );
  }
  say(`Installing ${what} from Debian's packages`);
  const shell = ['sh', '-c', `${before} && ${install}`];
  const { code, output } = await run(asRoot ? shell : ['sudo', '-n', ...shell]);
  if (code !== 0) fail(`${what} could not be installed:\n${output.trim().split('\n').slice(-6).join('\n')}`);
}

/** Builds the web application when a source it is made of has changed since the last build. */
export async function ensureBuild() {
  const stamp = join(ROOT, 'web', 'dist', '.sources');
  const wanted = sourcesDigest([
    'core/src',
    'web/src',
    'web/public',
    'web/index.html',
    'web/vite.config.ts',
    'package-lock.json',
  ]);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Building the web application');
  const { code, output } = await run(
    [process.execPath, 'node_modules/vite/bin/vite.js', 'build', 'web', '--logLevel', 'warn'],
    // A test runner says "test" here, and React would be built with all its checks: three times as slow for whoever
    // is served it afterwards.
    { cwd: ROOT, env: { ...process.env, NODE_ENV: 'production' } },
  );
  if (code !== 0) fail(`The build failed:\n${output}`);
  mkdirSync(join(ROOT, 'web', 'dist'), { recursive: true });
  writeFileSync(stamp, wanted);
}

/** One text for the contents of files and directories; it changes when any of them does. */
export function sourcesDigest(paths) {
  const hash = createHash('sha256');
  const visit = (path) => {
    const full = join(ROOT, path);
    if (!existsSync(full)) return;
    const entries = readDirectory(full);
    if (!entries) return void hash.update(path).update(readFileSync(full));
    for (const entry of entries) visit(join(path, entry));
  };
  for (const path of paths) visit(path);
  return hash.digest('hex');
}

function readDirectory(path) {
  try {
    return readdirSync(path).sort();
  } catch (error) {
    if (error.code === 'ENOTDIR') return null;
    throw error;
  }
}
