import type { Fact, Facts, Kind } from './facts.ts';
import type { Question, QuestionCode } from './question.ts';

type Span = Pick<Fact, 'from' | 'to'>;

/** What makes one feed out of the other, or says that it may hang on either. */
const OR_BY =
  /\b(?:or|and|adapt[eo]r|charger|psu|power\s+(?:supply|pack|brick)|transformer)\b|(?:v|[ad]c|mains)\s*\/|(?:in|out)put/i;
/** What is plugged into a USB socket, which is a converter; the socket itself hangs on the bus. */
const BY_USB =
  /\busb(?:-?[ac])?\b(?!\s*(?:(?:pd|car|dual|fast|twin)\s+)*(?:sockets?|outlets?|chargers?|ports?|panels?|hubs?))/i;

/** A text that has been read: what it says, what of that has been used, and what has to be asked. */
export class Said {
  readonly facts: readonly Fact[];
  readonly questions: Question[] = [];
  readonly notes: string[] = [];
  /** Tokens that are the names of phases. */
  readonly spoken = new Set<number>();
  readonly #used = new Set<Fact>();
  readonly read: Facts;
  /** Whether it stands on a plate rather than in a line. */
  readonly isPlate: boolean;
  /** Its words that no fact has. */
  readonly words: string;
  readonly saysMains: boolean;
  readonly feedsBoth: boolean;
  readonly isByUsb: boolean;
  /** Words of a plate that say that what follows goes in or comes out. */
  readonly headings: readonly { readonly at: number; readonly side: 'input' | 'output' }[];

  constructor(read: Facts, facts: readonly Fact[], isPlate: boolean, words: string) {
    this.read = read;
    this.facts = facts;
    this.isPlate = isPlate;
    this.words = words;
    this.saysMains = read.tokens.some(({ text }) => text === 'mains');
    this.feedsBoth = OR_BY.test(read.text);
    this.isByUsb = BY_USB.test(read.text);
    this.headings = isPlate ? headingsOf(read) : [];
  }

  /** Facts of these kinds, none of which is marked as used. */
  see(...kinds: readonly Kind[]): Fact[] {
    return this.facts.filter(({ kind }) => kinds.includes(kind));
  }

  /** All facts of these kinds, used from now on. */
  all(...kinds: readonly Kind[]): Fact[] {
    const found = this.see(...kinds);
    this.use(...found);
    return found;
  }

  /** The first of a kind; a second is left over, and asked about. */
  one(...kinds: readonly Kind[]): Fact | null {
    const [found] = this.see(...kinds);
    if (found) this.use(found);
    return found ?? null;
  }

  use(...facts: readonly Fact[]): void {
    for (const fact of facts) this.#used.add(fact.of ?? fact);
  }

  isUsed(fact: Fact): boolean {
    return this.#used.has(fact.of ?? fact);
  }

  textOf(...facts: readonly Span[]): string {
    const { start, end } = this.placeOf(...facts);
    return this.read.text.slice(start, end);
  }

  placeOf(...facts: readonly Span[]): { start: number; end: number } {
    const { tokens } = this.read;
    return {
      start: Math.min(...facts.map(({ from }) => tokens[from]?.start ?? 0)),
      end: Math.max(...facts.map(({ to }) => tokens[to - 1]?.end ?? 0)),
    };
  }

  ask(code: QuestionCode, facts: readonly Span[], choices: readonly string[], found?: string): void {
    const place = this.placeOf(...facts);
    this.questions.push({ code, ...place, found: found ?? this.read.text.slice(place.start, place.end), choices });
  }

  /** What can only be left out, or belongs to a load of its own. */
  askOut(fact: Fact): void {
    this.use(fact);
    this.ask('second-figure', [fact], ['']);
  }

  /** Of several figures some must go; each group may be the one that does, or all but one. */
  askWhich(
    code: QuestionCode,
    facts: readonly Fact[],
    most = 4,
    found?: string,
    gone?: readonly (readonly Fact[])[],
  ): void {
    this.use(...facts);
    const goes = gone ?? facts.map((fact) => facts.filter((other) => other !== fact));
    const kept = goes.map((those) => this.without(facts, those));
    this.ask(code, facts, [...new Set(kept)].slice(0, most), found);
  }

  /** The stretch of some facts without others of them. */
  without(over: readonly Fact[], gone: readonly Fact[]): string {
    const { start, end } = this.placeOf(...over);
    const places = gone.map((fact) => this.placeOf(fact));
    let kept = '';
    for (let i = start; i < end; i++)
      if (!places.some((place) => i >= place.start && i < place.end)) kept += this.read.text[i];
    return kept.replace(/\s+/g, ' ').replace(/^[\s,;/]+|[\s,;/]+$/g, '');
  }
}

/** "INPUT:", "Output 5 V", "out 20 V": unless the word is right behind the one figure that it is of. */
function headingsOf({ tokens, facts }: Facts): { at: number; side: 'input' | 'output' }[] {
  return tokens.flatMap(({ cls, tag, text }, at) => {
    const isIn =
      cls === 'F' && text === 'in' && at > 0 && facts.some(({ from, kind }) => from === at + 1 && kind === 'voltage');
    const side = isIn ? 'input' : cls === '!' && (tag === 'input' || tag === 'output') ? tag : null;
    if (!side) return [];
    const own = facts.find(({ from, to, marks = [] }) => at >= from && at < to && marks.includes(side));
    const isBehind = own !== undefined && tokens.slice(own.from, at).some((one) => one.cls === 'N');
    return isBehind ? [] : [{ at, side }];
  });
}
