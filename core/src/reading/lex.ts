import { PHRASES } from './lexicon.ts';
import { decimalsBehind, numberInWords } from './numberWords.ts';
import { bothReadings, NUMERAL, readNumber } from './numeral.ts';
import { MANY, type Measure, POSSIBLE, UNITS, type Unit } from './units.ts';

/** A piece of a text. All of them in a row are the text but for its blanks: nothing is rewritten, nothing falls between. */
export interface Token {
  /** One character, by which rules know it: see `lexicon.ts`; N a number, capital letters units, signs themselves, X any other word, K a code. */
  readonly cls: string;
  readonly tag: string;
  readonly start: number;
  readonly end: number;
  /** In small letters, and as it stands there. */
  readonly text: string;
  readonly written: string;
  /** Of a number; NaN of all else. */
  readonly value: number;
  /** The other reading of a number such as 2.400. */
  readonly other: number | null;
  readonly unit: Unit | null;
  /** Whether no blank stands before it. */
  readonly glued: boolean;
}

const CLASS_OF: Readonly<Record<Measure, string>> = {
  power: 'W',
  apparent: 'P',
  shaft: 'H',
  cooling: 'B',
  voltage: 'V',
  current: 'A',
  energy: 'E',
  charge: 'Q',
  frequency: 'Z',
  duration: 'T',
  share: 'S',
  length: 'L',
  'metres-or-minutes': 'M',
  'feet-or-minutes': 'M',
  volume: 'O',
  flow: 'R',
  celsius: 'C',
  fahrenheit: 'C',
  angle: 'C',
  area: 'U',
  gauge: 'U',
  conductor: 'U',
  mass: 'U',
  resistance: 'U',
  kelvin: 'U',
  other: 'U',
};

const LETTERS =
  '[A-Za-z\\u00aa\\u00b5\\u00ba\\u00c0-\\u00d6\\u00d8-\\u00f6\\u00f8-\\u024f\\u0370-\\u03ff\\u0400-\\u052f]';
const RAW = new RegExp(
  `(\\n)|([^\\S\\n]+)|((?<=${LETTERS})\\d+(?:[.,]\\d+)*|${NUMERAL.replaceAll('\\p{L}', LETTERS.slice(1, -1))})|(${LETTERS}(?:${LETTERS}|\\p{M})*)|([^])`,
  'giu',
);

interface Raw {
  readonly kind: 'line' | 'blank' | 'number' | 'word' | 'sign';
  readonly text: string;
  readonly start: number;
  readonly end: number;
}
const KINDS = ['line', 'blank', 'number', 'word', 'sign'] as const;

function rawOf(text: string): Raw[] {
  return [...text.matchAll(RAW)].map((match) => ({
    kind: KINDS[match.slice(1).findIndex((part) => part !== undefined)] ?? 'sign',
    text: match[0].toLowerCase(),
    start: match.index,
    end: match.index + match[0].length,
  }));
}

/** Signs that mean the same. */
const SIGNS: Readonly<Record<string, string>> = {
  '–': '-',
  '—': '-',
  '−': '-',
  '…': '-',
  '×': '×',
  '*': '×',
  '|': ';',
  // A line of its own, pasted into a field of one line.
  '¦': '\n',
  '∿': '~',
  '⎓': '=',
  '⏛': '=',
  '[': '(',
  ']': ')',
};
const PLAIN = new Set('-/×,;:.()&@~=+'.split(''));

/** Words that may be written to a number behind them. */
const BEFORE_NUMBER = new Set('dc ac x max min avg at h usb in out input output'.split(' '));
/** Numbers and letters that are a name: 3D, 4G, 4WD, 2nd. */
const NAMES = /^(?:[2345]d|[2345]g|lte|4wd|4x4|1st|2nd|3rd|[4-9]th|\d{3,4}p|[248]k|\d+mah|2in1|3in1)$/;
/** Refrigerants are written without their R too. */
const REFRIGERANT = /^(?:134a|600a|290|404a|407c|410a|513a|507a|32|1234yf)$/;

