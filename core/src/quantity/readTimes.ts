import { DAILY, DAY as DAY_WORD, PER } from './aDay.ts';
import { NUMBER_WORDS, NUMERAL, readNumber } from './numeral.ts';
import { HOURS_OF_PART, type PartOfDay } from './partsOfDay.ts';
import { pattern } from './pattern.ts';
import type { Token } from './token.ts';

/** How long, how often and when, in words: "1 hour 20", "quarter of an hour", "from 18 to 23:30", "twice a week", "20 s every 10 min". */

const MINUTE = '(?:minutes?|mins?)';
const HOUR = '(?:hours?|hrs?|h)';
const LENGTH = `(${NUMERAL})\\s*(${HOUR}|${MINUTE}|seconds?|secs?|s)`;
const TIMES_WORD: Readonly<Record<string, number>> = { ...NUMBER_WORDS, once: 1, twice: 2, thrice: 3 };
const WRITTEN_OUT = Object.keys(NUMBER_WORDS).join('|');
const DAY_NAME = '(?:mon|tues?|wednes|thurs?|fri|satur|sun)days?';
/** A short name says a day only beside another or after "on": "sat nav" and "sun lamp" are things. */
const DAY = `(?:${DAY_NAME}|mon|tues?|wed|thu(?:rs?)?|fri|sat|sun)`;
const NEXT_DAY = `(?:(?:\\s*(?:,\\s*and|,|and|&|/|\\+)\\s*|\\s+)${DAY})`;
/** "4 h sat": right after a length and at the end. */
const LAST_DAY = `(?<=(?<!\\p{L})(?:${HOUR}|${MINUTE})\\s+)${DAY}(?=\\s*$)`;
/** Two letters say a day only in a span: "Mo-Fr". */
const SHORT_DAY = '(?:mo|tu|we|th|fr|sa|su)';
const DAYS_IN_ORDER = ['mo', 'tu', 'we', 'th', 'fr', 'sa', 'su'];
/** What is counted when it says how often: "2 cups a day", "1 load per week". */
const GOES =
  '(?:times|[x×]|loads?|loaf|loaves|bakes?|cycles?|charges?|uses?|runs?|cups?|coffees|teas|showers?|meals?|brews?|boils?|shots?|espressos?|rounds?|batches|(?:wash|go|flush)(?:es)?)';
/** Minutes of a time of the day: 18:30, 18h30, 6.30 pm. */
const OF_HOUR = '(?:(?::|h|\\.(?=\\d{2}\\s*[ap]m))(\\d{2}))';
const HOUR_OF_DAY = '(?:noon|midday|midnight|dusk|sunset|dawn|sunrise|\\d{1,2}(?::\\d{2})?(?:\\s*(?:am|pm|h))?)';
/** Of a line that names several of them. */
const PART_OF_DAY =
  '(?<!\\p{L})(?:mornings?|noon|midday|lunch(?:time)?|afternoons?|evenings?|nights?|bedtime|breakfast|dinner|supper|am|pm)(?!\\p{L})';
const SO_MANY = `(?<![\\p{L}\\d.,/])(?:(once|twice|thrice)|[x×]\\s*(\\d{1,2})|(\\d{1,2}|one|two|three|four|five|six)\\s*${GOES})`;
/** What a length or an energy may be of, where the line also says how many: "per cup", "a wash". */
const A_GO = '(load|cycle|charge|use|run|cup|coffee|tea|shower|meal|brew|boil|shot|espresso|round|batch|wash|go|flush)';
const EACH = '(?:/|(?<!\\p{L})(?:per|each|every|a))\\s*';
const IN_A_DAY: Readonly<Record<string, number>> = { b: 2, t: 3, q: 4 };
const A_PERSON = '(?:/|per|each)\\s*person';
const MINUTES_PER_DAY = 1440;
/** When it gets dark and light, minutes after midnight: 19:00 and 06:00. From memory. */
const DUSK_MIN = 19 * 60;
const DAWN_MIN = 6 * 60;
const IN_ALL = '(?:total|altogether|all\\s+(?:told|together))';
const END = '(?![\\p{L}\\d])';
/** What may stand behind "1 hour 20" without the minutes' name; of "2 h 12 lights" the lights are counted. */
const GOES_ON =
  '(?:each|every|daily|from|between|until|after|before|during|while|when|total|with|morning|evening|afternoon|night|midday|lunch|breakfast|dinner|overnight|week|summer|winter|continuous|running|only)';
