import { HOUR_MS } from './band.ts';
import type { Caveat } from './caveats.ts';
import type { Log } from './logSchema.ts';
import { hoursFrom, momentIn, type Stretch } from './open.ts';
import type { Zone } from './stamp.ts';
import type { Series } from './table.ts';

export interface Off {
  readonly fromH: number;
  readonly toH: number;
  readonly hours: number;
}

export const offOf = (series: Series, { from, to }: Stretch): Off => ({
  fromH: hoursFrom(series, from),
  toH: hoursFrom(series, to),
  hours: (to - from) / HOUR_MS,
});

/** How near to a timer's end an outage begins that the timer made, h. */
const TIMER_NEAR_H = 0.2;

export function saidOutages(log: Log, series: Series, zone: Zone, notes: string[]): Stretch[] {
  if (series.t.length === 0) return [];
  return (log.outages ?? []).flatMap(({ from, to }) => {
    const begins = momentIn(series, from, zone, series.t[0] as number);
    const ends = begins === null ? null : momentIn(series, to, zone, begins);
    if (begins === null || ends === null || ends <= begins) {
      notes.push(`The outage from “${from}” to “${to}” is no stretch of this log and was left out.`);
      return [];
    }
    return [{ from: begins, to: ends }];
  });
}

/** Whether an outage begins where a timer ends that was set going at the log's beginning or at the end of the outage before. */
export function isByTimer(
  series: Series,
  off: readonly Stretch[],
  stretch: Stretch,
  timers: readonly number[],
): boolean {
  const since = [series.t[0] ?? 0, ...off.filter(({ to }) => to <= stretch.from).map(({ to }) => to)];
  return timers.some((everyH) =>
    since.some((from) => Math.abs((stretch.from - from) / HOUR_MS - everyH) <= TIMER_NEAR_H),
  );
}

/** Where readings of power are nothing, one after the other: off, if a timer ended there. */
export function zerosOf(t: Float64Array, watts: Float64Array): Stretch[] {
  const stretches: Stretch[] = [];
  let from: number | null = null;
  let to = 0;
  for (let i = 0; i < t.length; i++) {
    if (Number.isNaN(watts[i] as number)) continue;
    if (watts[i] === 0) from ??= t[i] as number;
    to = t[i] as number;
    if (watts[i] === 0 || from === null) continue;
    stretches.push({ from, to });
    from = null;
  }
  return from === null || to <= from ? stretches : [...stretches, { from, to }];
}

/** A timer that would have ended in the log, and no outage there. */
export function timerCaveats(
  series: Series,
  off: readonly Stretch[],
  timers: readonly number[],
  caveats: Caveat[],
): void {
  const { t } = series;
  const [first, last] = [t[0] ?? 0, t[t.length - 1] ?? 0];
  for (const everyH of timers) {
    for (const from of [first, ...off.map(({ to }) => to)]) {
      const ends = from + everyH * HOUR_MS;
      if (
        ends >= last ||
        off.some((stretch) => stretch.from < ends + TIMER_NEAR_H * HOUR_MS && stretch.to > from && stretch.from > from)
      )
        continue;
      const says = `The ${everyH} h timer would have switched off ${hoursFrom(series, ends).toFixed(2)} h after the first reading, and no outage is put down then. Was it set again? If not, say from when to when it was off: until then that time counts as run.`;
      caveats.push({ code: 'timer', says });
    }
  }
}

export function switchedOffCaveat(series: Series, soc: Float64Array, off: readonly Stretch[], caveats: Caveat[]): void {
  const NEAR_MS = 0.1 * HOUR_MS;
  for (const stretch of off) {
    const isRead = series.t.some((t, i) => !Number.isNaN(soc[i] as number) && Math.abs(t - stretch.from) <= NEAR_MS);
    if (!isRead)
      caveats.push({
        code: 'no-reading-at-switch-off',
        says: `There is no reading at the switch-off ${hoursFrom(series, stretch.from).toFixed(2)} h after the first: what the store lost by itself while the output was off counts as load.`,
      });
  }
}
