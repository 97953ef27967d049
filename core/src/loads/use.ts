import type { Load } from '../job/schema.ts';
import { formatDuration } from '../quantity/format.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { minutesPerDay } from './uses.ts';

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