/** What a text is made of. Never throws. */
export function lex(text: string): Token[] {
  const raw = rawOf(text);
  const tokens: Token[] = [];
  const make = (cls: string, from: number, to: number, more: Partial<Token> = {}): void => {
    const [first, last] = [raw[from] as Raw, raw[to - 1] as Raw];
    const [start, end] = [more.start ?? first.start, more.end ?? last.end];
    tokens.push({
      cls,
      tag: '',
      value: Number.NaN,
      other: null,
      unit: null,
      glued: tokens.at(-1)?.end === start,
      ...more,
      start,
      end,
      text: text.slice(start, end).toLowerCase(),
      written: text.slice(start, end),
    });
  };
  let i = 0;
  while (i < raw.length) {
    const one = raw[i] as Raw;
    if (one.kind === 'blank') i++;
    else if (one.kind === 'line') {
      make('\n', i, ++i);
    } else if (one.kind === 'number') i = number(raw, i, tokens, make);
    else if (one.kind === 'word') i = word(raw, i, tokens, make);
    else i = sign(raw, i, text, tokens, make);
  }
  return tokens;
}

type Make = (cls: string, from: number, to: number, more?: Partial<Token>) => void;

/** Index behind the longest of such names that begins here; with a blank between its parts where it has one. */
function longest(raw: readonly Raw[], from: number, isName: (name: string) => boolean): number {
  let name = '';
  let best = from;
  for (let i = from; i < raw.length && i < from + 6; i++) {
    const { kind, text } = raw[i] as Raw;
    if (kind === 'line') break;
    name += kind === 'blank' ? ' ' : text;
    if (kind !== 'blank' && isName(name)) best = i + 1;
  }
  return best;
}

/** A number, and the unit right behind it. */
function number(raw: readonly Raw[], i: number, before: readonly Token[], make: Make): number {
  const one = raw[i] as Raw;
  const next = raw[i + 1];
  if (next?.kind === 'word') {
    const whole = one.text + next.text;
    const isKnown = (NAMES.test(whole) && raw[i + 2]?.text !== '/') || REFRIGERANT.test(whole);
    if (isKnown) {
      make('K', i, i + 2);
      return i + 2;
    }
  }
  const phrase = phraseAt(raw, i);
  if (phrase) {
    make(phrase.cls, i, phrase.to, { tag: phrase.tag });
    return phrase.to;
  }
  const pointed = decimalsBehind(raw, { value: readNumber(one.text), to: i + 1 });
  if (pointed) return numberToken(raw, i, pointed, make);
  const gap =
    next?.kind === 'blank' || (next?.kind === 'sign' && next.text === '-' && raw[i + 2]?.kind === 'word') ? 1 : 0;
  const at = i + 1 + gap;
  const to = isUnitHere(raw, i, at) ? longest(raw, at, (name) => UNITS.has(name)) : at;
  const unit = to > at ? (UNITS.get(nameOf(raw, at, to)) as Unit) : null;
  // "17 230 V": volts and the like never come in thousands, and a time's end begins no number.
  const last = /^(.*[ \u00a0\u2009\u202f])(\d{3})$/.exec(one.text);
  const isTwo = last && (unit === null || !MANY.has(unit.of) || /[rb-]/.test(before.at(-1)?.cls ?? ''));
  const start = one.start + (isTwo ? (last[1]?.length ?? 0) : 0);
  if (isTwo) {
    const first = (last[1] ?? '').trim();
    make('N', i, i + 1, { value: readNumber(first), end: one.start + first.length });
  }
  const written = isTwo ? (last[2] ?? '') : one.text;
  make('N', i, i + 1, { start, ...readingsOf(written, unit) });
  const isHyphened = gap > 0 && next?.kind === 'sign';
  if (unit) make(CLASS_OF[unit.of], isHyphened ? i + 1 : at, to, { unit });
  return unit ? to : i + 1;
}

const nameOf = (raw: readonly Raw[], from: number, to: number): string =>
  raw
    .slice(from, to)
    .map(({ kind, text }) => (kind === 'blank' ? ' ' : text))
    .join('');

/** Periods of which a number before "a" counts: "3 a day". */
const PERIOD = /^(?:day|week|month|night|year|cycle|wash|cup|time|fortnight|go|use|load|charge)s?$/;

