import type { Found, Made, Rule } from './facts.ts';
import type { Token } from './lex.ts';

/** How long, how often and when. */

const DAY_MIN = 1440;
const NOON_MIN = 720;
/** A day of 24 hours, and the words that part a rate from what it is of. */
const PER = '[pae/]';
const LENGTH = 'NT(?:[&,]?NT)*|N:NT|[aN]T&aJ|N&aJT|NJl?a?T|J[la]*T|aT';
const CLOCK = 'c|N(?::N|TN)?[hT]?';

const made = (kind: Made['kind'], value: number, more: Partial<Made> = {}): Made => ({ kind, value, ...more });
const number = (tokens: readonly Token[], at = 0): number =>
  tokens.filter(({ cls }) => cls === 'N')[at]?.value ?? Number.NaN;
const tagOf = (tokens: readonly Token[], cls: string): string => tokens.find((one) => one.cls === cls)?.tag ?? '';
const has = (tokens: readonly Token[], cls: string): boolean => tokens.some((one) => one.cls === cls);
const minutesOf = ({ unit }: Token): number => unit?.worth ?? Number.NaN;

/** Minutes of a length: "1 h 20", "1:30 h", "2 and a half hours", "half an hour"; NaN of two lengths. */
export function lengthOf(tokens: readonly Token[]): number {
  if (has(tokens, ':')) return number(tokens) * 60 + number(tokens, 1);
  const unit = tokens.find(({ cls }) => cls === 'T');
  if (!unit) return Number.NaN;
  if (has(tokens, 'J')) {
    const whole = has(tokens, '&')
      ? number(tokens) || 1
      : has(tokens, 'N')
        ? number(tokens) * Number(tagOf(tokens, 'J'))
        : 0;
    const part = has(tokens, 'N') && !has(tokens, '&') ? 0 : Number(tagOf(tokens, 'J'));
    return (whole + part) * minutesOf(unit);
  }
  if (!has(tokens, 'N')) return minutesOf(unit);
  let [sum, least, last] = [0, Number.POSITIVE_INFINITY, Number.NaN];
  for (const token of tokens) {
    if (token.cls === 'N') last = token.value;
    if (token.cls !== 'T') continue;
    // "5 min 10 h" are two.
    if (minutesOf(token) >= least) return Number.NaN;
    least = minutesOf(token);
    sum += last * least;
    last = Number.NaN;
  }
  return Number.isNaN(last) ? sum : sum + last;
}

/** One end of a stretch of the clock, as it is written. */
interface Hour {
  readonly minute: number;
  /** 0 = before noon, 720 = after it; null = not said. */
  readonly half: number | null;
  readonly isNamed: boolean;
  /** Whether it can be nothing else: minutes, a half of the day, a name, four figures. */
  readonly isTime: boolean;
}

function hourOf(tokens: readonly Token[]): Hour | null {
  const [first] = tokens;
  if (!first) return null;
  if (first.cls === 'c') return { minute: Number(first.tag), half: null, isNamed: true, isTime: true };
  const halfToken = tokens.find(({ cls }) => cls === 'h');
  const half = halfToken ? Number(halfToken.tag) : null;
  const four = /^([012]\d)([0-5]\d)$/.exec(first.text);
  const dotted = /^(\d{1,2})[.]([0-5]\d)$/.exec(first.text);
  const parted = dotted && half !== null ? dotted : four;
  const minutes = tokens.filter(({ cls }) => cls === 'N')[1];
  const [h, m] = parted ? [Number(parted[1]), Number(parted[2])] : [first.value, minutes?.value ?? 0];
  const isWhole = Number.isInteger(h) && Number.isInteger(m);
  if (!isWhole || h > 24 || m > 59 || (half !== null && (h < 1 || h > 12))) return null;
  const isTime = half !== null || minutes !== undefined || parted !== null;
  return { minute: (half === null ? h : (h % 12) + half / 60) * 60 + m, half, isNamed: false, isTime };
}

/** Minutes from one time of the day forward to another. */
const forward = (from: number, to: number): number => ((((to - from) % DAY_MIN) + DAY_MIN - 1) % DAY_MIN) + 1;

