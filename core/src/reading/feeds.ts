import { fitsBus, MAINS_FROM_V } from '../reference/nameplates.ts';
import type { Bus } from './bus.ts';
import type { Fact } from './facts.ts';
import type { Figure, Side } from './roles.ts';
import type { Said } from './said.ts';

/** One way to feed it: its volts, and the figures that stand with them. */
export interface Feed {
  readonly volts: Fact | null;
  readonly watts: readonly Figure[];
  readonly amps: readonly Figure[];
  readonly va: readonly Figure[];
  readonly side: Side;
  /** Volts that say the same again, or in what window they may lie. */
  readonly also: readonly Fact[];
  /** Whether it is what an adapter makes of the mains. */
  readonly isAdapter?: boolean;
}

export const isMains = ({ value, second, current }: Fact): boolean =>
  current === 'ac' || (current !== 'dc' && Math.max(value, second ?? 0) >= MAINS_FROM_V);
export const lowOf = ({ value, second }: Fact): number => Math.min(value, second ?? value);
export const highOf = ({ value, second }: Fact): number => Math.max(value, second ?? value);

type Open = { volts: Fact | null; watts: Figure[]; amps: Figure[]; va: Figure[]; side: Side; also: Fact[] };
const open = (side: Side): Open => ({ volts: null, watts: [], amps: [], va: [], side, also: [] });
const hasFigures = ({ watts, amps, va }: Feed): boolean => watts.length + amps.length + va.length > 0;
const RUNS = new Set(['takes', 'plain', 'most']);

/** Figures with the volts that they stand with: each voltage has what follows it on its side, the first also what goes before. */
export function feedsOf(figures: readonly Figure[]): Feed[] {
  const sides: Record<Side, Open[]> = { plain: [], input: [], output: [] };
  for (const figure of figures) {
    const { fact, role, side } = figure;
    const feeds = sides[side];
    let feed = feeds.at(-1);
    if (!feed || (fact.kind === 'voltage' && feed.volts && !isSameAgain(feed.volts, fact))) {
      feed = open(side);
      feeds.push(feed);
    }
    if (fact.kind === 'voltage') {
      feed.also.push(fact);
      feed.volts = feed.volts && !isWithin(fact, feed.volts) ? feed.volts : fact;
    } else if (!RUNS.has(role)) continue;
    else if (fact.kind === 'current') feed.amps.push(figure);
    else if (fact.kind === 'apparent') feed.va.push(figure);
    else feed.watts.push(figure);
  }
  return [...ofOneInput(sides), ...sides.output];
}

/** How far apart two voltages may be and still be one grid's or one battery's, as a factor. From memory. */
const ONE_FEED = 1.2;
/** "10-17 V, 1.2 A at 12 V". */
const isWithin = (one: Fact, span: Fact): boolean =>
  span.tag === 'span' && !isMains(span) && lowOf(one) >= lowOf(span) && highOf(one) <= highOf(span);
const isSameAgain = (a: Fact, b: Fact): boolean =>
  isWithin(b, a) ||
  (isMains(a) && isMains(b)) ||
  (!isMains(a) && !isMains(b) && highOf(a) <= highOf(b) * ONE_FEED && highOf(b) <= highOf(a) * ONE_FEED);

/** "1.5 A, input 12 V": of what has no output, amps that stand before the word are of the same volts. */
function ofOneInput({ plain, input, output }: Record<Side, Open[]>): Open[] {
  const [first, second] = [plain[0], input[0]];
  if (!first || !second || output.length > 0 || first.volts || plain.length > 1 || input.length > 1)
    return [...input, ...plain];
  return [
    {
      ...second,
      watts: [...second.watts, ...first.watts],
      amps: [...second.amps, ...first.amps],
      va: [...second.va, ...first.va],
    },
  ];
}

/** How far watts from the bus and from the mains may be apart and still be the same machine's, as a factor. From memory. */
const ALIKE = 1.5;

