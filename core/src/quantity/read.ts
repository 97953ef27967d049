import { bothReadings, lastGroup, NUMERAL, readNumber } from './numeral.ts';
import type { Question, QuestionCode } from './question.ts';
import { readTimes } from './readTimes.ts';
import { W_PER_BTU_H, W_PER_HP } from './units.ts';

export { readNumber } from './numeral.ts';
export type { Question, QuestionCode } from './question.ts';

/**
 * Reads quantities the way people write them: "1.2kW", "12v 3,5a", "3 × 4 min", "1h30", "twice a week". Everything
 * leaves in the core's units. Text that is not a quantity is handed back as words; a unit that is not what it
 * claims to be becomes a question, never a silent correction, and no number is left over unseen.
 */

export type Kind =
  | 'power'
  | 'cooling'
  | 'shaft'
  | 'apparent'
  | 'voltage'
  | 'current'
  | 'factor'
  | 'energy'
  | 'energy-per-day'
  | 'energy-per-use'
  | 'charge'
  | 'charge-per-day'
  | 'frequency'
  | 'duration'
  | 'share'
  | 'count'
  | 'times'
  | 'clock'
  | 'every'
  | 'days-per-week'
  | 'weekdays'
  | 'weekends';

/** What stands beside a power and says of what. */
export type Mark = 'input' | 'output' | 'cooking' | 'cooling' | 'shaft' | 'peak';

export interface Token {
  readonly kind: Kind;
  /** W, VA, V, A, Wh, Ah, Hz, min, 0…1, or a count; of a clock minutes after midnight; of "every" the minutes on. */
  readonly value: number;
  /** Of a clock its end, of "every" the period, both in minutes. */
  readonly second?: number;
  /** The other reading of a number such as 2.400, when that is possible too. */
  readonly other?: number;
  readonly mark?: Mark;
  /** DC or AC, when it is said. */
  readonly current?: 'ac' | 'dc';
  readonly start: number;
  readonly end: number;
}

export interface Reading {
  readonly tokens: readonly Token[];
  readonly questions: readonly Question[];
  /** What is left when quantities are taken out. */
  readonly words: string;
}

type Unit = readonly [kind: Kind, factor: number];

const UNITS: Readonly<Record<string, Unit>> = {
  w: ['power', 1],
  watt: ['power', 1],
  watts: ['power', 1],
  kw: ['power', 1000],
  kilowatt: ['power', 1000],
  kilowatts: ['power', 1000],
  hp: ['shaft', W_PER_HP],
  'btu/h': ['cooling', W_PER_BTU_H],
  'btu/hr': ['cooling', W_PER_BTU_H],
  btu: ['cooling', W_PER_BTU_H],
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
  ampere: ['current', 1],
  amperes: ['current', 1],
  ma: ['current', 0.001],
  milliamps: ['current', 0.001],
  wh: ['energy', 1],
  'watt hours': ['energy', 1],
  'watt-hours': ['energy', 1],
  kwh: ['energy', 1000],
  ah: ['charge', 1],
  'amp hours': ['charge', 1],
  'amp-hours': ['charge', 1],
  mah: ['charge', 0.001],
  hz: ['frequency', 1],
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
  secs: ['duration', 1 / 60],
  second: ['duration', 1 / 60],
  seconds: ['duration', 1 / 60],
  '%': ['share', 0.01],
  percent: ['share', 0.01],
};

/** Readings outside of these are no quantity of an appliance, in the core's units; of two readings one is then out. */
const POSSIBLE: Readonly<Partial<Record<Kind, readonly [number, number]>>> = {
  power: [0.3, 20_000],
  cooling: [200, 20_000],
  shaft: [5, 8000],
  apparent: [0.3, 20_000],
  voltage: [1, 500],
  current: [0.01, 600],
  energy: [1, 50_000],
  'energy-per-day': [5, 50_000],
  'energy-per-use': [1, 20_000],
  charge: [0.1, 2000],
  duration: [1 / 60, 1440],
};

