import { type Missing, missingUsuals } from '@joulemetric/core';
import { useDeferredValue, useMemo } from 'react';
import { addLoad, changeLoad, hasNot, roomFor } from '../../commands/loads.ts';
import { useJob } from '../../shell/JobContext.tsx';

/** One line: what such a job usually has and this list lacks, one tap to add, one to say no. */
export function MissingLoads() {
  const { job, edit } = useJob();
  // All loads are looked through for it: a key does not wait for that.
  const asked = useDeferredValue(job);
  const missing = useMemo(() => missingUsuals(asked), [asked]);
  const [first] = missing;
  if (!first || roomFor(job) < 1) return null;
  const take = ({ key, load }: Missing) =>
    edit(key === `${load.id}-phases` ? changeLoad(load.id, { draw: load.draw, uses: load.uses }) : addLoad(load));
  return (
    <p role="status" className="mt-2 flex flex-wrap items-baseline gap-x-4 gap-y-1 text-note text-ink-2">
      <span>
        <span className="font-medium text-ink">{first.name}?</span>{' '}
        {first.why.charAt(0).toUpperCase() + first.why.slice(1)}.
      </span>
      <button type="button" onClick={() => take(first)} className="border-b border-ink text-ink phone:min-h-11">
        {first.key === `${first.load.id}-phases` ? 'Put it in' : 'Add it'}
      </button>
      <button type="button" onClick={() => edit(hasNot(first.key))} className="border-b border-mark phone:min-h-11">
        There is none
      </button>
      {missing.length > 1 && <span className="num">and {missing.length - 1} more to ask</span>}
    </p>
  );
}