/** Of the ways to feed it the one by which it hangs here; null where that has to be asked. */
export function chosenFeed(said: Said, feeds: readonly Feed[], bus: Bus): Feed | null {
  const outputs = feeds.filter(({ side, volts }) => side === 'output' && volts);
  const others = feeds.filter(({ side }) => side !== 'output');
  if (severalOutputs(said, outputs.length > 1 ? outputs : others, feeds)) return null;
  const mixed = said.see('voltage').find(({ tag }) => tag === 'settings');
  if (mixed) return ofSettings(said, mixed);
  const adapter = adapterOf(said, outputs, others);
  if (adapter) return adapter;
  const loose = feeds.filter(({ side, volts }) => side === 'output' && !volts);
  const [out] = outputs;
  // "3 A, input 230 V, output 12 V": of which of them the amps are is not said.
  if (
    out?.volts &&
    !isMains(out.volts) &&
    others.some(({ volts }) => volts) &&
    others.some((feed) => !feed.volts && hasFigures(feed))
  ) {
    said.askWhich(
      'second-figure',
      [...others, out].flatMap(({ volts }) => (volts ? [volts] : [])),
    );
    return { ...merged(others), volts: null };
  }
  const chosen = others.length > 0 ? amongst(said, others, bus) : (outputs[0] ?? loose[0] ?? null);
  // "Input 1150 W, output 700 W, 230 V~".
  const mains = outputs.find(({ volts }) => volts && isMains(volts))?.volts ?? null;
  return chosen && !chosen.volts && mains ? { ...chosen, volts: mains } : chosen;
}

/** "12/24/230V": what it is fed with here. */
function ofSettings(said: Said, fact: Fact): null {
  const volts = said.textOf(fact).match(/\d+/g) ?? [];
  const [low, high] = [
    volts.filter((one) => Number(one) < MAINS_FROM_V),
    volts.filter((one) => Number(one) >= MAINS_FROM_V),
  ];
  said.use(fact);
  said.ask(
    'second-figure',
    [fact],
    [low, high].filter((those) => those.length > 0).map((those) => `${those.join('/')} V`),
  );
  return null;
}

/** "5V 3A, 9V 3A, 20V 3.25A": one pair after the other. */
function severalOutputs(said: Said, feeds: readonly Feed[], all: readonly Feed[]): boolean {
  const pairs = feeds.filter(({ volts, amps }) => volts && !isMains(volts) && amps.length > 0);
  const isMany = pairs.length > 1 && (pairs.every(({ side }) => side === 'output') || pairs.length > 2);
  if (!isMany) return false;
  const facts = pairs.map(({ volts, amps }) => [volts as Fact, (amps[0] as Figure).fact] as const);
  const watts = ([volts, amps]: readonly [Fact, Fact]) => highOf(volts) * highOf(amps);
  const sorted = [...facts].sort((a, b) => watts(b) - watts(a)).slice(0, 4);
  said.use(...all.flatMap(factsOfFeed));
  said.ask(
    'several-outputs',
    facts.flat(),
    sorted.map((pair) => pair.map((fact) => bare(said.textOf(fact))).join(' ')),
  );
  return true;
}

const CHARGER = /charger|adapt[eo]r|psu|power (?:supply|brick|pack)|ladeger|netzteil|chargeur/i;
/** What comes out of an adapter; its input is what the adapter itself takes at most. */
function adapterOf(said: Said, outputs: readonly Feed[], others: readonly Feed[]): Feed | null {
  const mains = others.find(({ volts }) => volts && isMains(volts));
  const [output] = outputs;
  const out = output?.volts && !isMains(output.volts) && hasFigures(output) ? output : null;
  // Volts of a battery's size beside a mains input of which only amps are said are what comes out, though no word says so.
  const plain = others.find(({ volts, side }) => volts && !isMains(volts) && side === 'plain');
  const isMaker = CHARGER.test(said.words) && said.isPlate;
  const isIn = mains && (isMaker || (mains.side === 'input' && mains.watts.length === 0));
  const unsaid = isIn && outputs.length === 0 && plain && hasFigures(plain) ? plain : null;
  const made = out ?? unsaid;
  if (!made) return null;
  for (const feed of others.filter((one) => one !== made))
    said.use(...(feed.volts ? [feed.volts] : []), ...[...feed.watts, ...feed.amps, ...feed.va].map(({ fact }) => fact));
  const isOfMains = !others.some(({ volts }) => volts && !isMains(volts) && volts !== made.volts);
  return { ...made, isAdapter: isOfMains };
}

/** "12V/24V" of "DC 12V/24V AC", whose last sign is of the next. */
const bare = (text: string): string => text.replace(/^[ad]c\s*(?=\d)|\s+[ad]c$|\s*[⎓~]$/gi, '');

const factsOfFeed = ({ volts, watts, amps, va }: Feed): Fact[] => [
  ...(volts ? [volts] : []),
  ...[...watts, ...amps, ...va].map(({ fact }) => fact),
];

