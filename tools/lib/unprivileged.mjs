import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { sourcesDigest } from './packages.mjs';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { say } from './say.mjs';

/** System user that the server runs as when it is started by root. */
const USER = 'joulemetric';
/** Everything the server reads while it runs, beside its packages. */
const PROGRAM = ['core', 'server', 'db', 'demo', 'demo-logs', 'web/dist', 'package.json', 'tsconfig.base.json'];

/**
 * Whom the server runs as, and where its program lies. Started by root it runs as a user of its own that can read the
 * program and nothing of anybody's; where that user cannot get to the checkout (root's home is closed), from a copy.
 * @param {string} directory where a copy may be put
 * @returns {Promise<{ root: string, user: { uid: number, gid: number } | {} }>}
 */
export async function serverPlace(directory) {
  if (process.getuid?.() !== 0) return { root: ROOT, user: {} };
  const user = (await idsOf(USER)) ?? (await makeUser()) ?? (await idsOf('nobody'));
  if (!user) return { root: ROOT, user: {} };
  const main = join(ROOT, 'server', 'src', 'main.ts');
  const reached = await run(['cat', main], { cwd: '/', ...user });
  return { root: reached.code === 0 ? ROOT : copyProgram(join(directory, 'program')), user };
}

async function idsOf(name) {
  const [uid, gid] = await Promise.all([run(['id', '-u', name]), run(['id', '-g', name])]);
  return uid.code === 0 && gid.code === 0 ? { uid: Number(uid.output), gid: Number(gid.output) } : null;
}

async function makeUser() {
  const made = await run(['useradd', '--system', '--no-create-home', '--shell', '/usr/sbin/nologin', USER]);
  if (made.code !== 0) return null;
  say(`Made the system user ${USER}, as whom the server runs`);
  return idsOf(USER);
}

/** The program and the packages it needs, copied anew when either has changed. */
function copyProgram(target) {
  const stamp = join(target, '.sources');
  const wanted = sourcesDigest([...PROGRAM, 'package-lock.json']);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return target;
  say('Copying the program to where the server may read it');
  rmSync(target, { recursive: true, force: true });
  mkdirSync(target, { recursive: true, mode: 0o755 });
  for (const path of PROGRAM) cpSync(join(ROOT, path), join(target, path), { recursive: true });
  const { dependencies } = JSON.parse(readFileSync(join(ROOT, 'server', 'package.json'), 'utf8'));
  const { dependencies: core } = JSON.parse(readFileSync(join(ROOT, 'core', 'package.json'), 'utf8'));
  for (const path of packagesOf(['tsx', ...Object.keys({ ...dependencies, ...core })]))
    cpSync(join(ROOT, path), join(target, path), { recursive: true, dereference: true });
  writeFileSync(stamp, wanted);
  return target;
}

/** Directories of packages and of all that they depend on, where npm has put them. */
function packagesOf(names) {
  const found = new Set();
  const visit = (name, from) => {
    const path = placeOf(name, from);
    if (path === null || found.has(path)) return;
    found.add(path);
    const { dependencies, optionalDependencies } = JSON.parse(readFileSync(join(ROOT, path, 'package.json'), 'utf8'));
    for (const needed of Object.keys({ ...dependencies, ...optionalDependencies })) visit(needed, path);
  };
  for (const name of names) visit(name, '.');
  return found;
}

/** The nearest `node_modules` upward that has it; null for an optional package of another kind of machine. */
function placeOf(name, from) {
  for (let at = from; ; at = dirname(at)) {
    const path = join(at, 'node_modules', name);
    if (existsSync(join(ROOT, path, 'package.json'))) return path;
    if (at === '.') return null;
  }
}
