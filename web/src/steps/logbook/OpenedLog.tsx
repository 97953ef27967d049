import { formatNumber, type Log, type LogReport } from '@joulemetric/core';
import { lazy, type ReactNode, Suspense, useEffect, useState } from 'react';
import type { OpenLog } from '../../edges/answers.ts';
import { api } from '../../edges/api.ts';
import { type LogChange, useLog } from '../../edges/useLogs.ts';
import { useOutbox } from '../../edges/useOutbox.ts';
import { useIsPhone } from '../../shell/useIsPhone.ts';
import { FileLink } from '../../ui/FileLink.tsx';
import { ComparedWays } from './ComparedWays.tsx';
import { Keypad } from './Keypad.tsx';
import { LogFields } from './LogFields.tsx';
import { LossTable } from './LossTable.tsx';
import { LogUnits } from './logUnits.ts';
import { Readings } from './Readings.tsx';
import { answerOf, figuresOf, waysOf } from './says.ts';
import type { Design } from './usePredicted.ts';

const TakeTable = lazy(() => import('./TakeTable.tsx').then((module) => ({ default: module.TakeTable })));
const LogChart = lazy(() => import('./LogChart.tsx').then((module) => ({ default: module.LogChart })));

/** One log: what it says first, then its readings, and how more are put down. */
export function OpenedLog({
  jobId,
  logId,
  design,
  about,
  intoJob,
  instruments,
  onRemove,
}: {
  /** Null where it belongs to no job yet. */
  jobId: string | null;
  logId: string;
  /** The job's option that is simulated beside it. */
  design: Design | null;
  about: (log: Log, put: (part: LogChange) => void, stored: OpenLog) => ReactNode;
  intoJob?: (log: OpenLog, report: LogReport) => ReactNode;
  instruments?: (log: OpenLog, refresh: () => void) => ReactNode;
  onRemove: () => void;
}) {
  const { log, report, problem, refresh, change } = useLog(jobId, logId);
  const { waiting, sent } = useOutbox();
  // biome-ignore lint/correctness/useExhaustiveDependencies: what has arrived is fetched.
  useEffect(() => {
    if (sent > 0) void refresh();
  }, [sent]);
  const isPhone = useIsPhone();
  const [table, setTable] = useState<File | null>(null);
  if (!log) return <p className="py-3 text-ink-2">{problem ?? 'Opening the log…'}</p>;
  const keypad = <Keypad jobId={jobId} logId={logId} entries={log.entries.map(({ entry }) => entry)} />;
  return (
    <LogUnits value={design?.job.brief.region.units ?? 'metric'}>
      <article aria-label={log.log.name || 'A log'} data-log={report ? 'ready' : 'waiting'}>
        {isPhone ? (
          <>
            {keypad}
            <details>
              <summary className="text-body text-ink-2 phone:min-h-11">
                What it is of, and what it should answer
              </summary>
              <LogFields log={log} change={change} about={(now, put) => about(now, put, log)} />
            </details>
          </>
        ) : (
          <LogFields log={log} change={change} about={(now, put) => about(now, put, log)} />
        )}
        {report && <Says report={report} />}
        {problem && (
          <p role="alert" className="text-copper">
            {problem}
          </p>
        )}
        <div className="grid grid-cols-[minmax(0,1fr)_300px] gap-x-6 @max-[1040px]:grid-cols-1">
          <div className="min-w-0">
            <Suspense fallback={<div className="h-[230px]" />}>
              <LogChart log={log} report={report} design={design} />
            </Suspense>
            {report && <Ways report={report} />}
            {report?.compare && <ComparedWays compare={report.compare} />}
            {report?.loss && <LossTable loss={report.loss} />}
            {report && intoJob?.(log, report)}
          </div>
          <div>
            {!isPhone && <div className="pt-3">{keypad}</div>}
            <Readings
              jobId={jobId}
              log={log}
              waiting={waiting.filter(({ item }) => item.kind === 'reading' && item.logId === logId).length}
              onChanged={() => void refresh()}
            />
          </div>
        </div>
        {instruments?.(log, () => void refresh())}
        <p className="flex flex-wrap gap-x-5 gap-y-1 pt-3 text-ink-2">
          <FileLink accept=".csv,.tsv,.txt,text/csv" disabled={false} onFile={setTable}>
            Read a meter’s file…
          </FileLink>
          <a href={api.logUrl(logId, 'file')} download className="border-b border-mark hover:text-ink phone:py-3">
            Save as a log file
          </a>
          {log.rows > 0 && (
            <a
              href={api.logUrl(logId, 'readings.csv')}
              download
              className="border-b border-mark hover:text-ink phone:py-3"
            >
              Save the meter’s readings as CSV
            </a>
          )}
          <button
            type="button"
            onClick={() =>
              window.confirm(`Take out the log “${log.log.name ?? ''}” with its readings? This cannot be undone.`) &&
              onRemove()
            }
            className="border-b border-mark hover:text-ink phone:min-h-11"
          >
            Take this log out
          </button>
        </p>
        {table && (
          <Suspense fallback={null}>
            <TakeTable log={log} file={table} onClose={() => setTable(null)} onTaken={() => void refresh()} />
          </Suspense>
        )}
      </article>
    </LogUnits>
  );
}