const UNIT_PATTERN = Object.keys(UNITS)
  .sort((a, b) => b.length - a.length)
  .map((unit) => unit.replace('/', '\\s*/\\s*').replace(/[ -]/, '[ -]'))
  .join('|');
const QUANTITY = new RegExp(
  String.raw`(?<![\p{L}\d.,/])(${NUMERAL})\s*-?\s*(${UNIT_PATTERN})(?![\p{L}\d])(?:\s*(ac|dc)(?![\p{L}]))?`,
  'giu',
);
const FACTOR = new RegExp(
  String.raw`(?<!\p{L})(?:cos\s*(?:φ|ϕ|phi)|power\s*factor|p\.?f\.?)\s*[:=]?\s*(${NUMERAL})`,
  'giu',
);
/** What an energy is for: the divisor that makes it Wh a day, or a use. */
const PER: readonly (readonly [RegExp, Kind, number])[] = [
  [
    /^\s*(?:\/|per|a|an|each|every|in)\s*(?:day|d|24\s*h(?:ours|rs)?|24\s*hours)(?![\p{L}\d])|^\s*daily\b/iu,
    'energy-per-day',
    1,
  ],
  [/^\s*(?:\/|per|a)\s*(?:week|wk)(?!\p{L})/iu, 'energy-per-day', 7],
  [/^\s*(?:\/|per|a)\s*month(?!\p{L})/iu, 'energy-per-day', 365 / 12],
  [/^\s*(?:\/|per|a)\s*(?:year|yr|annum|365\s*d(?:ays)?|a)(?!\p{L})/iu, 'energy-per-day', 365],
  [/^\s*(?:\/|per|in)\s*1[.,]?000\s*h(?:ours|rs)?(?!\p{L})/iu, 'energy-per-day', 1000 / 24],
  [/^\s*(?:\/|per|in)\s*100\s*(?:cycles|uses|washes)(?!\p{L})/iu, 'energy-per-use', 100],
  [/^\s*(?:\/|per|a|each|for each)\s*(?:cycle|wash|load|use|run|go|charge|cup|time)(?!\p{L})/iu, 'energy-per-use', 1],
];

export function readQuantities(typed: string): Reading {
  // "3x4min": between digits an x is a multiplication sign, not a letter; same length, so places hold.
  const text = typed.replace(/(?<=\d\s*)x(?=\s*[\d¼½¾])/gi, '×');
  const taken: { start: number; end: number }[] = [];
  const tokens: Token[] = [];
  const free = (start: number, end: number) => !taken.some((span) => start < span.end && end > span.start);
  const take = (token: Token) => {
    if (!Number.isFinite(token.value) || !free(token.start, token.end)) return;
    taken.push({ start: token.start, end: token.end });
    tokens.push(token);
  };

  const questions = askAbout(text);
  for (const { start, end } of questions) taken.push({ start, end });
  for (const token of readTimes(text)) take(token);
  for (const match of text.matchAll(FACTOR)) {
    const value = readNumber(match[1] ?? '');
    if (value > 0 && value <= 1)
      take({ kind: 'factor', value, start: match.index, end: match.index + match[0].length });
  }
  for (const match of text.matchAll(QUANTITY)) {
    const token = quantity(match, text);
    if (token) take(token);
  }
  tokens.sort((a, b) => a.start - b.start);
  const counted = withCounts(text, tokens, taken);
  const words = wordsBetween(text, taken);
  const bare = bareNumbers(text, taken, tokens);
  return {
    tokens: counted,
    questions: [...questions, ...bare, ...signs(text, tokens)].sort((a, b) => a.start - b.start),
    words,
  };
}

