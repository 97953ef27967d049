import { NAMING } from './measures.ts';
import { NUMERAL } from './numeral.ts';
import { pattern } from './pattern.ts';
import type { Question, QuestionCode } from './question.ts';
import type { Token } from './token.ts';

/** What of a line can only be asked about: units that are not what they claim, numbers that belong to nothing, signs and spans. */

const PER_DAY = String.raw`\s*(?:/\s*|per\s+|a\s+)(?:day|d|24\s*h)\b`;
const PER_HOUR = String.raw`\s*(?:/\s*|per\s+|an\s+)h(?:ou)?r?\b`;
const PROTECTS =
  '(?:circuit\\s*)?(?:breaker|fuse|(?:ab)?sicherung|fusible|fusibile|zekering|mcb|rcbo|rcd|circuit|socket(?:\\s*outlet)?|outlet|receptacle)s?';

/** Units that are not what they claim: pattern, what it is, and the likely meaning with the number in `$1`. */
const CONFUSED: readonly (readonly [RegExp, QuestionCode, string | null])[] = [
  [pattern(String.raw`(${NUMERAL})\s*(k?)w(?:atts?)?${PER_DAY}`, 'giu'), 'power-per-time', '$1 $2Wh'],
  [pattern(String.raw`(${NUMERAL})\s*(k?)w(?:atts?)?${PER_HOUR}`, 'giu'), 'power-per-time', '$1 $2W'],
  [pattern(String.raw`(${NUMERAL})\s*(k?)wh${PER_HOUR}`, 'giu'), 'energy-per-hour', '$1 $2W'],
  [pattern(String.raw`(${NUMERAL})\s*(?:ah|amp[ -]?hours?)${PER_HOUR}`, 'giu'), 'charge-per-hour', '$1 A'],
  [pattern(String.raw`(${NUMERAL})\s*a(?:mps?)?${PER_HOUR}`, 'giu'), 'current-per-time', '$1 A'],
  [pattern(String.raw`(${NUMERAL})\s*a(?:mps?)?${PER_DAY}`, 'giu'), 'current-per-time', '$1 Ah/day'],
  [
    pattern(
      String.raw`(?:(${NUMERAL})\s*a(?:mps?)?\s*(?:\p{L}+\s+)?${PROTECTS}(?!\p{L})(?!\s*(?:of|at|:|=)?\s*\d[\d.,]*\s*a(?!\p{L}))|(?<!\p{L})${PROTECTS}\s*(?:of|at|:|=)?\s*${NUMERAL}\s*a(?:mps?)?(?!\p{L}))`,
      'giu',
    ),
    'breaker',
    null,
  ],
];

/** Plain numbers, lest a fraction and a list be two readings of one text. */
const SETTING = '\\d{1,5}(?:[.,]\\d{1,3})?(?:\\s?k?w)?';
const SETTINGS = pattern(`(?<![\\p{L}\\d.,/])${SETTING}(?:\\s?/\\s?${SETTING}){1,6}(?<=[\\d\\s]k?w)(?!\\p{L})`, 'giu');

/** "12/24/230V": what it is fed with here. */
const ANY_FEED = pattern(/(?<![\p{L}\d.,/])(12\s?\/\s?24|12|24)\s?\/\s?(1[01]\d|120|2[234]\d)\s?v(?!\p{L})/giu);
const feedsOf = (text: string): Question[] =>
  [...text.matchAll(ANY_FEED)].map((match) => {
    const [found, low, mains] = match;
    const choices = [`${low} V`, `${mains} V`];
    return { code: 'second-figure' as const, start: match.index, end: match.index + found.length, found, choices };
  });

/** "750/1250/2000W" of something with settings: which of them is meant. */
export function settingsOf(text: string): Question[] {
  // "12/24 V 60/120 W" are two ways to feed it.
  const pairs = pattern(/\d\s?\/\s?\d+\s?v(?!\p{L})/iu).test(text);
  const watts = [...text.matchAll(SETTINGS)].flatMap((match): Question[] => {
    const [found] = match;
    const count = found.split('/').length;
    if (count === 2 && (pairs || pattern(`^${NUMERAL}\\s?k?w$`, 'iu').test(found))) return [];
    const unit = /k?w$/i.exec(found)?.[0] ?? 'W';
    const choices = found.split('/').map((one) => `${one.replace(/\s*k?w\s*$/i, '').trim()} ${unit}`);
    return [{ code: 'second-figure', start: match.index, end: match.index + found.length, found, choices }];
  });
  return [...feedsOf(text), ...watts];
}

