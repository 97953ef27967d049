import { lex, type Token } from './lex.ts';
import type { QuestionCode } from './question.ts';

/** What a figure or a word of a text says. */
export type Kind =
  | 'power'
  | 'apparent'
  | 'shaft'
  | 'cooling'
  | 'voltage'
  | 'current'
  | 'frequency'
  | 'factor'
  | 'energy'
  | 'energy-per-day'
  | 'energy-per-use'
  | 'charge'
  | 'charge-per-day'
  | 'duration'
  | 'share'
  | 'count'
  | 'times'
  | 'start-ratio'
  | 'clock'
  | 'begins'
  | 'every'
  | 'days-per-week'
  | 'per-week'
  | 'per-month'
  | 'on'
  | 'season'
  | 'part'
  | 'temperature'
  | 'length'
  | 'protection'
  | 'measure'
  | 'meanwhile'
  | 'plate'
  | 'asked';

/** Of what a figure is, said beside it. */
export type Mark =
  | 'input'
  | 'output'
  | 'cooking'
  | 'cooling'
  | 'cools'
  | 'heating'
  | 'heats'
  | 'shaft'
  | 'sound'
  | 'peak'
  | 'most'
  | 'average'
  | 'equivalent'
  | 'running'
  | 'total'
  | 'standby';

/** One thing that a text says, and the tokens that say it. */
export interface Fact {
  readonly kind: Kind;
  /** In the core's units; of a clock and of what begins minutes after midnight; of "every" the minutes on. */
  readonly value: number;
  /** Of a clock its end, of "every" the period, min; of a span its upper end. */
  readonly second?: number;
  /** The other reading of a number such as 2.400. */
  readonly other?: number;
  readonly mark?: Mark;
  /** Of what it is, by the words beside it. */
  readonly marks?: readonly Mark[];
  readonly current?: 'ac' | 'dc';
  /** Which: a part of the day, a season, weekdays; per what a length is; two figures that belong together. */
  readonly tag?: string;
  /** Why it is asked, and what may have been meant, for what can only be asked about. */
  readonly code?: QuestionCode;
  readonly choices?: readonly string[];
  /** The fact as it was read, of what was made of it. */
  readonly of?: Fact;
  /** Tokens from one to before the other. */
  readonly from: number;
  readonly to: number;
}

export type Made = Omit<Fact, 'from' | 'to'>;

/** What a rule sees: the tokens that it may take, parts of them by their names, and all that stand around. */
export interface Found {
  readonly tokens: readonly Token[];
  readonly part: (name: string) => readonly Token[];
  readonly all: readonly Token[];
  readonly at: number;
  readonly end: number;
  /** What was read before. */
  readonly facts: readonly Fact[];
}

/** The classes of tokens, as a pattern, and what they say there; null where they do not say it after all. */
export type Rule = readonly [shape: string, make: (found: Found) => Made | null];

interface Compiled {
  readonly shape: RegExp;
  /** The same with the places of its parts, made when a rule with parts holds for the first time. */
  placed: RegExp | null;
  readonly source: string;
  readonly make: Rule[1];
}

export const compiled = (rules: readonly Rule[]): Compiled[] =>
  rules.map(([source, make]) => ({ shape: new RegExp(source, 'y'), placed: null, source, make }));

/** A text as rules have read it: from left to right, the first rule that holds takes its tokens. */
export interface Facts {
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly facts: readonly Fact[];
}

export function factsOf(text: string, rules: readonly Compiled[]): Facts {
  const tokens = lex(text);
  const classes = tokens.map(({ cls }) => cls).join('');
  const facts: Fact[] = [];
  let at = 0;
  while (at < tokens.length) {
    const fact = factAt(rules, classes, tokens, at, facts);
    if (fact) facts.push(fact);
    at = fact ? fact.to : at + 1;
  }
  return { text, tokens, facts };
}

function factAt(
  rules: readonly Compiled[],
  classes: string,
  all: readonly Token[],
  at: number,
  facts: readonly Fact[],
): Fact | null {
  for (const rule of rules) {
    rule.shape.lastIndex = at;
    if (!rule.shape.test(classes) || rule.shape.lastIndex === at) continue;
    const end = rule.shape.lastIndex;
    const made = rule.make({
      tokens: all.slice(at, end),
      part: (name) => partOf(rule, name, classes, all, at),
      all,
      at,
      end,
      facts,
    });
    if (made && Number.isFinite(made.value)) return { ...made, from: at, to: end };
  }
  return null;
}

function partOf(rule: Compiled, name: string, classes: string, all: readonly Token[], at: number): readonly Token[] {
  rule.placed ??= new RegExp(rule.source, 'yd');
  rule.placed.lastIndex = at;
  const span = rule.placed.exec(classes)?.indices?.groups?.[name];
  return span ? all.slice(span[0], span[1]) : [];
}