/** "from 18 to 23:30", "6-6:45pm", "10-2am", "noon to 3": a half of the day that one end lacks is the one nearer to the other. */
function clock({ tokens, part, all, at }: Found): Made | null {
  const [from, to] = [hourOf(part('f')), hourOf(part('t'))];
  if (!from || !to) return null;
  const isFrom = has(tokens, 'b');
  const isTwo = part('r')[0]?.cls === '&' && !/between|zwischen|entre/.test(tokens[0]?.text ?? '');
  if (isTwo) return null;
  const written = [...part('f'), ...part('t')];
  const hours = written.filter(({ cls }) => cls === 'T');
  if (hours.some((token) => token.unit?.worth !== 60)) return null;
  // "3-4 h", "2h30-3h" are from so long to so long; "18-23h" is from six in the evening.
  const isSaid = from.isTime || to.isTime;
  const isLength =
    !from.half && !to.half && hours.length > 0 && !isFrom && to.minute <= NOON_MIN && from.minute < to.minute;
  const isFour = /^0\d{3}$/.test(part('f')[0]?.text ?? '');
  if (isLength || !(isFrom || (isSaid && (isFour || !/^\d{4}$/.test(part('f')[0]?.text ?? ''))) || hours.length > 0))
    return null;
  const before = all[at - 1];
  if (before && /[×/]/.test(before.cls) && before.glued) return null;
  const ends = halves(from, to);
  return made('clock', ends[0] % DAY_MIN, {
    second: ends[1] % DAY_MIN,
    ...(isEither(from, to) ? { tag: 'either' } : {}),
  });
}

/** Neither end says its half of the day, and both may be of either: "10 till 4". */
const isEither = (from: Hour, to: Hour): boolean =>
  [from, to].every(
    ({ half, isNamed, minute, isTime }) => !isNamed && half === null && minute < 13 * 60 && minute > 0 && !isTime,
  ) && from.minute > to.minute;

function halves(from: Hour, to: Hour): readonly [number, number] {
  const both = (one: Hour): number[] => {
    const isOpen = one.half === null && !one.isNamed && one.minute <= NOON_MIN + 59 && one.minute >= 60;
    const other = from === one ? to : from;
    const isHalved = other.half !== null || other.isNamed;
    return isOpen && isHalved ? [one.minute % NOON_MIN, (one.minute % NOON_MIN) + NOON_MIN] : [one.minute];
  };
  let best: readonly [number, number] = [from.minute, to.minute];
  let least = Number.POSITIVE_INFINITY;
  for (const a of both(from))
    for (const b of both(to)) {
      const length = forward(a, b);
      if (length < least) [best, least] = [[a, b], length];
    }
  return best;
}

/** Days of the week on which something is, of so many uses in a period. */
const IN_WEEKS: Readonly<Record<string, number>> = { k: 1, f: 2, m: 365 / 84, y: 365 / 7 };

function oftenIn(count: number, period: string): Made | null {
  if (period === 'd' || period === 'n' || period === 'o') return made('times', count);
  const days = count / (IN_WEEKS[period] ?? Number.NaN);
  return days > 7 || days < 0.02 ? null : made('days-per-week', days);
}

const countOf = (tokens: readonly Token[]): number => {
  const often = tokens.find(({ cls }) => cls === 'j');
  return often ? Number(often.tag) : number(tokens);
};
const lastOf = (tokens: readonly Token[], classes: string): string =>
  [...tokens].reverse().find(({ cls }) => classes.includes(cls))?.cls ?? '';

/** "every 3 days", "every second week". */
function everySoMany({ tokens }: Found): Made | null {
  const period = lastOf(tokens, 'dnkm');
  const each = has(tokens, 'N') ? number(tokens) : 1;
  const days = period === 'd' || period === 'n' ? 7 / each : 1 / ((IN_WEEKS[period] ?? 1) * each);
  return days > 0.02 && days <= 7 ? made('days-per-week', days) : null;
}