function quantity(match: RegExpExecArray, text: string): Token | null {
  const unit =
    UNITS[
      (match[2] ?? '')
        .toLowerCase()
        .replace(/\s*\/\s*/, '/')
        .replace(/(?<=amp|watt)[ -]/, ' ')
    ];
  if (!unit) return null;
  const [kind, factor] = unit;
  // "17 230 V" are two numbers: volts and the like never come in thousands.
  const part = MANY.has(kind) ? null : lastGroup(match[1] ?? '');
  const number = part?.text ?? match[1] ?? '';
  const start = match.index + (part?.skip ?? 0);
  let end = match.index + match[0].length;
  let [as, scale]: [Kind, number] = [kind, factor];
  if (kind === 'energy' || kind === 'charge') {
    const per = PER.find(([pattern]) => pattern.test(text.slice(end)));
    if (per) {
      end += per[0].exec(text.slice(end))?.[0].length ?? 0;
      scale /= per[2];
      as = kind === 'energy' ? per[1] : 'charge-per-day';
    }
  } else if (kind === 'duration')
    end += /^\s*(?:\/|per|a|each|every)\s*(?:day|d)(?![\p{L}\d])/iu.exec(text.slice(end))?.[0].length ?? 0;
  const readings = readingsOf(number, as, scale);
  if (!readings) return null;
  const mark = kind === 'power' || kind === 'shaft' || kind === 'cooling' ? markAt(text, start, end) : null;
  const said = (match[3] ?? /(ac|dc)$/i.exec(match[2] ?? '')?.[1] ?? '').toLowerCase();
  return {
    kind: as,
    ...readings,
    ...(mark ? { mark: mark.mark } : {}),
    ...(said === 'ac' || said === 'dc' ? { current: said } : {}),
    start: mark?.start ?? start,
    end: mark?.end ?? end,
  };
}

/** The value, and the other one when a mark may group or divide and both come to something possible. */
export function readingsOf(text: string, kind: Kind, factor: number): { value: number; other?: number } | null {
  const both = bothReadings(text);
  const value = readNumber(text) * factor;
  if (!both || text.startsWith('0')) return Number.isFinite(value) ? { value } : null;
  const [least, most] = POSSIBLE[kind] ?? [0, Number.POSITIVE_INFINITY];
  const possible = [both.decimal * factor, both.grouped * factor].filter((one) => one >= least && one <= most);
  if (possible.length === 2) return { value, other: possible.find((one) => one !== value) as number };
  return { value: possible[0] ?? value };
}

/** Kinds whose numbers reach the thousands. */
const MANY: ReadonlySet<Kind> = new Set(['power', 'cooling', 'apparent', 'energy', 'charge']);

const MARKS: readonly (readonly [pattern: string, mark: Mark])[] = [
  ['cooking(?:\\s*power)?|microwave\\s+output', 'cooking'],
  ['(?:of\\s+)?cooling(?:\\s*(?:power|capacity))?', 'cooling'],
  ['(?:on|at)\\s+the\\s+shaft|shaft(?:\\s*power)?', 'shaft'],
  ['(?:power\\s+)?input|in(?!\\s)|electric(?:al)?(?:\\s*input)?', 'input'],
  ['(?:power\\s+)?output|out(?!\\s)|rms', 'output'],
  ['peak|max(?:imum)?|surge', 'peak'],
];

/** The word right before or after a power that says of what it is. */
function markAt(text: string, start: number, end: number): { mark: Mark; start: number; end: number } | null {
  for (const [pattern, mark] of MARKS) {
    const after = new RegExp(`^[\\s,(]{0,2}(?:${pattern})(?!\\p{L})\\)?`, 'iu').exec(text.slice(end));
    // "60W peak 90W": the peak is what follows.
    const next = after && mark === 'peak' && /^\s*[:=]?\s*\d/.test(text.slice(end + after[0].length));
    if (after && !next) return { mark, start, end: end + after[0].length };
    const before = new RegExp(`(?<!\\p{L})(?:${pattern})[\\s:=]{0,2}$`, 'iu').exec(text.slice(0, start));
    if (before) return { mark, start: before.index, end };
  }
  return null;
}

