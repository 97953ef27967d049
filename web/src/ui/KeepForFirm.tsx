import type { Load } from '@joulemetric/core';
import { useState } from 'react';
import { useFirm } from '../edges/useFirm.ts';

/** Puts the load into the firm's own list, from where it is offered first in every job; or takes it out. */
export function KeepForFirm({ load }: { load: Load }) {
  const firm = useFirm();
  const [problem, setProblem] = useState<string | null>(null);
  const kept = firm.appliances.find(({ name }) => name === load.name);
  const run = (work: Promise<void>) =>
    work.then(
      () => setProblem(null),
      (error: Error) => setProblem(error.message),
    );
  return (
    <span>
      <button
        type="button"
        className="border-b border-mark phone:min-h-11"
        onClick={() => void run(kept ? firm.remove(kept.id) : firm.add(load))}
      >
        {kept ? 'Take out of our list' : 'Keep in our list'}
      </button>
      {problem && (
        <span role="alert" className="block text-note text-copper">
          {problem}
        </span>
      )}
    </span>
  );
}
