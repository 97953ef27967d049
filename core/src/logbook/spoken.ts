import { readNumber } from '../reading/numeral.ts';
import type { MARKS } from './logValues.ts';
import { QUANTITY, type Quantity, unitOf } from './quantities.ts';

/** A reading as it was said into a phone: a mark, quantities with their units, and what is left as a note. */
export interface Spoken {
  readonly mark: (typeof MARKS)[number] | null;
  readonly values: Readonly<Partial<Record<Quantity, number>>>;
  readonly note: string;
  /** What has to be asked before it can be kept; null = nothing. */
  readonly question: string | null;
}

const ONES =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

/** Longer ways to say a unit, first; each becomes one that meters write. */
const UNIT_WORDS: readonly (readonly [RegExp, string])[] = [
  [/\bkilo ?watt[- ]?hours?\b/g, 'kWh'],
  [/\bwatt[- ]?hours?\b/g, 'Wh'],
  [/\bamp(?:ere)?[- ]?hours?\b/g, 'Ah'],
  [/\bvolt[- ]?amp(?:ere)?s?\b/g, 'VA'],
  [/\bkilo ?watts?\b/g, 'kW'],
  [/\bmilli ?volts?\b/g, 'mV'],
  [/\bmilli ?amp(?:ere)?s?\b/g, 'mA'],
  [/\bper ?cent\b/g, '%'],
  [/\bdegrees? fahrenheit\b/g, '°F'],
  [/\bdegrees?(?: celsius| centigrade)?\b/g, '°C'],
];

/** Words that mark a moment; what stands around them in the same breath goes with them. */
const MARK_WORDS: readonly (readonly [RegExp, (typeof MARKS)[number]])[] = [
  [/\b(?:it )?cut[- ]out\b/g, 'cut-out'],
  [/\b(?:at rest|resting)\b/g, 'rest'],
  [/\b(?:next|new) phase\b|\bphase\b/g, 'phase'],
  [/\b(?:stop(?:ped)?|end(?:ed)?)\b/g, 'stop'],
  [/\b(?:start(?:ed)?|begin)\b/g, 'start'],
];

const ASKED = 'Say percent, volts, amps, watts, watt-hours, amp-hours or degrees.';
const AMOUNT = /(?<![\w.,])([-−]?\s?\d[\d.,]*)\s*(%|°[CF]|[A-Za-z]+)?/g;

/** Pure; nothing that is said is dropped: what is neither a mark nor a quantity is the note, or is asked about. */
export function readSpoken(said: string): Spoken {
  let text = withDigits(said.trim().replace(/[.!?]+$/, ''));
  for (const [word, unit] of UNIT_WORDS) text = text.replace(new RegExp(word.source, 'gi'), unit);
  const marks: (typeof MARKS)[number][] = [];
  for (const [word, mark] of MARK_WORDS)
    text = text.replace(new RegExp(word.source, 'gi'), () => {
      if (!marks.includes(mark)) marks.push(mark);
      return ' ';
    });
  const values: Partial<Record<Quantity, number>> = {};
  let question: string | null = marks.length > 1 ? `Both ${marks.reverse().join(' and ')}: say one of them.` : null;
  text = text.replace(AMOUNT, (whole, amount: string, word: string | undefined) => {
    const value = amountOf(amount);
    const unit = word === undefined ? null : unitOf(word);
    if (unit === null || Number.isNaN(value)) {
      question ??= `“${amount.trim()}” of what? ${ASKED}`;
      return whole;
    }
    const stored = value * unit.factor + unit.offset;
    const { unit: of, word: name, least, most } = QUANTITY[unit.of];
    const before = values[unit.of];
    if (before !== undefined && before !== stored)
      question ??= `Two times ${name}: ${before} and ${stored} ${of}. Say one of them.`;
    if (!(stored >= least && stored <= most)) question ??= `${stored} ${of} is not between ${least} and ${most}.`;
    values[unit.of] = stored + 0;
    return ' ';
  });
  if (question !== null) return { mark: null, values: {}, note: '', question };
  const isTaken = marks.length > 0 || Object.keys(values).length > 0;
  return { mark: marks[0] ?? null, values, note: noteOf(text, isTaken), question };
}

const amountOf = (amount: string): number => {
  const isBelow = /^[-−]/.test(amount);
  const value = readNumber(amount.replace(/^[-−]\s?/, '').replace(/[.,]+$/, ''));
  return isBelow ? -value : value;
};

/** What is left, without the small words that joined what was taken. */
const noteOf = (text: string, isTaken: boolean): string => {
  const left = text
    .replace(/\s+/g, ' ')
    .replace(/\s*[,;](?:\s*[,;])*\s*/g, ', ')
    .replace(/^[\s,]+|[\s,]+$/g, '');
  return isTaken && /^(?:(?:and|at|it|is|with)[\s,]*)*$/i.test(left) ? '' : left;
};

/** Numbers in words as digits: "eighty two", "twelve point six", "a thousand two hundred", "minus four". */
function withDigits(text: string): string {
  const small = [...ONES, ...TENS].join('|');
  const number = `(?:a (?=hundred|thousand))?(?:${small}|hundred|thousand)(?:(?:[ -]| and )(?:${small}|hundred|thousand))*(?: point(?: (?:${ONES.slice(0, 10).join('|')}))+)?`;
  return text
    .replace(new RegExp(`\\b${number}\\b`, 'gi'), (words) => String(inDigits(words.toLowerCase())))
    .replace(/\b(?:minus|negative)\s+(?=\d)/gi, '-')
    .replace(/(\d)\s+point\s+(?=\d)/gi, '$1.');
}

function inDigits(words: string): number | string {
  const [whole = '', decimals] = words.split(' point ');
  let [total, part] = [0, 0];
  for (const word of whole.split(/[ -]/)) {
    const [one, ten] = [ONES.indexOf(word), TENS.indexOf(word)];
    if (one >= 0) part += one;
    else if (ten >= 0) part += 20 + ten * 10;
    else if (word === 'hundred') part = (part || 1) * 100;
    else if (word === 'thousand') [total, part] = [total + (part || 1) * 1000, 0];
  }
  const digits = decimals?.split(' ').map((word) => ONES.indexOf(word));
  return digits ? `${total + part}.${digits.join('')}` : total + part;
}
