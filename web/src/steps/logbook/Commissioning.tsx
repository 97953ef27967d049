import { checklist, type LogCheck } from '@joulemetric/core';
import { useState } from 'react';
import { useParams } from 'react-router';
import type { StoredLog } from '../../edges/answers.ts';
import { useLog } from '../../edges/useLogs.ts';
import { useRunsDetail } from '../../edges/useRunsDetail.ts';
import { useJob, useOption } from '../../shell/JobContext.tsx';

/** The checks before a vehicle is handed over, made from this job, with what came out of each. */
export function Commissioning({ logs, onBegin }: { logs: readonly StoredLog[]; onBegin: () => Promise<void> }) {
  const { id: jobId = '' } = useParams();
  const check = logs.find(({ log }) => log.purpose === 'check');
  return (
    <section aria-label="Commissioning" className="mt-6 border-t border-line pt-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-body font-semibold">Commissioning</h2>
        {check && (
          <button
            type="button"
            onClick={() => window.print()}
            className="border-b border-mark text-ink-2 print:hidden phone:min-h-11"
          >
            Print
          </button>
        )}
      </div>
      {check ? (
        <Checks jobId={jobId} logId={check.id} />
      ) : (
        <p className="pt-1 text-ink-2">
          A list of what to check before hand-over, made from this job: polarity, cut-offs, starts, each source, the
          mains side by a licensed person.{' '}
          <button type="button" onClick={() => void onBegin()} className="border-b border-mark text-ink phone:min-h-11">
            Begin it
          </button>
        </p>
      )}
    </section>
  );
}

const RESULTS = [
  { value: 'good', label: 'good' },
  { value: 'bad', label: 'not good' },
  { value: 'left-out', label: 'left out' },
] as const;

function Checks({ jobId, logId }: { jobId: string; logId: string }) {
  const { job, optionId } = useJob();
  const option = useOption();
  const { value: cables } = useRunsDetail(option.system.runs === null ? null : job, optionId);
  const { log, change, problem } = useLog(jobId, logId);
  const [by, setBy] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  if (!log) return null;
  const items = checklist(job, option, cables?.detail.lines ?? []);
  const done = new Map((log.log.checks ?? []).map((one) => [one.id, one]));
  const put = (id: string, part: Partial<LogCheck>) =>
    void change(({ checks = [] }) => {
      const before = checks.find((one) => one.id === id) ?? { id, result: 'open' as const };
      const who = by.trim() === '' ? {} : { by: by.trim() };
      return {
        checks: [
          ...checks.filter((one) => one.id !== id),
          { ...before, ...part, ...who, at: new Date().toISOString() },
        ],
      };
    }).then(
      () => setFailed(null),
      (error: Error) => setFailed(error.message),
    );
  const bad = items.filter(({ id }) => done.get(id)?.result === 'bad').length;
  const open = items.filter(({ id }) => (done.get(id)?.result ?? 'open') === 'open').length;
  let group = '';
  return (
    <>
      <p className="text-ink-2">
        {open > 0 ? `${open} of ${items.length} still to check` : 'All checked'}
        {bad > 0 && <span className="font-medium text-stop">, {bad} not good</span>}. Work on mains and the final test
        are for a licensed person under the local code.
      </p>
      {(failed ?? problem) && (
        <p role="alert" className="text-copper">
          {failed ?? problem}
        </p>
      )}
      <label className="flex items-baseline gap-2 pt-1 print:hidden">
        <span className="text-note text-ink-2">Who checks</span>
        <input
          value={by}
          maxLength={60}
          onChange={(event) => setBy(event.target.value)}
          className="border-b border-line bg-transparent text-number focus:border-ink focus:outline-none phone:min-h-11"
        />
      </label>
      <ol className="max-w-[860px]">
        {items.map(({ id, group: of, what, expected, by: who }) => {
          const result = done.get(id);
          const isFirst = of !== group;
          group = of;
          return (
            <li key={id}>
              {isFirst && <p className="num border-b border-ink pt-3 text-note text-ink-2">{of}</p>}
              <div className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-4 border-b border-line-2 py-1.5 phone:grid-cols-1">
                <div>
                  <span className={result?.result === 'bad' ? 'font-medium text-stop' : ''}>{what}</span>
                  <span className="num block text-note text-ink-2">
                    {expected}
                    {who && ` · by ${who}`}
                    {result && wordsOf(result)}
                  </span>
                </div>
                <div className="flex items-baseline gap-2 print:hidden">
                  <input
                    aria-label={`What was read: ${what}`}
                    defaultValue={result?.found ?? ''}
                    placeholder="read"
                    maxLength={60}
                    onBlur={(event) =>
                      event.target.value !== (result?.found ?? '') && put(id, { found: event.target.value })
                    }
                    className="num w-[86px] border-b border-line bg-transparent text-number focus:border-ink focus:outline-none phone:min-h-11"
                  />
                  {RESULTS.map(({ value, label }) => (
                    <button
                      key={value}
                      type="button"
                      aria-pressed={result?.result === value}
                      onClick={() => put(id, { result: result?.result === value ? 'open' : value })}
                      className={`min-h-8 border-b-2 px-1.5 phone:min-h-11 ${result?.result !== value ? 'border-transparent text-ink-2 hover:text-ink' : value === 'bad' ? 'border-stop font-semibold text-stop' : 'border-ink font-semibold'}`}
                    >
                      {label}
                    </button>
                  ))}
                </div>
              </div>
            </li>
          );
        })}
      </ol>
    </>
  );
}

/** What came of a check, who found it and when. */
function wordsOf({ result, found, by, at }: LogCheck): string {
  const label = RESULTS.find(({ value }) => value === result)?.label;
  const said = [
    found ? `read ${found}` : null,
    label ?? null,
    by ?? null,
    at ? new Date(at).toLocaleDateString('en-GB') : null,
  ];
  return said.some((one) => one !== null) ? ` · ${said.filter((one) => one !== null).join(', ')}` : '';
}
