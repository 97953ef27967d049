import { bothReadings, NUMERAL } from './numeral.ts';
import { readingsOf, readQuantities } from './read.ts';
import type { Kind, Token } from './token.ts';

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
