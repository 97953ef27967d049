import type { Appliance } from '../reference/appliances.ts';
import type { Fact, Facts } from './facts.ts';
import type { Token } from './lex.ts';
import type { Question } from './question.ts';

/** What of a text names the thing, and which of its words nobody has read. */

/** Kinds of facts that tell one thing from another and are part of its name: 80 l, 24 inch. */
const NAMING: ReadonlySet<Fact['kind']> = new Set(['measure', 'length', 'temperature']);
export const isNaming = ({ kind, tag }: Fact): boolean => NAMING.has(kind) && tag !== 'litres-a-day' && tag !== 'used';

/** Words that say when or how much, and nothing where no rule has read them; beside the name they are part of it. */
const SAYS = /^[dnkmyfwisocjtJv?YTr!ω]$/;

/** Tokens that no fact has, by index, and those of them that name the thing. */
export function wordsOf(
  { tokens, facts }: Facts,
  isPlate: boolean,
): { readonly free: readonly number[]; readonly name: readonly number[] } {
  const taken = new Set(facts.filter((fact) => !isNaming(fact)).flatMap(({ from, to }) => range(from, to)));
  const free = tokens.map((_, i) => i).filter((i) => !taken.has(i));
  const heading = isPlate ? headingOf(tokens, taken) : 0;
  const first = Math.min(
    tokens.length,
    ...facts.filter((fact) => !isNaming(fact) && fact.kind !== 'count').map(({ from }) => from),
  );
  const end = !isPlate ? tokens.length : heading > 0 ? heading : first;
  const isName = (i: number) => {
    const { cls } = tokens[i] as Token;
    if (/[XKGg]/.test(cls) || (cls === 'N' && isOwn(tokens, i))) return true;
    if (isPlate && heading === 0) return false;
    return cls === 'θ' || isNamingAt(facts, i) || (SAYS.test(cls) && isBesideName(tokens, taken, i));
  };
  return { free, name: free.filter((i) => i < end && isName(i)) };
}

/** Where a first line without figures ends, which is all of the name; 0 where there is none. */
function headingOf(tokens: readonly Token[], taken: ReadonlySet<number>): number {
  const end = tokens.findIndex(({ cls }) => cls === '\n');
  const line = tokens.slice(0, Math.max(0, end));
  return line.some(({ cls }) => /[XKG]/.test(cls)) && !line.some(({ cls }, i) => taken.has(i) || cls === 'N') ? end : 0;
}

const range = (from: number, to: number): number[] => Array.from({ length: to - from }, (_, i) => from + i);
const isNamingAt = (facts: readonly Fact[], i: number): boolean =>
  facts.some((fact) => isNaming(fact) && i >= fact.from && i < fact.to);

/** "Night light", "day tank pump". */
const isBesideName = (tokens: readonly Token[], taken: ReadonlySet<number>, i: number): boolean =>
  [i + 1, ...(tokens[i]?.cls === '!' ? [] : [i - 1])].some((at) => tokens[at]?.cls === 'X' && !taken.has(at)) &&
  !tokens.slice(0, i).some((_, at) => taken.has(at));