/** Whether the word behind a number may be its unit: "3 a day" and "2 in use" are none. */
function isUnitHere(raw: readonly Raw[], i: number, at: number): boolean {
  const word = raw[at];
  if (!word || word.kind === 'line' || word.kind === 'blank') return false;
  if (at === i + 1) return true;
  const behind = raw.slice(at + 1).find(({ kind }) => kind !== 'blank');
  if (word.text === 'a' && behind?.kind === 'word') return !PERIOD.test(behind.text);
  const isLonger = longest(raw, at, (name) => UNITS.has(name)) > at + 1;
  return isLonger || !(/^(?:in|t|k|c|f)$/.test(word.text) && behind?.kind === 'word' && behind.text !== 'x');
}

/** The value, and the other one when a mark may group or divide and both come to something possible. */
function readingsOf(text: string, unit: Unit | null): { value: number; other: number | null } {
  const value = readNumber(text);
  const both = text.startsWith('0') ? null : bothReadings(text);
  if (!both || unit === null) return { value, other: null };
  const [least, most] = POSSIBLE[unit.of] ?? [0, Number.POSITIVE_INFINITY];
  const possible = [both.decimal, both.grouped].filter((one) => one * unit.worth >= least && one * unit.worth <= most);
  const [first = value, second] = possible;
  if (second === undefined) return { value: first, other: null };
  return { value, other: first === value ? second : first };
}

function phraseAt(raw: readonly Raw[], i: number): { cls: string; tag: string; to: number } | null {
  for (const { parts, entry } of PHRASES.get((raw[i] as Raw).text) ?? []) {
    const to = endOf(raw, i, parts);
    if (to > 0) return { ...entry, to };
  }
  return null;
}

/** Index behind these parts where they stand here, blanks between them or none; 0 where they do not. */
function endOf(raw: readonly Raw[], from: number, parts: readonly string[]): number {
  let i = from;
  for (const part of parts) {
    if (i > from && raw[i]?.kind === 'blank') i++;
    if (raw[i]?.text !== part) return 0;
    i++;
  }
  // A word that goes on is another one.
  const [last, next] = [raw[i - 1] as Raw, raw[i]];
  return last.kind === 'word' && next?.kind === 'number' && !BEFORE_NUMBER.has(last.text) ? 0 : i;
}

function word(raw: readonly Raw[], i: number, before: readonly Token[], make: Make): number {
  const one = raw[i] as Raw;
  const next = raw[i + 1];
  const isGlued = /^(?:number|word)$/.test(raw[i - 1]?.kind ?? '');
  if (/^[x]$/.test(one.text) && (next === undefined || next.kind !== 'word')) {
    make('×', i, i + 1);
    return i + 1;
  }
  // "Slide-out", "plug-in" name a thing.
  const isHyphened = raw[i - 1]?.text === '-' && raw[i - 2]?.kind === 'word' && before.at(-2)?.cls === 'X';
  // "A-3" is a name.
  const isCode = one.text.length === 1 && raw[i + 1]?.text === '-' && raw[i + 2]?.kind === 'number';
  // "A hundred watts"; every other article stands for itself.
  const hundreds = one.text === 'a' && !isGlued ? numberInWords(raw, i) : null;
  if (hundreds) return numberToken(raw, i, hundreds, make);
  const phrase = isHyphened || isCode ? null : phraseAt(raw, i);
  if (phrase) {
    make(phrase.cls, i, phrase.to, { tag: phrase.tag });
    return phrase.to;
  }
  if ((one.text === 'ac' || one.text === 'dc') && isOfCurrent(raw, i, before)) {
    make(one.text === 'ac' ? '~' : '=', i, i + 1);
    return i + 1;
  }
  // "14.4 W/m", "3 W per ft".
  const by = /^[/p]$/.test(before.at(-1)?.cls ?? '') ? UNITS.get(one.text) : undefined;
  if (by && /length|metres|feet|area|duration/.test(by.of)) {
    make(CLASS_OF[by.of], i, i + 1, { unit: by });
    return i + 1;
  }
  // "half an hour", "every hour": a unit of time without a number.
  const time = one.text.length > 2 ? UNITS.get(one.text) : undefined;
  if (time?.of === 'duration' || (time?.of === 'power' && /[Ja]/.test(before.at(-1)?.cls ?? ''))) {
    make(CLASS_OF[time.of], i, i + 1, { unit: time });
    return i + 1;
  }
  const number = isGlued ? null : numberInWords(raw, i);
  if (number) return numberToken(raw, i, number, make);
  // IPX4, R134a, P1, K-17: letters and figures together are a name.
  const code = codeAt(raw, i);
  if (code > i) {
    make('K', i, code);
    return code;
  }
  make('X', i, i + 1);
  return i + 1;
}