const BEGIN = '(?<![\\p{L}\\d.,/])';

type Rule = readonly [pattern: string, read: (match: RegExpExecArray) => Omit<Token, 'start' | 'end'> | null];

const minutesOf = (number: string | undefined, unit: string | undefined): number =>
  readNumber(number ?? '') * (/^h/i.test(unit ?? '') ? 60 : /^m/i.test(unit ?? '') ? 1 : 1 / 60);
const times = (value: number) => ({ kind: 'times' as const, value });
const length = (value: number) => ({ kind: 'duration' as const, value });
const week = (value: number) => ({ kind: 'days-per-week' as const, value });
const begins = (minute: number | null) =>
  minute === null ? null : { kind: 'begins' as const, value: minute % MINUTES_PER_DAY };
/** All of a part of the day, and all but it. */
const all = (part: PartOfDay) => {
  const { startMin, minutes } = HOURS_OF_PART[part];
  return { kind: 'clock' as const, value: startMin, second: (startMin + minutes) % MINUTES_PER_DAY };
};
const besides = (part: PartOfDay) => {
  const { value, second } = all(part);
  return { kind: 'clock' as const, value: second, second: value };
};
const often = (word: string | undefined): number => TIMES_WORD[(word ?? '').toLowerCase()] ?? readNumber(word ?? '');

