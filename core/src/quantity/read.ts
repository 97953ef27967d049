import { DAILY as DAILY_WORD, DAY, PER as PER_WORD } from './aDay.ts';
import { askAbout, bareNumbers, signs } from './doubts.ts';
import { bothReadings, lastGroup, NUMBER_WORDS, NUMERAL, readNumber } from './numeral.ts';
import { pattern } from './pattern.ts';
import { perLength } from './perLength.ts';
import { withCounts } from './readCounts.ts';
import { readTimes } from './readTimes.ts';
import type { Kind, Mark, Reading, Token } from './token.ts';
import { W_PER_BTU_H, W_PER_HP } from './units.ts';

/**
 * Reads quantities the way people write them: "1.2kW", "12v 3,5a", "3 × 4 min", "1h30", "twice a week". Everything
 * leaves in the core's units. Text that is not a quantity is handed back as words; a unit that is not what it
 * claims to be becomes a question, never a silent correction, and no number is left over unseen.
 */

type Unit = readonly [kind: Kind, factor: number];

const UNITS: Readonly<Record<string, Unit>> = {
  w: ['power', 1],
  watt: ['power', 1],
  watts: ['power', 1],
  kw: ['power', 1000],
  kilowatt: ['power', 1000],
  kilowatts: ['power', 1000],
  hp: ['shaft', W_PER_HP],
  kbtu: ['cooling', 1000 * W_PER_BTU_H],
  'k btu': ['cooling', 1000 * W_PER_BTU_H],
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
  std: ['duration', 60],
  stunde: ['duration', 60],
  stunden: ['duration', 60],
  heure: ['duration', 60],
  heures: ['duration', 60],
  hora: ['duration', 60],
  horas: ['duration', 60],
  uur: ['duration', 60],
  minuten: ['duration', 1],
  minutos: ['duration', 1],
  minuti: ['duration', 1],
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
/** A number and its unit stand on one line: below "0.6" a line may begin with "SEC". */
const GAP = String.raw`[^\S\n]*`;
const QUANTITY = pattern(
  // "DC12V1A" is written together on many a plate, "5V/2A" and "12 V / 15 A" on others; "2850 min-1" is no length.
  String.raw`(?:(?<![\p{L}\d.,/])|(?<=(?<!\p{L})[ad]c)|(?<=\dv)|(?<=\p{L}\s?/\s?))(${NUMERAL})${GAP}-?${GAP}(${UNIT_PATTERN})(?!\p{L})(?!\d(?![\d.,]*\s*m?a(?!\p{L})))(?!\s?(?:-1|⁻¹)(?!\d))(?:\s*(ac\s*/\s*dc|ac|dc)(?![\p{L}]))?`,
  'giu',
);
/** "12/24 V": made for either. */
const EITHER_BUS = pattern(/(?<![\p{L}\d.,/])(12|24)\s?\/\s?(24|36|48)\s?v(?:olts?|dc)?(?!\p{L})/giu);
/** "one kilowatt", "half a kilowatt": thousands of watts as people say them. */
const WORDED = pattern(/(?<!\p{L})(half\s+a|an?|one|two|three|four|five)\s+(?:kilowatts?|kw)(?![\p{L}\d])/giu);
const FACTOR = pattern(
  String.raw`(?<!\p{L})(?:cos\s*(?:φ|ϕ|phi)|power\s*factor|p\.?f\.?)\s*[:=]?\s*(${NUMERAL})`,
  'giu',
);
/** What an energy is for: the divisor that makes it Wh a day, or a use. */
const PER: readonly (readonly [RegExp, Kind, number])[] = [
  [
    pattern(
      `^(?:${PER_WORD}|\\s*in\\s*)(?:${DAY}|24\\s*h(?:(?:ou)?rs?)?)(?![\\p{L}\\d])|^\\s*${DAILY_WORD}(?!\\p{L})`,
      'iu',
    ),
    'energy-per-day',
    1,
  ],
  [pattern(/^\s*(?:\/|per|a)\s*(?:week|wk)(?!\p{L})/iu), 'energy-per-day', 7],
  [pattern(/^\s*(?:\/|per|a)\s*month(?!\p{L})/iu), 'energy-per-day', 365 / 12],
  [
    pattern(
      /^\s*(?:\/|per|a)\s*(?:year|yr|annum|365\s*d(?:ays)?|a)(?!\p{L})|^\s*(?:p\.\s?a\.?|pa|annually|yearly)(?![\p{L}\d])/iu,
    ),
    'energy-per-day',
    365,
  ],
  // As energy labels have it: what it takes in a thousand hours of being on.
  [pattern(/^\s*(?:\/|per|in)\s*1[.,]?000\s*h(?:ours|rs)?(?!\p{L})/iu), 'power', 1000],
  [pattern(/^\s*(?:\/|per|in)\s*100\s*(?:cycles|uses|washes)(?!\p{L})/iu), 'energy-per-use', 100],
  [
    pattern(
      /^\s*(?:\/|per|a|each|for each)\s*(?:cycle|wash|load|use|run|go|charge|cup|loaf|batch|brew|boil|shot|meal|time)(?!\p{L})/iu,
    ),
    'energy-per-use',
    1,
  ],
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
  for (const match of text.matchAll(EITHER_BUS)) {
    const [low, high] = [Number(match[1]), Number(match[2])];
    const middle = match.index + (match[0].indexOf('/') + 1);
    take({ kind: 'voltage', value: low, start: match.index, end: middle });
    take({ kind: 'voltage', value: high, start: middle, end: match.index + match[0].length });
  }
  for (const match of text.matchAll(WORDED)) {
    const word = (match[1] ?? '').toLowerCase();
    const value = (word.startsWith('half') ? 0.5 : (NUMBER_WORDS[word] ?? 1)) * 1000;
    take({ kind: 'power', value, start: match.index, end: match.index + match[0].length });
  }
  // "from 8 to 18 300 Wh": what has been read begins no number.
  for (const match of veiled(text, taken).matchAll(QUANTITY)) {
    const token = quantity(match, text);
    if (!token) continue;
    // "60 W input 2 W": a word belongs to one figure.
    const { mark: _mark, ...plain } = token;
    if (free(token.start, token.end)) take(token);
    else take({ ...plain, start: match.index, end: match.index + match[0].length });
  }
  tokens.sort((a, b) => a.start - b.start);
  const long = perLength(text, tokens);
  taken.push(...long.taken);
  const counted = withCounts(text, long.tokens, taken);
  const words = wordsBetween(text, taken);
  const asked = [...questions, ...long.questions, ...signs(text, tokens)];
  return {
    tokens: counted,
    questions: [...asked, ...bareNumbers(text, [...taken, ...asked], tokens)].sort((a, b) => a.start - b.start),
    words,
  };
}

/** A text of which what was read is no digit any more; places hold. */
function veiled(text: string, taken: readonly { start: number; end: number }[]): string {
  let left = text;
  for (const { start, end } of taken)
    left = left.slice(0, start) + left.slice(start, end).replace(/\d/g, '\u0001') + left.slice(end);
  return left;
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
  } else if (kind === 'share')
    end += pattern(/^\s*(?:duty(?:\s*cycle)?|of\s+the\s+time)(?!\p{L})/iu).exec(text.slice(end))?.[0].length ?? 0;
  else if (kind === 'duration')
    end += pattern(`^${PER_WORD}${DAY}(?![\\p{L}\\d])`, 'iu').exec(text.slice(end))?.[0].length ?? 0;
  const readings = readingsOf(number, as, scale);
  // "25 000 h" of a lamp are its life.
  if (!readings || (kind === 'duration' && readings.value >= LIFE_MIN)) return null;
  const mark = MARKED.has(kind) ? markAt(text, start, end) : null;
  // What takes either hangs on the bus.
  const said = (match[3] ?? /(ac|dc)$/i.exec(match[2] ?? '')?.[1] ?? '').toLowerCase().replace(/^ac\s*\/\s*dc$/, 'dc');
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

/** Minutes, 1,000 h, from which a length is how long a thing lives, and part of what it is. */
const LIFE_MIN = 60_000;

/** Kinds beside which a word may say of what they are. */
const MARKED: ReadonlySet<Kind> = new Set(['power', 'shaft', 'cooling', 'current']);

/** Kinds whose numbers reach the thousands. */
const MANY: ReadonlySet<Kind> = new Set(['power', 'cooling', 'apparent', 'energy', 'charge']);

const MARKS: readonly (readonly [pattern: string, mark: Mark])[] = [
  ['cooking(?:\\s*power)?|microwave\\s+output', 'cooking'],
  ['(?:of\\s+)?cooling(?:\\s*(?:power|capacity))?', 'cooling'],
  ['(?:on|at)\\s+the\\s+shaft|shaft(?:\\s*power)?', 'shaft'],
  ['(?:power\\s+)?input|in(?!\\s+\\p{L})|electric(?:al)?(?:\\s*input)?', 'input'],
  ['(?:power\\s+)?output|out(?!\\s+\\p{L})', 'output'],
  ['rms|pmpo|music\\s*power', 'sound'],
  ['peak|surge|inrush|(?:to\\s+)?start(?:ing|s|[ -]?up)?|lra', 'peak'],
  ['max(?:imum|\\.)?', 'most'],
  ['(?:on\\s+)?av(?:era)?ge?\\.?|mean|typ(?:ical(?:ly)?|\\.)?|measured|actual(?:ly)?', 'average'],
  ['(?:(?:bulb|incandescent|halogen|lamp)\\s+)?equiv(?:alent(?:\\s+to)?|\\.)?', 'equivalent'],
  ['runn?ing|run', 'running'],
  ['(?:in\\s+)?total|altogether|(?:all\\s+)?together|combined|for\\s+all(?:\\s+of\\s+them|\\s+\\d{1,2})?', 'total'],
];

const BESIDE = MARKS.map(([words, mark]) => ({
  mark,
  behind: pattern(`^(?:[\\s,(]{0,2}|\\s?[-–])(?:${words})(?!\\p{L})\\)?`, 'iu'),
  ahead: pattern(`(?<!\\p{L})(?:${words})[\\s:=]{0,2}$`, 'iu'),
}));
/** What an appliance does with the figure that follows. */
const DRAWS = {
  mark: 'input',
  ahead: pattern(/(?<!\p{L})(?:draw(?:s|ing)?|us(?:es|ing)|tak(?:es|ing)|consum(?:es|ing))[\s:=]{0,2}$/iu),
} as const;
/** Words that stand before their figure as often as after it. */
const EITHER_SIDE: ReadonlySet<Mark> = new Set(['peak', 'most', 'average', 'equivalent', 'total']);
/** Characters within which such a word stands. */
const MARK_REACH = 40;

/** The word right before or after a power that says of what it is. */
function markAt(text: string, start: number, end: number): { mark: Mark; start: number; end: number } | null {
  const [rest, from] = [text.slice(end, end + MARK_REACH), Math.max(0, start - MARK_REACH)];
  for (const { mark, behind } of BESIDE) {
    const after = behind.exec(rest);
    if (after && !(EITHER_SIDE.has(mark) && isOfNext(rest.slice(after[0].length), mark)))
      return { mark, start, end: end + after[0].length };
  }
  for (const { mark, ahead } of [...BESIDE, DRAWS]) {
    const before = ahead.exec(text.slice(from, start));
    // "3x start 60 W": of how many times it is.
    const isOfTimes = before && mark === 'peak' && /\d\s?[x×]\s?$/iu.test(text.slice(0, from + before.index));
    if (before && !isOfTimes) return { mark, start: from + before.index, end };
  }
  return null;
}

/** "60W peak 90W": the word is of the figure that follows, unless that has one of its own: "18 W max, 9 W typical". */
function isOfNext(after: string, mark: Mark): boolean {
  // "800 W surge x3", "60 W start 3x": of how many times it is.
  if (mark === 'peak' && /^[\s:=]*(?:[x×]\s*\d|\d{1,2}(?:[.,]\d)?\s*[x×])/iu.test(after)) return true;
  const next = pattern(/^\s*[:=]?\s*\d[\d.,]*\s*(?:k?w(?:atts?)?|hp|k?va|m?a|amps?)(?!\p{L})/iu).exec(after);
  if (!next) return false;
  const rest = after.slice(next[0].length);
  return !BESIDE.some(({ mark, behind }) => EITHER_SIDE.has(mark) && behind.test(rest));
}

/** What says no more than that it runs every day. */
const DAILY = pattern(
  `(?<!\\p{L})(?:${DAILY_WORD}|nightly|(?:every|each|per|an?|/)\\s*(?:day|night|evening|morning)|(?:pro|par|al|am|je|por)\\s*${DAY})(?!\\p{L})|/\\s*(?:${DAY}|night)(?!\\p{L})`,
  'giu',
);

function wordsBetween(text: string, taken: readonly { start: number; end: number }[]): string {
  let words = text;
  for (const { start, end } of taken) {
    words = words.slice(0, start) + ' '.repeat(end - start) + words.slice(end);
  }
  return words
    .replace(DAILY, ' ')
    .replace(/(?<=^|\s)(?:at|for|each|a|an|the|per|of|and|about|approx\.?|ca\.?|@|~|[-–:;,/+×x*])(?=\s|$)/giu, ' ')
    .replace(/\(\s*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:–-]+|[\s,;:–-]+$/g, '')
    .trim();
}
