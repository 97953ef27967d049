import type { Fact, Facts, Mark } from './facts.ts';
import type { Token } from './lex.ts';

/** Words that say of what a figure is, given to their figures. */

const FIGURES: ReadonlySet<string> = new Set([
  'power',
  'apparent',
  'shaft',
  'cooling',
  'current',
  'energy',
  'energy-per-day',
  'duration',
]);
/** What may stand between a figure and its word. */
const BETWEEN = /^[,(:=@F)zθ·-]$/;
/** Words that stand before their figure as often as behind it. */
const EITHER_SIDE: ReadonlySet<string> = new Set(['peak', 'most', 'average', 'equivalent', 'total', 'standby']);

/** Index of the figure that ends, or begins, beside these tokens with nothing between that parts them; -1 where none does. */
function beside(facts: readonly Fact[], tokens: readonly Token[], at: number, step: 1 | -1): number {
  for (let i = at + step; i >= 0 && i < tokens.length; i += step) {
    const fact = facts.findIndex(({ from, to }) => i >= from && i < to);
    if (fact >= 0) return FIGURES.has((facts[fact] as Fact).kind) ? fact : -1;
    const { cls } = tokens[i] as Token;
    if (cls === '!') continue;
    // A colon or the end of a line is of what follows.
    if (!BETWEEN.test(cls) || (step < 0 && /[:=]/.test(cls))) return -1;
  }
  return -1;
}

/** Letters of a plate, which stand before their figure. */
const LETTERS = /^(?:p2|lra|rla|fla|flc)$/;

/** The same facts, each with the words that are of it, whose tokens it has then too. */
export function marked({ text, tokens, facts }: Facts): Facts {
  const all: Fact[] = facts.map((fact) => ({ ...fact }));
  const classes = tokens.map(({ cls }) => cls).join('');
  const isFree = (i: number) => !facts.some(({ from, to }) => i >= from && i < to);
  tokens.forEach((token, i) => {
    if (token.cls !== '!' || !isFree(i)) return;
    const heads = isHeading({ tokens, facts }, i);
    const [before, behind] = [heads ? -1 : beside(all, tokens, i, -1), beside(all, tokens, i, 1)];
    // "Starts 4x a day" is of no figure.
    if (token.tag === 'peak' && /^N[×t]/.test(classes.slice(i + 1))) return;
    const of = ownerOf(all, tokens, i, token.tag, before, behind);
    if (of < 0) return;
    const fact = all[of] as Fact;
    all[of] = {
      ...fact,
      marks: [...(fact.marks ?? []), token.tag as Mark],
      from: Math.min(fact.from, i),
      to: Math.max(fact.to, i + 1),
    };
  });
  return { text, tokens, facts: all };
}

/** "INPUT:", "1.5 A output 19 V": what says of all that follows on which side it is, and is of no figure before it. */
export function isHeading({ tokens, facts }: Pick<Facts, 'tokens' | 'facts'>, at: number): boolean {
  const { tag } = tokens[at] as Token;
  if (tag !== 'input' && tag !== 'output') return false;
  if (/[:=]/.test(tokens[at + 1]?.cls ?? '')) return true;
  let next = at + 1;
  while (/[θ~=F]/.test(tokens[next]?.cls ?? '')) next++;
  if (facts.find(({ from }) => from === next || from === next - 1)?.kind !== 'voltage') return false;
  const before = facts.filter(({ to }) => to <= at).at(-1);
  const other = tag === 'input' ? 'output' : 'input';
  const isOfWatts = before?.to === at && ['power', 'shaft', 'cooling', 'energy'].includes(before.kind);
  return (
    !isOfWatts ||
    tokens
      .slice(0, at)
      .some((one) => (one.cls === '!' && one.tag === other) || (other === 'input' && one.text === 'in'))
  );
}

function ownerOf(
  facts: readonly Fact[],
  tokens: readonly Token[],
  at: number,
  tag: string,
  before: number,
  behind: number,
): number {
  // What stands before a length is of something else.
  if (facts[behind]?.kind === 'duration') return tag === 'total' && facts[before]?.kind === 'duration' ? -1 : before;
  if (before < 0 || behind < 0) return before >= 0 ? before : behind;
  const [next, last] = [tokens[at + 1]?.cls ?? '', tokens[at - 1]?.cls ?? ''];
  if (/[:=]/.test(next)) return behind;
  if (next === ',' || next === ')') return before;
  if (last === ',' || last === '(') return behind;
  // A word behind another is of the next figure where the first is of the last.
  if (next === '!') return before;
  if (last === '!') return behind;
  if ((facts[before]?.marks?.length ?? 0) > 0) return behind;
  if (LETTERS.test(tokens[at]?.text ?? '')) return behind;
  if (!EITHER_SIDE.has(tag)) return before;
  // "60 W peak 90 W"; in "18 W max 9 W typical" the next figure has a word of its own behind it.
  const nextOwn = facts[behind] ? tokens[(facts[behind] as Fact).to]?.cls === '!' : false;
  return nextOwn ? before : behind;
}
