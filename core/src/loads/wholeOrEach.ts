import type { Reading, Token } from '../quantity/token.ts';

/** How far a whole and its pieces may be apart and still be the same, share; figures are rounded. */
const SAME = 0.05;

/** A total of hours is of its uses, not of its pieces. */
const isWhole = ({ kind, mark }: Token): boolean => mark === 'total' && kind !== 'duration';

/** "6 downlights 18 W total": what one of them takes; a whole beside what one takes only says so again. */
export function eachOfTotal(reading: Reading): { readonly reading: Reading; readonly notes: readonly string[] } {
  const pieces = reading.tokens.find(({ kind }) => kind === 'count')?.value ?? 1;
  const wholes = reading.tokens.filter(isWhole);
  if (wholes.length === 0) return { reading, notes: [] };
  const isSaidAgain = (whole: Token) =>
    reading.tokens.some(
      ({ kind, mark, value }) =>
        kind === whole.kind && mark === undefined && Math.abs(value * pieces - whole.value) <= whole.value * SAME,
    );
  const again = wholes.filter(isSaidAgain);
  const shared = wholes.some((whole) => !again.includes(whole)) && pieces > 1;
  const tokens = reading.tokens
    .filter((token) => !again.includes(token))
    .map((token): Token => {
      if (!isWhole(token)) return token;
      const { mark: _mark, ...rest } = token;
      return { ...rest, value: token.value / pieces };
    });
  return { reading: { ...reading, tokens }, notes: shared ? [`the whole shared among ${pieces}`] : [] };
}
