import { bothReadings, NUMERAL } from './numeral.ts';
import { pattern } from './pattern.ts';
import { readingsOf, readQuantities } from './read.ts';
import type { Kind, Mark, Token } from './token.ts';

/** Words beside a quantity that change nothing of it. */
const PLAIN_WORDS = pattern(
  /(?<!\p{L})(?:rated|nominal|power|input|about|approx(?:imately)?|ca|circa|each|dc|ac|mains)(?!\p{L})|[().,;:=~≈]/giu,
);

/** What a power may be of beside what is taken in, and how it is said of something typed. */
const NO_INPUT: Readonly<Partial<Record<Mark | Kind, string>>> = {
  shaft: 'of the shaft',
  cooling: 'of cooling or heating',
  cooking: 'what it cooks with',
  output: 'what it gives',
  sound: 'of sound',
  peak: 'of its start',
  equivalent: 'of a bulb as bright',
  total: 'of all pieces',
};

/** W that an appliance takes in: what a text says of its shaft, its cooling or its sound is refused, and named. */
export function readInput(text: string): { value: number } | { problem: string } {
  const read = readField(text, 'power');
  if ('problem' in read) return read;
  const token = readQuantities(text.trim()).tokens.find(
    ({ kind, mark }) => NO_INPUT[kind] !== undefined || (mark !== undefined && NO_INPUT[mark] !== undefined),
  );
  if (!token) return read;
  const of = NO_INPUT[token.kind] ?? NO_INPUT[token.mark ?? 'running'];
  return { problem: `${Math.round(read.value)} W are ${of}: write what it takes in` };
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
  const { tokens, questions, words } = readQuantities(trimmed);
  const question = questions.find(({ code }) => code !== 'bare-number');
  if (question) {
    const [choice] = question.choices;
    return { problem: choice ? `Did you mean ${choice}?` : `${question.found} is not a load` };
  }
  const strange = words.replace(PLAIN_WORDS, ' ').trim();
  if (strange && tokens.length > 0) return { problem: `“${strange}” was not understood here` };
  const wanted =
    kind === 'power' ? ['power', 'cooling', 'shaft'] : kind === 'energy' ? ['energy', 'energy-per-day'] : [kind];
  const fitting = tokens.filter((token) => wanted.includes(token.kind));
  const doubtful = fitting.find(({ other }) => other !== undefined);
  if (doubtful) return { problem: twoReadings(trimmed.slice(doubtful.start, doubtful.end)) };
  // Only lengths add up: of two powers one is a mistake.
  const one = kind === 'duration' ? fitting.length > 0 : fitting.length === 1;
  const byVoltsAndAmps = kind === 'power' ? voltAmps(tokens) : null;
  const isMains = tokens.some((token) => token.kind === 'voltage' && token.value >= 90);
  if (one && fitting.length === tokens.length && questions.length === 0) {
    return { value: fitting.reduce((sum, token) => sum + token.value, 0) };
  }
  if (byVoltsAndAmps !== null && questions.length === 0) {
    if (fitting.length === 0 && tokens.length === 2) return { value: byVoltsAndAmps };
    const watts = fitting[0]?.value ?? 0;
    if (one && tokens.length === 3)
      // Of mains the rest may be the power factor; of DC it is a slip.
      return watts <= byVoltsAndAmps * 1.05 && watts >= byVoltsAndAmps * (isMains ? 0.4 : 0.7)
        ? { value: watts }
        : { problem: `Volts × amps are ${Math.round(byVoltsAndAmps)} W, not ${Math.round(watts)} W: which?` };
  }
  return { problem: `Write ${FIELD_WORDS[kind] ?? `a ${kind}`}, such as ${EXAMPLE[kind] ?? '5'}` };
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

const FIELD_WORDS: Readonly<Partial<Record<Kind, string>>> = {
  energy: 'an energy',
  'energy-per-day': 'an energy',
  apparent: 'an apparent power',
};
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
