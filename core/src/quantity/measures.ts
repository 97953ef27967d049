import { NUMERAL, readNumber } from './numeral.ts';
import { pattern } from './pattern.ts';

/** Measures that tell one thing from another and are part of its name: 80 l, 24 inch, 3 door. */
export const NAMING = pattern(
  /^\s*-?\s*(?:l|lt|ltr|litres?|liters?|ml|gal(?:lons?)?|kg|g|lbs?|cm|mm|m|met(?:re|er)|m2|m²|m3|m³|inch(?:es)?|in|ft|foot|feet|["”″'′]|°\s*[cf]?|c|deg(?:rees)?|k|lm|lumens?|ohms?|Ω|px|gb|tb|mb|bar|psi|gpm|gph|rpm|min\s?(?:-1|⁻¹)|mhz|ghz|channels?|ch|door|ring|burner|slice|cup|stage|speed|way|zone|person|people|berth|bay|led|cell|watt-hour|star|th|st|nd|rd|g|gen)s?(?![\p{L}\d])/iu,
);

const NUMBER = pattern(`(?<![\\p{L}\\d.,/#_-])[-−]?\\s?${NUMERAL}`, 'giu');

/** When it runs, in words that no rule of time needs. */
const WHEN = pattern(
  /(?<!\p{L})(?:(?:every|each|in the|at|during the)\s+)?(?:(?:morning|evening|night|afternoon|noon|summer|winter|day)s?|only|total|together)(?!\p{L})/giu,
);
/** What it goes without. */
const WITHOUT = pattern(/(?<!\p{L})(?:without|w\/o|no)\s+(?:an?\s+|the\s+)?\p{L}+/giu);

/** Whether a line says what a thing goes without, which must not choose its type. */
export const goesWithout = (words: string): boolean => words.replace(WITHOUT, '') !== words;

/** A line's words without such measures and times: what is left names the thing. */
export function withoutMeasures(words: string): string {
  let kept = '';
  let from = 0;
  for (const match of words.matchAll(NUMBER)) {
    const end = match.index + match[0].length;
    const unit = NAMING.exec(words.slice(end));
    if (!unit || match.index < from) continue;
    kept += `${words.slice(from, match.index)} `;
    // "20 l/min" is one measure.
    from = end + unit[0].length;
    from += pattern(/^\s*\/\s*(?:min(?:ute)?|h(?:our)?|s)(?!\p{L})/iu).exec(words.slice(from))?.[0].length ?? 0;
  }
  return (kept + words.slice(from)).replace(WITHOUT, ' ').replace(WHEN, ' ').replace(/\s+/g, ' ').trim();
}

const TEMPERATURE = pattern(
  `(?<![\\p{L}\\d.,])(minus\\s+|[-−]\\s?)?(${NUMERAL})\\s*(?:(?:°|deg(?:rees)?\\.?|º)\\s*(c(?:elsius)?|f(?:ahrenheit)?)?|c)(?!\\p{L})`,
  'iu',
);

/** A line's words without a temperature. */
export const withoutTemperature = (words: string): string =>
  words.replace(TEMPERATURE, ' ').replace(/\s+/g, ' ').trim();

/** °C that stand in a line; °F where they are said to be. Null where none do. */
export function temperatureIn(text: string): number | null {
  const match = TEMPERATURE.exec(text);
  if (!match) return null;
  const value = readNumber(match[2] ?? '') * (match[1] ? -1 : 1);
  return /^f/i.test(match[3] ?? '') ? ((value - 32) * 5) / 9 : value;
}
