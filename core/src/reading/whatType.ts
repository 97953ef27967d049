import type { Load } from '../job/schema.ts';
import { bearing } from '../loads/powered.ts';
import { type Appliance, bestFit, type Match, nearMatches } from '../reference/appliances.ts';
import type { Bus } from './bus.ts';
import type { Fact, Facts } from './facts.ts';
import { isMains } from './feeds.ts';
import { isNaming, isOwn, nameText } from './naming.ts';
import { USUAL } from './power.ts';
import type { Question } from './question.ts';
import type { Said } from './said.ts';

/** Which type of the catalogue a text means: by its words, its volts and its watts. */
export interface Named {
  readonly base: Appliance | null;
  /** Types that the words fit about as well. */
  readonly near: readonly Appliance[];
  readonly words: string;
  readonly name: readonly number[];
}

/** W of cooling from which it is a room that is cooled. From memory. */
const ROOM_FROM_W = 800;

export function typeOf(
  read: Facts,
  name: readonly number[],
  isPlate: boolean,
  pick: Appliance | undefined,
  firm: readonly Appliance[],
  bus: Bus,
): Named {
  const words = nameText(read, name);
  const cools = read.facts.some(
    ({ kind, value, marks = [] }) => (kind === 'cooling' || marks.includes('cooling')) && value >= ROOM_FROM_W,
  );
  const called = isPlate && cools ? `${words} air conditioner` : words;
  const idle = read.tokens.filter(({ cls, tag }) => cls === '!' && tag === 'standby').map(({ text }) => text);
  const near = namedBy(read, name, `${called} ${idle.join(' ')}`.trim() || countedIn(read), firm);
  const base = pick ?? likeliest(read, near, bus, isPlate);
  return { base, near: pick ? [pick] : near.map(({ appliance }) => appliance), words, name };
}

/** What it goes without. */
const WITHOUT = /\b(?:without|w\/o|no)\s+(?:an?\s+|the\s+)?[^\s\d]+/gi;

/** Types by a text's words: a size may be part of a type's name, or of this one thing alone. */
function namedBy(read: Facts, name: readonly number[], words: string, firm: readonly Appliance[]): Match[] {
  const { tokens } = read;
  const isOfOwn = (i: number) => [i, i - 1, i - 2].some((at) => tokens[at]?.cls === 'N' && isOwn(tokens, at));
  const bareName = name.filter(
    (i) =>
      !isOfOwn(i) &&
      tokens[i]?.cls !== 'K' &&
      !read.facts.some((fact) => isNaming(fact) && i >= fact.from && i < fact.to),
  );
  const goesWithout = words.replace(WITHOUT, '') !== words;
  if (goesWithout) return nearMatches(words.replace(WITHOUT, ' '), firm);
  const warm = read.facts.filter(({ kind }) => kind === 'temperature');
  const plain = nameText(read, bareName);
  const whole =
    warm.length > 0
      ? nameText(
          read,
          name.filter((i) => !warm.some((fact) => i >= fact.from && i < fact.to)),
        )
      : words;
  const sized = nearMatches(whole, firm);
  if (plain === whole || plain === '') return sized;
  const best = sized[0];
  const saysSize = best?.appliance.name.match(/\d+/g)?.some((size) => new RegExp(`(?<!\\d)${size}(?!\\d)`).test(words));
  if (saysSize) return sized;
  const bare = nearMatches(plain, firm);
  return (bare[0]?.score ?? 0) > (best?.score ?? 0) ? bare : sized;
}

/** "2 coffees every morning": what is counted is all that names it. */
const countedIn = ({ tokens }: Facts): string =>
  tokens.find(({ cls, text }) => cls === 'g' && /^(?:coffee|tea|espresso|shower)/.test(text))?.text ?? '';

/** How far amps may be from what is usual for a type, as a factor. From memory. */
const UNLIKE = 10;

