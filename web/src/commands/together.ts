import type { Job } from '@joulemetric/core';
import type { Edit } from './loads.ts';

/** Edits of what may run at the same time. */

const edited =
  (change: (together: Job['together']) => Partial<Job['together']>): Edit =>
  (job) => ({ ...job, together: { ...job.together, ...change(job.together) } });

/** The most groups a job holds. */
const MOST_GROUPS = { atMost: 200, always: 100 } as const;

/** Of these loads at most so many run at once; 1 = never together. Fewer than there are, or it says nothing. */
export const limitTogether = (loads: readonly string[], most: number): Edit =>
  edited(({ atMost }) =>
    most < 1 || most >= loads.length || atMost.length >= MOST_GROUPS.atMost
      ? {}
      : { atMost: [...atMost, { loads: [...loads], most }] },
  );

/** Each of these pairs is never together, as one edit; all or, when the job holds no more groups, none. */
export const keepApart = (pairs: readonly (readonly [string, string])[]): Edit =>
  edited(({ atMost }) =>
    atMost.length + pairs.length > MOST_GROUPS.atMost
      ? {}
      : { atMost: [...atMost, ...pairs.map(([a, b]) => ({ loads: [a, b], most: 1 }))] },
  );

/** These run only together: what excludes one of them excludes all. */
export const joinTogether = (loads: readonly string[]): Edit =>
  edited(({ always }) =>
    loads.length < 2 || always.length >= MOST_GROUPS.always ? {} : { always: [...always, loads.slice(0, 50)] },
  );

export const dropLimit = (index: number): Edit =>
  edited(({ atMost }) => ({ atMost: atMost.filter((_, i) => i !== index) }));

export const dropJoin = (index: number): Edit =>
  edited(({ always }) => ({ always: always.filter((_, i) => i !== index) }));

/** Marks two loads as never running together, or takes the mark back. */
export const setNeverTogether = (a: string, b: string, never: boolean): Edit =>
  edited(({ atMost }) => {
    const names = (group: { loads: readonly string[] }) => group.loads.includes(a) && group.loads.includes(b);
    const apart = atMost.filter((group) => !(names(group) && group.most === 1));
    if (never) return apart.length >= MOST_GROUPS.atMost ? {} : { atMost: [...apart, { loads: [a, b], most: 1 }] };
    // A larger group is split so that only this pair may meet.
    const split = atMost
      .filter((group) => names(group) && group.most === 1 && group.loads.length > 2)
      .flatMap(({ loads }) => [a, b].map((id) => ({ loads: loads.filter((other) => other !== id), most: 1 })));
    return { atMost: [...apart, ...split].slice(0, MOST_GROUPS.atMost) };
  });
