import { pattern } from '../quantity/pattern.ts';
import type { Question } from '../quantity/question.ts';
import { MAINS_FROM_V, NAMEPLATE } from '../reference/nameplates.ts';
import { type LabelToken, type Quantity, saysHowMuch, TAKES } from './labelReading.ts';

/** W of waiting above which they are worth a question: 12 Wh a day. From memory. */
const LEAST_STANDBY_W = 0.5;

/** What on a label needs a word of somebody's: figures that contradict each other, second ones, two readings, a shaft. */
export function labelQuestions(text: string, tokens: readonly LabelToken[]): Question[] {
  const ask = (code: Question['code'], over: readonly LabelToken[], choices: readonly string[]): Question => {
    const start = Math.min(...over.map((token) => token.start));
    const end = Math.max(...over.map((token) => token.end));
    return { code, start, end, found: text.slice(start, end), choices };
  };
  const textOf = ({ start, end }: LabelToken) => text.slice(start, end);
  const questions: Question[] = [];
  for (const token of tokens) {
    if (token.other === null) continue;
    const number = /\d+[.,]\d{3}/.exec(textOf(token))?.[0] ?? '';
    const choices = [number.replace(/[.,]/, ''), String(Number(number.replace(',', '.')))];
    if (token.other !== token.high)
      questions.push(
        ask(
          'two-readings',
          [token],
          choices.map((one) => textOf(token).replace(number, one)),
        ),
      );
  }
  // What it takes while it waits is a load of its own where it is more than next to nothing; so is the lamp in it. A
  // start below what it runs on is none.
  const isAside = ({ quantity, high }: LabelToken) =>
    (quantity === 'W standby' && high > LEAST_STANDBY_W) ||
    (quantity === 'W lamp' && saysHowMuch(tokens)) ||
    (quantity === 'W start' && saysHowMuch(tokens) && !isStartOf(tokens, high));
  for (const token of tokens) if (isAside(token)) questions.push(ask('second-figure', [token], ['']));
  const shaft = tokens.filter(({ quantity }) => quantity === 'W shaft');
  const said = tokens.some(({ quantity }) => quantity === 'W' || quantity === 'A' || quantity === 'VA');
  const alike = tokens.find(
    ({ quantity, high }) => quantity === 'W' && shaft.some((one) => Math.abs(one.high - high) < high * 0.1),
  );
  // "1.5 HP 1.1 kW" is the shaft said twice.
  if (alike && !tokens.some(({ quantity }) => quantity === 'VA'))
    questions.push(ask('shaft-or-input', [alike], [`${textOf(alike)} shaft`, `${textOf(alike)} input`]));
  if (shaft[0] && !said && !pattern(/shaft|(?<![\p{L}\d])p2/iu).test(text))
    questions.push(ask('shaft-or-input', [shaft[0]], [`${textOf(shaft[0])} shaft`, `${Math.round(shaft[0].high)} W`]));
  for (const side of ['input', 'output', 'plain'] as const) {
    const of = (quantity: Quantity) => tokens.filter((token) => token.quantity === quantity && token.side === side);
    const outputs = side === 'input' ? [] : outputPairs(of('V'), of('A'));
    if (outputs.length > 1) {
      const largest = [...outputs].sort((a, b) => b.volts.high * b.amps.high - a.volts.high * a.amps.high);
      const over = outputs.flatMap(({ volts, amps }) => [volts, amps]);
      questions.push(
        ask(
          'several-outputs',
          over,
          largest.slice(0, 4).map(({ volts, amps }) => `${textOf(volts)} ${textOf(amps)}`),
        ),
      );
      continue;
    }
    const feeds = twoFeeds(of);
    if (feeds) {
      questions.push(
        ask(
          'second-figure',
          feeds.flat(),
          feeds.map((those) => those.map(textOf).join(' ')),
        ),
      );
      continue;
    }
    const feedsOfOne = twoVolts(of);
    // "DC 12/24 V AC 230 V": a sign may be of the next.
    const volts = feedsOfOne.map((one) => textOf(one).replace(/\s*[ad]c$/i, ''));
    if (feedsOfOne.length > 1) questions.push(ask('second-figure', feedsOfOne, volts));
    for (const own of byVolts(of)) questions.push(...secondFigures(text, own('A')), ...secondFigures(text, own('W')));
    for (const own of byVolts(of)) questions.push(...contradictions(text, own));
  }
  questions.push(...wideSpan(text, tokens));
  const batteries = tokens.filter(({ quantity }) => quantity === 'Ah' || quantity === 'Wh');
  if (batteries[0] && /batter|akku|accu|cell|li-?ion|lifepo/iu.test(text))
    questions.push(ask('battery', [batteries[0]], []));
  return questions;
}

