import { cycleLength } from '../job/draw.ts';
import type { Load, Use } from '../job/schema.ts';
import { minutesPerDay, rescaleUses, useInThe, usesFor } from '../loads/uses.ts';
import { formatDuration } from '../quantity/format.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { pairedLengths } from './clauses.ts';
import type { Fact } from './facts.ts';
import { readText } from './readText.ts';
import { Said } from './said.ts';
import { useOf } from './use.ts';
import { partsOf } from './when.ts';

/** What a length of a day may say, and which of that says at what hour. */
const OF_A_DAY: ReadonlySet<Fact['kind']> = new Set(['duration', 'times', 'count', 'clock', 'every', 'begins', 'part']);
const PLACED: ReadonlySet<Fact['kind']> = new Set(['clock', 'every', 'begins']);
/** What stands in for a draw of which only the hours are asked. */
const STEADY = { kind: 'steady', powerW: 1 } as const;

type Uses = { readonly uses: Use[] } | { readonly problem: string };

/** Reads what `formatUse` writes and its like ("45 min", "1h30", "4 min x 3", "2", "8 h at night"); a bare number means hours. */
export function readUse(text: string, load: Load): Uses {
  const trimmed = text.trim().toLowerCase();
  if (/^(?:all day|24 ?h|always)$/.test(trimmed)) return { uses: [{ startMin: 0, minutes: MINUTES_PER_DAY }] };
  if (/^(?:never|0)$/.test(trimmed)) return { uses: [] };
  const read = readText(/^\d+(?:[.,]\d+)?$/.test(trimmed) ? `${trimmed} h` : text);
  const said = new Said(read, read.facts, false, '');
  const strange = strangeIn(said);
  if (strange !== null) return { problem: strange };
  const parts = partsOf(said);
  const isWhole = said.see('part').some(({ tag = '' }) => tag.startsWith('whole-') || tag === 'but-night');
  if (said.facts.some(({ kind }) => PLACED.has(kind)) || pairedLengths(said, load) || parts.length > 1 || isWhole)
    return placed(new Said(read, read.facts, false, ''), load);
  const minutes = said.see('duration').reduce((sum, { value }) => sum + value, 0);
  const times = said.see('times', 'count')[0]?.value ?? null;
  return times !== null && times >= 1 ? soOften(load, times, minutes) : soLong(load, minutes, parts[0] ?? null);
}

const fixedOf = ({ draw }: Load): boolean => draw.kind === 'cycle' && !cycleLength(draw.phases).stretches;

function soOften(load: Load, times: number, minutes: number): Uses {
  if (!fixedOf(load) && !(minutes > 0)) return { problem: 'Write how long, such as 5 h, 45 min or 3 × 4 min' };
  if (times * minutes > MINUTES_PER_DAY) return { problem: 'A day has 24 hours: fewer or shorter uses' };
  const uses = usesFor(load.draw, times, minutes);
  return minutesPerDay(uses) > MINUTES_PER_DAY ? { problem: 'A day has 24 hours: fewer uses' } : { uses };
}

function soLong(load: Load, minutes: number, part: Parameters<typeof useInThe>[0] | null): Uses {
  if (fixedOf(load)) return { problem: 'Its phases set how long it runs: write how often, such as 2 ×' };
  if (!(minutes > 0)) return { problem: 'Write how long, such as 5 h, 45 min or 3 × 4 min' };
  if (minutes > MINUTES_PER_DAY) return { problem: 'A day has 24 hours' };
  const least = load.draw.kind === 'cycle' ? cycleLength(load.draw.phases).fixedMin : 0;
  if (minutes < least * load.uses.length)
    return { problem: `Its phases alone take ${formatDuration(least * load.uses.length)}` };
  if (part && minutes < MINUTES_PER_DAY) return { uses: useInThe(part, minutes) };
  const scaled = rescaleUses(load.uses, minutes);
  const enough = scaled.every((use) => use.minutes >= least);
  return { uses: enough ? scaled : usesFor(load.draw, load.uses.length, minutes / load.uses.length) };
}

/** What a length of a day cannot say, in words; null when there is nothing such. */
function strangeIn(said: Said): string | null {
  const { tokens, facts, text } = said.read;
  const stray = said.facts.find(({ kind }) => kind !== 'asked' && !OF_A_DAY.has(kind));
  if (stray) return `“${said.textOf(stray)}” belongs elsewhere: write hours of a day here`;
  const isRead = (i: number) => facts.some(({ from, to, kind }) => kind !== 'asked' && i >= from && i < to);
  const left = tokens.filter(({ cls }, i) => !isRead(i) && !/[Fzeaphd().,;:+&×lbδ/-]/.test(cls));
  const [first, last] = [left[0], left.at(-1)];
  return first && last && facts.some(({ kind }) => kind !== 'asked')
    ? `“${text.slice(first.start, last.end)}” was not understood here`
    : null;
}

/** At hours that were said. */
function placed(said: Said, load: Load): Uses {
  const isHeld = load.draw.kind === 'thermostatic' || load.draw.kind === 'standby';
  const { uses } = useOf(said, load, isHeld ? STEADY : load.draw, true, 0);
  const left =
    said.questions[0]?.found ?? said.facts.filter((fact) => !said.isUsed(fact)).map((fact) => said.textOf(fact))[0];
  return left ? { problem: `“${left}” does not go with the rest` } : { uses };
}
