import { cycleLength } from '../job/draw.ts';
import type { Load, Use } from '../job/schema.ts';
import { formatDuration } from '../quantity/format.ts';
import { pattern } from '../quantity/pattern.ts';
import { readQuantities } from '../quantity/read.ts';
import type { Reading, Token } from '../quantity/token.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { lengthsByTime } from './lengthsByTime.ts';
import { typedUse } from './typedUse.ts';
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

/** What says how long, how often and at what hour of a day. */
const OF_A_DAY: ReadonlySet<Token['kind']> = new Set(['duration', 'times', 'count', 'clock', 'every', 'begins']);
/** What says at what hour. */
const PLACED: ReadonlySet<Token['kind']> = new Set(['clock', 'every', 'begins']);
/** Words that say when, or nothing. */
const WHEN_WORDS = pattern(
  /(?<!\p{L})(?:at|by|in|on|from|during|with|for|the|and|each|every|then|about|use[sd]?|runs?|on for|a|day|days|daytime|daylight|nights?|mornings?|noon|midday|lunch(?:time)?|afternoons?|evenings?|bedtime|breakfast|dinner|supper|am|pm|nachts?|notte|nuit|noche)(?!\p{L})|[().,;:+&×x]/giu,
);

/** What a length of a day cannot say, in words; null when there is nothing such. */
function notOfUse(text: string, { tokens, questions, words }: Reading): string | null {
  const stray = tokens.find(({ kind }) => !OF_A_DAY.has(kind));
  if (stray) return `“${text.slice(stray.start, stray.end).trim()}” belongs elsewhere: write hours of a day here`;
  const strange = questions[0]?.found ?? words.replace(WHEN_WORDS, ' ').replace(/\s+/g, ' ').trim();
  return strange && tokens.length > 0 ? `“${strange}” was not understood here` : null;
}

/** At hours that were said. */
function placedUse(text: string, reading: Reading, load: Load): { uses: Use[] } | { problem: string } {
  const isHeld = load.draw.kind === 'thermostatic' || load.draw.kind === 'standby';
  const { uses, questions, used } = typedUse(text, reading, load, isHeld ? STEADY : load.draw, true, 0);
  const left = questions[0]?.found ?? leftOver(text, reading, used);
  return left ? { problem: `“${left}” does not go with the rest` } : { uses };
}

/** What stands in for a draw of which only the hours are asked. */
const STEADY = { kind: 'steady', powerW: 1 } as const;

const leftOver = (text: string, { tokens }: Reading, used: readonly Token[]): string | null => {
  const token = tokens.find((one) => !used.includes(one));
  return token ? text.slice(token.start, token.end) : null;
};

/** Reads what `formatUse` writes and its like ("45 min", "1h30", "4 min x 3", "2", "8 h at night"); a bare number means hours. */
export function readUse(text: string, load: Load): { uses: Use[] } | { problem: string } {
  const trimmed = text.trim().toLowerCase();
  if (/^(?:all day|24 ?h|always)$/.test(trimmed)) return { uses: [{ startMin: 0, minutes: MINUTES_PER_DAY }] };
  if (/^(?:never|0)$/.test(trimmed)) return { uses: [] };
  const bare = /^\d+(?:[.,]\d+)?$/.test(trimmed) ? `${trimmed} h` : text.replace(/^\s*[x×]\s*(\d+)\s*$/i, '$1 ×');
  const reading = readQuantities(bare);
  const { tokens } = reading;
  const strange = notOfUse(bare, reading);
  if (strange !== null) return { problem: strange };
  if (tokens.some(({ kind }) => PLACED.has(kind)) || lengthsByTime(bare, tokens)) return placedUse(bare, reading, load);
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
