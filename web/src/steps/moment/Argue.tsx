import { namesOf, type SizedInverter, showText } from '@joulemetric/core';
import { useState } from 'react';
import { dropJoin, dropLimit, joinTogether, limitTogether } from '../../commands/together.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { Num } from '../../ui/Number.tsx';

/** The loads of an inverter, to be argued with: two or more ticked are kept apart, limited or tied together. */
export function Argue({ inverter }: { inverter: SizedInverter }) {
  const { job, edit } = useJob();
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const { acLoads, continuous } = inverter.moment;
  const inIt = new Set(continuous.ids);
  const ordered = [...acLoads].sort(
    (a, b) => Number(inIt.has(b.id)) - Number(inIt.has(a.id)) || b.runningW - a.runningW,
  );
  const chosen = ticked.filter((id) => acLoads.some((load) => load.id === id));
  const settle = (command: Parameters<typeof edit>[0]) => {
    edit(command);
    setTicked([]);
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(260px,340px)] gap-x-10 pt-4 @max-[760px]:grid-cols-1">
      <div>
        <h3 className="border-b border-ink pb-1 text-body font-semibold">
          Argue with it{' '}
          <span className="num font-normal text-note text-ink-2">tick what never, or always, runs together</span>
        </h3>
        <ul className="num">
          {ordered.map(({ id, name, runningW, startExtraW, startSeconds }) => {
            const isIn = inIt.has(id);
            return (
              <li key={id} className="border-b border-line-2">
                <label
                  className={`grid grid-cols-[20px_minmax(0,1fr)_76px_150px] items-baseline gap-x-3 py-1 phone:min-h-11 phone:items-center @max-[620px]:grid-cols-[20px_minmax(0,1fr)_76px] ${isIn ? '' : 'text-ink-2'}`}
                >
                  <input
                    type="checkbox"
                    checked={chosen.includes(id)}
                    aria-label={name}
                    onChange={() =>
                      setTicked((now) => (now.includes(id) ? now.filter((other) => other !== id) : [...now, id]))
                    }
                    className="size-4 translate-y-0.5 accent-[var(--ink)]"
                  />
                  <span className="truncate font-words text-number">
                    {name}
                    {!isIn && <span className="num text-note"> · left out</span>}
                  </span>
                  <span className="text-right text-number font-medium">
                    <Num value={runningW} unit="W" />
                  </span>
                  <span className="text-note text-ink-2 @max-[620px]:hidden">
                    {startExtraW > 0.5 && `start +${showText(startExtraW, 'W')} for ${showText(startSeconds, 's')}`}
                  </span>
                </label>
              </li>
            );
          })}
        </ul>
        {chosen.length === 1 && <p className="num pt-2 text-ink-2">And which other?</p>}
        {chosen.length > 1 && (
          <div className="flex flex-wrap items-center gap-2 pt-2" role="status">
            <span className="text-number">{namesOf(chosen, job.loads)}:</span>
            <Button strong onClick={() => settle(limitTogether(chosen, 1))}>
              Never together
            </Button>
            {chosen.length > 2 && (
              <Button onClick={() => settle(limitTogether(chosen, chosen.length - 1))}>
                At most {chosen.length - 1} of them
              </Button>
            )}
            <Button onClick={() => settle(joinTogether(chosen))}>Only together</Button>
          </div>
        )}
      </div>
      <Marks />
    </div>
  );
}

/** What has been marked, to be taken back. */
function Marks() {
  const { job, edit } = useJob();
  const { atMost, always } = job.together;
  const names = (ids: readonly string[]) => namesOf(ids, job.loads, 6);
  return (
    <div className="@max-[760px]:pt-4">
      <h3 className="border-b border-line pb-1 text-body font-semibold">What the client keeps to</h3>
      {atMost.length + always.length === 0 && (
        <p className="py-1.5 text-ink-2">Nothing yet: everything may run with everything.</p>
      )}
      <ul>
        {atMost.map(({ loads, most }, i) => (
          <Mark
            key={`${loads.join()} ${most}`}
            words={names(loads)}
            rule={most === 1 ? 'never together' : `at most ${most} at once`}
            onDrop={() => edit(dropLimit(i))}
          />
        ))}
        {always.map((loads, i) => (
          <Mark key={loads.join()} words={names(loads)} rule="only together" onDrop={() => edit(dropJoin(i))} />
        ))}
      </ul>
    </div>
  );
}

function Mark({ words, rule, onDrop }: { words: string; rule: string; onDrop: () => void }) {
  return (
    <li className="flex items-baseline justify-between gap-3 border-b border-line-2 py-1">
      <span>
        {words}
        <span className="num text-ink-2"> · {rule}</span>
      </span>
      <button
        type="button"
        aria-label={`${words}, ${rule}: take it back`}
        onClick={onDrop}
        className="shrink-0 text-note text-ink-2 underline decoration-mark underline-offset-4 hover:text-ink phone:min-h-11"
      >
        take back
      </button>
    </li>
  );
}