function mayTake({ lowW, highW, path }: Appliance, amps: number, mains: boolean, { busV, mainsV }: Bus): boolean {
  const volts = mains ? [mainsV] : path.startsWith('inverter') ? [mainsV, busV] : [busV];
  return volts.some((one) => one * amps >= lowW / (one === mainsV ? USUAL : UNLIKE) && one * amps <= highW * UNLIKE);
}

/** Of the types that the words fit, one that the volts and watts fit too; the commoner of equals. */
function likeliest({ facts, tokens }: Facts, near: readonly Match[], bus: Bus, isPlate: boolean): Appliance | null {
  const isTaken = ({ marks = [] }: Fact) =>
    !marks.some((mark) => mark === 'equivalent' || mark === 'peak' || mark === 'output');
  const of = (kind: Fact['kind']) => facts.find((fact) => fact.kind === kind && isTaken(fact)) ?? null;
  const [volts, current] = [of('voltage'), of('current')];
  const amps = current?.value ?? null;
  const watts =
    of('power')?.value ?? of('apparent')?.value ?? (volts !== null && amps !== null ? volts.value * amps : null);
  const mains =
    tokens.some(({ text }) => text === 'mains') ||
    facts.some(({ kind }) => kind === 'frequency') ||
    (volts !== null && isMains(volts));
  const feed = mains ? 'mains' : volts === null ? null : 'dc';
  const byAmps = watts === null && volts === null && amps !== null;
  // Amps that come to nothing like its watts, by the bus or by the mains, are of another thing of that name.
  const fitting = byAmps ? near.filter(({ appliance }) => mayTake(appliance, amps, mains, bus)) : near;
  return bestFit(isPlate ? fitting : bearing(fitting, watts), watts, feed);
}

/** Words that say whether its compressor is on or off, or driven as fast as is needed; or that its start is held down. */
const SAID =
  /\b(?:inverter|inverterger[äa]t|variable|split|multi-?split|heat\s?pump|roof\s?top|roof|window|wall|portable|spot|hose|fixed|on[/-]off|soft\s?-?start(?:er)?|monobloc)\b/i;
const AIR_CONDITIONER =
  /\b(?:air\s?-?\s?con(?:ditioner|ditioning)?s?|air\s?co|a\/c|ac|klimaanlage|klimager(?:ät|aet)|climatis(?:ation|eur)|clim)\b/i;

/**
 * An air conditioner on mains of which neither is said starts four times as strongly as it runs or hardly more: which of
 * them it is decides its inverter, so it is asked.
 */
export function whichCompressor(text: string, load: Load, appliance: Appliance | null): Question[] {
  if (!appliance?.id.startsWith('aircon-') || !load.path.startsWith('inverter')) return [];
  if (load.startRatio !== appliance.startRatio || appliance.own || SAID.test(text)) return [];
  const found = AIR_CONDITIONER.exec(text)?.[0] ?? text.trim().split(/\s/)[0] ?? '';
  const start = text.indexOf(found);
  const choices = [`fixed-speed ${found}`, `inverter ${found}`];
  return [{ code: 'fixed-or-inverter', start, end: start + found.length, found, choices }];
}

/** "2 laptops and a monitor 60 W": of which of them the count and the watts are is not said. */
export function severalThings({ read }: Said, { name }: Named): Question[] {
  const { tokens, facts } = read;
  const count = facts.find(({ kind, value }) => kind === 'count' && value > 1);
  const at = name.find((i) => tokens[i + 1]?.cls === '&' && name.some((other) => other > i + 1));
  if (!count || at === undefined) return [];
  const [first, second] = [name.filter((i) => i <= at), name.filter((i) => i > at)].map(
    (those) => nearMatches(nameText(read, those), [])[0]?.appliance.id,
  );
  if (first === undefined || second === undefined || first === second) return [];
  const [start, end] = [tokens[at + 1]?.start ?? 0, tokens[name.at(-1) ?? 0]?.end ?? 0];
  return [{ code: 'second-figure', start, end, found: read.text.slice(start, end), choices: [''] }];
}
