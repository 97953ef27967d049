import type { Use } from '../job/schema.ts';
import { pattern } from '../quantity/pattern.ts';
import type { Token } from '../quantity/token.ts';
import { partOfDay, partsOfDay, useInThe } from './uses.ts';

/** When one length of several is: a part of the day, named. */
const PART = pattern(
  /(?<!\p{L})(?:mornings?|noon|midday|lunch(?:time)?|afternoons?|evenings?|nights?|overnight|bedtime|daytime|by\s+day|breakfast|dinner|supper|am|pm)(?!\p{L})/giu,
);

/**
 * "20 min breakfast, 40 min dinner", "1 h at 7am and 2 h at 6pm": each length at its own time. Null where a line does not
 * pair them one by one.
 */
export function lengthsByTime(
  text: string,
  tokens: readonly Token[],
): { readonly uses: Use[]; readonly used: readonly Token[] } | null {
  const lengths = tokens.filter(({ kind }) => kind === 'duration');
  const begins = tokens.filter(({ kind }) => kind === 'begins');
  if (lengths.length < 2) return null;
  const isFree = (at: number) => !tokens.some(({ start, end }) => at >= start && at < end);
  const named = [...text.matchAll(PART)]
    .filter(({ index }) => isFree(index))
    .map((match) => ({ start: match.index, use: (minutes: number) => inPart(match[0], minutes) }));
  const at = begins.map((token) => ({ start: token.start, use: (minutes: number) => [startingAt(token, minutes)] }));
  const whens = [...named, ...at].sort((a, b) => a.start - b.start);
  if (whens.length !== lengths.length) return null;
  const isPaired = (first: readonly { start: number }[], second: readonly { start: number }[]) =>
    first.every(
      (one, i) => one.start < (second[i]?.start ?? 0) && (second[i]?.start ?? 0) < (first[i + 1]?.start ?? Infinity),
    );
  if (!isPaired(lengths, whens) && !isPaired(whens, lengths)) return null;
  const uses = lengths.flatMap(({ value }, i) => whens[i]?.use(value) ?? []);
  return { uses: uses.sort((a, b) => a.startMin - b.startMin), used: [...lengths, ...begins] };
}

const startingAt = ({ value }: Token, minutes: number): Use => ({ startMin: value, minutes });

/** "am" and "pm" stand in the midst of a line here. */
function inPart(said: string, minutes: number): Use[] {
  const part = partsOfDay(said)[0] ?? partOfDay(said) ?? 'day';
  return useInThe(part, minutes);
}
