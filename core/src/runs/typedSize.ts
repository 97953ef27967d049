import type { Run } from '../job/schema.ts';
import { awgAreaMm2, gaugeNumber, THINNEST_AWG } from '../quantity/awg.ts';
import { show, showText, type Units } from '../quantity/format.ts';
import { readConductor } from '../reading/conductor.ts';
import { lex, type Token } from '../reading/lex.ts';
import { readMeasure } from '../reading/measure.ts';

/** A size of cable as it can be bought. */
export interface CableSize {
  readonly areaMm2: number;
  readonly conductor: Run['conductor'];
  readonly parallel: number;
}

/** What was typed for a size: understood, to be asked about, or refused with what to type instead. */
export type ReadSize =
  | { readonly kind: 'size'; readonly size: CableSize }
  | { readonly kind: 'ask'; readonly question: string; readonly choices: readonly CableChoice[] }
  | { readonly kind: 'problem'; readonly problem: string };

export interface CableChoice {
  readonly label: string;
  readonly size: CableSize;
}

/**
 * Areas of cable that is sold by the mm of its outside, by that mm. From memory: makers differ, so it is asked about.
 */
const AUTOMOTIVE_MM2: Readonly<Record<number, number>> = { 3: 1.1, 4: 1.84, 5: 2.9, 6: 4.6, 8: 7.7 };

const SMALLEST_MM2 = 0.2;
const LARGEST_MM2 = 300;
const IN_PARALLEL = new Set('in parallel side by beside one another'.split(' '));
const METALS = new Set('solid aluminium aluminum alu al copper cu cable wire'.split(' '));
/** mm² up to which cable is sold with several cores in one sheath: there "2 ×" may count its cores. Common practice. */
const CORED_TO_MM2 = 16;

/**
 * Reads "6 mm²", "10 ga", "2/0", "2 × 35 mm2"; "6mm", "6" and "2 × 1.5 mm²" are asked about, since they may mean several
 * things.
 */
export function readCableSize(typed: string): ReadSize {
  const tokens = lex(typed);
  if (tokens.length === 0) return problem('Type a size, such as 6 mm² or 10 AWG.');
  const says = (words: RegExp) => tokens.some(({ text }) => words.test(text));
  const isParallel = says(/^(?:parallel|side|beside)$/);
  const cores = coresIn(tokens);
  const metal = says(/^(?:aluminium|aluminum|alu|al)$/) ? 'aluminium' : says(/^solid$/) ? 'solid' : null;
  const left = tokens.filter(
    (token) => !cores.includes(token) && !METALS.has(token.text) && !(isParallel && IN_PARALLEL.has(token.text)),
  );
  const read = sizeOf(left, metal, typed);
  if (read.kind !== 'size' || read.size.parallel < 2) return read;
  const { parallel, areaMm2 } = read.size;
  const cored = { ...read.size, parallel: 1 };
  if (cores.length > 0) return { kind: 'size', size: cored };
  if (isParallel || areaMm2 > CORED_TO_MM2) return read;
  return {
    kind: 'ask',
    question: `${sizeWords(read.size)}: a cable of ${parallel} cores, or ${parallel} conductors in parallel for each way?`,
    choices: [
      choice(`a cable of ${parallel} cores, one there and one back: ${sizeWords(cored)}`, cored),
      choice(`${parallel} conductors in parallel, each way`, read.size),
    ],
  };
}

/** "Twin", "2-core", "3 cores". */
function coresIn(tokens: readonly Token[]): readonly Token[] {
  const at = tokens.findIndex(({ text }) => /^(?:twin|cores?)$/.test(text));
  if (at < 0) return [];
  const from = tokens[at - 1]?.text === '-' ? at - 2 : at - 1;
  const hasNumber = tokens[at]?.text !== 'twin' && tokens[from]?.cls === 'N';
  return tokens.slice(hasNumber ? from : at, at + 1);
}

/** A size as it can be typed without a question. */
export const sizeTyped = (size: CableSize): string =>
  `${sizeWords(size)}${size.parallel > 1 && size.areaMm2 <= CORED_TO_MM2 ? ' in parallel' : ''}`;

function sizeOf(tokens: readonly Token[], metal: Run['conductor'] | null, typed: string): ReadSize {
  const read = readConductor(tokens);
  if (!read) return problem(`“${typed.trim()}” is no size of cable: type 6 mm², 10 AWG or 2/0.`);
  const { is, value, written, times } = read;
  if (!Number.isInteger(times) || times < 1 || times > 6) return problem('From 1 to 6 conductors beside one another.');
  const made = (areaMm2: number, conductor: Run['conductor']): CableSize => ({
    areaMm2,
    conductor: metal ?? conductor,
    parallel: times,
  });
  if (is === 'millimetres') return askMillimetres(value, made);
  if (is === 'bare') return askBare(value, written, made);
  if (is !== 'gauge') return within(made(value, is === 'area' ? 'flexible' : 'awg'));
  if (Number.isNaN(value))
    return problem(`“${written}” is no AWG size: from ${THINNEST_AWG} down to 0, then 1/0 to 4/0.`);
  return within(made(awgAreaMm2(value), 'awg'));
}