/** Whether a plate says what it runs on, and that is no more than its start. */
const isStartOf = (tokens: readonly LabelToken[], startW: number): boolean =>
  tokens.some(({ quantity, high }) =>
    quantity === 'W' ? high <= startW : quantity !== 'W cooling' && TAKES.has(quantity),
  );

/** "5V 3A, 9V 3A, 15V 3A, 20V 3.25A": one pair after the other. */
function outputPairs(volts: readonly LabelToken[], amps: readonly LabelToken[]) {
  return volts.flatMap((one, i) => {
    const next = volts[i + 1]?.start ?? Number.POSITIVE_INFINITY;
    const own = amps.find(({ start }) => start > one.start && start < next);
    return own && volts.length > 1 ? [{ volts: one, amps: own }] : [];
  });
}

/** Of several unlike figures of one kind on one side one is what it takes; each may be it. */
function secondFigures(text: string, tokens: readonly LabelToken[]): Question[] {
  const [first] = tokens;
  if (!first || tokens.every(({ high }) => Math.abs(high - first.high) <= first.high * 0.05)) return [];
  const start = first.start;
  const end = tokens.at(-1)?.end ?? first.end;
  const choices = tokens.map((kept) => {
    let rest = '';
    for (let i = start; i < end; i++)
      if (!tokens.some((token) => token !== kept && i >= token.start && i < token.end)) rest += text[i];
    return rest.replace(/\s+/g, ' ').trim();
  });
  return [{ code: 'second-figure', start, end, found: text.slice(start, end), choices: choices.slice(0, 4) }];
}

type Own = (quantity: Quantity) => LabelToken[];

/** Each voltage has what stands after it, up to the next; the first also what stands before it. */
function byVolts(of: Own): Own[] {
  const all = of('V');
  if (all.length < 2) return [of];
  return all.map((volts, i) => {
    const from = i === 0 ? Number.NEGATIVE_INFINITY : volts.start;
    const to = all[i + 1]?.start ?? Number.POSITIVE_INFINITY;
    return (quantity) => of(quantity).filter(({ start }) => start >= from && start < to);
  });
}

/** How far the watts from the bus and from the mains may be apart and still be the same machine's, as a factor. From memory. */
const ALIKE = 1.5;

/** "AC 230V 660W, DC 12V 200W": it may hang on either and takes something else from each. Null where it makes no difference. */
function twoFeeds(of: Own): LabelToken[][] | null {
  const groups = byVolts(of).map((own) => {
    const [volts] = own('V');
    const [figure] = [...own('W'), ...own('A')];
    return volts && figure ? { volts, figure } : null;
  });
  const bus = groups.find((one) => one && one.volts.high < MAINS_FROM_V);
  const mains = groups.find((one) => one && one.volts.high >= MAINS_FROM_V);
  if (!bus || !mains) return null;
  const [low, high] = [bus.figure.high, mains.figure.high].sort((a, b) => a - b) as [number, number];
  const areWatts = bus.figure.quantity === 'W' && mains.figure.quantity === 'W';
  // On a bus it takes what stands first of it.
  const isClear = areWatts ? high <= low * ALIKE : bus.volts.start < mains.volts.start;
  return isClear ? null : [bus, mains].map(({ volts, figure }) => [volts, figure]);
}