/** "Mon, Wed, Fri", "Fri-Sun", "on sundays": short names say a day beside another or behind "on". */
function weekdays({ tokens, all, at, end }: Found): Made | null {
  const days = tokens.filter(({ cls }) => cls === 'i');
  const [first, last] = [days[0] as Token, days.at(-1) as Token];
  const isShort = (token: Token) => token.text.length <= 3 && !/^(?:die|jeu)$/.test(token.text);
  const isTwoLetters = days.some(({ text }) => text.length === 2);
  const isSpan = tokens.some(({ cls }) => cls === '-' || cls === 'r');
  if (isSpan && days.length === 2) return made('days-per-week', ((Number(last.tag) - Number(first.tag) + 7) % 7) + 1);
  if (isTwoLetters && !tokens.some(({ cls }) => cls === '/')) return null;
  if (days.length === 1 && isShort(first)) {
    // "4 h sat", "on Sun"; "sat nav" and "sun lamp" are things.
    const isBehind = all[at - 1]?.cls === 'T' && (end >= all.length || !/[XG]/.test(all[end]?.cls ?? ''));
    if (!isBehind && !/^[eF]$/.test(tokens[0]?.cls ?? '')) return null;
  }
  const set = new Set(days.map(({ tag }) => tag));
  const isWeekend = set.size === 2 && set.has('5') && set.has('6');
  return isWeekend ? made('on', 2, { tag: 'weekend' }) : made('days-per-week', set.size);
}

const onDays = (tag: string): Made =>
  /week/.test(tag) ? made('on', tag === 'weekday' ? 5 : 2, { tag }) : made('days-per-week', Number(tag));

/** "20 min every hour", "10 min per 60", "15 min out of every hour": on for so long in such a period. */
function every({ part, tokens }: Found): Made | null {
  const on = lengthOf(part('on'));
  const rest = part('in');
  const unit = rest.find(({ cls }) => cls === 'T');
  const share = has(rest, 'J') ? Number(tagOf(rest, 'J')) : 1;
  const many = has(rest, 'N') ? number(rest) : 1;
  // "15 minutes out of every 60".
  const own = part('on').filter(({ cls }) => cls === 'T');
  const ofOwn = own.length === 1 && (many === 60 || has(tokens, 'l')) ? many * minutesOf(own[0] as Token) : Number.NaN;
  const second = unit ? many * share * minutesOf(unit) : ofOwn;
  return on > 0 && second >= on ? made('every', on, { second }) : null;
}

/** What is a use by itself, however it is counted; cups and loads may be the thing's size. */
const ONE_USE = /^(?:brew|boil|shower|us|cycl|wash|charg|flush|round|batch|bak|burn|shav|run|go)$/;

/** How often a thing is used that makes so many: "6 cups" beside "per cup" or "each". */
function goes({ tokens, all, at, end }: Found): Made | null {
  const noun = tokens.at(-1) as Token;
  const root = noun.text.replace(/e?s?$/, '');
  const isOther = (_: Token, i: number) => i < at || i >= end;
  const isPerOne = all.some(
    (one, i) =>
      isOther(one, i) &&
      /^[gI]$/.test(one.cls) &&
      /^[pae/]$/.test(all[i - 1]?.cls ?? '') &&
      (one.cls === 'I' ? noun.cls === 'I' : one.text.startsWith(root.slice(0, 4))),
  );
  const isEach = all.some((one, i) => isOther(one, i) && one.cls === 'e' && all[i + 1]?.cls !== 'd');
  const isPlural = /s$|people|batches|loaves/.test(noun.text);
  const behind = all.slice(end).find(({ cls }) => !/[,l@×F]/.test(cls));
  const isLengthNext = behind?.cls === 'N' && all.slice(end).some(({ cls }, i) => i < 5 && cls === 'T');
  const isPerson = noun.cls === 'I';
  const isUse = isPlural && !isPerson && ((isLengthNext && !/^(?:cups|loads)$/.test(noun.text)) || ONE_USE.test(root));
  return isPerOne || (isPlural && !isPerson && isEach) || isUse ? made('times', number(tokens)) : null;
}

/** "3:30" by itself is a length or a time of the day. */
function oddTime(tokens: readonly Token[]): Made | null {
  const hour = hourOf(tokens);
  const [h, m] = [number(tokens), number(tokens, 1)];
  return hour
    ? {
        kind: 'asked',
        value: 1,
        code: 'bare-number',
        choices: [`${h} h ${m} min`, `at ${tokens.map(({ written }) => written).join('')}`],
      }
    : null;
}

const begins = ({ tokens }: Found): Made | null => {
  const said = tokens.filter(({ cls }) => 'cNTh:'.includes(cls));
  const hour = hourOf(said);
  return hour?.isTime ? made('begins', hour.minute % DAY_MIN) : null;
};

const duty = (value: number): Made => made('share', value, { tag: 'duty' });

/** In the order in which they are tried at each place: the longer first. */
export const CLOCK_RULE: Rule = [
  `[F@]*(?<b>b?)z?(?<f>${CLOCK})(?<r>[r&-])z?F?(?<t>${CLOCK})(?![WPHBVAEQZSLORU×:])`,
  clock,
];

