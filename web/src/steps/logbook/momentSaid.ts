import type { LogReading, SpokenTime } from '@joulemetric/core';

const MINUTE_MS = 60_000;

/**
 * When a reading was taken of which that was said, ms: so long after the log began, or the last such time of the day.
 * @returns what to say where it cannot be known, or would be later than now
 */
export function momentSaid(said: SpokenTime, entries: readonly LogReading[], now: number): number | string {
  if ('clockMin' in said) {
    const today = new Date(now);
    today.setHours(0, said.clockMin, 0, 0);
    if (today.getTime() > now) today.setDate(today.getDate() - 1);
    return today.getTime();
  }
  const begun = begunAt(entries);
  if (begun === null) return 'The log has no beginning yet: keep its first reading, then say how long after it.';
  const at = begun + said.sinceMin * MINUTE_MS;
  return at > now ? 'That is later than now: say how long after the first reading it was.' : at;
}

/** The last mark "start", else the first reading. */
function begunAt(entries: readonly LogReading[]): number | null {
  const timed = entries.filter(({ at }) => at !== undefined && !Number.isNaN(Date.parse(at)));
  const start = timed.findLast(({ mark }) => mark === 'start') ?? timed[0];
  return start?.at === undefined ? null : Date.parse(start.at);
}
