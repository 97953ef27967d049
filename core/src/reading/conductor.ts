import { gaugeNumber } from '../quantity/awg.ts';
import type { Token } from './lex.ts';

/** What a passage says of a conductor's size. */
export interface ConductorRead {
  /** An area in mm²; the number of an AWG; mm that may be either, or the number alone, of which nothing says what. */
  readonly is: 'area' | 'kcmil' | 'gauge' | 'millimetres' | 'bare';
  readonly value: number;
  /** The number as it was written. */
  readonly written: string;
  /** How many beside one another. */
  readonly times: number;
}

const MM2 = 1e-6;
const MM = 1e-3;
const isGauge = ({ unit, text }: Token): boolean => unit?.of === 'gauge' || /^(?:awg|ga|gauge|#|no\.?)$/.test(text);

/** "6 mm²", "10 AWG", "#4", "2 × 2/0", "250 kcmil", "6 mm", "10"; null where it is nothing of the kind. */
export function readConductor(tokens: readonly Token[]): ConductorRead | null {
  const isTimes = tokens[0]?.cls === 'N' && tokens[1]?.cls === '×';
  const times = isTimes ? (tokens[0]?.value ?? 1) : 1;
  const rest = tokens.slice(isTimes ? 2 : 0);
  const size = rest.filter((token) => !isGauge(token) && token.text !== '.');
  const [number, second, third] = size;
  if (number?.cls !== 'N') return null;
  const hasSign = size.length < rest.length;
  const made = (is: ConductorRead['is'], value: number, written = number.written) => ({ is, value, written, times });
  if (size.length === 3 && second?.text === '/' && third?.text === '0')
    return made('gauge', gaugeNumber(`${number.text}/0`) ?? Number.NaN, `${number.written}/0`);
  if (size.length === 1)
    return hasSign || /^0{2,4}$/.test(number.text)
      ? made('gauge', gaugeNumber(number.text) ?? Number.NaN)
      : made('bare', number.value);
  if (size.length !== 2 || hasSign || !second?.unit) return null;
  const { of, worth } = second.unit;
  if (of === 'conductor') return made('kcmil', (number.value * worth) / MM2);
  if (of === 'area' && worth === MM2) return made('area', number.value);
  return of === 'length' && worth === MM ? made('millimetres', number.value) : null;
}