/** Earlier rules take the longer phrases; what one has taken no other reads. */
const RULES: readonly Rule[] = [
  // "1:30 h" is a length.
  [
    `${BEGIN}(?<!(?:-|–|to|till|until|and)\\s*)(\\d{1,2}):([0-5]\\d)\\s*${HOUR}${END}`,
    (m) => length(Number(m[1]) * 60 + Number(m[2])),
  ],
  // "2 h in total": of all its uses.
  [
    `${BEGIN}${LENGTH}(?:${PER}${DAY_WORD})?\\s*(?:in\\s+)?${IN_ALL}${END}|(?<!\\p{L})(?<!\\d\\s?(?:k?w|watts?|m?a|amps?|k?wh|k?va)\\s+(?:in\\s+)?)${IN_ALL}(?:\\s+of)?[\\s:]*${LENGTH}${END}`,
    (m) => ({ ...length(minutesOf(m[1] ?? m[3], m[2] ?? m[4])), mark: 'total' }),
  ],
  [
    `${BEGIN}${LENGTH}\\s*(?:every|each|per|/|(?:in|of|out\\s+of)\\s+(?:every|each|an?)|out\\s+of)\\s*(?:(?:(${NUMERAL})\\s*)?(${HOUR}|${MINUTE})|60)${END}`,
    (m) => {
      const [on, period] = [minutesOf(m[1], m[2]), m[4] === undefined ? 60 : minutesOf(m[3] ?? '1', m[4])];
      return on > 0 && period >= on ? { kind: 'every', value: on, second: period } : null;
    },
  ],
  [
    `${BEGIN}${LENGTH}\\s*(?:every|each|per|in\\s+every)\\s*(half|quarter)(?:\\s*of)?(?:\\s*an?)?\\s*hour${END}`,
    (m) => ({ kind: 'every', value: minutesOf(m[1], m[2]), second: /^h/i.test(m[3] ?? '') ? 30 : 15 }),
  ],
  [
    `(?<![\\p{L}\\d.,])(?:from\\s+|between\\s+)?(\\d{1,2})${OF_HOUR}?\\s*(am|pm|h)?\\s*(?:-|–|to|till|until|and)\\s*(\\d{1,2})${OF_HOUR}?\\s*(am|pm|h|o.?clock)?(?![\\p{L}\\d:]|[.,]\\d|\\s*(?:w|v|a|k?wh|ah|va|hz|min|kw)(?!\\p{L}))`,
    (m) => clock(m),
  ],
  // "off overnight": on by day.
  [
    `(?<!\\p{L})(?:(?:switched|turned)\\s+)?off\\s+(?:overnight|(?:at|by|all|during\\s+the)\\s+night)${END}|(?<!\\p{L})(?:overnight|(?:at|by|all)\\s+night)\\s+off${END}`,
    () => besides('night'),
  ],
  // "all evening": from its beginning to its end.
  [
    `(?<!\\p{L})(?:all|the\\s+whole)\\s+(morning|afternoon|evening)(?:\\s+long)?${END}`,
    (m) => all((m[1] ?? '').toLowerCase() as PartOfDay),
  ],
  // "from 1800 to 2230", "0600-2300".
  [
    `(?:(?<!\\p{L})(?:from|between|on)\\s+|(?<![\\p{L}\\d.,/-])(?=0\\d{3}\\s*(?:h(?:rs)?)?\\s*(?:-|–|to|till|until)))([012]\\d)([0-5]\\d)(?:\\s*h(?:rs)?)?\\s*(?:-|–|to|till|until|and)\\s*([012]\\d)([0-5]\\d)(?:\\s*h(?:rs)?)?${END}`,
    (m) => ofMinutes(minuteOf(m[1], m[2], undefined), minuteOf(m[3], m[4], undefined)),
  ],
  [
    '(?<![\\p{L}\\d])(?:24\\s*[/x×-]\\s*7|around the clock|round the clock|all day(?: and(?: all)? night| long)?|all the time|always(?: on)?|non-?stop|permanently|day (?:and|&) night|night (?:and|&) day|cont\\.?|continuous(?:ly)?|const(?:ant(?:ly)?|\\.)?|permanent|ongoing)(?![\\p{L}\\d])',
    () => length(MINUTES_PER_DAY),
  ],
  [
    `(?<![\\p{L}\\d.,])(?:(?:from|between)\\s+)?(${HOUR_OF_DAY})\\s*(?:-|–|to|till|until|and)\\s*(${HOUR_OF_DAY})(?![\\p{L}\\d:]|[.,]\\d|\\s*(?:w|v|a|k?wh|ah|va|hz|min|kw)(?!\\p{L}))`,
    (m) => (isTwo(m[0]) ? null : namedClock(m[1] ?? '', m[2] ?? '')),
  ],
  [
    '(?<!\\p{L})(?:overnight|all night|(?:die\\s+)?ganze\\s+nacht|toute\\s+la\\s+nuit|toda\\s+la\\s+noche|tutta\\s+la\\s+notte|(?:de\\s+)?hele\\s+nacht)(?!\\p{L})(?!\\s*\\d+(?:[.,]\\d+)?\\s*(?:h|hours?|hrs?|min|mins|minutes)(?!\\p{L}))(?<!\\d\\s*(?:h|hours?|hrs?|min|mins|minutes)\\s*(?:overnight|all night))',
    () => all('night'),
  ],
  [
    `${BEGIN}(\\d+)\\s*${HOUR}(?:\\s*(?:and\\s*)?(\\d{1,2})\\s*${MINUTE}|(\\d{1,2})|\\s*(?:and\\s*)?(\\d{1,2})(?!\\s+(?!${GOES_ON})\\p{L}{4,}))(?![\\p{L}\\d.,%:/]|\\s*(?:k?w|v|m?ah?|k?wh|k?va|hp|hz|btu|l|x|×|times|days|nights|evenings|mornings)(?!\\p{L}))`,
    (m) => length(Number(m[1]) * 60 + Number(m[2] ?? m[3] ?? m[4])),
  ],
  [`${BEGIN}(\\d+)\\s*h\\s*(\\d{1,2})\\s*m${END}`, (m) => length(Number(m[1]) * 60 + Number(m[2]))],
  [`(?<!\\p{L})(\\d+|an|one)\\s*${HOUR}\\s*and\\s*a\\s*half${END}`, (m) => length(30 + (Number(m[1]) || 1) * 60)],
  [`(?<!\\p{L})(\\d+|an?|one)\\s*and\\s*a\\s*half\\s*${HOUR}${END}`, (m) => length(30 + (Number(m[1]) || 1) * 60)],
  [
    `(?<!\\p{L})(?:(\\d+)\\s*${HOUR}\\s*and\\s*)?(?:a\\s*)?half(?:\\s*(?:an|of an))?\\s*${HOUR}${END}`,
    (m) => length(30 + Number(m[1] ?? 0) * 60),
  ],
  [`(?<!\\p{L})three[\\s-]*quarters?[\\s-]*(?:of\\s*an\\s*)?hour${END}`, () => length(45)],
  [`(?<!\\p{L})(?:an?\\s*)?quarter[\\s-]*(?:(?:of\\s*)?an?\\s*)?hour${END}`, () => length(15)],
  [`(?<!\\p{L})(?:an|one)\\s*hour${END}(?!\\s*and)(?:\\s*(?:a|per|each|every|/)\\s*day)?`, () => length(60)],
  [`(?<!\\p{L})(?:a|one)\\s*minute${END}`, () => length(1)],
  [
    `(?<!\\p{L})(${WRITTEN_OUT})\\s*(${HOUR}|${MINUTE}|seconds?|secs?)${END}(?!\\s*and)(?:\\s*(?:a|per|each|every|/)\\s*day)?`,
    (m) => length(minutesOf(String(NUMBER_WORDS[(m[1] ?? '').toLowerCase()]), m[2])),
  ],
  [`${SO_MANY}(?:${PER}(?:week|wk|w)|\\s*weekly|\\s*p\\.?/?w)${END}`, (m) => atMostAWeek(often(m[1] ?? m[2] ?? m[3]))],
  [`${BEGIN}(\\d{1,2})\\s*[x×]\\s*(?:week|wk)(?:ly)?${END}`, (m) => atMostAWeek(Number(m[1]))],
  [`${SO_MANY}${PER}fortnight${END}`, (m) => atMostAWeek(often(m[1] ?? m[2] ?? m[3]) / 2)],
  [`${SO_MANY}(?:${PER}month|\\s*monthly)${END}`, (m) => atMostAWeek((often(m[1] ?? m[2] ?? m[3]) * 7 * 12) / 365)],
  [
    `(?<![\\p{L}\\d.,/])(\\d|two|three|four|five|six)\\s*(?:days?|nights|evenings|mornings|afternoons|d)${PER}(?:week|wk|w)${END}`,
    (m) => atMostAWeek(often(m[1])),
  ],
  [
    `(?<!\\p{L})(?:(?:once|one)\\s*)?(?:a|per|each|every)\\s*fortnight${END}|(?<!\\p{L})fortnightly${END}`,
    () => week(0.5),
  ],
  [
    `(?<!\\p{L})(?:every\\s*(?:other|second|2nd)\\s*(?:day|night)|(?:on\\s+|every\\s+)?alternat(?:e|ing)\\s*(?:day|night)s?)${END}`,
    () => week(3.5),
  ],
  [`(?<!\\p{L})every\\s*(?:third|3rd)\\s*(?:day|night)${END}`, () => week(7 / 3)],
  [`(?<!\\p{L})every\\s*(\\d|two|three|four|five|six)\\s*(?:days|nights)${END}`, (m) => atMostAWeek(7 / often(m[1]))],
  [`(?<!\\p{L})(?:weekly|every\\s*week)${END}`, () => week(1)],
  [`(?<!\\p{L})every\\s*(?:other|second|2nd)\\s*(?:week|wk)${END}`, () => week(0.5)],
  [`(?<!\\p{L})every\\s*(?:third|3rd)\\s*(?:week|wk)${END}`, () => week(1 / 3)],
  [`(?<!\\p{L})every\\s*(\\d|two|three|four|five|six)\\s*(?:weeks|wks)${END}`, (m) => week(1 / often(m[1]))],
  [`(?<!\\p{L})every\\s*(?:other|second|2nd)\\s*month${END}`, () => week((7 * 6) / 365)],
  [`(?<!\\p{L})every\\s*(\\d|two|three|four|six)\\s*months${END}`, (m) => week((7 * 12) / 365 / often(m[1]))],
  [`(?<!\\p{L})(?:monthly|every\\s*month)${END}`, () => week((7 * 12) / 365)],
  [`${BEGIN}([1-7])\\s*/\\s*(?:week|wk|w)${END}`, (m) => week(Number(m[1]))],
  [
    `${BEGIN}${LENGTH}\\s*(?:(?:/|per|a|each|every)\\s*(?:week|wk)|p\\.?\\s?/?\\s?w)${END}`,
    (m) => ({ kind: 'per-week', value: minutesOf(m[1], m[2]) }),
  ],
  [
    `${BEGIN}${LENGTH}\\s*(?:/|per|a|each|every)\\s*month${END}`,
    (m) => ({ kind: 'per-month', value: minutesOf(m[1], m[2]) }),
  ],
  [
    `(?<!\\p{L})(?<!${DAY}\\s*(?:,|&|\\+|/|and)?\\s*)(?:on\\s+|at\\s+)?(?:the\\s+)?(?:weekends?|sat(?:urdays?)?\\s*(?:and|&|\\+|-|–|/|,)\\s*sun(?:days?)?)(?:\\s+only)?(?!\\p{L})`,
    () => ({ kind: 'weekends', value: 2 }),
  ],
  [
    '(?<!\\p{L})(?:only\\s+)?(?:(?:in|during)\\s+(?:the\\s+)?|only\\s+)(summer|winter)s?(?:\\s+only)?(?!\\p{L})|(?<!\\p{L})(summer|winter)s?\\s+only(?!\\p{L})|(?<!\\p{L})(?:all\\s+)?(summer|winter)s?(?=\\s*(?:$|[,;)]|(?:evening|night|morning|afternoon|weekend)s?(?!\\p{L})))',
    (m) => ({ kind: (m[1] ?? m[2] ?? m[3] ?? '').toLowerCase() as 'summer' | 'winter', value: 1 }),
  ],
  [
    '(?<!\\p{L})(?:on\\s+)?(?:weekdays?|week[ -]?nights?|(?:work|working|school|business|office)\\s?days?|werktags?|mondays? to fridays?|mon-fri|m\\s?[-–]\\s?f(?=\\s*(?:only\\s*)?(?:$|[,;)])))(?:\\s+only)?(?!\\p{L})',
    () => ({ kind: 'weekdays', value: 5 }),
  ],
  [
    `(?<!\\p{L})(${DAY})\\s*(?:-|–|to|till|until|through|thru)\\s*(${DAY})${END}`,
    (m) => week(((dayIndex(m[2]) - dayIndex(m[1]) + 7) % 7) + 1),
  ],
  // "m/w/f", "tu/th": several days.
  [
    `(?<![\\p{L}\\d/])(?:m\\s?/\\s?w\\s?/\\s?f|t\\s?/\\s?th|${SHORT_DAY}(?:\\s?/\\s?${SHORT_DAY})+)${END}`,
    (m) => week(m[0].split('/').length),
  ],
  [
    `(?<!\\p{L})(${SHORT_DAY})\\s?[-–]\\s?(${SHORT_DAY})${END}`,
    (m) => week(((dayIndex(m[2]) - dayIndex(m[1]) + 7) % 7) + 1),
  ],
  [
    `(?<!\\p{L})(?:(?:on|every)\\s+${DAY}${NEXT_DAY}*|${DAY}${NEXT_DAY}+|${LAST_DAY}|${DAY_NAME})${END}`,
    (m) => atMostAWeek(m[0].match(pattern(DAY, 'gi'))?.length ?? 1),
  ],
  [
    `${SO_MANY}(?:${PER}(?:${DAY_WORD}|night)|\\s*(?:${DAILY}|nightly))${END}`,
    (m) => times(often(m[1] ?? m[2] ?? m[3])),
  ],
  [
    '(?<![\\p{L}\\d.,/])(once|twice|thrice|(?:\\d{1,2}|two|three|four|five|six)\\s*times)(?![\\p{L}\\d]|\\s+in\\s+a\\s+while)',
    (m) => times(often(m[1]?.replace(/\s*times$/i, ''))),
  ],
  [
    '(?<![\\p{L}\\d])(half|a\\s+third|a\\s+quarter|two\\s+thirds|three\\s+quarters|[1-4]/[2-5])\\s*(?:of\\s*)?(?:the\\s+)?time(?!\\p{L})',
    (m) => share(m[1]),
  ],
  // "12 of 24 h", "8 hours out of 24".
  [
    `${BEGIN}(${NUMERAL})\\s*(?:${HOUR})?\\s*(?:out\\s+)?of\\s*(?:every\\s+)?24(?:\\s*${HOUR})?${END}`,
    (m) => ({ kind: 'share', value: readNumber(m[1] ?? '') / 24 }),
  ],
  // "5 min per person, 3 persons": as often as there are people.
  [
    `(?<![\\p{L}\\d.,/])(\\d{1,2})\\s*(?:people|persons|guests)${END}(?:(?<=${A_PERSON}.*)|(?=.*${A_PERSON}))`,
    (m) => times(Number(m[1])),
  ],
  // "45 s per cup, 6 cups".
  [
    `(?<![\\p{L}\\d.,/])(\\d{1,2})\\s*${A_GO}(?:e?s)?${END}(?:(?<=${EACH}\\2(?!\\p{L}).*)|(?=.*${EACH}\\2(?!\\p{L})))`,
    (m) => times(Number(m[1])),
  ],
  // "4 showers 3 min": as often as so long.
  [
    `(?<![\\p{L}\\d.,/])(\\d{1,2})\\s*(?:showers|coffees|teas|espressos|uses|flushes|washes|brews|boils|shots|goes)(?=\\s*(?:,|of|at|@|[x×])?\\s*${LENGTH}${END})`,
    (m) => times(Number(m[1])),
  ],
  // "at 6pm", "7:30am", "at 18:00", "7am and 5pm".
  [
    `(?<![\\p{L}\\d.,:/])(?:(?:at|@|from|starting(?:\\s+at)?|around|about)\\s+)?(\\d{1,2})(?:[:.]([0-5]\\d))?\\s*([ap])\\.?m\\.?${END}`,
    (m) => begins(minuteOf(m[1], m[2], `${m[3]}m`)),
  ],
  [
    `(?<!\\p{L})(?:at|from|starting(?:\\s+at)?|around|and|then)\\s+([01]?\\d|2[0-3])[:h]([0-5]\\d)${END}|(?<=[@,&]\\s*)([01]?\\d|2[0-3]):([0-5]\\d)${END}`,
    (m) => begins(minuteOf(m[1] ?? m[3], m[2] ?? m[4], undefined)),
  ],
  [
    `(?<!\\p{L})at\\s+(noon|midday|midnight|dusk|sunset|dawn|sunrise)${END}`,
    (m) => begins(NAMED_MIN[(m[1] ?? '').toLowerCase()] ?? null),
  ],
  // "twice", "three times" and "four times a day" on a prescription.
  [`(?<!\\p{L})([btq])\\.?i\\.?d(?:\\.|${END})`, (m) => times(IN_A_DAY[(m[1] ?? '').toLowerCase()] ?? 1)],
  // "3 cups, 1 min each"; a machine of 12 cups has no "each".
  [
    `(?<![\\p{L}\\d.,/])(\\d{1,2})\\s*(?:cups|coffees|teas|uses|(?:flush|wash)es)${END}(?=.*(?<!\\p{L})each(?!\\p{L}))`,
    (m) => times(Number(m[1])),
  ],
  // "mornings and evenings", "breakfast, lunch and dinner".
  [
    `(?<!\\p{L})(?:(?:every|each|in the|at|with)\\s+)*${PART_OF_DAY}(?:\\s*(?:,\\s*and|,|and|&|/|\\+)\\s*(?:(?:every|each|in the|at)\\s+)*${PART_OF_DAY})+${END}`,
    (m) => times(m[0].match(pattern(PART_OF_DAY, 'giu'))?.length ?? 1),
  ],
  ['(?<![\\p{L}\\d])(?:(?:at|on)\\s+)?half\\s+power(?!\\p{L})', () => share('half')],
  [`(?<![\\p{L}\\d.,/])(\\d{1,2})\\s*[x×]?${PER}${DAY_WORD}${END}`, (m) => times(Number(m[1]))],
  [`(?<!\\p{L})(?:every|each|a|per)\\s*day${END}|(?<!\\p{L})${DAILY}${END}`, () => null],
];

