import type { Fact, Facts } from './facts.ts';
import type { Token } from './lex.ts';

/** Where in a text something stands. */
export interface Place {
  readonly start: number;
  readonly end: number;
}

/** Classes of tokens that say nothing where they are neither read nor part of a name: small words, places, signs. */
const SAYS_NOTHING = /^[aperzlFGu&D!θqδgIbρϕKh\n\-/×,;:.()@~=·¬]$/;

/**
 * What has become of every token of a text: it names the thing, a fact was read from it, it is asked about, or it says
 * nothing. No token is in two of them, and none is left: what is typed does not disappear.
 */
export class Reading {
  readonly name: readonly Token[];
  readonly facts: readonly Fact[];
  readonly ofFacts: readonly Token[];
  readonly asked: readonly Token[];
  /** Small words and signs; of a plate also what is no figure of it. */
  readonly silent: readonly Token[];

  /** @throws RangeError where a token that says something would be lost */
  constructor(
    { tokens, text, facts }: Facts,
    name: readonly number[],
    spoken: ReadonlySet<number>,
    asked: readonly Place[],
    isPlate: boolean,
  ) {
    const isAsked = ({ start, end }: Token) => asked.some((place) => start < place.end && end > place.start);
    const ofFact = new Set([
      ...spoken,
      ...facts.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i)),
    ]);
    const named = new Set(name);
    const lists: Record<'name' | 'fact' | 'asked' | 'silent', Token[]> = { name: [], fact: [], asked: [], silent: [] };
    for (const [i, token] of tokens.entries()) {
      const says =
        !SAYS_NOTHING.test(token.cls) &&
        !(isPlate && token.cls !== 'N') &&
        !(isPlate && !/[WPHBVAEQ]/.test(tokens[i + 1]?.cls ?? ''));
      const list = isAsked(token) ? 'asked' : ofFact.has(i) ? 'fact' : named.has(i) ? 'name' : says ? null : 'silent';
      if (list === null) throw new RangeError(`“${token.written}” of “${text}” was neither read nor asked about`);
      lists[list].push(token);
    }
    this.name = lists.name;
    this.facts = facts;
    this.ofFacts = lists.fact;
    this.asked = lists.asked;
    this.silent = lists.silent;
  }
}
