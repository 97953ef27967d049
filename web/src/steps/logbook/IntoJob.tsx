import { calibrations, formatNumber, type LogReport } from '@joulemetric/core';
import { useState } from 'react';
import type { OpenLog } from '../../edges/answers.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { KeepForFirm } from '../../ui/KeepForFirm.tsx';

/** What was measured takes the place of what was typical: one action, which undo takes back. */
export function IntoJob({ log, report }: { log: OpenLog; report: LogReport }) {
  const { job, edit, optionId } = useJob();
  const [taken, setTaken] = useState<string | null>(null);
  const offers = calibrations(job, optionId, log.log, report);
  if (!log.log.about) return null;
  const load = job.loads.find(
    ({ id, evidence }) => log.log.about?.kind === 'load' && id === log.log.about.id && evidence === 'measured',
  );
  return (
    <section aria-label="Into the job" className="mt-3 border-t border-line pt-2">
      <h3 className="text-body font-semibold">Into the job</h3>
      {offers.length === 0 && <p className="text-ink-2">These readings say nothing yet that the job could take.</p>}
      {offers.map((offer) => (
        <div key={offer.id} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1">
          <span>{offer.what}</span>
          <span className="num text-number">
            {offer.from !== null && <span className="text-ink-2">{formatNumber(offer.from, 1)} → </span>}
            <span className="font-semibold">{formatNumber(offer.to, 1)}</span>{' '}
            <span className="text-note text-ink-2">{offer.unit}</span>
          </span>
          <Button
            disabled={offer.refused !== null}
            onClick={() => {
              edit(offer.apply, `calibrate-${log.id}`);
              setTaken(offer.id);
            }}
          >
            Take it into the job
          </Button>
          {offer.refused && <span className="text-note text-copper">Not yet: {offer.refused}.</span>}
          {taken === offer.id && (
            <span className="text-note text-ink-2">
              Taken; the figures above show what changed. Undo takes it back.
            </span>
          )}
        </div>
      ))}
      {load && taken && <KeepForFirm load={load} />}
    </section>
  );
}
