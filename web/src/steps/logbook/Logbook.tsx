import { formatNumber, LOG_VERSION, type Log, measureFirst, type ToMeasure } from '@joulemetric/core';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { useLogs } from '../../edges/useLogs.ts';
import { useAssessment, useJob } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { AboutField } from './AboutField.tsx';
import { Commissioning } from './Commissioning.tsx';
import { Instruments } from './Instruments.tsx';
import { IntoJob } from './IntoJob.tsx';
import { LogShelf } from './LogShelf.tsx';
import { OpenedLog } from './OpenedLog.tsx';

/** Step 11: what was measured, what it says, and what of it goes into the job. */
export function Logbook() {
  const { id: jobId = '' } = useParams();
  const { job, optionId } = useJob();
  const [params, setParams] = useSearchParams();
  const { logs, problem, add, remove } = useLogs(jobId);
  const [failed, setFailed] = useState<string | null>(null);
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
  const chosen = params.get('log');
  const measured = (logs ?? []).filter(({ log }) => log.purpose !== 'check');
  const open = measured.find(({ id }) => id === chosen) ?? (chosen === 'none' ? undefined : measured[0]);
  const choose = (id: string) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      next.set('log', id);
      return next;
    });
  const begin = async (log: Omit<Log, 'format' | 'version'>) => {
    try {
      setFailed(null);
      choose(await add({ format: 'joulemetric-log', version: LOG_VERSION, zone, ...log }));
    } catch (error) {
      setFailed((error as Error).message);
    }
  };
  return (
    <div className="px-5 pb-10 pt-3.5 phone:px-4" data-logbook={logs ? 'ready' : 'waiting'}>
      <PhoneOptions />
      <StepHead question="What does it really do?">
        {measured.length === 0
          ? 'Nothing of this job has been measured yet.'
          : `${measured.length} ${measured.length === 1 ? 'log' : 'logs'} of this job; ${job.loads.filter(({ evidence }) => evidence === 'measured').length} of ${job.loads.length} loads rest on a measurement.`}
      </StepHead>
      {(failed ?? problem) && (
        <p role="alert" className="pt-2 font-medium text-copper">
          {failed ?? problem}
        </p>
      )}
      <LogShelf
        logs={logs && measured}
        openId={open?.id ?? null}
        onOpen={choose}
        onBegin={() => void begin({ name: 'A log', purpose: 'watch', ...capacityOf(job) })}
      >
        {open && (
          <OpenedLog
            key={open.id}
            jobId={jobId}
            logId={open.id}
            design={{ job, optionId }}
            about={(log, change) => <AboutField log={log} change={change} />}
            intoJob={(log, report) => <IntoJob log={log} report={report} />}
            instruments={(log, refresh) => <Instruments log={log} onReadings={refresh} />}
            onRemove={() => void remove(open.id).then(() => choose('none'))}
          />
        )}
      </LogShelf>
      <MeasureFirst
        onBegin={(one) => void begin({ name: one.name, purpose: 'appliance', about: { kind: 'load', id: one.loadId } })}
      />
      <Commissioning logs={logs ?? []} onBegin={() => begin({ name: 'Commissioning', purpose: 'check' })} />
    </div>
  );
}

/** The store of the option that is shown first, for a log of it. */
function capacityOf(job: ReturnType<typeof useJob>['job']): Pick<Log, 'capacity'> {
  const { store } = job.options[0]?.system ?? {};
  const string = store?.strings?.[0];
  if (!store || !string) return {};
  const ah = store.strings?.reduce((sum, { capacityAh, parallel }) => sum + capacityAh * parallel, 0) ?? 0;
  const { chemistry } = store;
  // A log has no word for a starter battery: it is a flooded one.
  return ah > 0 ? { capacity: { ah, chemistry: chemistry === 'starter' ? 'flooded' : chemistry } } : {};
}

const SHOWN = 5;

/** What to measure first, so that the day's range shrinks most. */
function MeasureFirst({ onBegin }: { onBegin: (one: ToMeasure) => void }) {
  const { job } = useJob();
  const assessment = useAssessment();
  const list = measureFirst(job, assessment);
  const { lowWh, highWh } = assessment.evidence;
  if (list.length === 0) return null;
  return (
    <section aria-label="What to measure first" className="mt-6 border-t border-line pt-3">
      <h2 className="text-body font-semibold">What to measure first</h2>
      <p className="text-ink-2">
        The day lies between {formatNumber(lowWh, 0)} and {formatNumber(highWh, 0)} Wh. Each of these narrows it most.
      </p>
      <table className="num mt-1 w-full max-w-[760px] text-number">
        <thead>
          <tr className="border-b border-ink text-left text-note text-ink-2">
            <th scope="col" className="py-1 font-medium">
              Load
            </th>
            <th scope="col" className="font-medium phone:hidden">
              With
            </th>
            <th scope="col" className="font-medium">
              For
            </th>
            <th scope="col" className="text-right font-medium">
              Narrows by
            </th>
            <th scope="col">
              <span className="sr-only">Begin</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {list.slice(0, SHOWN).map((one) => (
            <tr key={one.loadId} className="border-b border-line-2">
              <td className="py-1.5 pr-3 font-words">{one.name}</td>
              <td className="pr-3 text-ink-2 phone:hidden">{one.instrument}</td>
              <td className="pr-3 text-ink-2">{one.why}</td>
              <td className="whitespace-nowrap pr-3 text-right font-medium">
                {formatNumber(one.shrinksWh, 0)} <span className="text-note text-ink-2">Wh</span>
              </td>
              <td className="text-right">
                <button type="button" onClick={() => onBegin(one)} className="border-b border-mark phone:min-h-11">
                  Begin
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
