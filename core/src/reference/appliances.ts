import type { FirmAppliance } from '../job/applianceSchema.ts';
import { cycleLength, runningPowerW } from '../job/draw.ts';
import { type Spread, spreadOf } from '../job/measuredUnits.ts';
import { plainLoad } from '../job/plainLoad.ts';
import type { Draw, Load, PathKind, Use } from '../job/schema.ts';
import type { INSULATION } from '../job/values.ts';
import type { OriginLabel } from '../quantity/figure.ts';
import { pattern } from '../quantity/pattern.ts';
import { remembering } from '../quantity/remember.ts';
import { APPLIANCE_TABLE } from './applianceTable.ts';
import { DEFAULT } from './defaults.ts';
import { NAMEPLATE } from './nameplates.ts';
import { inEnglish } from './otherLanguages.ts';
import { START_RATIO, type StartKind } from './starts.ts';

/** A generic type of appliance: what to assume until it is measured. */
export interface Appliance {
  readonly id: string;
  readonly name: string;
  readonly words: readonly string[];
  readonly draw: Draw;
  readonly lowW: number;
  readonly highW: number;
  readonly uses: readonly Use[];
  readonly path: PathKind;
  readonly startRatio: number;
  readonly powerFactor: number;
  readonly origin: OriginLabel;
  /** The firm's own entry: the load as it was measured, and how units of it differ. */
  readonly own?: Load;
  readonly spread?: Spread | null;
}

/** An entry of the firm's catalogue in the form of a type. */
export function fromFirm(id: string, { name, words, load, measured }: FirmAppliance): Appliance {
  const watts = runningPowerW(load.draw);
  return {
    id,
    name,
    words: words.toLowerCase().split(/\s+/).filter(Boolean),
    draw: load.draw,
    lowW: watts,
    highW: watts,
    uses: load.uses,
    path: load.path,
    startRatio: load.startRatio,
    powerFactor: load.powerFactor,
    origin: 'job',
    own: load,
    spread: spreadOf(measured),
  };
}

export const APPLIANCES: readonly Appliance[] = APPLIANCE_TABLE.trim().split('\n').map(readRow);

function readRow(row: string): Appliance {
  const cells = row.split('|').map((cell) => cell.trim());
  const [id = '', name = '', words = '', draw = '', range = '', when = '', path, start, powerFactor, origin] = cells;
  const [lowW = 0, highW = 0] = range.split('–').map(Number);
  const parsed = readDraw(draw);
  return {
    id,
    name,
    words: words.split(' '),
    draw: parsed,
    lowW,
    highW,
    uses: when === 'day' ? [{ startMin: 0, minutes: 1440 }] : readUses(when, parsed),
    path: path as PathKind,
    startRatio: START_RATIO[start as StartKind],
    powerFactor: Number(powerFactor),
    origin: origin as OriginLabel,
  };
}

function readDraw(text: string): Draw {
  const [kind, ...rest] = text.split(' ');
  const [first = 0, second = 0, third = 0] = rest.map(Number);
  switch (kind) {
    case 'steady':
      return { kind, powerW: first };
    case 'standby':
      return { kind, powerW: first };
    case 'thermostatic':
      return { kind, runningW: first, duty: second, dutyAtC: DEFAULT.fridgeReferenceAmbientC.value, setC: third };
    case 'water-heating': {
      const [powerW = 0, litres = 0, riseK = 0, efficiency = 1, standingW = 0] = rest.map(Number);
      return { kind, powerW, litres, riseK, efficiency, standingW };
    }
    case 'room': {
      const [mode, capacityW, cop, setC, volumeM3, insulation, glazingM2, internalW] = rest;
      return {
        kind,
        mode: mode as 'cooling' | 'heating',
        capacityW: Number(capacityW),
        cop: Number(cop),
        setC: Number(setC),
        volumeM3: Number(volumeM3),
        insulation: insulation as (typeof INSULATION)[number],
        glazingM2: Number(glazingM2),
        internalW: Number(internalW),
      };
    }
    default:
      return {
        kind: 'cycle',
        phases: rest
          .join(' ')
          .split(', ')
          .map((phase) => {
            const match = /^(.+) ([\d.]+)(?:×([\d.]+))? ([\d.*]+)$/.exec(phase);
            if (!match) throw new Error(`appliance table: cannot read phase "${phase}"`);
            return {
              label: match[1] ?? '',
              powerW: Number(match[2]),
              minutes: match[4] === '*' ? null : Number(match[4]),
              startRatio: match[3] === undefined ? null : Number(match[3]),
            };
          }),
      };
  }
}

