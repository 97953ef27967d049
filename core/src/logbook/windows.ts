import { USUAL_V } from './capacity.ts';
import { type Compared, compareWindows } from './compare.ts';
import type { Log } from './logSchema.ts';
import { momentIn } from './open.ts';
import type { Zone } from './stamp.ts';
import type { Contradiction } from './stated.ts';
import type { Series } from './table.ts';

export function compareOf(
  log: Log,
  series: Series,
  watts: Float64Array | null,
  nominalV: number | null,
  zone: Zone,
  notes: string[],
  contradictions: Contradiction[],
): Compared | null {
  const windows: { label: string; w: number; minutes: number }[] = [];
  for (const { label, from, to, minutes, w, wh } of log.windows ?? []) {
    if (w != null || (wh != null && minutes)) {
      windows.push({ label, w: w ?? ((wh as number) * 60) / (minutes as number), minutes: minutes ?? 15 });
      continue;
    }
    const begins = from === undefined ? null : momentIn(series, from, zone, series.t[0] ?? 0);
    const ends = to === undefined || begins === null ? null : momentIn(series, to, zone, begins);
    const meanW =
      begins === null || ends === null || watts === null ? null : meanBetween(series.t, watts, begins, ends);
    if (meanW === null || begins === null || ends === null)
      notes.push(
        `The window ${label} from “${from ?? ''}” to “${to ?? ''}” has no readings of power and was left out.`,
      );
    else windows.push({ label, w: meanW, minutes: (ends - begins) / 60_000 });
  }
  if (windows.length < 2) return null;
  const lengths = windows.map(({ minutes }) => minutes).sort((a, b) => a - b);
  const [shortest, longest] = [lengths[0] as number, lengths.at(-1) as number];
  if (longest > shortest * 1.05)
    notes.push(
      `The windows are not of one length (${shortest.toFixed(1)} to ${longest.toFixed(1)} min): their means are compared as they are.`,
    );
  const typical = lengths[lengths.length >> 1] as number;
  const stepWh = log.meterStepWh ?? (log.meterStepAh != null ? log.meterStepAh * (nominalV ?? USUAL_V) : null);
  const compared = compareWindows(windows, typical, stepWh, log.swingW ?? null);
  if (compared === null) {
    notes.push('A comparison needs windows of two labels, A and B.');
    return null;
  }
  if (
    log.claimedPercent != null &&
    Math.abs(log.claimedPercent - compared.differencePercent) >
      Math.max(0.05, 0.1 * Math.abs(compared.differencePercent))
  )
    contradictions.push({
      code: 'percent',
      where: 'comparison',
      says: `${log.claimedPercent} % was put down; ${compared.a.meanW} to ${compared.b.meanW} W are ${compared.differencePercent.toFixed(2)} %`,
      offer: compared.differencePercent,
      refused: true,
    });
  return compared;
}

/** Mean of the trapezoid within a stretch that the readings cover. */
function meanBetween(t: Float64Array, watts: Float64Array, from: number, to: number): number | null {
  let wh = 0;
  let ms = 0;
  let before: number | null = null;
  for (let i = 0; i < t.length; i++) {
    if (Number.isNaN(watts[i] as number)) continue;
    if (before !== null) {
      const [t0, t1] = [t[before] as number, t[i] as number];
      const [begin, end] = [Math.max(from, t0), Math.min(to, t1)];
      if (end > begin) {
        const [w0, w1] = [watts[before] as number, watts[i] as number];
        const at = (moment: number): number => w0 + ((w1 - w0) * (moment - t0)) / (t1 - t0);
        wh += ((at(begin) + at(end)) / 2) * (end - begin);
        ms += end - begin;
      }
    }
    before = i;
  }
  return ms > 0 ? wh / ms : null;
}
