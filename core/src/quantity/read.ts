import { W_PER_BTU_H, W_PER_HP } from './units.ts';

/**
 * Reads quantities the way people write them: "1.2kW", "12v 3,5a", "3 × 4 min", "1h30". Everything leaves in
 * the core's units. Text that is not a quantity is handed back as words; a unit that is not what it claims to
 * be becomes a question, never a silent correction.
 */

export type Kind = 'power' | 'apparent' | 'voltage' | 'current' | 'energy' | 'charge' | 'duration' | 'share' | 'times';

export interface Token {
  readonly kind: Kind;
  /** W, VA, V, A, Wh, Ah, min, 0…1, or a count. */
  readonly value: number;
  readonly start: number;
  readonly end: number;
}

export type QuestionCode =
  | 'power-per-time'
  | 'current-per-time'
  | 'energy-per-hour'
  | 'charge-per-hour'
  | 'power-of-battery'
  | 'breaker'
  | 'energy-above-power'
  | 'label-contradiction';

/** A plain question about what was typed, with the likely meaning ready to take. */
export interface Question {
  readonly code: QuestionCode;
  readonly start: number;
  readonly end: number;
  /** What stands there. */
  readonly found: string;
  /** What was probably meant, to put in its place; null when only a person can say. */
  readonly meant: string | null;
}

export interface Reading {
  readonly tokens: readonly Token[];
  readonly questions: readonly Question[];
  /** What is left when quantities are taken out. */
  readonly words: string;
}

const UNITS: Readonly<Record<string, readonly [Kind, number]>> = {
  w: ['power', 1],
  watt: ['power', 1],
  watts: ['power', 1],
  kw: ['power', 1000],
  hp: ['power', W_PER_HP],
  'btu/h': ['power', W_PER_BTU_H],
  va: ['apparent', 1],
  kva: ['apparent', 1000],
  v: ['voltage', 1],
  volt: ['voltage', 1],
  volts: ['voltage', 1],
  vac: ['voltage', 1],
  vdc: ['voltage', 1],
  a: ['current', 1],
  amp: ['current', 1],
  amps: ['current', 1],
  ma: ['current', 0.001],
  wh: ['energy', 1],
  kwh: ['energy', 1000],
  ah: ['charge', 1],
  mah: ['charge', 0.001],
  h: ['duration', 60],
  hr: ['duration', 60],
  hrs: ['duration', 60],
  hour: ['duration', 60],
  hours: ['duration', 60],
  min: ['duration', 1],
  mins: ['duration', 1],
  minute: ['duration', 1],
  minutes: ['duration', 1],
  s: ['duration', 1 / 60],
  sec: ['duration', 1 / 60],
  seconds: ['duration', 1 / 60],
  '%': ['share', 0.01],
};

const UNIT_PATTERN = Object.keys(UNITS)
  .sort((a, b) => b.length - a.length)
  .map((unit) => unit.replace('/', '\\s*/\\s*'))
  .join('|');
const NUMBER = String.raw`\d+(?:[.,]\d+)*`;
const QUANTITY = new RegExp(String.raw`(?<![\p{L}\d.,])(${NUMBER})\s*(${UNIT_PATTERN})(?![\p{L}\d])`, 'giu');
const CLOCKED = /(?<![\p{L}\d.,])(\d+)\s*h\s*(\d{1,2})(?:\s*min)?(?![\p{L}\d.,])/giu;
const TIMES = /(?<![\p{L}\d.,])(\d{1,2})\s*[x×*](?![\p{L}]{3,}\d)|(?<=\s)[x×*]\s*(\d{1,2})(?![\p{L}\d])/giu;
const PER_DAY = String.raw`\s*(?:/\s*|per\s+|a\s+)(?:day|d|24\s*h)\b`;

/** A number as written: "3,5" and "3.5" are the same; "1,200" and "1.200,5" group thousands. NaN when neither. */
export function readNumber(text: string): number {
  const marks = text.match(/[.,]/g) ?? [];
  if (marks.length === 0) return Number(text);
  const last = text.lastIndexOf(marks.at(-1) as string);
  const decimals = text.length - last - 1;
  const mixed = new Set(marks).size > 1;
  const grouped = mixed || marks.length > 1 || (marks[0] === ',' && decimals === 3 && !text.startsWith('0'));
  if (!grouped) return Number(text.replace(',', '.'));
  if (!/^\d{1,3}(?:[.,]\d{3})*(?:[.,]\d+)?$/.test(text)) return Number.NaN;
  if (mixed) return Number(`${text.slice(0, last).replace(/[.,]/g, '')}.${text.slice(last + 1)}`);
  return Number(text.replace(/[.,]/g, ''));
}

export function readQuantities(typed: string): Reading {
  // "3x4min": between digits an x is a multiplication sign, not a letter; same length, so places hold.
  const text = typed.replace(/(?<=\d\s*)x(?=\s*\d)/gi, '×');
  const taken: { start: number; end: number }[] = [];
  const tokens: Token[] = [];
  const free = (start: number, end: number) => !taken.some((span) => start < span.end && end > span.start);
  const take = (kind: Kind, value: number, start: number, end: number) => {
    if (!Number.isFinite(value) || !free(start, end)) return;
    taken.push({ start, end });
    tokens.push({ kind, value, start, end });
  };

  const questions = askAbout(text);
  for (const { start, end } of questions) taken.push({ start, end });
  for (const match of text.matchAll(CLOCKED)) {
    take('duration', Number(match[1]) * 60 + Number(match[2]), match.index, match.index + match[0].length);
  }
  for (const match of text.matchAll(QUANTITY)) {
    const unit = UNITS[(match[2] ?? '').toLowerCase().replace(/\s/g, '')];
    if (!unit) continue;
    const [kind, factor] = unit;
    let end = match.index + match[0].length;
    if (kind === 'energy' || kind === 'duration' || kind === 'charge') end += perDayLength(text.slice(end));
    take(kind, readNumber(match[1] ?? '') * factor, match.index, end);
  }
  for (const match of text.matchAll(TIMES)) {
    take('times', Number(match[1] ?? match[2]), match.index, match.index + match[0].length);
  }
  return { tokens: tokens.sort((a, b) => a.start - b.start), questions, words: wordsBetween(text, taken) };
}

