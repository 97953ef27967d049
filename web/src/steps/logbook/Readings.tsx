import { type LogReading, QUANTITIES } from '@joulemetric/core';
import type { OpenLog } from '../../edges/answers.ts';
import { api } from '../../edges/api.ts';
import { usePhotoUrl } from '../../edges/useOutbox.ts';
import { useReadIn } from './logUnits.ts';

const SHOWN = 60;

/** What was put down by hand, the newest first. */
export function Readings({
  jobId,
  log,
  waiting,
  onChanged,
}: {
  jobId: string | null;
  log: OpenLog;
  waiting: number;
  onChanged: () => void;
}) {
  const { entries, rows } = log;
  const readIn = useReadIn();
  return (
    <section aria-label="Readings" className="pt-3">
      <p className="num text-note text-ink-2">
        {entries.length} by hand{rows > 0 ? `, ${rows.toLocaleString('en').replaceAll(',', '\u2009')} by meters` : ''}
        {waiting > 0 ? `, ${waiting} on their way` : ''}
      </p>
      <ol className="num max-h-[360px] overflow-y-auto text-number">
        {[...entries]
          .reverse()
          .slice(0, SHOWN)
          .map(({ id, t, entry }) => (
            <li key={id} className="group flex items-baseline gap-2 border-b border-line-2 py-1 phone:min-h-11">
              <span className="w-[92px] shrink-0 text-note text-ink-2">{whenOf(t)}</span>
              <span className="min-w-0 grow truncate" title={valuesOf(entry, readIn)}>
                {valuesOf(entry, readIn)}
              </span>
              {entry.photo && jobId !== null && <PhotoLink jobId={jobId} id={entry.photo} />}
              <button
                type="button"
                aria-label={`Take out the reading of ${whenOf(t)}`}
                onClick={() => void api.removeReading(log.id, id).then(onChanged, onChanged)}
                className="px-1 text-ink-2 opacity-0 focus:opacity-100 group-hover:opacity-100 phone:min-h-11 phone:opacity-100"
              >
                ×
              </button>
            </li>
          ))}
      </ol>
    </section>
  );
}

function PhotoLink({ jobId, id }: { jobId: string; id: string }) {
  const url = usePhotoUrl(jobId, id);
  return (
    <a href={url} target="_blank" rel="noreferrer" className="text-note text-ink-2 underline">
      photo
    </a>
  );
}

const DATED_FROM = 1e11;

const whenOf = (t: number): string =>
  t < DATED_FROM
    ? `${(t / 3.6e6).toFixed(2)} h`
    : new Date(t).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

const valuesOf = (entry: LogReading, readIn: ReturnType<typeof useReadIn>): string =>
  [
    ...QUANTITIES.flatMap((quantity) =>
      entry[quantity] == null ? [] : [`${readIn(quantity).to(entry[quantity])} ${readIn(quantity).unit}`],
    ),
    ...(entry.toGo ? [`“${entry.toGo}” to go`] : []),
    ...(entry.mark ? [entry.mark] : []),
    ...(entry.note ? [entry.note] : []),
  ].join(' · ');
