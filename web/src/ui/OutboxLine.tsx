import { useEffect, useState } from 'react';
import { download } from '../edges/files.ts';
import type { Outgoing, Unsent } from '../edges/outbox.ts';
import { removeUnsent, useOutbox } from '../edges/useOutbox.ts';

/** ms that something waits before it is said: with a signal it is gone by then. */
const SAID_AFTER_MS = 1500;

/** Readings and photos that wait in this browser, and what can be done with those that the server does not accept. */
export function OutboxLine({ className }: { className: string }) {
  const { waiting } = useOutbox();
  const isLasting = useLasting(waiting.length > 0);
  if (!isLasting || waiting.length === 0) return null;
  const problems = [...new Set(waiting.flatMap(({ problem }) => problem ?? []))];
  const open = waiting.filter(({ problem }) => problem === null);
  const isUnkept = waiting.some(({ isKept }) => !isKept);
  return (
    <div role="status" data-outbox={waiting.length} className={`text-note font-medium text-copper ${className}`}>
      {open.length > 0 && (
        <p>
          {counted(open)} {open.length === 1 ? 'waits' : 'wait'} in this {isUnkept ? 'page' : 'browser'}
        </p>
      )}
      {isUnkept && <p>The browser’s storage is full or closed: leave this page open until the signal is back</p>}
      {problems.map((problem) => (
        <Refused key={problem} problem={problem} those={waiting.filter((one) => one.problem === problem)} />
      ))}
    </div>
  );
}

function Refused({ problem, those }: { problem: string; those: readonly Unsent[] }) {
  return (
    <div>
      <p>
        {counted(those)} not accepted: {problem}
      </p>
      <p className="flex gap-4">
        <Action onClick={() => save(those)}>Save as a file</Action>
        <Action onClick={() => removeUnsent(those.map(({ item }) => item.id))}>Delete</Action>
      </p>
    </div>
  );
}

const Action = ({ onClick, children }: { onClick: () => void; children: string }) => (
  <button type="button" onClick={onClick} className="underline phone:min-h-11">
    {children}
  </button>
);

function counted(those: readonly Unsent[]): string {
  const photos = those.filter(({ item }) => item.kind === 'photo').length;
  const readings = those.length - photos;
  return [
    ...(readings > 0 ? [`${readings} ${readings === 1 ? 'reading' : 'readings'}`] : []),
    ...(photos > 0 ? [`${photos} ${photos === 1 ? 'photo' : 'photos'}`] : []),
  ].join(' and ');
}

/** What the server does not accept, so that it is not lost: readings as they would stand in a log file, photos as they are. */
function save(those: readonly Unsent[]): void {
  const of = <K extends Outgoing['kind']>(kind: K) =>
    those.flatMap(({ item }) => (item.kind === kind ? [item as Extract<Outgoing, { kind: K }>] : []));
  const readings = of('reading').map(({ reading }) => reading);
  if (readings.length > 0)
    download({ title: 'readings' }, `${JSON.stringify({ readings }, null, 2)}\n`, 'application/json', '.json');
  for (const { file } of of('photo')) download({ title: 'photo' }, file, file.type, '.jpg');
}

/** True once something has been so for a while; false at once when it is not. */
function useLasting(isSo: boolean): boolean {
  const [isLasting, setLasting] = useState(false);
  useEffect(() => {
    if (!isSo) return setLasting(false);
    const timer = setTimeout(() => setLasting(true), SAID_AFTER_MS);
    return () => clearTimeout(timer);
  }, [isSo]);
  return isLasting;
}