function perDayLength(rest: string): number {
  return new RegExp(`^${PER_DAY}`, 'i').exec(rest)?.[0].length ?? 0;
}

function wordsBetween(text: string, taken: readonly { start: number; end: number }[]): string {
  let words = text;
  for (const { start, end } of taken) {
    words = words.slice(0, start) + ' '.repeat(end - start) + words.slice(end);
  }
  return words
    .replace(/(?<=^|\s)(?:at|for|each|a|an|the|per|of|and|@|[-–:;,/+×x])(?=\s|$)/giu, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:–-]+|[\s,;:–-]+$/g, '')
    .trim();
}

/** Units that are not what they claim: pattern, what it is, and the likely meaning with the number in `$1`. */
const CONFUSED: readonly (readonly [RegExp, QuestionCode, string | null])[] = [
  [new RegExp(String.raw`(${NUMBER})\s*(k?)w(?:atts?)?${PER_DAY}`, 'giu'), 'power-per-time', '$1 $2Wh'],
  [
    new RegExp(String.raw`(${NUMBER})\s*(k?)w(?:atts?)?\s*(?:/\s*|per\s+|an\s+)h(?:ou)?r?\b`, 'giu'),
    'power-per-time',
    '$1 $2W',
  ],
  [
    new RegExp(String.raw`(${NUMBER})\s*(k?)wh\s*(?:/\s*|per\s+|an\s+)h(?:ou)?r?\b`, 'giu'),
    'energy-per-hour',
    '$1 $2W',
  ],
  [
    new RegExp(String.raw`(${NUMBER})\s*(?:ah|amp[ -]?hours?)\s*(?:/\s*|per\s+|an\s+)h(?:ou)?r?\b`, 'giu'),
    'charge-per-hour',
    '$1 A',
  ],
  [
    new RegExp(String.raw`(${NUMBER})\s*a(?:mps?)?\s*(?:/\s*|per\s+|an\s+)h(?:ou)?r?\b`, 'giu'),
    'current-per-time',
    '$1 A',
  ],
  [new RegExp(String.raw`(${NUMBER})\s*kw\s+(?:of\s+)?batter(?:y|ies)`, 'giu'), 'power-of-battery', '$1 kWh battery'],
  [
    new RegExp(
      String.raw`(?:(${NUMBER})\s*a(?:mps?)?\s*(?:circuit\s*)?(?:breaker|fuse|mcb|rcbo)|(?:breaker|fuse|mcb|rcbo)\s*(?:of\s*)?${NUMBER}\s*a(?:mps?)?)`,
      'giu',
    ),
    'breaker',
    null,
  ],
];

function askAbout(text: string): Question[] {
  const questions: Question[] = [];
  for (const [pattern, code, meant] of CONFUSED) {
    for (const match of text.matchAll(pattern)) {
      const start = match.index;
      const end = start + match[0].length;
      if (questions.some((other) => start < other.end && end > other.start)) continue;
      const likely =
        meant
          ?.replace('$1', match[1] ?? '')
          .replace('$2', match[2]?.toLowerCase() ?? '')
          .trim() ?? null;
      questions.push({ code, start, end, found: match[0], meant: likely });
    }
  }
  return questions.sort((a, b) => a.start - b.start);
}

/** The one quantity of a field, in the core's units. `bare` is what a number without a unit means there. */
export function readField(text: string, kind: Kind, bare: number | null = 1): { value: number } | { problem: string } {
  const trimmed = text.trim();
  if (new RegExp(`^-?${NUMBER}$`).test(trimmed) && bare !== null) {
    const value = readNumber(trimmed.replace('-', '')) * bare * (trimmed.startsWith('-') ? -1 : 1);
    return Number.isFinite(value) ? { value } : { problem: `"${trimmed}" is not a number` };
  }
  const { tokens, questions } = readQuantities(trimmed);
  const question = questions[0];
  if (question) {
    return { problem: question.meant ? `Did you mean ${question.meant}?` : `${question.found} is not a load` };
  }
  const fitting = tokens.filter((token) => token.kind === kind);
  if (fitting.length > 0 && fitting.length === tokens.length) {
    return { value: fitting.reduce((sum, token) => sum + token.value, 0) };
  }
  if (kind === 'power') {
    const volts = tokens.find((token) => token.kind === 'voltage');
    const amps = tokens.find((token) => token.kind === 'current');
    if (volts && amps) return { value: volts.value * amps.value };
  }
  return { problem: `Write a ${kind}, such as ${EXAMPLE[kind]}` };
}

const EXAMPLE: Readonly<Record<Kind, string>> = {
  power: '1.2 kW or 12 V 3.5 A',
  apparent: '600 VA',
  voltage: '12 V',
  current: '3.5 A',
  energy: '150 Wh',
  charge: '20 Ah',
  duration: '45 min or 1 h 30',
  share: '24 %',
  times: '3 ×',
};