/** A span of which one end is many times the other, and which is what it takes: at which end it runs is not said. */
function wideSpan(text: string, tokens: readonly LabelToken[]): Question[] {
  const used = tokens.find(({ quantity }) => quantity === 'W') ?? tokens.find(({ quantity }) => quantity === 'A');
  if (!used || used.pair || !(used.low > 0) || used.high <= used.low * WIDE) return [];
  const found = text.slice(used.start, used.end);
  const unit = used.quantity;
  const choices = [used.low, used.high].map((one) => `${Number(one.toPrecision(6))} ${unit}`);
  return [{ code: 'range', start: used.start, end: used.end, found, choices }];
}

/** Times the lower end that the upper may be before it is asked about. From memory. */
const WIDE = 5;

/** How far apart two voltages may be and still be one grid's or one battery's, as a factor. From memory. */
const ONE_FEED = 1.2;

/**
 * Unlike volts that have no figures each: which of them feeds it is not said. Of a span or a pair it is, unless those of a
 * battery stand first and what it takes behind those of the mains.
 */
function twoVolts(of: Own): readonly LabelToken[] {
  const volts = of('V');
  const [first, last] = [volts[0], volts.at(-1)];
  const isOfBoth = first && last && first.high < MAINS_FROM_V && last.low >= MAINS_FROM_V && of('W').length > 0;
  if (!isOfBoth && volts.some(({ low, high, pair }) => pair !== null || low !== high)) return [];
  const [lowest, highest] = [Math.min(...volts.map(({ low }) => low)), Math.max(...volts.map(({ high }) => high))];
  if (volts.length < 2 || highest <= lowest * ONE_FEED) return [];
  const told = byVolts(of).filter((own) => [...own('W'), ...own('A'), ...own('VA')].length > 0);
  return told.length > 1 ? [] : volts;
}

/** Watts against volts × amps. Of mains they may be less by the power factor, of DC by the least voltage. */
function contradictions(text: string, own: Own): Question[] {
  const [watts] = own('W');
  const [volts] = own('V');
  const [amps] = own('A');
  const [va] = own('VA');
  if (watts && va && (watts.high > va.high * 1.05 || watts.high < va.high * NAMEPLATE.leastPowerFactor.value))
    return [contradicts(text, watts, va.high)];
  if (!volts || !amps || !(amps.high > 0 && volts.high > 0)) return [];
  if (watts) return contradiction(text, watts, volts, amps);
  return va && !isAbout(va, volts, amps) ? [without(text, amps, va)] : [];
}

/** Whether VA are about volts × amps, as plates round them. */
function isAbout({ high }: LabelToken, volts: LabelToken, amps: LabelToken): boolean {
  const [least, most] = [volts.low * amps.low, volts.high * amps.high];
  return high >= least * 0.8 && high <= most * 1.25;
}

const without = (text: string, { start, end }: LabelToken, va: LabelToken): Question => ({
  code: 'contradiction',
  start,
  end,
  found: `${text.slice(start, end)} beside ${Math.round(va.high)} VA`,
  choices: [''],
});

function contradicts(text: string, { start, end }: LabelToken, va: number): Question {
  const found = `${text.slice(start, end)} beside ${Math.round(va)} VA`;
  return { code: 'contradiction', start, end, found, choices: [`${Math.round(va)} W`] };
}

function contradiction(text: string, watts: LabelToken, volts: LabelToken, amps: LabelToken): Question[] {
  const mains = volts.current === 'ac' || (volts.current === null && volts.high >= MAINS_FROM_V);
  const products =
    volts.pair && amps.pair
      ? [volts.pair[0] * amps.pair[0], volts.pair[1] * amps.pair[1]]
      : [volts.low * amps.high, volts.high * amps.high];
  const [least, most] = [Math.min(...products), Math.max(...products)];
  const lowest = mains ? NAMEPLATE.leastPowerFactor.value * 0.5 : 0.7;
  if (watts.high <= most * 1.15 && watts.low >= least * lowest) return [];
  return [contradicts(text, watts, most)];
}
