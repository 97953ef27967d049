import { chainOf, namesOf, showText, startOf } from '@joulemetric/core';
import { useState } from 'react';
import { dropJoin, dropLimit, joinTogether, limitTogether } from '../../commands/together.ts';
import type { View } from '../../edges/view.ts';
import { useEditing, useJob, useView } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { Num } from '../../ui/Number.tsx';

interface Row {
  readonly id: string;
  readonly name: string;
  /** What it hangs on, in words. */
  readonly on: string;
  readonly watts: number;
  readonly startW: number;
  readonly startSeconds: number;
  /** In the worst set of its inverter, or of the store. */
  readonly isIn: boolean;
}

/** Every load with where it hangs, the largest first, what is not in a worst set last. */
function rowsOf({ job, drawn, option, inverters, busPeak }: View): Row[] {
  const inSets = new Set(inverters.flatMap(({ moment }) => moment.continuous.ids));
  const inBus = new Set(busPeak.ids);
  return job.loads
    .map((load, i): Row => {
      const { device, efficiency } = chainOf(load, option.system.devices);
      const watts = (drawn[i]?.runningW ?? 0) / efficiency;
      const { ratio, seconds } = startOf(load);
      const waits = load.path === 'supply-only';
      return {
        id: load.id,
        name: load.name,
        on: waits ? 'waits for a supply' : (device?.name ?? 'bus'),
        watts,
        startW: (watts / load.quantity) * (ratio - 1),
        startSeconds: seconds,
        isIn: waits || (device?.kind === 'inverter' ? inSets.has(load.id) : inBus.has(load.id)),
      };
    })
    .filter(({ watts }) => watts > 0)
    .sort((a, b) => Number(b.isIn) - Number(a.isIn) || b.watts - a.watts);
}

const GRID =
  'grid grid-cols-[20px_minmax(0,1fr)_110px_72px_150px] gap-x-3 @max-[620px]:grid-cols-[20px_minmax(0,1fr)_76px]';
const WIDE = '@max-[620px]:hidden';
/** Rows shown until all are asked for. */
const SHOWN = 9;

/** The loads, to be argued with: two or more ticked are kept apart, limited or tied together. */
export function Argue() {
  const { edit } = useEditing();
  const view = useView();
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [all, setAll] = useState(false);
  const rows = rowsOf(view);
  const shown = all ? rows : rows.filter(({ id, isIn }, i) => i < SHOWN || !isIn || ticked.includes(id));
  const chosen = ticked.filter((id) => rows.some((row) => row.id === id));
  const settle = (command: Parameters<typeof edit>[0]) => {
    edit(command);
    setTicked([]);
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(240px,320px)] gap-x-10 pt-4 @max-[900px]:grid-cols-1">
      <div>
        <h2 className="border-b border-ink pb-1 text-body font-semibold">
          Argue with it{' '}
          <span className="num font-normal text-note text-ink-2">tick what never, or always, runs together</span>
        </h2>
        <ul className="num" aria-label="Loads that may coincide">
          {shown.map(({ id, name, on, watts, startW, startSeconds, isIn }) => (
            <li key={id} className="border-b border-line-2">
              <label
                className={`${GRID} items-baseline py-1 phone:min-h-11 phone:items-center ${isIn ? '' : 'text-ink-2'}`}
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
                <span className={`truncate text-note text-ink-2 ${WIDE}`}>{on}</span>
                <span className="text-right text-number font-medium">
                  <Num value={watts} unit="W" />
                </span>
                <span className={`text-note text-ink-2 ${WIDE}`}>
                  {startW > 0.5 && `start +${showText(startW, 'W')} for ${showText(startSeconds, 's')}`}
                </span>
              </label>
            </li>
          ))}
        </ul>
        {shown.length < rows.length && (
          <button
            type="button"
            onClick={() => setAll(true)}
            className="pt-1 text-note text-ink-2 underline decoration-mark underline-offset-4 phone:min-h-11"
          >
            Show the {rows.length - shown.length} smaller ones
          </button>
        )}
        {chosen.length === 1 && <p className="num pt-2 text-ink-2">And which other?</p>}
        {chosen.length > 1 && (
          <div className="flex flex-wrap items-center gap-2 pt-2" role="status">
            <span className="text-number">{namesOf(chosen, view.job.loads)}:</span>
            <Button strong onClick={() => settle(limitTogether(chosen, 1))}>
              Never together
            </Button>
            {chosen.slice(2).map((id, i) => (
              <Button key={id} onClick={() => settle(limitTogether(chosen, i + 2))}>
                At most {i + 2} of them
              </Button>
            ))}
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
    <div className="@max-[900px]:pt-4">
      <h2 className="border-b border-line pb-1 text-body font-semibold">What the client keeps to</h2>
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
