import { changePoints, type Level, levelsOf, noiseOf } from './changePoints.ts';
import { MOST_INTERVALS } from './intervals.ts';
import { hoursOutside } from './offTime.ts';
import { hoursFrom, type Stretch } from './open.ts';
import type { Series } from './table.ts';

/** Stretches of about one power, and the levels at which they dwell. */
export interface RunPhases {
  readonly phases: readonly { readonly fromH: number; readonly toH: number; readonly meanW: number }[];
  readonly levels: readonly Level[];
}

/** Fewer tell no levels apart. */
const LEAST_READINGS = 8;

/** @param watts out of the store; `step` of the meter, W; `gaps` and off times, joined */
export function phasesOf(series: Series, watts: Float64Array, step: number, gaps: readonly Stretch[]): RunPhases {
  const at: number[] = [];
  for (let i = 0; i < watts.length; i++) if (!Number.isNaN(watts[i] as number)) at.push(i);
  if (at.length < LEAST_READINGS) return { phases: [], levels: [] };
  const values = Float64Array.from(at, (i) => watts[i] as number);
  const spread =
    values.reduce((most, w) => Math.max(most, w), -Infinity) -
    values.reduce((least, w) => Math.min(least, w), Infinity);
  const noise = Math.max(noiseOf(values), step / Math.sqrt(12), spread * 1e-3);
  const found =
    spread === 0 ? [{ from: 0, to: values.length, mean: values[0] as number }] : changePoints(values, noise);
  const timeOf = (k: number): number => series.t[at[Math.min(at.length - 1, k)] as number] as number;
  const phases = found.map(({ from, to, mean }) => {
    const [begin, end] = [timeOf(from), timeOf(to)];
    return {
      fromH: hoursFrom(series, begin),
      toH: hoursFrom(series, end),
      meanW: mean,
      minutes: hoursOutside(begin, end, gaps) * 60,
    };
  });
  const levels = levelsOf(
    phases.map(({ meanW, minutes }) => ({ mean: meanW, minutes })),
    noise,
  );
  return { phases: phases.slice(0, MOST_INTERVALS).map(({ fromH, toH, meanW }) => ({ fromH, toH, meanW })), levels };
}
