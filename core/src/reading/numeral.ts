/**
 * Numbers the way people write them: "3,5" and "3.5", "1,200" and "1.200,5", "2 400", "1'200", "1/3", "1/10 hp", "1 1/2", "¾",
 * "1.5e3".
 */

const VULGAR: Readonly<Record<string, number>> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};
const SIGNS = Object.keys(VULGAR).join('');
/** Blanks that group thousands: of the keyboard, non-breaking, thin, narrow. */
const BLANK = '[ \\u00a0\\u2009\\u202f]';
/** Fractions as they are written of horsepower, hours and gallons; 12/24 and 50/60 are pairs. */
const FRACTION = '(?:(?:1/2|[12]/3|[13]/4|[1-4]/5|[1357]/8)(?!\\d)|1/(?:6|1[0256]|2[05]|30|40)(?=\\s?hp))';
const GROUPED = `\\d{1,3}(?:(?:${BLANK}|['’])\\d{3})+(?:[.,]\\d+)?(?!\\d)`;
const PLAIN = '\\d+(?:[.,]\\d+)*(?:e[+-]?\\d+(?![\\p{L}\\d]))?';

/** Source of a regular expression for one number; use it with the flags i and u. */
export const NUMERAL = `(?:\\d+[ -]${FRACTION}|${FRACTION}|\\d*\\s?[${SIGNS}]|${GROUPED}|${PLAIN}|(?<![^\\s(@=~])[.,]\\d+)`;

/** Numbers that are written out. */
export const NUMBER_WORDS: Readonly<Record<string, number>> = Object.fromEntries([
  ...'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
    .split(' ')
    .map((word, value) => [word, value]),
  ...'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ').map((word, i) => [word, 20 + 10 * i]),
]);

/** A number as written; NaN when it is none. Of two readings the commoner: a comma before three digits groups. */
export function readNumber(text: string): number {
  const trimmed = text.trim();
  const vulgar = new RegExp(`^(\\d*)\\s?([${SIGNS}])$`).exec(trimmed);
  if (vulgar) return Number(vulgar[1] || 0) + (VULGAR[vulgar[2] ?? ''] ?? 0);
  const fraction = /^(?:(\d+)[ -])?(\d)\/(\d{1,2})$/.exec(trimmed);
  if (fraction) return Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]);
  const exponent = /^(.+)e([+-]?\d+)$/i.exec(trimmed);
  if (exponent) return readNumber(exponent[1] ?? '') * 10 ** Number(exponent[2]);
  return readMarks(trimmed.replace(new RegExp(`(?<=\\d)(?:${BLANK}|['’])(?=\\d{3})`, 'g'), ''));
}

function readMarks(text: string): number {
  // ".5 A" as some write it.
  if (/^[.,]\d+$/.test(text)) return Number(`0.${text.slice(1)}`);
  const marks = text.match(/[.,]/g) ?? [];
  if (marks.length === 0) return /^\d+$/.test(text) ? Number(text) : Number.NaN;
  const last = text.lastIndexOf(marks.at(-1) as string);
  const decimals = text.length - last - 1;
  const mixed = new Set(marks).size > 1;
  const grouped = mixed || marks.length > 1 || (marks[0] === ',' && decimals === 3 && !text.startsWith('0'));
  if (!grouped) return /^\d+[.,]\d+$/.test(text) ? Number(text.replace(',', '.')) : Number.NaN;
  if (!/^\d{1,3}(?:[.,]\d{3})*(?:[.,]\d+)?$/.test(text)) return Number.NaN;
  if (mixed) return Number(`${text.slice(0, last).replace(/[.,]/g, '')}.${text.slice(last + 1)}`);
  return Number(text.replace(/[.,]/g, ''));
}

/**
 * Both readings of a number whose one mark stands before three digits: "2.400" is 2.4 where the point is decimal and
 * 2,400 where it groups. Null when there is but one.
 */
export function bothReadings(text: string): { readonly decimal: number; readonly grouped: number } | null {
  const match = /^([1-9]\d{0,2})[.,](\d{3})$/.exec(text.trim());
  if (!match) return null;
  return { decimal: Number(`${match[1]}.${match[2]}`), grouped: Number(`${match[1]}${match[2]}`) };
}

/** Blanks that were taken to group thousands and do not: of "17 230" the part that stands by itself, and where it begins. */
export function lastGroup(text: string): { readonly text: string; readonly skip: number } | null {
  const match = new RegExp(`^(.*${BLANK})(\\d{3})$`).exec(text);
  return match ? { text: match[2] ?? '', skip: match[1]?.length ?? 0 } : null;
}
