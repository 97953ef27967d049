import type { Load } from '@joulemetric/core';
import { useState } from 'react';
import { browserClock } from '../edges/clock.ts';
import { useFirm } from '../edges/useFirm.ts';
import { useJob } from '../shell/JobContext.tsx';

/** Puts the load into the firm's own list, from where it is offered first in every job; of one that is there, measured, one unit more; or takes it out. */
export function KeepForFirm({ load }: { load: Load }) {
  const { job } = useJob();
  const firm = useFirm();
  const [problem, setProblem] = useState<string | null>(null);
  const kept = firm.appliances.find(({ name }) => name === load.name);
  // Swedish writes a day as 2026-05-31: here, by the clock of this place.
  const today = new Intl.DateTimeFormat('sv-SE').format(browserClock.now());
  const of = job.vehicle || job.title;
  const entry = firm.entries?.find(({ id }) => id === kept?.id)?.appliance;
  const isNewUnit = load.evidence === 'measured' && !entry?.measured.some((unit) => unit.of === of);
  const run = (work: Promise<void>) =>
    work.then(
      () => setProblem(null),
      (error: Error) => setProblem(error.message),
    );
  return (
    <span className="inline-flex flex-wrap gap-x-4">
      {(!kept || isNewUnit) && (
        <button
          type="button"
          className="border-b border-mark phone:min-h-11"
          onClick={() => void run(firm.add(load, of, today))}
        >
          {kept ? `One more unit for our list, of ${entry?.measured.length ?? 0} so far` : 'Keep in our list'}
        </button>
      )}
      {kept && (
        <button
          type="button"
          className="border-b border-mark phone:min-h-11"
          onClick={() => void run(firm.remove(kept.id))}
        >
          Take out of our list
        </button>
      )}
      {problem && (
        <span role="alert" className="block text-note text-copper">
          {problem}
        </span>
      )}
    </span>
  );
}
