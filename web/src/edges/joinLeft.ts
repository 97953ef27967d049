import { isSame, type Job, mergeJobs } from '@joulemetric/core';
import type { StoredJob } from './answers.ts';
import type { Waiting } from './waiting.ts';

export interface Joined {
  /** What waited, put together; null when nothing did. */
  readonly joined: {
    readonly baseVersion: number;
    readonly base: Job | null;
    readonly job: Job;
    readonly edits: number;
    /** The sessions whose edits are in it. */
    readonly from: readonly string[];
  } | null;
  /** What could not be put together with it: somebody has to choose. */
  readonly apart: readonly Waiting[];
  /** Sessions whose edits the server has already. */
  readonly settled: readonly string[];
}

/** Puts together what several tabs left waiting, the oldest first; what changed the same thing stays apart. */
export function joinLeft(left: readonly Waiting[], stored: StoredJob): Joined {
  const settled = left.filter(({ job }) => isSame(job, stored.job));
  // Another of these tabs was saved before it closed: what the server has is one's own, and the rest goes on from it.
  const saved = settled.find(({ base }) => base !== null);
  const open = left
    .filter((one) => !settled.includes(one))
    .map((one) => (saved ? (goingOn(one, saved, stored) ?? one) : one));
  let joined: Joined['joined'] = null;
  const apart: Waiting[] = [];
  for (const one of open) {
    const { baseVersion, base, job, edits, session } = one;
    if (!joined) {
      joined = { baseVersion, base, job, edits, from: [session] };
      continue;
    }
    const known: Job | null = joined.base ?? base;
    const together: Job | null = known && joined.baseVersion === baseVersion ? mergeJobs(known, joined.job, job) : null;
    if (together) joined = { ...joined, job: together, edits: joined.edits + edits, from: [...joined.from, session] };
    else apart.push(one);
  }
  return { joined, apart, settled: settled.map(({ session }) => session) };
}

/** Edits put onto what a tab of the same base has saved; null when they cannot be. */
function goingOn(one: Waiting, saved: Waiting, stored: StoredJob): Waiting | null {
  if (one.baseVersion !== saved.baseVersion || saved.base === null) return null;
  const job = mergeJobs(saved.base, stored.job, one.job);
  return job && { ...one, baseVersion: stored.version, base: stored.job, job };
}
