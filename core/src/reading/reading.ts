import type { Fact, Facts } from './facts.ts';
import type { Token } from './lex.ts';

/** Where in a text something stands. */
export interface Place {
  readonly start: number;
  readonly end: number;
}

/** Classes of tokens that say nothing where they are neither read nor part of a name: small words, places, signs. */
const SAYS_NOTHING = /^[aperzlFGu&D!θqδgIbρϕKh\n\-/×,;:.()@~=·¬]$/;

/** What a text's tokens are counted by. */
export interface Counted {
  readonly read: Facts;
  /** Tokens that name the thing, by index. */
  readonly name: readonly number[];
  /** Tokens that are the names of phases. */
  readonly spoken: ReadonlySet<number>;
  readonly asked: readonly Place[];
  readonly isPlate: boolean;
}

type List = 'name' | 'fact' | 'asked' | 'silent' | 'lost';

function listed({ read, name, spoken, asked, isPlate }: Counted): Record<List, Token[]> {
  const { tokens, facts } = read;
  const isAsked = ({ start, end }: Token) => asked.some((place) => start < place.end && end > place.start);
  const ofFact = new Set([
    ...spoken,
    ...facts.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i)),
  ]);
  const named = new Set(name);
  // Of a plate only a number with a unit that says what it takes must not be lost.
  const says = ({ cls }: Token, i: number) =>
    isPlate ? cls === 'N' && /[WPHBVAEQ]/.test(tokens[i + 1]?.cls ?? '') : !SAYS_NOTHING.test(cls);
  const lists: Record<List, Token[]> = { name: [], fact: [], asked: [], silent: [], lost: [] };
  for (const [i, token] of tokens.entries()) {
    const list = ofFact.has(i) ? 'fact' : named.has(i) ? 'name' : says(token, i) ? 'lost' : 'silent';
    lists[isAsked(token) ? 'asked' : list].push(token);
  }
  return lists;
}

/** What nothing has read and nobody has asked about yet. */
export const lostOf = (counted: Counted): readonly Token[] => listed(counted).lost;

/**
 * What has become of every token of a text: it names the thing, a fact was read from it, it is asked about, or it says
 * nothing. No token is in two of them, and none is left: what is typed does not disappear.
 */
export class Reading {
  readonly name: readonly Token[];
  readonly facts: readonly Fact[];
  readonly ofFacts: readonly Token[];
  /** Where each fact stands. */
  readonly places: readonly Place[];
  readonly asked: readonly Token[];
  /** Small words and signs; of a plate also what is no figure of it. */
  readonly silent: readonly Token[];

  /** @throws RangeError where a token that says something would be lost */
  constructor(counted: Counted) {
    const { name, fact, asked, silent, lost } = listed(counted);
    const [first] = lost;
    if (first) throw new RangeError(`“${first.written}” of “${counted.read.text}” was neither read nor asked about`);
    this.name = name;
    this.facts = counted.read.facts;
    this.ofFacts = fact;
    const { tokens, facts } = counted.read;
    this.places = facts.map(({ from, to }) => ({ start: tokens[from]?.start ?? 0, end: tokens[to - 1]?.end ?? 0 }));
    this.asked = asked;
    this.silent = silent;
  }
}
