import type { Job, Quantity, Truth } from '@joulemetric/core';
import { useEffect, useMemo, useState } from 'react';
import type { OpenLog } from '../../edges/answers.ts';
import { figures } from '../../edges/compute.ts';
import { predictedOver } from './predictedOver.ts';

/** What is simulated beside a log. */
export interface Design {
  readonly job: Job;
  readonly optionId: string;
}

/**
 * What the job's own simulation has for a log of its store, beside what was read: from a day of the trip that is chosen,
 * at the same time of the day. Nothing is played before somebody asks.
 */
export function usePredicted(log: OpenLog, design: Design | null, of: Quantity, first: number, last: number) {
  const [job, optionId] = [design?.job ?? null, design?.optionId ?? ''];
  const [day, setDay] = useState<number | null>(null);
  const [truth, setTruth] = useState<Truth | null>(null);
  const isOfStore = log.log.about === undefined || log.log.about.kind === 'store';
  const isDrawn =
    job !== null && isOfStore && (of === 'soc' || of === 'w' || of === 'v') && last > first && first > 1e11;
  useEffect(() => {
    if (day === null || job === null) return;
    let wanted = true;
    figures
      .ask('truth', (remote) => remote.truth(job, optionId))
      .then(
        (found) => wanted && setTruth(found),
        () => undefined,
      );
    return () => {
      wanted = false;
    };
  }, [day, job, optionId]);
  const firstSoc = log.entries.find(({ entry }) => entry.soc != null)?.entry.soc ?? null;
  const predicted = useMemo(
    () => (truth && day !== null && isDrawn ? predictedOver(truth, of, day, first, last, firstSoc) : []),
    [truth, day, isDrawn, of, first, last, firstSoc],
  );
  return {
    days: isDrawn ? Math.min(14, truth ? Math.ceil((truth.w.length * truth.stepMin) / 1440) : 7) : 0,
    day,
    setDay,
    predicted,
  };
}