/** "5 x 4W", "lamp x3", "4 of", "2 laptops": how many pieces; what multiplies a length is how often instead. */
function withCounts(text: string, tokens: readonly Token[], taken: { start: number; end: number }[]): Token[] {
  const all = [...tokens];
  const add = (token: Token) => {
    if (taken.some((span) => token.start < span.end && token.end > span.start)) return;
    taken.push({ start: token.start, end: token.end });
    all.push(token);
  };
  const isLength = (token: Token | undefined) => token?.kind === 'duration';
  const before = (at: number) => tokens.find((token) => token.end <= at && text.slice(token.end, at).trim() === '');
  const after = (at: number) => tokens.find((token) => token.start >= at && text.slice(at, token.start).trim() === '');
  for (const match of text.matchAll(/(?<![\p{L}\d.,/])(\d{1,2})\s*[x×*](?!\p{L}\d)(?!\p{L}{1,2}(?!\p{L}))/giu)) {
    const [start, end] = [match.index, match.index + match[0].length];
    const kind = isLength(after(end)) ? 'times' : 'count';
    add({ kind, value: Number(match[1]), start, end });
  }
  for (const match of text.matchAll(/(?<=\s|\p{L})[x×*]\s*(\d{1,2})(?![\p{L}\d.,])/giu)) {
    const [start, end] = [match.index, match.index + match[0].length];
    add({ kind: isLength(before(start)) ? 'times' : 'count', value: Number(match[1]), start, end });
  }
  for (const match of text.matchAll(
    /(?<![\p{L}\d.,/])(\d{1,2})\s+(?:of|off|pcs?\.?|pieces|nos?\.?)(?!\p{L})(?:\s+them)?/giu,
  ))
    add({ kind: 'count', value: Number(match[1]), start: match.index, end: match.index + match[0].length });
  for (const match of text.matchAll(/(?<!\p{L})(?:a\s+)?(pair|couple|dozen)\s+of(?!\p{L})/giu)) {
    const value = match[1]?.toLowerCase() === 'dozen' ? 12 : 2;
    add({ kind: 'count', value, start: match.index, end: match.index + match[0].length });
  }
  const words = /^\s*(two|three|four|five|six|seven|eight|nine|ten|twelve)\s+(?=\p{L}{3,})/iu.exec(text);
  if (words) {
    const value = COUNT_WORDS[words[1]?.toLowerCase() ?? ''] ?? 1;
    add({ kind: 'count', value, start: 0, end: words[0].trimEnd().length });
  }
  // A number before the first word counts it: "2 laptops", but not "2 door fridge" of which doors are counted.
  const leading =
    /^\s*(\d{1,2})\s+(?=\p{L}{3,})(?!(?:door|ring|burner|slice|cup|stage|speed|way|zone|person|berth|litre|liter|inch|foot|metre|meter)s?(?!\p{L}))/iu.exec(
      text,
    );
  if (leading && !all.some(({ kind }) => kind === 'count'))
    add({ kind: 'count', value: Number(leading[1]), start: leading[0].search(/\d/), end: leading[0].trimEnd().length });
  return all.sort((a, b) => a.start - b.start);
}

const COUNT_WORDS: Readonly<Record<string, number>> = {
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
};

