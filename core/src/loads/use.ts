import { cycleLength } from '../job/draw.ts';
import type { Load, Run } from '../job/schema.ts';
import { formatDuration } from '../quantity/format.ts';
import { readQuantities } from '../quantity/read.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { minutesPerDay, partOfDay, rescaleRuns, runInThe, runsFor } from './runs.ts';

/** How long a load runs, as a fitter writes it: "5 h", "3 × 4 min", "all day". */
export function formatUse(load: Load): string {
  const { runs } = load;
  const total = minutesPerDay(runs);
  if (load.draw.kind === 'standby' || total >= MINUTES_PER_DAY - 1e-6) return 'all day';
  if (runs.length === 0) return 'never';
  const first = runs[0]?.minutes ?? 0;
  const alike = runs.every((run) => Math.abs(run.minutes - first) < 1e-6);
  // Several short uses are counted; long stretches are added up.
  return alike && runs.length > 1 && first < 60 ? `${runs.length} × ${formatDuration(first)}` : formatDuration(total);
}

/** Reads what `formatUse` writes and its like ("45 min", "1h30", "4 min x 3", "2", "8 h at night"); a bare number means hours. */
export function readUse(text: string, load: Load): { runs: Run[] } | { problem: string } {
  const trimmed = text.trim().toLowerCase();
  if (/^(?:all day|24 ?h|always)$/.test(trimmed)) return { runs: [{ startMin: 0, minutes: MINUTES_PER_DAY }] };
  if (/^(?:never|0)$/.test(trimmed)) return { runs: [] };
  const bare = /^\d+(?:[.,]\d+)?$/.test(trimmed) ? `${trimmed} h` : text;
  const { tokens } = readQuantities(bare);
  const durations = tokens.filter(({ kind }) => kind === 'duration');
  const minutes = durations.reduce((sum, { value }) => sum + value, 0);
  const times = tokens.find(({ kind }) => kind === 'times')?.value ?? null;
  const fixed = load.draw.kind === 'cycle' && !cycleLength(load.draw.phases).stretches;
  if (times !== null && times >= 1 && (fixed || minutes > 0)) {
    if (times * minutes > MINUTES_PER_DAY) return { problem: 'A day has 24 hours: fewer or shorter uses' };
    const runs = runsFor(load.draw, times, minutes);
    if (minutesPerDay(runs) > MINUTES_PER_DAY) return { problem: 'A day has 24 hours: fewer uses' };
    return { runs };
  }
  if (fixed) return { problem: 'Its phases set how long it runs: write how often, such as 2 ×' };
  if (!(minutes > 0)) return { problem: 'Write how long, such as 5 h, 45 min or 3 × 4 min' };
  if (minutes > MINUTES_PER_DAY) return { problem: 'A day has 24 hours' };
  const floor = load.draw.kind === 'cycle' ? cycleLength(load.draw.phases).fixedMin * load.runs.length : 0;
  if (minutes < floor) return { problem: `Its phases alone take ${formatDuration(floor)}` };
  const part = partOfDay(text);
  if (part && minutes < MINUTES_PER_DAY) return { runs: runInThe(part, minutes) };
  const scaled = rescaleRuns(load.runs, minutes);
  const shortest = Math.min(...scaled.map((run) => run.minutes));
  const enough = load.draw.kind !== 'cycle' || shortest >= cycleLength(load.draw.phases).fixedMin;
  return { runs: enough ? scaled : runsFor(load.draw, load.runs.length, minutes / load.runs.length) };
}