/** The name as it is written, with the small words inside it. */
export function nameText({ tokens, facts, text }: Facts, name: readonly number[]): string {
  const [first, last] = [name[0], name.at(-1)];
  if (first === undefined || last === undefined) return '';
  const taken = new Set(facts.filter((fact) => !isNaming(fact)).flatMap(({ from, to }) => range(from, to)));
  let [made, end] = ['', tokens[first]?.start ?? 0];
  for (let i = first; i <= last; i++) {
    const token = tokens[i] as Token;
    if (taken.has(i) || token.cls === '\n') continue;
    made += (token.start > end && made !== '' ? ' ' : '') + text.slice(token.start, token.end);
    end = token.end;
  }
  // "Gizmo (left)".
  if (tokens[last + 1]?.cls === ')' && made.lastIndexOf('(') > made.lastIndexOf(')')) made += ')';
  const clean = made
    .replace(/[\p{Cc}\p{Cs}]/gu, ' ')
    .replace(/(?<=^|\s)[^\p{L}\p{N}\s"]+(?=\s|$)/gu, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[^\p{L}\p{N}]+|[\s([{|_=~><*@&+,;:/–—-]+$/gu, '')
    .trim();
  return (clean.charAt(0).toUpperCase() + clean.slice(1)).slice(0, 120);
}

/** Numbers of a thing's own doors or rings. */
const OWN =
  /^(?:door|ring|burner|slice|cup|stage|speed|way|zone|person|people|berth|bay|inch|channel|star|cell|plate|drawer|seat|port|gang|ply|man|bed|rings|doors)s?$/;

/** What no rule has read: numbers that belong to nothing, words behind the figures, words that say when. */
export function unread(
  read: Facts,
  free: readonly number[],
  type: Appliance | null,
  isPlate: boolean,
  said: ReadonlySet<number>,
): Question[] {
  const { tokens, facts, text } = read;
  const told = facts.filter((fact) => !isNaming(fact) && fact.kind !== 'count' && fact.kind !== 'asked');
  const firstWord = free.find((i) => /[XKGgθ]/.test(tokens[i]?.cls ?? ''));
  const behind = told.find(({ from }) => firstWord !== undefined && from > firstWord)?.from ?? Number.POSITIVE_INFINITY;
  const known = new Set(
    [type?.name ?? '', ...(type?.words ?? []), ...free.filter((i) => i < behind).map((i) => tokens[i]?.text ?? '')]
      .join(' ')
      .toLowerCase()
      .match(/[\p{L}\p{M}]+/gu) ?? [],
  );
  const hasPower = facts.some(({ kind }) => kind === 'power' || kind === 'current' || kind === 'apparent');
  const questions: Question[] = [];
  let depth = 0;
  for (const i of free.filter((one) => !said.has(one))) {
    const token = tokens[i] as Token;
    depth = depthAt(tokens, i);
    const { cls, start, end } = token;
    const found = text.slice(start, end);
    if (cls === 'N' && !isNamingAt(facts, i)) {
      if (isPlate || isOwn(tokens, i)) continue;
      questions.push({ code: 'bare-number', start, end, found, choices: hasPower ? [''] : [`${found} W`, ''] });
    } else if (isPlate || isNamingAt(facts, i)) continue;
    else if (UNIT.test(cls)) join(questions, text, { code: 'unread-word', start, end, found, choices: [''] });
    else if (
      SAYS.test(cls) &&
      cls !== '!' &&
      !isBesideName(tokens, new Set(facts.flatMap(({ from, to }) => range(from, to))), i)
    )
      join(questions, text, { code: cls === 'J' ? 'second-figure' : 'unread-word', start, end, found, choices: [''] });
    else if (cls === 'X' && i > behind && depth === 0 && !isKnown(token, known) && !isAbout(tokens, facts, i))
      join(questions, text, { code: 'unread-rest', start, end, found, choices: [`(${found})`, ''] });
  }
  return questions;
}

/** Units whose number nothing has read. */
const UNIT = /^[WPHBVAEQZTSLMORUC]$/;

const depthAt = (tokens: readonly Token[], i: number): number =>
  tokens.slice(0, i).reduce((sum, { cls }) => sum + (cls === '(' ? 1 : cls === ')' ? -1 : 0), 0);
/** "Without humidifier", "4 m cable": about the thing that was named. */
const isAbout = (tokens: readonly Token[], facts: readonly Fact[], i: number): boolean =>
  /^(?:without|with|w\/o|w\/|no)$/.test(tokens[i - 1]?.text ?? '') || isNamingAt(facts, i - 1);

const isKnown = ({ text }: Token, known: ReadonlySet<string>): boolean =>
  (text.match(/[\p{L}\p{M}]+/gu) ?? []).every(
    (word) => word.length < 2 || known.has(word) || known.has(word.replace(/s$/, '')),
  );

/** "2-ring", "6 cup", "person 3": what it counts is the thing's own, unless it says how often. */
export function isOwn(tokens: readonly Token[], i: number): boolean {
  const [next, then, last] = [tokens[i + 1], tokens[i + 2], tokens[i + 3]];
  const noun = next?.cls === '-' ? then : next;
  if (noun && OWN.test(noun.text)) return !(/^[pae/]$/.test(then?.cls ?? '') && /^[dk]$/.test(last?.cls ?? ''));
  return next?.glued === true && /[-_/]/.test(next.cls) && then?.glued === true && then.cls === 'X';
}

/** Words in a row are asked about together. */
function join(questions: Question[], text: string, question: Question): void {
  const last = questions.at(-1);
  if (!last || last.code !== question.code || !/^[\s'’.-]*$/.test(text.slice(last.end, question.start))) {
    questions.push(question);
    return;
  }
  const found = text.slice(last.start, question.end);
  questions[questions.length - 1] = {
    ...last,
    end: question.end,
    found,
    choices: last.code === 'unread-rest' ? [`(${found})`, ''] : [''],
  };
}
