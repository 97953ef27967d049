import { pattern } from '../quantity/pattern.ts';
import type { Question } from '../quantity/question.ts';
import type { Token } from '../quantity/token.ts';
import type { Appliance } from '../reference/appliances.ts';

/** What says how much it takes; the name may stand behind it, and when it stands before, more about it. */
const TAKES: ReadonlySet<Token['kind']> = new Set(['power', 'current', 'voltage', 'apparent']);
/** What says when, how long or how often. */
const TELLS: ReadonlySet<Token['kind']> = new Set([
  'duration',
  'clock',
  'begins',
  'every',
  'times',
  'days-per-week',
  'per-week',
  'per-month',
  'weekdays',
  'weekends',
  'summer',
  'winter',
  'energy',
  'energy-per-day',
  'energy-per-use',
  'charge-per-day',
]);

/** Words that mean what they say there, or nothing. */
const KNOWN_WORDS = [
  // Parts of the day.
  String.raw`mornings?|evenings?|nights?|nightly|overnight|afternoons?|noon|midday|midnight|breakfasts?|lunch(?:time)?|dinners?|suppers?|bedtime|(?:before\s+)?(?:bed|sleep)|[ap]\.?\s?m\.?|day(?:s|time|light)?|daily|dusk|dawn|sunset|sunrise|nacht|nuit|noche|notte|abends?|tags?|soir|matin`,
  // What feeds it, and how it runs.
  String.raw`compressor\s+(?:time|hours|on|running)|timer|critical|medical|essential|driv\p{L}*|while|whilst|during|travel\p{L}*|parked|stationary|moving|towing|plugged\s+in|mains|battery|adapt[eo]r|usb(?:-?c)?|ac|dc|led|ipx?|rms|charger|psu|compressor|standby|charging|heating|cooking|cycling|starts?|slices?|(?:without|with|w\/o|w\/)\s+humidifier`,
  // Small words.
  String.raw`in\s+total|maybe|perhaps|usually|normally|once|twice|half|an?|the|at|in|on|of|for|from|to|till|until|by|with|and|&|or|so|per|each|every|ea|both|all|only|just|about|approx\.?|around|roughly|max\.?|min\.?|total|usage|used?|uses|is|are|its?|runs?|running|runtime|times?|draws?|takes?|plus|then|together|through|pro|par|am|je|al|por|over`,
  // What is counted.
  'cups?|mugs?|coffees?|teas?|shots?|showers?|cycles?|wash(?:es)?|loads?|loa(?:f|ves)|charges?|batter(?:y|ies)|goes|flush(?:es)?|meals?|brews?|pieces?|pcs|persons?|people|guests?',
  // Units that no figure needs.
  String.raw`l\s?\/\s?min|lpm|gpm|lit(?:re|er)s?|gal(?:lons?)?|kg|inch(?:es)?|cm|mm|bar|psi|rpm|lumens?|m\s+(?:cable|lead)|deg(?:rees)?|min|std|ora|ore`,
  // Places.
  String.raw`kitchen|galley|lounge|living|dinette|(?:bed|bath|wash|wet|living)\s?room|bathroom|toilet|loo|cab|cabin|cockpit|roof|loft|garage|boot|locker|awning|outside|outdoors?|inside|indoors?|porch|workshop|office|desk|bunk|rear|front|left|right|side|ceiling|wall|floor|step|hall|table|van|camper|caravan|trailer|truck|boat|room`,
];
const KNOWN = pattern(`(?<!\\p{L})(?:${KNOWN_WORDS.join('|')})(?!\\p{L})`, 'giu');
const IN_BRACKETS = /\([^()]*\)/g;
const RUN = pattern(/\p{L}[\p{L}\p{M}'’./&+-]*(?:\s+\p{L}[\p{L}\p{M}'’./&+-]*)*/giu);

const blank = (text: string): string => ' '.repeat(text.length);

/**
 * Words behind the figures of what was named before that no rule has read: "hob 2 kW low setting 10 min by request". They
 * may say when, how often or how much, so that they are asked about; in brackets they belong to the name.
 * @param asked what is asked about already; `type` whose words may stand anywhere
 */
export function unreadBehind(
  text: string,
  tokens: readonly Token[],
  asked: readonly Pick<Question, 'start' | 'end'>[],
  type: Appliance | null,
): Question[] {
  let left = text;
  for (const { start, end } of [...tokens, ...asked])
    left = left.slice(0, start) + blank(text.slice(start, end)) + left.slice(end);
  // "2 h TV 60 W": the name is still to come.
  const isNamed = ({ start }: Token) => /\p{L}{2}/u.test(left.slice(0, start));
  const first =
    tokens.find((token) => TAKES.has(token.kind) && isNamed(token)) ?? tokens.find(({ kind }) => TELLS.has(kind));
  if (!first || !isNamed(first)) return [];
  const named = left.slice(0, first.start);
  const known = new Set(wordsOf([named, type?.name ?? '', ...(type?.words ?? [])].join(' ')));
  const behind = blank(named) + left.slice(first.start).replace(IN_BRACKETS, blank).replace(KNOWN, blank);
  return [...behind.matchAll(RUN)].flatMap((match): Question[] => {
    const found = match[0].replace(/[./&+-]+$/, '');
    const words = wordsOf(found);
    // "32 °C" leaves a letter, "20 min x 4 days" a sign.
    if ((words.length === 1 && found.length < 2) || words.every((word) => known.has(word) || word === 'x')) return [];
    const start = match.index;
    return [{ code: 'unread-rest', start, end: start + found.length, found, choices: [`(${found})`, ''] }];
  });
}

const wordsOf = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{M}]+/gu) ?? [];
