import { NUMERAL, readNumber } from './numeral.ts';
import { pattern } from './pattern.ts';
import type { Question } from './question.ts';
import type { Token } from './token.ts';

/** "14.4 W/m" of a strip: watts for each metre or foot, which its length makes watts. */

const UNITS = { m: 'm(?:et(?:re|er)s?)?', ft: "(?:ft|foot|feet|')" } as const;

/** Whether watts are said for a length. */
export const saysPerLength = (text: string): boolean =>
  Object.values(UNITS).some((unit) =>
    pattern(`\\d\\s*w(?:atts?)?\\s*(?:/|per)\\s*${unit}(?![\\p{L}\\d])`, 'iu').test(text),
  );

interface Span {
  readonly start: number;
  readonly end: number;
}

/**
 * Powers said for a length, as what the length in the same line makes of them; without one it is asked for.
 * @returns the tokens with these in place, what they have taken of the text, and the questions
 */
export function perLength(
  text: string,
  tokens: readonly Token[],
): { readonly tokens: Token[]; readonly taken: Span[]; readonly questions: Question[] } {
  const taken: Span[] = [];
  const questions: Question[] = [];
  const read = tokens.map((token): Token => {
    if (token.kind !== 'power') return token;
    for (const unit of Object.values(UNITS)) {
      const per = pattern(`^\\s*(?:/\\s*|per\\s*|a\\s+)${unit}(?![\\p{L}\\d])`, 'iu').exec(text.slice(token.end));
      if (!per) continue;
      const whole = { start: token.start, end: token.end + per[0].length };
      const length = lengthBeside(text, unit, whole);
      if (length) {
        taken.push(whole, length);
        return { ...token, ...whole, value: token.value * length.value };
      }
      questions.push({ code: 'per-length', ...whole, found: text.slice(whole.start, whole.end), choices: [] });
      taken.push(whole);
    }
    return token;
  });
  return { tokens: read, taken, questions };
}

function lengthBeside(text: string, unit: string, not: Span): (Span & { readonly value: number }) | null {
  const written = pattern(`(?<![\\p{L}\\d.,/])(${NUMERAL})\\s*-?\\s*${unit}(?![\\p{L}\\d])`, 'giu');
  for (const match of text.matchAll(written)) {
    const [start, end] = [match.index, match.index + match[0].length];
    const value = readNumber(match[1] ?? '');
    if (value > 0 && (end <= not.start || start >= not.end)) return { start, end, value };
  }
  return null;
}
