import { cycleLength } from '../job/draw.ts';
import type { Load, Use } from '../job/schema.ts';
import { formatDuration } from '../quantity/format.ts';
import { readQuantities } from '../quantity/read.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { minutesPerDay, partOfDay, rescaleUses, useInThe, usesFor } from './uses.ts';

/** How long a load runs, as a fitter writes it: "5 h", "3 × 4 min", "all day". */
export function formatUse(load: Load): string {
  const { uses } = load;
  const total = minutesPerDay(uses);
  if (load.draw.kind === 'standby' || total >= MINUTES_PER_DAY - 1e-6) return 'all day';
  if (uses.length === 0) return 'never';
  const first = uses[0]?.minutes ?? 0;
  const alike = uses.every((use) => Math.abs(use.minutes - first) < 1e-6);
  // Several short uses are counted; long stretches are added up.
  return alike && uses.length > 1 && first < 60 ? `${uses.length} × ${formatDuration(first)}` : formatDuration(total);
}

/** Reads what `formatUse` writes and its like ("45 min", "1h30", "4 min x 3", "2", "8 h at night"); a bare number means hours. */
export function readUse(text: string, load: Load): { uses: Use[] } | { problem: string } {
  const trimmed = text.trim().toLowerCase();
  if (/^(?:all day|24 ?h|always)$/.test(trimmed)) return { uses: [{ startMin: 0, minutes: MINUTES_PER_DAY }] };
  if (/^(?:never|0)$/.test(trimmed)) return { uses: [] };
  const bare = /^\d+(?:[.,]\d+)?$/.test(trimmed) ? `${trimmed} h` : text.replace(/^\s*[x×]\s*(\d+)\s*$/i, '$1 ×');
  const { tokens } = readQuantities(bare);
  const durations = tokens.filter(({ kind }) => kind === 'duration');
  const minutes = durations.reduce((sum, { value }) => sum + value, 0);
  const times = tokens.find(({ kind }) => kind === 'times' || kind === 'count')?.value ?? null;
  const fixed = load.draw.kind === 'cycle' && !cycleLength(load.draw.phases).stretches;
  if (times !== null && times >= 1 && (fixed || minutes > 0)) {
    if (times * minutes > MINUTES_PER_DAY) return { problem: 'A day has 24 hours: fewer or shorter uses' };
    const uses = usesFor(load.draw, times, minutes);
    if (minutesPerDay(uses) > MINUTES_PER_DAY) return { problem: 'A day has 24 hours: fewer uses' };
    return { uses };
  }
  if (fixed) return { problem: 'Its phases set how long it runs: write how often, such as 2 ×' };
  if (!(minutes > 0)) return { problem: 'Write how long, such as 5 h, 45 min or 3 × 4 min' };
  if (minutes > MINUTES_PER_DAY) return { problem: 'A day has 24 hours' };
  const floor = load.draw.kind === 'cycle' ? cycleLength(load.draw.phases).fixedMin * load.uses.length : 0;
  if (minutes < floor) return { problem: `Its phases alone take ${formatDuration(floor)}` };
  const part = partOfDay(text);
  if (part && minutes < MINUTES_PER_DAY) return { uses: useInThe(part, minutes) };
  const scaled = rescaleUses(load.uses, minutes);
  const shortest = Math.min(...scaled.map((use) => use.minutes));
  const enough = load.draw.kind !== 'cycle' || shortest >= cycleLength(load.draw.phases).fixedMin;
  return { uses: enough ? scaled : usesFor(load.draw, load.uses.length, minutes / load.uses.length) };
}
