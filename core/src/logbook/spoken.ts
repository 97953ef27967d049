import { lex, type Token } from '../reading/lex.ts';
import type { MARKS } from './logValues.ts';
import { QUANTITY, type Quantity } from './quantities.ts';
import { amountAt, clockAt, markAt, meaningOf, spanAt } from './spokenParts.ts';

/** When a reading was taken, where that was said: minutes since the log began, or minutes after midnight. */
export type SpokenTime = { readonly sinceMin: number } | { readonly clockMin: number };

/** A reading as it was said or typed in one breath. */
export interface Spoken {
  readonly at: SpokenTime | null;
  readonly mark: (typeof MARKS)[number] | null;
  readonly values: Readonly<Partial<Record<Quantity, number>>>;
  /** The time to go that a display shows, as it was said; '' = none. */
  readonly toGo: string;
  /** What is none of these, with its numbers. */
  readonly note: string;
  /** What has to be asked before it can be kept; null = nothing. */
  readonly question: string | null;
}

/** A quantity that was said, the words before it, and all tokens that say it. */
interface Said {
  readonly quantity: Quantity;
  readonly value: number;
  readonly place: readonly Token[];
  readonly tokens: readonly Token[];
}

/** What has been heard so far. */
interface Heard {
  readonly text: string;
  at: SpokenTime | null;
  mark: Spoken['mark'];
  toGo: string;
  question: string | null;
  readonly said: Said[];
  /** Of each passage what nothing was read from. */
  readonly left: Token[][];
}

/** What stands beside a figure and changes nothing. */
const SMALL =
  /^(?:and|at|after|it|is|with|the|a|on|of|to|now|used|says?|shows?|reads?|reading|display|screen|meter|shunt|battery|bank|[-:&.,+])$/;
/** Words beside a time that make it the display's own time to go. */
const TO_GO = /^(?:left|remaining|display|screen|ttg)$/;
const ASKED = 'Say percent, volts, amps, watts, watt-hours, amp-hours or degrees.';

/** Pure; nothing that is said is dropped: what is no time, mark or quantity is the note, or is asked about. */
export function readSpoken(text: string): Spoken {
  const heard: Heard = { text, at: null, mark: null, toGo: '', question: null, said: [], left: [] };
  for (const [i, passage] of passagesOf(lex(text)).entries()) hear(passage, i === 0, heard);
  const { values, elsewhere } = valuesOf(heard);
  const { at, mark, toGo, question } = heard;
  if (question !== null) return { at: null, mark: null, values: {}, toGo: '', note: '', question };
  const isTaken = at !== null || mark !== null || toGo !== '' || heard.said.length > 0;
  const placed = new Set(elsewhere.flatMap(({ place }) => place));
  const notes = heard.left
    .map((left) => left.filter((token) => !placed.has(token)))
    .filter((left) => !isTaken || left.some(isWord))
    .map((left) => written(isTaken ? ends(left) : left, text));
  const others = elsewhere.map(({ place, tokens }) => written([...place, ...tokens], text));
  return { at, mark, values, toGo, note: [...notes, ...others].filter(Boolean).join(', '), question };
}

const isWord = ({ text }: Token): boolean => !SMALL.test(text);

/** Between commas, ends of sentences and of lines. */
function passagesOf(tokens: readonly Token[]): Token[][] {
  const passages: Token[][] = [[]];
  for (const token of tokens)
    if (/^[,;.\n!?]$/.test(token.text)) passages.push([]);
    else passages.at(-1)?.push(token);
  return passages.filter((passage) => passage.length > 0);
}