export const TIME_RULES: readonly Rule[] = [
  ['v', () => made('duration', DAY_MIN)],
  [
    `(?<on>${LENGTH})(?:${PER}d)?(?:F?l?)?!(?:${PER}d)?`,
    (found) =>
      tagOf(found.tokens, '!') === 'total' ? made('duration', lengthOf(found.part('on')), { mark: 'total' }) : null,
  ],
  [
    `!l?:?(?<on>${LENGTH})`,
    (found) =>
      tagOf(found.tokens, '!') === 'total' && found.facts.at(-1)?.to !== found.at
        ? made('duration', lengthOf(found.part('on')), { mark: 'total' })
        : null,
  ],
  // "8 hours out of 24", "12 of 24 h".
  [
    'NT?l[ea]?NT?',
    ({ tokens }) =>
      number(tokens, 1) === 24 && tokens.every(({ cls, unit }) => cls !== 'T' || unit?.worth === 60)
        ? duty(number(tokens) / 24)
        : null,
  ],
  ['(?:NSF*δ|δF*[:=]?NS)', ({ tokens }) => duty(number(tokens) / 100)],
  ['Nδ', ({ tokens }) => (number(tokens) <= 1 ? duty(number(tokens)) : null)],
  [`(?<on>${LENGTH})(?:[ep/]|[lF][ea]|l)a?(?<in>(?:Jl?a?)?N?T|N)(?![WPHBVAEQZSLORU×:d])`, every],
  [`e(?<in>Jl?a?T|N?T)[FD:,]?(?<on>${LENGTH})`, every],
  ['FNTuNT', ({ tokens }) => pair(tokens)],
  ['NTFNTu', ({ tokens }) => pair(tokens)],
  // How often in which time.
  [`(?:j|Nt|N×[g!]?|×N|N[gI]|N)(?:${PER}|F)*[dnkfmy](?![a-z]?×)`, ({ tokens }) => often(tokens)],
  ['(?:N×|×N|Nt|j)w', ({ tokens }) => ofAdverb(tokens)],
  [`N[dno]${PER}+k`, ({ tokens }) => oftenIn(number(tokens), 'k')],
  [`[aN]?(?:${PER}|e)f`, () => made('days-per-week', 0.5)],
  ['eN?[dnkm](?![pae/])', everySoMany],
  [
    'F*w(?:F|d)?',
    ({ tokens, all, at, end }) =>
      /^m-f$/.test(tokens[0]?.text ?? '') && isOfName(tokens, all, at, end) ? null : onDays(tagOf(tokens, 'w')),
  ],
  [`(?:F|e)?i(?:(?:,&|[,&/r-])?i)*`, weekdays],
  [
    'NTNM',
    ({ tokens }) =>
      tokens[1]?.unit?.worth === 60 && number(tokens, 1) < 60
        ? made('duration', number(tokens) * 60 + number(tokens, 1))
        : null,
  ],
  ['NTN', (found) => shortLength(found)],
  [`(?<on>${LENGTH})(?:${PER}+|p)k`, (found) => made('per-week', lengthOf(found.part('on')))],
  [`(?<on>${LENGTH})${PER}+m`, (found) => made('per-month', lengthOf(found.part('on')))],
  [`(?<on>${LENGTH})${PER}+n`, (found) => made('duration', lengthOf(found.part('on')), { tag: 'a-night' })],
  [`(?<on>${LENGTH})${PER}+[dgI]`, (found) => made('duration', lengthOf(found.part('on')))],
  [`(?<on>${LENGTH})`, (found) => length(found)],
  [`(?<on>NT)`, (found) => length(found)],
  ['N[tg]|NI', (found) => (found.tokens.at(-1)?.cls === 't' ? made('times', number(found.tokens)) : goes(found))],
  ['NI', () => ({ kind: 'asked', value: 1, code: 'unread-word', choices: [''] })],
  ['j', ({ tokens }) => made('times', countOf(tokens))],
  ['(?:F|[@z])*s(?:F|d)?', ({ tokens }) => made('season', 1, { tag: tagOf(tokens, 's') })],
  [
    `(?:[Fea@b]|&)*c`,
    ({ tokens }) => (tagOf(tokens, 'c') === '720' ? made('part', 1, { tag: 'noon' }) : begins({ tokens } as Found)),
  ],
  [`[F@zb]*N(?::N|TN)?h|[F@zb]+N:N`, begins],
  ['N:N', (found) => (found.facts.at(-1)?.kind === 'begins' ? begins(found) : oddTime(found.tokens))],
  ['(?:[Fea@b]|&)*[on]e?', ({ tokens, all, at, end }) => (isOfName(tokens, all, at, end) ? null : part(tokens))],
  [
    '[Fa]?J(?:(?:l|F|a)*g|δ)',
    ({ tokens }) =>
      /δ/.test(tokens.at(-1)?.cls ?? '') || tokens.at(-1)?.text === 'time' ? duty(Number(tagOf(tokens, 'J'))) : null,
  ],
  ['[Fea@b&]*h', ({ tokens }) => made('part', 1, { tag: tagOf(tokens, 'h') === '0' ? 'morning' : 'pm' })],
  ['D', () => made('meanwhile', 1)],
];