function readUses(text: string, draw: Draw): Use[] {
  return text.split(', ').flatMap((group) => {
    const [length = '', times = ''] = group.split(' @ ');
    const minutes = draw.kind === 'cycle' ? cycleMinutes(draw, Number(length)) : Number(length);
    return times.split(' ').map((time) => {
      const [h = 0, m = 0] = time.split(':').map(Number);
      return { startMin: h * 60 + m, minutes };
    });
  });
}

/** A cycle of fixed phases lasts as long as they do; one with a filling phase as long as the table says. */
function cycleMinutes(draw: Extract<Draw, { kind: 'cycle' }>, minutes: number): number {
  const { fixedMin, stretches } = cycleLength(draw.phases);
  return stretches ? Math.max(minutes, fixedMin) : fixedMin;
}

/**
 * Appliances by everyday words, best match first, the commoner (earlier in the table) of equals first: every
 * typed word must be found in the name or its words. The firm's own entries come first.
 */
export function findAppliances(text: string, limit = 8, firm: readonly Appliance[] = []): Appliance[] {
  const typed = inEnglish(
    text
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter(Boolean),
  ).map(singular);
  if (typed.length === 0) return [];
  const own = (appliance: Appliance) => (appliance.own ? OWN_FIRST : 1);
  return [...firm, ...APPLIANCES]
    .map((appliance) => ({ appliance, score: score(appliance, typed) * own(appliance) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score)
    .slice(0, limit)
    .map(({ appliance }) => appliance);
}

/** The firm's own entries rank before any type. */
const OWN_FIRST = 1000;

const singular = (word: string): string => (word.length > 3 ? word.replace(/(?<=sh|ch|x|ss)es$|(?<!s)s$/, '') : word);

/** Words that tell of no thing. */
const SMALL = new Set(['on', 'in', 'of', 'to', 'the', 'and', 'with', 'when', 'by', 'low', 'high', 'off', 'at', 'for']);

/** The words of a text; a single letter, as in "A/C" or "USB-C", is none. */
const wordsIn = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(
      pattern(/(?<!\p{L})(?:a\/c|air\s?co|air\s?conditioning|(?<=roof(?:top)?\s)ac|ac(?=\s+unit))(?!\p{L})/giu),
      'aircon',
    )
    .replace(/iz(?=e|ing)/g, 'is')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => (word.length > 1 || /\d/.test(word)) && !SMALL.has(word))
    .map(singular);

/** Names of two words, written as one, and words that are written as two: hairdryer, dish washer. */
const COMPOUNDS = new Map<string, readonly string[]>();
const VOCABULARY = new Set<string>();
for (const { name, words } of APPLIANCES) {
  const named = wordsIn(name);
  for (const word of [...named, ...words.map(singular)]) VOCABULARY.add(word);
  named.forEach((word, i) => {
    const next = named[i + 1];
    if (next) COMPOUNDS.set(word + next, [word, next]);
  });
}

/** The types that a word has to do with. */
const KNOWN_BY = new Map<string, Appliance[]>();
for (const appliance of APPLIANCES)
  for (const word of [...wordsIn(appliance.name), ...appliance.words.map(singular), ...appliance.id.split('-')]) {
    const types = KNOWN_BY.get(word);
    if (types) types.push(appliance);
    else KNOWN_BY.set(word, [appliance]);
  }

/** What is done meanwhile is no thing of its own. */
const MEANWHILE = pattern(/(?<!\p{L})(?:while|during|when)\s+\p{L}+/giu);

/** What a thing does or has is no thing of its own: a heater's heating, an air conditioner's compressor. */
const OF_A_THING: Readonly<Record<string, string>> = { heater: 'heating', boiler: 'heating', aircon: 'compressor' };

/** A line's words as the catalogue writes them. */
function asNamed(text: string): string[] {
  const apart = inEnglish(wordsIn(text.replace(MEANWHILE, ''))).flatMap((word) =>
    VOCABULARY.has(word) ? [word] : (COMPOUNDS.get(word) ?? [word]),
  );
  const typed: string[] = [];
  for (const word of apart) {
    const joined = (typed.at(-1) ?? '') + word;
    if (typed.length > 0 && VOCABULARY.has(joined)) typed.splice(-1, 1, joined);
    else typed.push(word);
  }
  return typed.filter((word) => !typed.some((thing) => OF_A_THING[thing] === word));
}

function score({ name, words }: Appliance, typed: readonly string[]): number {
  const named = wordsIn(name);
  let total = 0;
  for (const word of typed) {
    if (named[0] === word) total += 12;
    else if (named.includes(word)) total += 8;
    else if (named.some((part) => part.startsWith(word))) total += 5;
    else if (words.some((part) => singular(part) === word)) total += 4;
    else if (words.some((part) => part.startsWith(word))) total += 2;
    else return 0;
  }
  return total;
}

/** Words that say how or where of many things, and by themselves of none. */
const GENERAL = new Set(
  'box machine maker small large mini electric electrical mains portable usb dc ac led set unit system hot cold warm water air gas diesel work desk outdoor inside outside travel video power display meter tank hand mobile v volt bed heated heating cooling charger charging medical tool motor old new big main spare my our kitchen galley bathroom bedroom front rear left right driving gun'.split(
    ' ',
  ),
);

/** Everyday words that tell a thing by themselves, wherever they stand. */
const SYNONYMS = new Set(
  'aircon refrigerator cooler esky lamp computer notebook tv telly beamer hoover cooktop stove washer modem cpap induction ebike drone pa vac espresso toothbrush'.split(
    ' ',
  ),
);

const MAKERS = new Set(['maker', 'machine']);

export interface Match {
  readonly appliance: Appliance;
  readonly score: number;
}

/**
 * The types that a line's words name, the best first: whole words only, so that a short name is not found inside
 * another. A word that is known to none ("toaster, weekdays", "freezer of Anna") does not lose the type, as long as
 * one that tells the thing is there; the last word counts most, as in "fridge light", and so does the word a type's
 * name ends in: a fan heater is a heater, a fan is not.
 */
function matchAppliances(text: string, firm: readonly Appliance[]): Match[] {
  const typed = asNamed(text);
  if (typed.length === 0) return [];
  const known = new Set(typed.flatMap((word) => KNOWN_BY.get(word) ?? []));
  return [...firm, ...APPLIANCES.filter((appliance) => known.has(appliance))]
    .map((appliance) => ({ appliance, score: nameScore(appliance, typed) * (appliance.own ? OWN_FIRST : 1) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score || rank(a.appliance) - rank(b.appliance));
}

/** Matches whose names fit about as well as the best: among them watts and volts decide. */
export function nearMatches(text: string, firm: readonly Appliance[]): Match[] {
  const matches = matchAppliances(text, firm);
  const best = matches[0]?.score ?? 0;
  return matches.filter(({ score }) => score >= best * NEAR);
}

const NEAR = 0.75;

/** Of near matches the one that is fed as was said and takes about as many watts; the better name of equals. */
export function bestFit(near: readonly Match[], watts: number | null, feed: 'mains' | 'dc' | null): Appliance | null {
  // So many watts of what may hang on either are taken for the mains', unless that fits far worse.
  const strong = feed === null && (watts ?? 0) > NAMEPLATE.mainsFromW.value;
  const either = strong && near.some(({ appliance }) => appliance.path.startsWith('inverter'));
  const misfit = ({ path, lowW, highW }: Appliance): number => {
    const byMains = path.startsWith('inverter');
    const range = watts === null || watts <= 0 ? 1 : watts < lowW ? lowW / watts : watts / highW;
    const feeds =
      (feed === 'mains' && !byMains ? 4 : 0) + (feed === 'dc' && byMains ? 2 : 0) + (either && !byMains ? 1.5 : 0);
    return feeds + (range > 3 ? 3 : range > 1 ? 1 : 0);
  };
  const sorted = [...near].sort((a, b) => misfit(a.appliance) - misfit(b.appliance) || b.score - a.score);
  return sorted[0]?.appliance ?? null;
}

/** Whether all of a line's words tell of this type; a strange one may make it some other thing. */
export const isFullyNamed = (appliance: Appliance, text: string): boolean => {
  const { named, rest, everyday } = namingOf(appliance);
  return asNamed(text).every((word) => [named, rest, everyday].some((known) => known.includes(word)));
};

/** Of equal names the one that is common practice before the one from memory. */
const rank = ({ origin }: Appliance): number => (origin === 'M' ? 1 : 0);

/** The words of a type, taken apart once. */
interface Naming {
  /** Of the thing itself, before the first comma; the last of them tells what it is. */
  readonly named: readonly string[];
  readonly rest: readonly string[];
  readonly everyday: readonly string[];
}

const remembered = remembering<Appliance, Naming>();

const namingOf = (appliance: Appliance): Naming =>
  remembered(appliance, [], () => {
    const [thing = ''] = appliance.name.split(',');
    const named = wordsIn(thing);
    return { named, rest: wordsIn(appliance.name).slice(named.length), everyday: appliance.words.map(singular) };
  });

function nameScore(appliance: Appliance, typed: readonly string[]): number {
  const { id } = appliance;
  const { named, rest, everyday } = namingOf(appliance);
  const head = named.at(-1);
  const isSame = typed.join(' ') === named.join(' ') || typed.join('-') === id;
  let total = isSame ? 20 : 0;
  let tells = false;
  const isUnknown = (word: string) => word !== head && ![named, everyday, rest].some((known) => known.includes(word));
  // A maker of something is another thing than what serves it: a bread maker is no toaster.
  const strange = (word: string, i: number) =>
    GENERAL.has(word) && !(i === typed.length - 1 && MAKERS.has(word)) ? 0.5 : 1;
  const unknown = typed.reduce((sum, word, i) => (isUnknown(word) ? sum + strange(word, i) : sum), 0);
  typed.forEach((word, i) => {
    if (isUnknown(word)) return;
    const isLast = i === typed.length - 1;
    // What a type's name begins with tells it only when all of it is there: a fan is no fan heater.
    const modifies = word !== head && !everyday.includes(word) && !named.every((part) => typed.includes(part));
    const isPart = named.includes(word) && !(modifies && GENERAL.has(word));
    const found = word === head ? 12 : isPart ? 8 : everyday.includes(word) ? 6 : 3;
    total += found + (isLast ? 3 : 0) + (named.includes(word) && id.split('-')[0] === word && !modifies ? 2 : 0);
    // An everyday word among strange ones is a chance: a bench lathe is no bench lamp, but a bedroom aircon is one.
    const byChance = word !== head && !named.includes(word) && unknown > 0 && !isLast;
    if (SYNONYMS.has(word) || (!GENERAL.has(word) && !modifies && !byChance)) tells = true;
  });
  // Two words that are each of many things tell one together: a marine water maker, a cool box.
  if (named.length > 1 && named.slice(-2).every((part) => typed.includes(part))) tells = true;
  // Phases are of one kind of thing: a seat heater is no diesel heater, and a heater may be one.
  if (unknown >= 1 && appliance.draw.kind === 'cycle' && !typed.some((word) => word !== head && !isUnknown(word)))
    return 0;
  if (!tells && !isSame) {
    if (unknown > 0) return 0;
    total *= 0.5;
  }
  return total / (1 + 0.6 * unknown);
}

/** A load of this type with the usual hours; watts are typical until someone measures. */
export function loadFrom(appliance: Appliance, id: string): Load {
  if (appliance.own) return { ...appliance.own, id, name: appliance.name, device: null, photos: [] };
  return {
    ...plainLoad(id),
    name: appliance.name,
    type: appliance.id,
    draw: appliance.draw,
    uses: [...appliance.uses],
    path: appliance.path,
    evidence: 'typical',
    startRatio: appliance.startRatio,
    powerFactor: appliance.powerFactor,
    critical: appliance.words.includes('medical'),
    sensitive: appliance.words.includes('medical'),
  };
}
