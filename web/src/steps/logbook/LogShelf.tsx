import type { ReactNode } from 'react';
import type { StoredLog } from '../../edges/answers.ts';
import { Button } from '../../ui/Button.tsx';
import { PURPOSE } from './purposes.ts';

/** Logs beside one another, and the one that is open. */
export function LogShelf({
  logs,
  openId,
  onOpen,
  onBegin,
  children,
}: {
  /** Undefined until they are fetched. */
  logs: readonly StoredLog[] | undefined;
  openId: string | null;
  onOpen: (id: string) => void;
  onBegin: () => void;
  children: ReactNode;
}) {
  return (
    <div className="grid grid-cols-[220px_minmax(0,1fr)] gap-x-6 pt-2 @max-[900px]:grid-cols-1">
      <nav
        aria-label="Logs"
        className="@max-[900px]:flex @max-[900px]:items-center @max-[900px]:gap-x-3 @max-[900px]:border-b @max-[900px]:border-line @max-[900px]:pb-1"
      >
        <ul className="min-w-0 @max-[900px]:flex @max-[900px]:grow @max-[900px]:gap-x-4 @max-[900px]:overflow-x-auto">
          {(logs ?? []).map(({ id, log }) => (
            <li key={id} className="shrink-0">
              <button
                type="button"
                aria-current={id === openId ? 'true' : undefined}
                onClick={() => onOpen(id)}
                className={`w-full border-l-3 py-1.5 pl-3 text-left phone:min-h-11 ${id === openId ? 'border-ink bg-sheet font-semibold' : 'border-transparent text-ink-2 hover:text-ink'}`}
              >
                <span className="block truncate text-number">{log.name || 'A log'}</span>
                <span className="num block text-note font-normal text-ink-2">{PURPOSE[log.purpose ?? 'watch']}</span>
              </button>
            </li>
          ))}
        </ul>
        <div className="shrink-0 pt-3 @max-[900px]:pt-0">
          <Button onClick={onBegin}>Begin a log</Button>
        </div>
      </nav>
      <div className="min-w-0">
        {children}
        {logs && openId === null && (
          <p className="max-w-[520px] py-3 text-number text-ink-2">
            A log is what was read, when, and with what: percent from a display, watts from a plug, a meter’s own file.
            It says how long the store lasts at that rate, how sure that is, and what the test did not prove.
          </p>
        )}
      </div>
    </div>
  );
}