/** What may hang on the bus or on the mains hangs here on the bus, where what stands of it is clear. */
function amongst(said: Said, feeds: readonly Feed[], bus: Bus): Feed | null {
  const [first] = feeds;
  if (!first || feeds.length === 1) return first ?? null;
  const volts = feeds.flatMap((feed) => (feed.volts ? [feed.volts] : []));
  const told = feeds.filter(hasFigures);
  const low = feeds.filter((feed) => feed.volts && !isMains(feed.volts));
  const high = feeds.filter((feed) => feed.volts && isMains(feed.volts));
  if (low.length > 0 && high.length > 0) return busOrMains(said, low, high, bus);
  // "12 V 24 V", or each with its amps: for either.
  const isNominal = volts.every((fact) => [12, 24, 36, 48].includes(fact.value));
  if (low.length === feeds.length && isNominal && (told.length <= 1 || said.isPlate)) return either(said, low, bus);
  const [one] = told;
  if (one && told.length === 1 && !one.volts) return { ...one, volts: askVolts(said, volts) };
  if (volts.length > 1) askVolts(said, volts);
  else if (volts.length === 1 && told.length > 0) return { ...merged(feeds), volts: volts[0] as Fact };
  return null;
}

const merged = (feeds: readonly Feed[]): Feed => ({
  volts: null,
  side: 'plain',
  also: [],
  watts: feeds.flatMap(({ watts }) => watts),
  amps: feeds.flatMap(({ amps }) => amps),
  va: feeds.flatMap(({ va }) => va),
});

function askVolts(said: Said, volts: readonly Fact[]): Fact | null {
  if (volts.length > 1) said.askWhich('second-figure', volts);
  return volts[0] ?? null;
}

/** A machine for several batteries, at the one of this bus. */
function either(said: Said, feeds: readonly Feed[], bus: Bus): Feed {
  const volts = feeds.map((feed) => feed.volts as Fact);
  said.use(...feeds.flatMap(factsOfFeed));
  const fits =
    feeds.find((feed) => feed.volts && fitsBus(lowOf(feed.volts), highOf(feed.volts), bus.busV)) ??
    (feeds.at(-1) as Feed);
  const figures = hasFigures(fits) ? fits : (feeds.find(hasFigures) ?? fits);
  const [least, most] = [Math.min(...volts.map(lowOf)), Math.max(...volts.map(highOf))];
  const own = fits.volts as Fact;
  // Amps go with the volts of this bus; the window is that of all.
  return { ...figures, volts: figures.amps.length > 0 ? own : { ...own, value: least, second: most, tag: 'either' } };
}

function busOrMains(said: Said, low: readonly Feed[], high: readonly Feed[], bus: Bus): Feed | null {
  const own = low.length > 1 ? either(said, low, bus) : (low[0] as Feed);
  const [other] = high as [Feed];
  const all = [...low, ...high];
  const isFirst = (own.volts?.from ?? 0) < (other.volts?.from ?? 0);
  if (!hasFigures(own) && hasFigures(other) && isFirst) {
    const both = [own.volts as Fact, other.volts as Fact];
    said.use(...both);
    said.ask(
      'second-figure',
      both,
      both.map((fact) => bare(said.textOf(fact))),
    );
    return other.watts.length > 0 ? { ...other, volts: null } : null;
  }
  if (!hasFigures(own) && !said.isPlate && !said.feedsBoth) {
    said.askWhich('second-figure', [other.volts as Fact, own.volts as Fact]);
    return { ...other, volts: null };
  }
  if (!hasFigures(own)) {
    said.use(...all.flatMap(factsOfFeed));
    return hasFigures(other) ? other : own;
  }
  if (!hasFigures(other) && !isFirst && !said.isPlate && !said.feedsBoth) {
    said.askWhich('second-figure', [other.volts as Fact, own.volts as Fact]);
    return own;
  }
  if (hasFigures(other) && !isClear(own, other, isFirst)) {
    const pairs = [own, other].map((feed) => factsOfFeed(feed).slice(0, 2));
    said.use(...all.flatMap(factsOfFeed));
    said.ask(
      'second-figure',
      pairs.flat(),
      pairs.map((those) => those.map((fact) => bare(said.textOf(fact))).join(' ')),
    );
    return null;
  }
  said.use(...high.flatMap(factsOfFeed), ...(own.volts ? [own.volts] : []));
  return own;
}

/** With figures of both: watts that are alike are the bus's; else what stands first of the bus is. */
function isClear(own: Feed, other: Feed, isFirst: boolean): boolean {
  const [a, b] = [own.watts[0], other.watts[0]];
  if (!a || !b) return isFirst;
  const [least, most] = [Math.min(highOf(a.fact), highOf(b.fact)), Math.max(highOf(a.fact), highOf(b.fact))];
  return most <= least * ALIKE;
}