const dayIndex = (name: string | undefined): number => DAYS_IN_ORDER.indexOf((name ?? '').slice(0, 2).toLowerCase());
const SHARES: Readonly<Record<string, number>> = {
  half: 1 / 2,
  third: 1 / 3,
  quarter: 1 / 4,
  thirds: 2 / 3,
  quarters: 3 / 4,
};
const share = (said: string | undefined): Omit<Token, 'start' | 'end'> => {
  const last = (said ?? '').toLowerCase().split(/\s+/).at(-1) ?? '';
  return { kind: 'share', value: SHARES[last] ?? readNumber(last) };
};
const atMostAWeek = (days: number) => (days >= 0.1 && days <= 7 ? week(days) : null);

const COMPILED = RULES.map(([source, read]) => ({ says: pattern(source, 'giu'), read }));

const VOLUME = `(${NUMERAL})\\s*(?:(l|lt|ltr|lit(?:re|er)s?)|gal(?:lons?)?)`;
/** So much a day, or so much used: not the size of a tank. */
const A_DAY = pattern(`${BEGIN}${VOLUME}(?:${PER}${DAY_WORD}|\\s*(?:used|needed|pumped))${END}`, 'iu');
const A_MINUTE = pattern(`${BEGIN}(?:${VOLUME}\\s*(?:/|per|a)\\s*min(?:ute)?|(${NUMERAL})\\s*gpm)${END}`, 'iu');