const pair = (tokens: readonly Token[]): Made | null => {
  const times = tokens.filter(({ cls }) => cls === 'T').map(minutesOf);
  const [on, off] = [number(tokens) * (times[0] ?? Number.NaN), number(tokens, 1) * (times[1] ?? Number.NaN)];
  return /off/.test(tokens.map(({ text }) => text).join(' ')) ? made('every', on, { second: on + off }) : null;
};

function often(tokens: readonly Token[]): Made | null {
  const period = lastOf(tokens, 'dnkfmy');
  const isPlainNumber = tokens[0]?.cls === 'N' && !/[×tgI]/.test(tokens[1]?.cls ?? '');
  // "5 a day" counts, "2 nights" and "10 mon" do not.
  if (isPlainNumber && !/[pae/]/.test(tokens[1]?.cls ?? '')) return null;
  if (period === 'y' && !tokens.some(({ cls }) => /[pae/]/.test(cls))) return null;
  return oftenIn(countOf(tokens), period);
}

const ofAdverb = (tokens: readonly Token[]): Made | null => {
  const tag = tagOf(tokens, 'w');
  // "2x every other day" is twice on each of them.
  if (/^(?:every|alternat|on alt)/.test(tokens.at(-1)?.text ?? '')) return null;
  if (tag === '7') return made('times', countOf(tokens));
  const days = Number(tag) * countOf(tokens);
  return days <= 7 ? made('days-per-week', days) : null;
};

/** Minutes, 1,000 h, from which a length is how long a thing lives. */
const LIFE_MIN = 60_000;
function length({ part, all, end }: Found): Made | null {
  const value = lengthOf(part('on'));
  // "2 h 10 min every hour": the minutes are of the hour.
  const goesOn = all
    .slice(end, end + 4)
    .map(({ cls }) => cls)
    .join('');
  if (part('on').filter(({ cls }) => cls === 'T').length > 1 && /^[ep/]a?N?T/.test(goesOn)) return null;
  if (value >= LIFE_MIN) return made('measure', value);
  if (value <= 0) return { kind: 'asked', value: 1, code: 'no-energy', choices: [''] };
  return made('duration', value);
}

/** "1 h 20": minutes without their name, where nothing else begins with the number. */
function shortLength({ tokens, all, end }: Found): Made | null {
  const [, unit, rest] = tokens as readonly [Token, Token, Token];
  const next = all[end]?.cls ?? '';
  if (
    unit.unit?.worth !== 60 ||
    !Number.isInteger(rest.value) ||
    rest.value > 59 ||
    (!rest.glued && /[WPHBVAEQZSLMORUTC×:XtguIKdnkmyap/]/.test(next)) ||
    /[T:]/.test(next)
  )
    return null;
  return made('duration', lengthOf(tokens));
}

/** "Night light" names a thing. */
const isOfName = (tokens: readonly Token[], all: readonly Token[], at: number, end: number): boolean =>
  tokens.length === 1 && all[end]?.cls === 'X' && !all.slice(0, at).some(({ cls }) => cls === 'N');

function part(tokens: readonly Token[]): Made | null {
  const one = tokens.find(({ cls }) => cls === 'o' || cls === 'n') as Token;
  if (one.cls === 'n') {
    const lead = tokens.at(-2)?.cls ?? '';
    return made('part', 1, {
      tag: 'night',
      ...(/[ae/p]/.test(lead) && one.text === 'night' ? { mark: 'average' as const } : {}),
    });
  }
  return made('part', 1, { tag: one.tag });
}
