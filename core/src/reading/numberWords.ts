import { NUMBER_WORDS } from './numeral.ts';

/** A piece of a text: a word, a number, a blank, a sign. */
interface Piece {
  readonly kind: string;
  readonly text: string;
}
/** A number, and the index behind it. */
interface NumberThere {
  readonly value: number;
  readonly to: number;
}

const textAt = (pieces: readonly Piece[], i: number): string => pieces[i]?.text ?? '';
const isBlank = (pieces: readonly Piece[], i: number): boolean => pieces[i]?.kind === 'blank';

/** A number in words that begins here: "eighty-two", "twelve point six", "a thousand two hundred and five"; else null. */
export function numberInWords(pieces: readonly Piece[], i: number): NumberThere | null {
  const whole = scaled(pieces, i, 'thousand', 1000, (from) =>
    scaled(pieces, from, 'hundred', 100, (at) => below100(pieces, at)),
  );
  return whole && (decimalsBehind(pieces, whole) ?? whole);
}

/** "12 point 6", "twelve point six five"; null where no point is said. */
export function decimalsBehind(pieces: readonly Piece[], { value, to }: NumberThere): NumberThere | null {
  if (!isBlank(pieces, to) || textAt(pieces, to + 1) !== 'point') return null;
  let [digits, at] = ['', to + 2];
  for (;;) {
    const text = textAt(pieces, at + 1);
    const digit = /^\d$/.test(text) ? Number(text) : NUMBER_WORDS[text];
    if (!isBlank(pieces, at) || digit === undefined || digit > 9) break;
    [digits, at] = [digits + digit, at + 2];
  }
  return digits === '' ? null : { value: Number(`${value}.${digits}`), to: at };
}

/** "Two hundred and five": how many of a scale, and what is smaller behind it; a part alone where the scale is not said. */
function scaled(
  pieces: readonly Piece[],
  i: number,
  scale: string,
  worth: number,
  part: (at: number) => NumberThere | null,
): NumberThere | null {
  const one = textAt(pieces, i) === 'a' && textAt(pieces, i + 2) === scale ? { value: 1, to: i + 1 } : part(i);
  if (!one || !isBlank(pieces, one.to) || textAt(pieces, one.to + 1) !== scale) return one;
  const behind = one.to + 2;
  const isJoined = isBlank(pieces, behind) && textAt(pieces, behind + 1) === 'and';
  const at = isJoined ? behind + 2 : behind;
  const rest = isBlank(pieces, at) ? part(at + 1) : null;
  return rest ? { value: one.value * worth + rest.value, to: rest.to } : { value: one.value * worth, to: behind };
}

/** "Seven", "fifteen", "eighty", "eighty two", "eighty-two". */
function below100(pieces: readonly Piece[], i: number): NumberThere | null {
  const value = NUMBER_WORDS[textAt(pieces, i)];
  if (value === undefined) return null;
  const ones = NUMBER_WORDS[textAt(pieces, i + 2)] ?? 0;
  const isOne = value >= 20 && ones > 0 && ones < 10 && (isBlank(pieces, i + 1) || textAt(pieces, i + 1) === '-');
  return isOne ? { value: value + ones, to: i + 3 } : { value, to: i + 1 };
}