/** Measures that tell one thing from another and are part of its name: 80 l, 24 inch, 3 door. */
const NAMING =
  /^\s*-?\s*(?:l|lt|ltr|litres?|liters?|ml|gal(?:lons?)?|kg|g|lbs?|cm|mm|m|m2|m²|m3|m³|inch(?:es)?|in|ft|foot|feet|["”″'′]|°\s*[cf]?|deg(?:rees)?|k|lm|lumens?|px|gb|tb|mb|bar|psi|rpm|mhz|ghz|channels?|ch|door|ring|burner|slice|cup|stage|speed|way|zone|person|people|berth|led|cell|watt-hour|star|th|st|nd|rd|g|gen)s?(?![\p{L}\d])/iu;

/** Numbers that belong to nothing: asked about, since what is typed is never dropped. */
function bareNumbers(
  text: string,
  taken: readonly { start: number; end: number }[],
  tokens: readonly Token[],
): Question[] {
  const questions: Question[] = [];
  for (const match of text.matchAll(new RegExp(`(?<![\\p{L}\\d.,/#_-])${NUMERAL}(?![\\p{L}\\d]|[.,]\\d)`, 'giu'))) {
    const [start, end] = [match.index, match.index + match[0].length];
    if (taken.some((span) => start < span.end && end > span.start)) continue;
    if (NAMING.test(text.slice(end)) || /^[-_/]\p{L}/u.test(text.slice(end))) continue;
    const found = match[0].trim();
    const hasPower = tokens.some(({ kind }) => kind === 'power' || kind === 'current' || kind === 'apparent');
    questions.push({ code: 'bare-number', start, end, found, choices: hasPower ? [''] : [`${found} W`, ''] });
  }
  return questions;
}

/** A minus before a quantity, and a span of two values, each asked about. */
function signs(text: string, tokens: readonly Token[]): Question[] {
  return tokens.flatMap((token): Question[] => {
    if (!['power', 'current', 'apparent', 'energy', 'duration'].includes(token.kind)) return [];
    const lead = text.slice(0, token.start);
    const span = new RegExp(
      `(?<![\\p{L}\\d.,])(${NUMERAL})\\s*(?:k?w|watts?|a|va|k?wh)?\\s*(?:[-–—]|to|\\.{2,3}|…)\\s*$`,
      'iu',
    ).exec(lead);
    const own = text.slice(token.start, token.end);
    const unit = own.replace(new RegExp(`^${NUMERAL}`, 'iu'), '').trim();
    if (span && token.kind !== 'duration')
      return [
        {
          code: 'range',
          start: span.index,
          end: token.end,
          found: text.slice(span.index, token.end),
          choices: [`${span[1]} ${unit}`, own],
        },
      ];
    const minus = /(?:^|\s)[-−]\s?$/.exec(lead);
    if (!minus || (/-\s$/.test(lead) && !/^\s*-\s$/.test(lead))) return [];
    const start = token.start - minus[0].trimStart().length;
    return [{ code: 'negative', start, end: token.end, found: text.slice(start, token.end), choices: [own] }];
  });
}

function wordsBetween(text: string, taken: readonly { start: number; end: number }[]): string {
  let words = text;
  for (const { start, end } of taken) {
    words = words.slice(0, start) + ' '.repeat(end - start) + words.slice(end);
  }
  return words
    .replace(/(?<=^|\s)(?:at|for|each|a|an|the|per|of|and|about|approx\.?|ca\.?|@|~|[-–:;,/+×x*])(?=\s|$)/giu, ' ')
    .replace(/\(\s*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:–-]+|[\s,;:–-]+$/g, '')
    .trim();
}

const PER_DAY = String.raw`\s*(?:/\s*|per\s+|a\s+)(?:day|d|24\s*h)\b`;
const PER_HOUR = String.raw`\s*(?:/\s*|per\s+|an\s+)h(?:ou)?r?\b`;
const PROTECTS = '(?:circuit\\s*)?(?:breaker|fuse|mcb|rcbo|rcd|circuit|socket(?:\\s*outlet)?|outlet|receptacle)s?';

/** Units that are not what they claim: pattern, what it is, and the likely meaning with the number in `$1`. */
const CONFUSED: readonly (readonly [RegExp, QuestionCode, string | null])[] = [
  [new RegExp(String.raw`(${NUMERAL})\s*(k?)w(?:atts?)?${PER_DAY}`, 'giu'), 'power-per-time', '$1 $2Wh'],
  [new RegExp(String.raw`(${NUMERAL})\s*(k?)w(?:atts?)?${PER_HOUR}`, 'giu'), 'power-per-time', '$1 $2W'],
  [new RegExp(String.raw`(${NUMERAL})\s*(k?)wh${PER_HOUR}`, 'giu'), 'energy-per-hour', '$1 $2W'],
  [new RegExp(String.raw`(${NUMERAL})\s*(?:ah|amp[ -]?hours?)${PER_HOUR}`, 'giu'), 'charge-per-hour', '$1 A'],
  [new RegExp(String.raw`(${NUMERAL})\s*a(?:mps?)?${PER_HOUR}`, 'giu'), 'current-per-time', '$1 A'],
  [new RegExp(String.raw`(${NUMERAL})\s*a(?:mps?)?${PER_DAY}`, 'giu'), 'current-per-time', '$1 Ah/day'],
  [
    new RegExp(
      String.raw`(?:(${NUMERAL})\s*a(?:mps?)?\s*(?:\p{L}+\s+)?${PROTECTS}(?!\p{L})|(?<!\p{L})${PROTECTS}\s*(?:of|at|:|=)?\s*${NUMERAL}\s*a(?:mps?)?(?!\p{L}))`,
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
      const likely = meant
        ?.replace('$1', match[1] ?? '')
        .replace('$2', match[2]?.toLowerCase() ?? '')
        .trim();
      questions.push({ code, start, end, found: match[0], choices: likely ? [likely] : [] });
    }
  }
  return questions.sort((a, b) => a.start - b.start);
}

/** The one quantity of a field, in the core's units. `bare` is what a number without a unit means there. */
export function readField(text: string, kind: Kind, bare: number | null = 1): { value: number } | { problem: string } {
  const trimmed = text.trim();
  if (new RegExp(`^[-−]?${NUMERAL}$`, 'iu').test(trimmed) && bare !== null) {
    const unsigned = trimmed.replace(/^[-−]/, '');
    const readings = readingsOf(unsigned, kind, bare);
    if (readings?.other !== undefined) return { problem: twoReadings(unsigned) };
    const value = (readings?.value ?? Number.NaN) * (unsigned === trimmed ? 1 : -1);
    return Number.isFinite(value) ? { value } : { problem: `"${trimmed}" is not a number` };
  }
  const { tokens, questions } = readQuantities(trimmed);
  const question = questions.find(({ code }) => code !== 'bare-number');
  if (question) {
    const [choice] = question.choices;
    return { problem: choice ? `Did you mean ${choice}?` : `${question.found} is not a load` };
  }
  const wanted =
    kind === 'power' ? ['power', 'cooling', 'shaft'] : kind === 'energy' ? ['energy', 'energy-per-day'] : [kind];
  const fitting = tokens.filter((token) => wanted.includes(token.kind));
  const doubtful = fitting.find(({ other }) => other !== undefined);
  if (doubtful) return { problem: twoReadings(trimmed.slice(doubtful.start, doubtful.end)) };
  // Only lengths add up: of two powers one is a mistake.
  const one = kind === 'duration' ? fitting.length > 0 : fitting.length === 1;
  const byVoltsAndAmps = kind === 'power' ? voltAmps(tokens) : null;
  if (one && fitting.length === tokens.length && questions.length === 0) {
    return { value: fitting.reduce((sum, token) => sum + token.value, 0) };
  }
  if (byVoltsAndAmps !== null && questions.length === 0) {
    if (fitting.length === 0 && tokens.length === 2) return { value: byVoltsAndAmps };
    const watts = fitting[0]?.value ?? 0;
    if (one && tokens.length === 3)
      return watts <= byVoltsAndAmps * 1.05 && watts >= byVoltsAndAmps * 0.4
        ? { value: watts }
        : { problem: `Volts × amps are ${Math.round(byVoltsAndAmps)} W, not ${Math.round(watts)} W: which?` };
  }
  return { problem: `Write a ${FIELD_WORDS[kind] ?? kind}, such as ${EXAMPLE[kind] ?? '5'}` };
}

function voltAmps(tokens: readonly Token[]): number | null {
  const volts = tokens.filter(({ kind }) => kind === 'voltage');
  const amps = tokens.filter(({ kind }) => kind === 'current');
  const [v, a] = [volts[0], amps[0]];
  return volts.length === 1 && amps.length === 1 && v && a ? v.value * a.value : null;
}

function twoReadings(text: string): string {
  const number = new RegExp(NUMERAL, 'iu').exec(text)?.[0] ?? text;
  const both = bothReadings(number);
  return both
    ? `Is ${number} ${both.decimal} or ${both.grouped}? Write it without the mark, or with other decimals`
    : text;
}

const FIELD_WORDS: Readonly<Partial<Record<Kind, string>>> = { 'energy-per-day': 'energy' };
const EXAMPLE: Readonly<Partial<Record<Kind, string>>> = {
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