/** Units that are not what they claim, each with its likely meaning; and settings of which one is meant. */
export function askAbout(text: string): Question[] {
  const questions: Question[] = settingsOf(text);
  for (const [pattern, code, meant] of CONFUSED) {
    for (const match of text.matchAll(pattern)) {
      const start = match.index;
      const end = start + match[0].length;
      if (questions.some((other) => start < other.end && end > other.start)) continue;
      const likely = meant
        ?.replace('$1', match[1] ?? '')
        .replace('$2', match[2]?.toLowerCase() ?? '')
        .trim();
      questions.push({ code, start, end, found: match[0], choices: likely ? [likely] : [] });
    }
  }
  return questions.sort((a, b) => a.start - b.start);
}

/** "10xy": a number that begins a word of no known meaning; 3D, 4WD and 4x4 are names. */
const GLUED = pattern(`(?<![\\p{L}\\d.,/#_-])(?![2345]d(?!\\p{L})|4wd|4[x×]4)${NUMERAL}(?=\\p{L})`, 'giu');
const BARE = pattern(`(?<![\\p{L}\\d.,/#_-])${NUMERAL}(?![\\p{L}\\d]|[.,]\\d)`, 'giu');

/** What comes by the metre, or whose length is told. */
const LONG = pattern(
  /(?<!\p{L})(?:strips?|cables?|ropes?|leads?|hoses?|tapes?|ribbons?|awnings?|masts?|poles?|lengths?|boats?|vans?|reels?)(?!\p{L})/iu,
);
/** "30m" of a kettle is half an hour, of a strip thirty metres; where nothing tells it is asked. */
const isMinutesOrMetres = (text: string, end: number): boolean =>
  pattern(/^[m'′](?![\p{L}\d²³])/iu).test(text.slice(end)) && !/^m\s*[@x×]/u.test(text.slice(end)) && !LONG.test(text);

/** "6 slices a day" is no size. */
const SO_OFTEN = pattern(
  /^\s*(?:slices?|cups?|persons?|people)\s*(?:\/|a|per|each|every)\s*(?:day|week|hour)(?!\p{L})/iu,
);

/** Numbers that belong to nothing: asked about, since what is typed is never dropped. */
export function bareNumbers(
  text: string,
  taken: readonly { start: number; end: number }[],
  tokens: readonly Token[],
): Question[] {
  const questions: Question[] = [];
  for (const match of [...text.matchAll(BARE), ...text.matchAll(GLUED)]) {
    const [start, end] = [match.index, match.index + match[0].length];
    if (taken.some((span) => start < span.end && end > span.start)) continue;
    if (isMinutesOrMetres(text, end)) {
      const [value, shown] = [match[0].trim(), text.slice(start, end + 1)];
      questions.push({
        code: 'bare-number',
        start,
        end: end + 1,
        found: shown,
        choices: [`${value} min`, `${value} ${/m$/i.test(shown) ? 'metres' : 'ft'}`],
      });
      continue;
    }
    if (
      (NAMING.test(text.slice(end)) && !SO_OFTEN.test(text.slice(end))) ||
      LIFE.test(text.slice(end)) ||
      pattern(/^[-_/]\p{L}/iu).test(text.slice(end))
    )
      continue;
    const found = match[0].trim();
    const hasPower = tokens.some(({ kind }) => kind === 'power' || kind === 'current' || kind === 'apparent');
    questions.push({ code: 'bare-number', start, end, found, choices: hasPower ? [''] : [`${found} W`, ''] });
  }
  return questions;
}

const TELLS_TIME = pattern(
  /(?<!\p{L})(?:(?:week|month|year|hour)(?:s|ly)?|annual(?:ly)?|fortnights?|minutes?|mins|seconds|(?<=\d\s?)(?:days|nights)|(?:nearly|almost|mostly|hardly|barely|not\s+quite)|most\s+(?:of\s+the\s+)?(?:days|nights|evenings|mornings|afternoons|time)|average|avg|typical(?:ly)?|dozen|half|twice|thrice|percent|dusk|dawn|sunset|sunrise|midnight|noon|(?:(?:in|during|until|till|from|to)\s+)?(?:summer|winter|january|february|april|june|july|august|september|october|november|december|(?:jan|feb|apr|jun|jul|aug|sept?|oct|nov|dec)(?:\.|(?=\s?[-–/])|(?<=[-–/]\s?\p{L}+))?)s?|(?:one\s+)?at\s+a\s+time|alternat(?:ely|ing)|(?:in|by)\s+turns?|sometimes|(?:every\s+)?(?:now|once)\s+(?:and|in)\s+(?:a\s+while|then|again)|from\s+time\s+to\s+time|on\s+occasion|seldom|rarely|occasionally|as\s+(?:needed|required|wanted)|(?:if|when|whenever|unless|except(?:ing)?|but\s+not)\s+\p{L}+|(?:below|above|under|over)\s+(?:minus\s+|[-−])?\d+\s?(?:°|deg(?:rees)?)?\s?[cf])(?!\p{L})|(?<![\p{L}\d])[x×]\s?\d{1,2}(?![\p{L}\d])/giu,
);

/** Days of which a job does not say how many there are, and "per stop" of which it does not say how often. */
const SOME_DAYS = pattern(
  /(?<!\p{L})(?:(?:on|every|each|per)\s+)*(?:travel(?:ling)?|driving|moving|rain(?:y)?|wet|damp|humid|foggy|gr[ea]y|dull|overcast|bright|clear|stormy|snowy|frosty|dry|warm|dark|sunny|cloudy|cold|hot|windy|busy|rest|sailing|market|show|event|fishing|skiing|beach|match|movie|film|game|party|barbecue|bbq|washing|laundry|baking|race)\s+(?:days?|nights?|evenings?)(?!\p{L})|(?<![\p{L}\d])\d{1,2}\s+(?:people|persons|guests|adults|kids|children|of\s+us)(?!\p{L})|(?<!\p{L})(?:per|each|every|at\s+(?:each|every))\s+(?:stop|pitch|camp|flight|trip|move|set-?up|crossing)(?!\p{L})/giu,
);
/** "while driving" says when; with hours beside it that is known. */
const MEANWHILE = pattern(
  /(?<!\p{L})(?:while|whilst|during)\s+(?:the\s+|an?\s+)?(?:driv\p{L}*|travel\p{L}*|cruis\p{L}*|sailing|motoring|moving|riding|towing|transit|parked|parking|stationary|camping|fishing)(?!\p{L})|(?<!\p{L})(?:on\s+the\s+road|under\s?way)(?!\p{L})/giu,
);

/**
 * Words that say when, how often or how much and that no rule has read.
 * @param isTimed whether hours are said
 */
export function unreadWords(
  text: string,
  taken: readonly { start: number; end: number }[],
  isTimed: boolean,
): Question[] {
  const words = [TELLS_TIME, SOME_DAYS, ...(isTimed ? [] : [MEANWHILE])];
  return words
    .flatMap((pattern) => [...text.matchAll(pattern)])
    .flatMap((match): Question[] => {
      const [start, end] = [match.index, match.index + match[0].length];
      if (taken.some((span) => start < span.end && end > span.start)) return [];
      return [{ code: 'unread-word', start, end, found: match[0], choices: [''] }];
    });
}

const spanOf = (units: string) =>
  pattern(`(?<![\\p{L}\\d.,])(${NUMERAL})\\s*(?:${units})?\\s*(?:[-–—]|to|or|\\.{2,3}|…)\\s*$`, 'iu');
const SPAN = spanOf('k?w|watts?|a|va|k?wh');
const SPAN_OF_TIME = spanOf('h|hrs?|hours?|mins?|minutes?');
const SPAN_OF_SHARE = spanOf('%|percent');
const SPANNED: ReadonlySet<Token['kind']> = new Set([
  'share',
  'power',
  'current',
  'apparent',
  'energy',
  'energy-per-day',
  'duration',
]);
/** Hours of a lamp's life. */
const LIFE = pattern(/^\s?h(?:ours|rs)?(?!\p{L})/iu);
/** Characters before a quantity in which the other end of a span stands. */
const SPAN_REACH = 40;

/** A minus before a quantity, and a span of two values, each asked about. */
export function signs(text: string, tokens: readonly Token[]): Question[] {
  return tokens.flatMap((token): Question[] => {
    if (!SPANNED.has(token.kind)) return [];
    const lead = text.slice(0, token.start);
    const span = (token.kind === 'duration' ? SPAN_OF_TIME : token.kind === 'share' ? SPAN_OF_SHARE : SPAN).exec(
      lead.slice(-SPAN_REACH),
    );
    const own = text.slice(token.start, token.end);
    const unit = own.replace(pattern(`^${NUMERAL}`, 'iu'), '').trim();
    if (span)
      return [
        {
          code: 'range',
          start: lead.length - Math.min(lead.length, SPAN_REACH) + span.index,
          end: token.end,
          found: text.slice(lead.length - Math.min(lead.length, SPAN_REACH) + span.index, token.end),
          choices: [`${span[1]} ${unit}`, own],
        },
      ];
    const minus = /(?:^|\s)[-−]\s?$/.exec(lead);
    if (!minus || (/-\s$/.test(lead) && !/^\s*-\s$/.test(lead))) return [];
    const start = token.start - minus[0].trimStart().length;
    return [{ code: 'negative', start, end: token.end, found: text.slice(start, token.end), choices: [own] }];
  });
}
