import { DAY_KINDS, type Day, editedKind, isUsual, showText } from '@joulemetric/core';
import { useCallback, useMemo } from 'react';
import { changeBrief } from '../../commands/design.ts';
import { FIRST_EFFORT, useComputed } from '../../edges/compute.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { useSettled } from '../../ui/useSettled.ts';
import { DAY_KIND_WORDS, dayOf, dayWords } from './dayWords.ts';
import type { Grouping } from './sheetView.ts';

const PLAIN = 'min-h-8 border-b border-line bg-transparent text-ink-2 focus:border-ink phone:min-h-11';

const CHOICES = {
  season: [
    ['usual', 'any season'],
    ['winter', 'winter'],
    ['summer', 'summer'],
  ],
  week: [
    ['usual', 'any day of the week'],
    ['weekday', 'weekday'],
    ['weekend', 'weekend'],
  ],
  motion: [
    ['usual', 'driving as usual'],
    ['driving', 'driving day'],
    ['parked', 'parked day'],
  ],
} as const;

/** Which day is shown and sized for. Its lanes are its own: an edit of the uses is for this kind of day. */
export function DayChoice() {
  const { job, edit } = useJob();
  const { day } = job.brief;
  const change = (part: Partial<Day>) => edit(changeBrief({ day: { ...day, ...part } }));
  return (
    <div className="flex flex-wrap items-baseline gap-x-3">
      <h2 className="text-body font-semibold first-letter:uppercase">{dayWords(day)}</h2>
      {(Object.keys(CHOICES) as (keyof typeof CHOICES)[]).map((part) => (
        <select
          key={part}
          aria-label={`Day shown and sized for: ${part}`}
          value={day[part]}
          onChange={(event) => change({ [part]: event.target.value })}
          className={PLAIN}
        >
          {CHOICES[part].map(([value, label]) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      ))}
    </div>
  );
}

/** ms without an edit before the other kinds of day are worked out again. */
const SETTLES_MS = 250;

const USUAL: Day = { season: 'usual', week: 'usual', motion: 'usual' };

/** What the kinds of day that loads tell apart come to, each a tap away; nothing when all days are alike. */
export function DaysCompared() {
  const { job, optionId, edit } = useJob();
  const later = useSettled(job, SETTLES_MS);
  const days = useMemo(() => {
    const told = new Set(later.loads.flatMap(({ variants }) => variants.map(({ on }) => on)));
    const kinds = [null, ...DAY_KINDS.filter((kind) => told.has(kind))];
    if (kinds.length === 1) return [];
    return kinds.map((kind) => ({ kind, day: kind ? dayOf(kind) : USUAL }));
  }, [later]);
  const ask = useCallback<Parameters<typeof useComputed<number[]>>[1] & {}>(
    (remote) =>
      remote.needs(
        days.map(({ day }) => ({ ...later, brief: { ...later.brief, day } })),
        optionId,
        FIRST_EFFORT,
      ),
    [days, later, optionId],
  );
  const { value: needs } = useComputed('days', days.length > 0 ? ask : null);
  const compared = needs?.length === days.length ? days.map((day, i) => ({ ...day, needWh: needs[i] ?? 0 })) : [];
  if (compared.length === 0) return null;
  const shown = editedKind(job.brief.day);
  return (
    <p className="num flex flex-wrap gap-x-4 pb-1 text-note text-ink-2">
      <span>Need by kind of day</span>
      {compared.map(({ kind, day, needWh }) => (
        <button
          key={kind ?? 'usual'}
          type="button"
          aria-pressed={kind === shown}
          onClick={() => edit(changeBrief({ day }))}
          className={`border-b phone:min-h-11 ${kind === shown ? 'border-ink font-medium text-ink' : 'border-mark hover:text-ink'}`}
        >
          {kind ? DAY_KIND_WORDS[kind] : 'usual'} {showText(needWh, 'Wh')}
        </button>
      ))}
      {!isUsual(job.brief.day) && (
        <span className="text-copper">Everything is sized for {dayWords(job.brief.day)}.</span>
      )}
    </p>
  );
}

/** How the list is looked at: grouped, filtered. */
export function ListTools({
  grouping,
  onGrouping,
  filter,
  onFilter,
}: {
  grouping: Grouping;
  onGrouping: (grouping: Grouping) => void;
  filter: string;
  onFilter: (text: string) => void;
}) {
  return (
    <div className="flex items-baseline gap-x-4">
      <select
        aria-label="Group the loads"
        value={grouping}
        onChange={(event) => onGrouping(event.target.value as Grouping)}
        className={PLAIN}
      >
        <option value="none">not grouped</option>
        <option value="room">by room</option>
        <option value="circuit">by circuit</option>
      </select>
      <input
        type="search"
        aria-label="Show only loads that contain"
        placeholder="Show only…"
        value={filter}
        onChange={(event) => onFilter(event.target.value)}
        className={`${PLAIN} w-32 text-ink phone:w-full`}
      />
    </div>
  );
}