type Made = (areaMm2: number, conductor: Run['conductor']) => CableSize;

function askMillimetres(mm: number, made: Made): ReadSize {
  const outside = AUTOMOTIVE_MM2[mm];
  const choices = [
    choice(`${shown(mm)} mm² of copper`, made(mm, 'flexible')),
    ...(outside === undefined
      ? []
      : [choice(`${shown(mm)} mm automotive, by its outside: about ${shown(outside)} mm²`, made(outside, 'flexible'))]),
    choice(
      `a conductor ${shown(mm)} mm thick: ${shown((Math.PI / 4) * mm ** 2)} mm²`,
      made((Math.PI / 4) * mm ** 2, 'flexible'),
    ),
  ].filter(({ size }) => size.areaMm2 >= SMALLEST_MM2 && size.areaMm2 <= LARGEST_MM2);
  if (choices.length === 0) return problem(`${shown(mm)} mm is no size of cable: type its area in mm².`);
  return { kind: 'ask', question: `${shown(mm)} mm of what? Cable is sold by area and by diameter.`, choices };
}

function askBare(value: number, number: string, made: Made): ReadSize {
  const n = gaugeNumber(number);
  const choices = [
    ...(value >= SMALLEST_MM2 && value <= LARGEST_MM2 ? [choice(`${shown(value)} mm²`, made(value, 'flexible'))] : []),
    ...(n === null ? [] : [choice(`${number} AWG: ${shown(awgAreaMm2(n))} mm²`, made(awgAreaMm2(n), 'awg'))]),
  ];
  if (choices.length === 0) return problem(`From ${SMALLEST_MM2} to ${LARGEST_MM2} mm².`);
  return { kind: 'ask', question: `${number} mm² or ${number} AWG?`, choices };
}

const choice = (label: string, size: CableSize): CableChoice => ({ label, size });
const problem = (text: string): ReadSize => ({ kind: 'problem', problem: text });
const shown = (value: number): string => String(Number(value.toPrecision(3)));

const within = (size: CableSize): ReadSize =>
  size.areaMm2 >= SMALLEST_MM2 && size.areaMm2 <= LARGEST_MM2
    ? { kind: 'size', size }
    : problem(`From ${SMALLEST_MM2} to ${LARGEST_MM2} mm²; this is ${shown(size.areaMm2)} mm².`);

/** A size as it is written on the cable: "6 mm²", "10 AWG", "2 × 2/0 AWG". */
export function sizeWords({ areaMm2, conductor, parallel }: CableSize): string {
  const times = parallel > 1 ? `${parallel} × ` : '';
  const awg = conductor === 'awg' ? gaugeWords(areaMm2) : null;
  const metal = conductor === 'solid' ? ' solid' : conductor === 'aluminium' ? ' aluminium' : '';
  return `${times}${awg ?? `${Number(areaMm2.toFixed(2))} mm²`}${metal}`;
}

function gaugeWords(areaMm2: number): string | null {
  const diameterMm = Math.sqrt((areaMm2 * 4) / Math.PI);
  const n = 36 - (39 * Math.log(diameterMm / 0.127)) / Math.log(92);
  const whole = Math.round(n);
  // Areas written with four digits are still that size.
  if (Math.abs(n - whole) > 0.01 || whole < -3) return null;
  return whole <= 0 ? `${1 - whole}/0 AWG` : `${whole} AWG`;
}

/** m one way that a run may have. */
const LEAST_M = 0.05;
const MOST_M = 100;

/**
 * Reads "4", "4 m", "400 cm", "13 ft", "6 in" as m one way.
 * @param units of the reader's region: a bare number is m, or feet
 */
export function readLengthM(
  typed: string,
  units: Units = 'metric',
): { readonly value: number } | { readonly problem: string } {
  const isBare = /^[\d.,]+$/.test(typed.trim());
  const read = readMeasure(isBare && units === 'imperial' ? `${typed} ft` : typed, 'm');
  if ('problem' in read) return { problem: 'Type a length one way, such as 4 m or 13 ft.' };
  const { value } = read;
  return value >= LEAST_M && value <= MOST_M
    ? { value }
    : { problem: `From ${show(LEAST_M, 'm', units).number} to ${showText(MOST_M, 'm', units)} one way.` };
}
