import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ended } from './cluster.mjs';
import { identity } from './processes.mjs';

/**
 * Marks of who runs with the data of a directory: one start, and the server it started. A mark holds a process's
 * number and when it began, so that another program with the same number is never taken for it.
 */
const START = 'start.pid';
const SERVER = 'server.pid';

/** Number of the living process that a mark names; null when there is none. */
function holder(directory, name) {
  const file = join(directory, name);
  const mark = existsSync(file) ? readFileSync(file, 'utf8').trim() : '';
  const pid = Number(mark.split(' ')[0]);
  return pid > 0 && identity(pid) === mark ? pid : null;
}

/** Takes the directory for this process; answers the number of the start that has it, or null. */
export function takeDirectory(directory) {
  const other = holder(directory, START);
  if (other !== null && other !== process.pid) return other;
  writeFileSync(join(directory, START), identity(process.pid) ?? '');
  return null;
}

export function markServer(directory, pid) {
  writeFileSync(join(directory, SERVER), identity(pid) ?? '');
}

export function releaseDirectory(directory) {
  for (const name of [START, SERVER]) rmSync(join(directory, name), { force: true });
}

/** Ends a server that a start left running when it was killed; it ends by itself, this waits for it. */
export async function endOrphanServer(directory) {
  const pid = holder(directory, SERVER);
  if (pid === null) return;
  if (await ended(pid, 3000)) return;
  process.kill(pid, 'SIGKILL');
  await ended(pid, 3000);
}