/** "40 l a day at 10 l/min": as long as so much takes to flow. */
function flowTime(text: string): Token | null {
  const [day, minute] = [A_DAY.exec(text), A_MINUTE.exec(text)];
  if (!day || !minute || Boolean(day[2]) !== Boolean(minute[2])) return null;
  const value = readNumber(day[1] ?? '') / readNumber(minute[1] ?? minute[3] ?? '');
  return value > 0 && value <= MINUTES_PER_DAY
    ? { kind: 'duration', value, start: day.index, end: day.index + day[0].length }
    : null;
}

export function readTimes(text: string): Token[] {
  const flow = flowTime(text);
  const found: Token[] = flow ? [flow] : [];
  for (const { says, read } of COMPILED)
    for (const match of text.matchAll(says)) {
      const [start, end] = [match.index, match.index + match[0].length];
      if (found.some((token) => start < token.end && end > token.start)) continue;
      const token = read(match);
      if (token && Number.isFinite(token.value)) found.push({ ...token, start, end });
    }
  return found;
}

/** "At 7am and 5pm" are two times, "between 7am and 5pm" is one. */
const isTwo = (span: string): boolean => /\sand\s/i.test(span) && !/^(?:from|between)/i.test(span);

/** "from 18 to 23:30", "18:00-23:30", "6pm to 11pm": needs a word, a colon or a half of the day, lest "2-3" be a time. */
function clock(m: RegExpExecArray): Omit<Token, 'start' | 'end'> | null {
  const said = [m[2], m[3], m[5], m[6]].filter((part) => part !== undefined);
  // "3-4 h" is from three to four hours long; "18-23h" is from six in the evening.
  const isLength = said.every((part) => /^h$/i.test(part)) && Number(m[1]) < Number(m[4]) && Number(m[4]) <= 12;
  const isTime = /^(?:from|between)/i.test(m[0]) || (said.length > 0 && !isLength);
  if (isTwo(m[0])) return null;
  const from = minuteOf(
    m[1],
    m[2],
    m[3] ?? (/^[ap]m$/i.test(m[6] ?? '') && Number(m[1]) < Number(m[4]) ? m[6] : undefined),
  );
  const to = minuteOf(m[4], m[5], m[6]);
  // "2h30-3h" is how long.
  const isSpan = /\dh\d/i.test(m[0]) && Number(m[4]) <= 12 && !/^(?:from|between)/i.test(m[0]);
  return isTime && !isSpan ? ofMinutes(from, to) : null;
}

