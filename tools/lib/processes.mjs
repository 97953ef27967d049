import { readdirSync, readFileSync } from 'node:fs';

/** What the kernel says of processes, for telling one's own from others that have got the same number. */

/** Arguments a process was started with; empty when it is gone. */
function argumentsOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').slice(0, -1);
  } catch {
    return [];
  }
}

/** Id of the first process whose arguments fit; null when there is none. */
export function findProcess(fits) {
  const pids = readdirSync('/proc').filter((name) => /^\d+$/.test(name));
  const found = pids.find((pid) => fits(argumentsOf(pid)));
  return found === undefined ? null : Number(found);
}

/** Fields of a process's state; null when there is none. */
function stat(pid) {
  try {
    const text = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return text.slice(text.lastIndexOf(')') + 2).split(' ');
  } catch {
    return null;
  }
}

/** A process that has ended and is not yet fetched by its parent does not run. */
export function isRunning(pid) {
  const state = stat(pid)?.[0];
  return state !== undefined && state !== 'Z' && state !== 'X';
}

/** A process by its number and the tick at which it began: nobody else ever has both. */
export function identity(pid) {
  const began = stat(pid)?.[19];
  return began === undefined ? null : `${pid} ${began}`;
}