/** A number in words, and the unit behind it. */
function numberToken(raw: readonly Raw[], i: number, { value, to }: { value: number; to: number }, make: Make): number {
  const unit = unitBehind(raw, to - 1);
  make('N', i, to, { value, tag: 'word' });
  if (unit) make(CLASS_OF[unit.unit.of], unit.at, unit.to, { unit: unit.unit });
  return unit ? unit.to : to;
}

/** "12 V DC", "AC 230 V", "AC/DC"; an AC by itself is a machine that cools. */
function isOfCurrent(raw: readonly Raw[], i: number, before: readonly Token[]): boolean {
  const next = raw.slice(i + 1).filter(({ kind, text }) => kind !== 'blank' && text !== ':');
  const last = before.at(-1);
  const unit = UNITS.get(next[1]?.text ?? '')?.of ?? '';
  return (
    (next[0]?.kind === 'number' && (/voltage|current/.test(unit) || /^[-–/]$/.test(next[1]?.text ?? ''))) ||
    (last !== undefined && (last.unit !== null || /[~=/(]/.test(last.cls))) ||
    (next[0]?.text === '/' && /^[ad]c$/.test(next[1]?.text ?? ''))
  );
}

function unitBehind(raw: readonly Raw[], i: number): { at: number; to: number; unit: Unit } | null {
  const at = raw[i + 1]?.kind === 'blank' ? i + 2 : i + 1;
  if (!isUnitHere(raw, i, at)) return null;
  const to = longest(raw, at, (name) => UNITS.has(name));
  const unit = UNITS.get(nameOf(raw, at, to));
  return unit ? { at, to, unit } : null;
}

function codeAt(raw: readonly Raw[], i: number): number {
  const one = raw[i] as Raw;
  let to = i + 1;
  const isDashed = raw[to]?.text === '-' && raw[to + 1]?.kind === 'number' && one.text.length <= 4;
  if (raw[to]?.kind !== 'number' && !isDashed) return i;
  if (BEFORE_NUMBER.has(one.text)) return i;
  if (isDashed) to++;
  while (raw[to]?.kind === 'number' || raw[to]?.kind === 'word') to++;
  return to;
}

/** V below which "12v ~ 45 W" says about so many, and no alternating current. */
const LOW_V = 60;

/** A wave is of alternating current behind volts of the mains or right behind a word; before a figure it says about. */
const isAbout = (one: Raw, next: Raw | undefined, before: readonly Token[]): boolean => {
  const last = before.at(-1);
  if (last?.cls === 'V' || last?.cls === '=')
    return last.cls === 'V' && (before.at(-2)?.value ?? 0) < LOW_V && last.end < one.start;
  return (next?.kind === 'number' || next?.kind === 'blank') && last?.end !== one.start;
};

function sign(raw: readonly Raw[], i: number, text: string, before: readonly Token[], make: Make): number {
  const one = raw[i] as Raw;
  if (one.text === '~' && isAbout(one, raw[i + 1], before)) {
    make('z', i, i + 1);
    return i + 1;
  }
  const phrase = phraseAt(raw, i);
  if (phrase) {
    make(phrase.cls, i, phrase.to, { tag: phrase.tag });
    return phrase.to;
  }
  const cls = SIGNS[one.text] ?? (PLAIN.has(one.text) ? one.text : '·');
  const isMinus = cls === '-' && raw[i + 1]?.kind === 'number' && (i === 0 || /\s/.test(text[one.start - 1] ?? ''));
  make(isMinus ? '¬' : cls === '+' ? '&' : cls, i, i + 1);
  return i + 1;
}
