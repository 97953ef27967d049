import { NUMBER_WORDS } from './numeral.ts';
import { pattern } from './pattern.ts';
import type { Token } from './token.ts';
import { MINUTES_PER_DAY } from './units.ts';

const WRITTEN_OUT = 'two|three|four|five|six|seven|eight|nine|ten|twelve';
/** What pieces have each. */
const SIZES: ReadonlySet<Token['kind']> = new Set(['power', 'current', 'apparent', 'shaft', 'energy', 'voltage']);
const numberOf = (text: string | undefined): number => NUMBER_WORDS[(text ?? '').toLowerCase()] ?? Number(text);
/** "lamp x3", "lampx3", "lamp × 3"; the x of "box 12" is its own. */
const PIECES_AFTER = pattern(
  /(?:(?<=[\s(])[x×*]\s*|(?<=\p{L})(?<!(?:^|\P{L})(?:ip|\p{L}*(?:bo|fa|ma|mi|fi|le|lu|la)))[x×*])(\d{1,2})(?![\p{L}\d]|[.,]\d)/giu,
);

/** "30 s per shot x4": as often. */
const PER_ONE = pattern(/(?<!\p{L})(?:per|each|every|a)\s+\p{L}+[\s,]*$/iu);
/** "start 4x", "surge x3", "5 x inrush": times of what it runs on; a start as often a day is none. */
const START_WORD = '(?:start(?:s|ing|[ -]?up)?|surge|inrush|peak)';
const START_RATIO = pattern(
  `(?<!\\p{L})${START_WORD}(?:\\s+(?:current|power|factor|of|is|at))*[\\s:=]*(?:[x×]\\s*(\\d{1,2}(?:[.,]\\d)?)(?![\\p{L}\\d])|(\\d{1,2}(?:[.,]\\d)?)(?:[x×](?=\\s|[,;)]|$)|\\s+[x×](?!\\p{L}|\\s*\\d)))|(?<![\\p{L}\\d.,])(\\d{1,2}(?:[.,]\\d)?)\\s*[x×]\\s*${START_WORD}(?!\\p{L})`,
  'giu',
);

/** "5 x 4W", "lamp x3", "4 of", "2 laptops": how many pieces; what multiplies a length is how often instead. */
export function withCounts(text: string, tokens: readonly Token[], taken: { start: number; end: number }[]): Token[] {
  const all = [...tokens];
  const add = (token: Token) => {
    if (taken.some((span) => token.start < span.end && token.end > span.start)) return;
    taken.push({ start: token.start, end: token.end });
    all.push(token);
  };
  const isSize = (token: Token | undefined) => token !== undefined && SIZES.has(token.kind);
  // What is on all day is so once: "24 h x2" are two.
  const isLength = (token: Token | undefined) => token?.kind === 'duration' && token.value < MINUTES_PER_DAY;
  const before = (at: number) =>
    tokens.find((token) => token.end <= at && /^[^\p{L}\p{N}]*$/u.test(text.slice(token.end, at)));
  const after = (at: number) => tokens.find((token) => token.start >= at && text.slice(at, token.start).trim() === '');
  for (const match of text.matchAll(START_RATIO)) {
    const value = Number((match[1] ?? match[2] ?? match[3] ?? '').replace(',', '.'));
    add({ kind: 'start-ratio', value, start: match.index, end: match.index + match[0].length });
  }
  for (const match of text.matchAll(
    pattern(
      `(?<![\\p{L}\\d.,/])(\\d{1,2})\\s*[x×*](?!\\p{L}\\d)(?!\\p{L}{1,2}(?!\\p{L}))(?!\\s*${START_WORD}(?!\\p{L}))`,
      'giu',
    ),
  )) {
    const [start, end] = [match.index, match.index + match[0].length];
    // "15 min 4x" is how often; "3 h 4 x 5 W" is how many.
    const next = after(end);
    const kind = isLength(next) || (isLength(before(start)) && !isSize(next)) ? 'times' : 'count';
    add({ kind, value: Number(match[1]), start, end });
  }
  for (const match of text.matchAll(PIECES_AFTER)) {
    const [start, end] = [match.index, match.index + match[0].length];
    const isOften = isLength(before(start)) || PER_ONE.test(text.slice(0, start));
    add({ kind: isOften ? 'times' : 'count', value: Number(match[1]), start, end });
  }
  for (const match of text.matchAll(
    pattern(
      /(?<![\p{L}\d.,/])(\d{1,2})(?:\s+(?:of|off)(?!\s*\d+\s*h)|\s*(?:off|pcs?\.?|pieces|nos?\.?))(?!\p{L})(?:\s+them)?/giu,
    ),
  ))
    add({ kind: 'count', value: Number(match[1]), start: match.index, end: match.index + match[0].length });
  for (const match of text.matchAll(
    pattern(/(?<![\p{L}\d])(?:(half)\s+a\s+|a\s+)?(?:(pair|couple)\s+of|dozen(?:\s+of)?)(?!\p{L})/giu),
  )) {
    const value = match[2] ? 2 : match[1] ? 6 : 12;
    add({ kind: 'count', value, start: match.index, end: match.index + match[0].length });
  }
  // "65 W each, two of them".
  for (const match of text.matchAll(
    pattern(`(?<!\\p{L})(${WRITTEN_OUT})\\s+of\\s+(?:them|these|those)(?!\\p{L})`, 'giu'),
  ))
    add({ kind: 'count', value: numberOf(match[1]), start: match.index, end: match.index + match[0].length });
  // "lamps (6)", "lamps (six)", "spots: 6 @ 4 W".
  for (const match of text.matchAll(pattern(`\\(\\s*(\\d{1,2}|${WRITTEN_OUT})\\s*\\)`, 'giu')))
    add({ kind: 'count', value: numberOf(match[1]), start: match.index, end: match.index + match[0].length });
  for (const match of text.matchAll(pattern(/(?<![\p{L}\d.,/])(\d{1,2})\s*(?:@|at)(?=\s*\d)/giu))) {
    const end = match.index + match[0].length;
    if (isSize(after(end))) add({ kind: 'count', value: Number(match[1]), start: match.index, end });
  }
  const words = pattern(`^\\s*(${WRITTEN_OUT})\\s+(?=\\p{L}{3,})`, 'iu').exec(text);
  if (words) add({ kind: 'count', value: numberOf(words[1]), start: 0, end: words[0].trimEnd().length });
  // A number before the first word counts it: "2 laptops", but not "2 door fridge" of which doors are counted.
  const leading = pattern(
    /^\s*(\d{1,2})\s+(?=\p{L}{3,})(?!(?:door|ring|burner|slice|cup|stage|speed|way|zone|person|berth|bay|litre|liter|inch|foot|metre|meter)s?(?!\p{L}))/iu,
  ).exec(text);
  if (leading && !all.some(({ kind }) => kind === 'count'))
    add({ kind: 'count', value: Number(leading[1]), start: leading[0].search(/\d/), end: leading[0].trimEnd().length });
  return all.sort((a, b) => a.start - b.start);
}
