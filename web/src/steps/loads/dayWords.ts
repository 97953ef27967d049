import type { Day, DayKind } from '@joulemetric/core';

/** A kind of day in words, as it stands in a sentence. */
export const DAY_KIND_WORDS: Readonly<Record<DayKind, string>> = {
  winter: 'winter',
  summer: 'summer',
  weekday: 'weekday',
  weekend: 'weekend',
  driving: 'driving day',
  parked: 'parked day',
};

/** "a winter weekend, parked"; "a usual day". */
export function dayWords({ season, week, motion }: Day): string {
  const words = [season, week].filter((part) => part !== 'usual');
  if (words.length === 0) return motion === 'usual' ? 'a usual day' : `a ${motion} day`;
  const base = week === 'usual' ? `a ${season} day` : `a ${words.join(' ')}`;
  return motion === 'usual' ? base : `${base}, ${motion}`;
}

export const dayOf = (kind: DayKind): Day => ({
  season: kind === 'winter' || kind === 'summer' ? kind : 'usual',
  week: kind === 'weekday' || kind === 'weekend' ? kind : 'usual',
  motion: kind === 'driving' || kind === 'parked' ? kind : 'usual',
});