/** The answer, its figures, and all that has to be known of them. */
function Says({ report }: { report: LogReport }) {
  return (
    <>
      <p className="pt-2 text-total font-medium" data-answer>
        {answerOf(report)}
      </p>
      <dl className="num flex flex-wrap gap-x-7 gap-y-2 pt-2">
        {figuresOf(report).map(({ label, value, unit, note }) => (
          <div key={label}>
            <dt className="text-note text-ink-2">{label}</dt>
            <dd>
              <span className="text-vital font-semibold">
                {value}
                <span className="ml-[0.22em] text-[0.62em] font-medium text-ink-2">{unit}</span>
              </span>
              <span className="block max-w-[230px] text-note text-ink-2">{note}</span>
            </dd>
          </div>
        ))}
      </dl>
      <div className="space-y-0.5 pt-2">
        {report.contradictions.map(({ code, where, says, refused }) => (
          <p key={code + where} className="num text-[13px] leading-[18px] text-ink-2" data-contradiction={code}>
            <span className={`font-semibold ${refused ? 'text-stop' : 'text-copper'}`}>
              {refused ? 'Stop.' : 'Caution.'}
            </span>{' '}
            {where}: {says}.
          </p>
        ))}
        {report.caveats.map(({ code, says }) => (
          <p key={code + says} className="num text-[13px] leading-[18px] text-ink-2" data-caveat={code}>
            <span className="font-semibold text-copper">Note.</span> {says}
          </p>
        ))}
        {report.notes.map((note) => (
          <p key={note} className="num text-[13px] leading-[18px] text-ink-2">
            {note}
          </p>
        ))}
      </div>
    </>
  );
}

/** The energy by each way of counting, side by side, and how far apart they are. */
function Ways({ report }: { report: LogReport }) {
  const ways = waysOf(report);
  const { disagreements, unexplained, ahAt } = report.energy;
  if (ways.length === 0) return null;
  return (
    <section aria-label="Energy by each way" className="pt-3">
      <table className="num w-full max-w-[620px] text-number">
        <thead>
          <tr className="border-b border-ink text-note text-ink-2">
            <th scope="col" className="py-1 text-left font-medium">
              Energy by
            </th>
            <th scope="col" className="text-right font-medium">
              Wh
            </th>
            <th scope="col" className="text-right font-medium">
              between
            </th>
            <th scope="col" className="text-right font-medium">
              mean W
            </th>
          </tr>
        </thead>
        <tbody>
          {ways.map(({ way, wh, low, high, meanW, counts, doubtWh }) => (
            <tr key={way} className="border-b border-line-2">
              <td className={`py-1 font-words ${counts ? 'font-semibold' : ''}`}>
                {way}
                {counts && ways.length > 1 && <span className="font-normal text-ink-2"> · this counts</span>}
              </td>
              <td className="text-right font-medium">{formatNumber(wh, 0)}</td>
              <td className="text-right text-ink-2">
                {formatNumber(low, 0)} – {formatNumber(high, 0)}
                {doubtWh ? `, capacity ± ${formatNumber(doubtWh, 0)}` : ''}
              </td>
              <td className="text-right">{meanW === null ? '–' : formatNumber(meanW, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="num pt-1 text-note text-ink-2">
        {disagreements.map(
          ({ of: [one, other], wh, sigmas }) =>
            `${one} and ${other} differ by ${formatNumber(Math.abs(wh), 0)} Wh (${formatNumber(sigmas, 1)} σ). `,
        )}
        {ahAt &&
          `${formatNumber(ahAt.v12_0, 2)} Ah at 12.0 V nominal, ${formatNumber(ahAt.v12_8, 2)} Ah at 12.8 V: say which is meant.`}
      </p>
      {unexplained && (
        <p className="num text-note text-ink-2">
          {formatNumber(unexplained.wh, 0)} Wh ({formatNumber(unexplained.w, 1)} W) went past the meter. It may be:{' '}
          {unexplained.candidates.join('; ')}.
        </p>
      )}
    </section>
  );
}
