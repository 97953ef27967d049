import type { Job } from '@joulemetric/core';

/**
 * ms of work in all, and of one turn at most; after which it begins, and between two. The largest jobs need three or
 * four turns of 0.2 to 0.3 s, without which their first edits take twice as long.
 */
const PRACTICE_MS = 1000;
const LONGEST_MS = 400;
const AFTER_MS = 300;
const REST_MS = 20;

/** Does work that will be asked for while nobody asks: what has run often is compiled, and the first edits need not wait for that. */
export class Practice {
  #timer: ReturnType<typeof setTimeout> | undefined;

  /** @param work one turn of it; a turn that takes long is the last, for a question could come meanwhile */
  begin(work: (turn: number) => void): void {
    this.end();
    let spent = 0;
    const go = (turn: number) => {
      const started = performance.now();
      work(turn);
      const took = performance.now() - started;
      spent += took;
      if (took < LONGEST_MS && spent < PRACTICE_MS) this.#timer = setTimeout(() => go(turn + 1), REST_MS);
    };
    this.#timer = setTimeout(() => go(0), AFTER_MS);
  }

  end(): void {
    clearTimeout(this.#timer);
  }
}

/** mW and mm that a practised edit adds. */
const SLIGHTLY = 0.001;

/** The job after an edit that changes next to nothing: of a load, and of a run if there are any; by turns of each. */
export function slightlyOther(job: Job, optionId: string, turn: number): Job {
  const more = SLIGHTLY * (turn + 1);
  return {
    ...job,
    loads: job.loads.map((load, i) =>
      i === turn % job.loads.length ? { ...load, residueW: load.residueW + more } : load,
    ),
    options: job.options.map((option) => {
      const { runs } = option.system;
      if (option.id !== optionId || !runs) return option;
      const longer = runs.map((run, i) =>
        i === turn % runs.length ? { ...run, lengthM: (run.lengthM ?? 1) + more } : run,
      );
      return { ...option, system: { ...option.system, runs: longer } };
    }),
  };
}