const NOON_MIN = 12 * 60;
/** Minutes after midnight of the times of day that have names. */
const NAMED_MIN: Readonly<Record<string, number>> = {
  noon: NOON_MIN,
  midday: NOON_MIN,
  midnight: MINUTES_PER_DAY,
  dusk: DUSK_MIN,
  sunset: DUSK_MIN,
  dawn: DAWN_MIN,
  sunrise: DAWN_MIN,
};

/** "noon to 3", "6pm till midnight", "dusk till dawn": one of the two has a name. "8 till midnight" may be either eight. */
function namedClock(fromText: string, toText: string): Omit<Token, 'start' | 'end'> | null {
  const at = (text: string): number | null => {
    const [, hour, minute, half] = /^(\d+)(?::(\d+))?\s*(am|pm|h)?$/i.exec(text) ?? [];
    return hour === undefined ? (NAMED_MIN[text.toLowerCase()] ?? null) : minuteOf(hour, minute, half);
  };
  const isNamed = (text: string) => text.toLowerCase() in NAMED_MIN;
  if (!isNamed(fromText) && !isNamed(toText)) return null;
  const from = at(fromText);
  let to = at(toText);
  if (from === null || to === null) return null;
  const isEither = (text: string) => /^(?:[1-9]|1[01])$/.test(text);
  if (isEither(fromText)) return null;
  // "noon to 3", "dusk till 11": after noon.
  if (isEither(toText) && from % MINUTES_PER_DAY >= NOON_MIN && from - NOON_MIN < to) to += NOON_MIN;
  return ofMinutes(from, to);
}

function ofMinutes(from: number | null, to: number | null): Omit<Token, 'start' | 'end'> | null {
  if (from === null || to === null || from === to) return null;
  return { kind: 'clock', value: from % MINUTES_PER_DAY, second: to % MINUTES_PER_DAY };
}

function minuteOf(hour: string | undefined, minute: string | undefined, half: string | undefined): number | null {
  const [h, m] = [Number(hour), Number(minute ?? 0)];
  if (h > 24 || m > 59 || (h === 24 && m > 0)) return null;
  if (!/^[ap]m$/i.test(half ?? '')) return h * 60 + m;
  if (h < 1 || h > 12) return null;
  return ((h % 12) + (/^p/i.test(half ?? '') ? 12 : 0)) * 60 + m;
}