function hear(tokens: readonly Token[], isFirst: boolean, heard: Heard): void {
  const isToGo = tokens.some(({ text }) => TO_GO.test(text));
  let i = isFirst && !isToGo ? hearTime(tokens, 0, heard) : 0;
  const left: Token[] = [];
  while (i < tokens.length) {
    const mark = markAt(tokens, i);
    const isAt = heard.at === null && /^(?:at|after)$/.test(tokens[i - 1]?.text ?? '');
    const time = isAt && !isToGo ? hearTime(tokens, i, heard) : i;
    if (time > i) {
      i = time;
      continue;
    }
    const span = spanAt(tokens, i);
    const amount = amountAt(tokens, i);
    const to = mark?.to ?? span?.to ?? amount?.to ?? i + 1;
    const those = tokens.slice(i, to);
    const place = left.filter(isWord);
    const meant = span || !amount ? null : meaningOf(amount, tokens[i - 1]?.text ?? '');
    if (mark) hearMark(mark.mark, heard);
    else if (span && isToGo) heard.toGo = written(those, heard.text);
    else if (meant) heard.said.push({ ...meant, place, tokens: those });
    else {
      const isNoted = place.length > 0 || isBeforeWord(tokens, to);
      if (amount && !isNoted)
        heard.question ??= `“${written(those, heard.text)}” ${span ? 'since when? Say “at 2 h” or “2 h left”.' : `of what? ${ASKED}`}`;
      left.push(...those);
    }
    i = to;
  }
  heard.left.push(isToGo && heard.toGo !== '' ? left.filter(({ text }) => !TO_GO.test(text)) : left);
}

const isBeforeWord = (tokens: readonly Token[], at: number): boolean => {
  const next = tokens[at];
  return next !== undefined && isWord(next) && amountAt(tokens, at) === null;
};

/** "8 h: …", "at 2 h", "after 90 min", "14:30 …", "at 2 pm". @returns the index behind it, `i` where there is none */
function hearTime(tokens: readonly Token[], i: number, heard: Heard): number {
  const from = /^(?:at|after|&|\+)$/.test(tokens[i]?.text ?? '') ? i + 1 : i;
  const clock = clockAt(tokens, from);
  const span = clock ? null : spanAt(tokens, from);
  if (clock) heard.at = { clockMin: clock.min };
  else if (span) heard.at = { sinceMin: span.min };
  const to = clock?.to ?? span?.to ?? i;
  return to > i && /^(?:in|later)$/.test(tokens[to]?.text ?? '') ? to + 1 : to;
}

function hearMark(mark: NonNullable<Spoken['mark']>, heard: Heard): void {
  if (heard.mark !== null && heard.mark !== mark) heard.question ??= `Both ${heard.mark} and ${mark}: say one of them.`;
  heard.mark ??= mark;
}

/** The values of the log; of two places where one quantity was read the one without a name is the log's, the other is noted. */
function valuesOf(heard: Heard): { values: Spoken['values']; elsewhere: Said[] } {
  const values: Partial<Record<Quantity, number>> = {};
  const elsewhere: Said[] = [];
  for (const quantity of new Set(heard.said.map((one) => one.quantity))) {
    const { unit, word, least, most } = QUANTITY[quantity];
    const those = heard.said.filter((one) => one.quantity === quantity);
    const own = those.length > 1 ? those.filter(({ place }) => place.length === 0) : those;
    const different = [...new Set((own.length > 0 ? own : those).map(({ value }) => value))];
    const [first = 0, second] = different;
    if (second !== undefined) heard.question ??= `Two times ${word}: ${first} and ${second} ${unit}. Say one of them.`;
    if (!(first >= least && first <= most)) heard.question ??= `${first} ${unit} is not between ${least} and ${most}.`;
    values[quantity] = first + 0;
    if (own.length > 0) elsewhere.push(...those.filter((one) => !own.includes(one)));
  }
  return { values, elsewhere };
}

/** Without the small words at either end that joined what was taken. */
function ends(tokens: readonly Token[]): readonly Token[] {
  const first = tokens.findIndex(isWord);
  const last = tokens.findLastIndex(isWord);
  return tokens.slice(first, last + 1);
}

const written = (tokens: readonly Token[], text: string): string =>
  tokens.map(({ start, end, glued }, i) => `${i > 0 && !glued ? ' ' : ''}${text.slice(start, end)}`).join('');
