import type { Token } from '../reading/lex.ts';
import type { MARKS } from './logValues.ts';
import { meterUnitOf, type Quantity } from './quantities.ts';

/** Words that mark a moment. */
const MARK_WORDS: readonly (readonly [RegExp, (typeof MARKS)[number]])[] = [
  [/^cut(?: -)? out(?= |$)/, 'cut-out'],
  [/^(?:at rest|resting)(?= |$)/, 'rest'],
  [/^(?:(?:next|new) )?phase(?= |$)/, 'phase'],
  [/^(?:stop(?:ped)?|end(?:ed)?)(?= |$)/, 'stop'],
  [/^(?:start(?:ed)?|begin)(?= |$)/, 'start'],
];
const LONGEST_MARK = 3;

/** V between which a bare number with decimals behind "battery" is its voltage: banks of 12 to 48 V. */
const STORE_V = [8, 64] as const;
const STORE = /^(?:battery|bank)$/;

/** A mark that begins at this token, and the index behind it. */
export function markAt(tokens: readonly Token[], i: number): { mark: (typeof MARKS)[number]; to: number } | null {
  const texts = tokens.slice(i, i + LONGEST_MARK).map(({ text }) => text);
  for (const [shape, mark] of MARK_WORDS) {
    const match = shape.exec(texts.join(' '));
    if (match) return { mark, to: i + match[0].split(' ').length };
  }
  return null;
}

/** A number with or without a unit; `to` is the index behind both. */
export interface Amount {
  readonly value: number;
  readonly unit: Token | null;
  readonly to: number;
}

/** "81", "minus four amps", "twelve point six volts", "a thousand two hundred watts". */
export function amountAt(tokens: readonly Token[], i: number): Amount | null {
  const isBelow = /^(?:¬|minus|negative)$/.test(tokens[i]?.cls === '¬' ? '¬' : (tokens[i]?.text ?? ''));
  const at = isBelow ? i + 1 : i;
  const number = tokens[at];
  if (number?.cls !== 'N') return null;
  const next = tokens[at + 1];
  const unit = next?.unit != null ? next : null;
  return { value: isBelow ? -number.value : number.value, unit, to: at + (unit ? 2 : 1) };
}

/** The quantity that an amount is, in the unit it is stored in. @param before the word before it */
export function meaningOf({ value, unit }: Amount, before: string): { quantity: Quantity; value: number } | null {
  // "2 MW" is no milliwatt.
  const isMega = unit !== null && /^M[WVA]/.test(unit.written);
  const meant = unit?.unit && !isMega ? meterUnitOf(unit.unit) : null;
  if (meant) return { quantity: meant.of, value: value * meant.factor + meant.offset };
  const isVolts = unit === null && STORE.test(before) && !Number.isInteger(value);
  return isVolts && value >= STORE_V[0] && value <= STORE_V[1] ? { quantity: 'v', value } : null;
}

/** "8 h", "2 h 30", "1 day 4 h", in minutes. */
export function spanAt(tokens: readonly Token[], i: number): { min: number; to: number } | null {
  let [min, to] = [0, i];
  for (;;) {
    const number = tokens[to];
    const unit = number?.cls === 'N' ? tokens[to + 1] : undefined;
    const worth = unit?.unit?.of === 'duration' ? unit.unit.worth : unit?.cls === 'd' ? 1440 : null;
    if (number && worth !== null) [min, to] = [min + number.value * worth, to + 2];
    else {
      // "2 h 30".
      const isMinutes =
        to > i &&
        number?.cls === 'N' &&
        number.value < 60 &&
        tokens[to - 1]?.unit?.worth === 60 &&
        (!unit?.unit || unit.text === 'in');
      return isMinutes ? { min: min + number.value, to: to + 1 } : to > i ? { min, to } : null;
    }
  }
}

/** "14:30", "2 pm", "2:30 pm", in minutes after midnight. */
export function clockAt(tokens: readonly Token[], i: number): { min: number; to: number } | null {
  const [hour, colon, minute] = tokens.slice(i, i + 3);
  if (hour?.cls !== 'N') return null;
  const hasMinutes =
    colon?.text === ':' && colon.glued && minute?.cls === 'N' && minute.glued && /^\d\d$/.test(minute.text);
  const to = i + (hasMinutes ? 3 : 1);
  const half = tokens[to];
  if (!hasMinutes && half?.cls !== 'h') return null;
  const hours = half?.cls === 'h' ? (hour.value % 12) + Number(half.tag) / 60 : hour.value;
  const min = hours * 60 + (hasMinutes ? minute.value : 0);
  return min < 1440 && Number.isInteger(min) ? { min, to: half?.cls === 'h' ? to + 1 : to } : null;
}
