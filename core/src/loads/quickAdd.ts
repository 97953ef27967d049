import { plainLoad } from '../job/plainLoad.ts';
import type { Load } from '../job/schema.ts';
import { unreadWords } from '../quantity/doubts.ts';
import { goesWithout, temperatureIn, withoutMeasures, withoutTemperature } from '../quantity/measures.ts';
import { pattern } from '../quantity/pattern.ts';
import { saysPerLength } from '../quantity/perLength.ts';
import type { Question } from '../quantity/question.ts';
import { readQuantities } from '../quantity/read.ts';
import type { Reading, Token } from '../quantity/token.ts';
import { type Appliance, bestFit, loadFrom, type Match, nearMatches } from '../reference/appliances.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { MAINS_FROM_V } from '../reference/nameplates.ts';
import { looksLikeLabel } from './label.ts';
import { proposeFromLabel } from './labelProposal.ts';
import { bearing, poweredDraw } from './powered.ts';
import { type Bus, type Proposal, USUAL_BUS } from './proposal.ts';
import { typedPower, USUAL } from './typedPower.ts';
import { typedUse } from './typedUse.ts';
import { unfit } from './unfit.ts';
import { unmet } from './unmet.ts';
import { unreadBehind } from './unreadBehind.ts';
import { givesPower, whatItIs } from './whatItIs.ts';
import { whichCompressor } from './whichCompressor.ts';
import { eachOfTotal } from './wholeOrEach.ts';

export type { Bus, Proposal } from './proposal.ts';

/** "fridge ~ 45 W", "12v ~ 45W": about so many, not a mark of alternating current, which stands after volts of the mains. */
const ABOUT = pattern(/(?<!\S)(?<!\d\s?v?\s*)~(?=\s*\d)|(?<=(?<![\d.,])[1-5]?\d\s?v\s+)~(?=\s*\d)/giu);

/** "45W,2h", "4 min/3x": a mark between a unit and the next figure, without a blank, parts them; "3,5" is a number. */
const PARTING = pattern(/(?<=[\p{L}%°)])[,;|](?=\d)|[,;|](?=\p{L})|(?<=\p{L})\/(?=\d{1,2}\s?[x×](?!\p{L}))/giu);

/**
 * Turns a line such as "2 laptops 38W 5h", "kettle", "pump 12v 3,5a 3x4min" or "phone 15Wh" into a load, a label
 * into what it says. A catalogue type fills what is left open; what is typed wins. A quantity that was typed is used,
 * asked about or refused, and what is proposed can be saved.
 * @param idFor makes an id that is free in the job from a name
 * @param firm the firm's own entries, which come before the generic types
 * @param bus of the option and region that the load is taken down for
 */
export function proposeLoad(
  asTyped: string,
  idFor: (name: string) => string,
  pick?: Appliance,
  firm: readonly Appliance[] = [],
  bus: Bus = USUAL_BUS,
): Proposal {
  const text = asTyped.replace(ABOUT, ' ').replace(PARTING, ' ');
  // What gives power is asked about as a line, however much it looks like a label, and what is sold by its length.
  const isPlate = looksLikeLabel(text) && !saysPerLength(text) && !givesPower(readQuantities(text));
  const fromLabel = isPlate ? proposeFromLabel(text, idFor, pick, firm, bus) : null;
  const proposal = fromLabel ?? proposeFromLine(text, idFor, pick, firm, bus);
  const which = pick || proposal.questions.length > 0 ? [] : whichCompressor(asTyped, proposal);
  if (which.length > 0) return { ...proposal, questions: which };
  const problem = proposal.load && proposal.questions.length === 0 ? unfit(proposal.load) : null;
  if (problem === null) return proposal;
  const question: Question = { code: 'unfit', start: 0, end: text.length, found: problem, choices: [] };
  return { ...proposal, load: null, questions: [question] };
}

function proposeFromLine(
  text: string,
  idFor: (name: string) => string,
  pick: Appliance | undefined,
  firm: readonly Appliance[],
  bus: Bus,
): Proposal {
  const shared = eachOfTotal(readQuantities(text));
  const typed = { ...shared.reading, words: shared.reading.words || countedIn(text, shared.reading) };
  const near = namedBy(typed.words, firm);
  const base = pick ?? likeliest(typed, near, bus);
  const reading = base?.draw.kind === 'thermostatic' ? meansOfADay(typed) : typed;
  const nothing = { load: null, label: null, notes: [] };
  const identity = whatItIs(text, reading, base);
  const questions: Question[] = [...reading.questions, ...identity.questions];
  const name = pick && !identity.words ? pick.name : nameOf(identity.words, base);
  if (!name) return { ...nothing, appliance: base, questions, missing: 'name' };

  const type = identity.isCharger || identity.givesPower ? null : base;
  const power = typedPower(text, reading, type, pick ? [pick] : near.map(({ appliance }) => appliance), bus);
  const id = idFor(name);
  const warmth = held(type ? loadFrom(type, id) : plainLoad(id), text, reading);
  const { start } = warmth;
  const knowsPower = power.powerW !== null || power.coolingW !== null;
  const use = typedUse(text, reading, start, poweredDraw(start.draw, power, type?.highW ?? null), knowsPower, bus.busV);
  const count = reading.tokens.find(({ kind }) => kind === 'count');
  questions.push(...power.questions, ...use.questions);
  const isTimed = typed.tokens.some(({ kind }) => TIMED.has(kind));
  questions.push(...unreadWords(text, [...typed.tokens, ...questions], isTimed));
  questions.push(...leftOver(text, reading, [...power.used, ...use.used, ...(count ? [count] : [])], questions));
  if (count && count.value > 1) questions.push(...severalThings(text, firm));
  questions.push(...unreadBehind(text, typed.tokens, questions, base));
  const saysEnergy = use.draw.kind !== 'steady' || use.draw.powerW > 0;
  if (type === null && !knowsPower && !saysEnergy) return { ...nothing, appliance: null, questions, missing: 'power' };
  const load: Load = {
    ...start,
    name,
    quantity: count?.value ?? 1,
    draw: use.draw,
    uses: use.uses,
    variants: use.variants,
    daysPerWeek: use.daysPerWeek,
    path: power.path ?? start.path,
    minV: power.minV ?? start.minV,
    maxV: power.maxV ?? start.maxV,
    evidence: knowsPower ? 'nameplate' : start.evidence,
    startRatio: power.startRatio ?? start.startRatio,
    powerFactor: power.powerFactor ?? start.powerFactor,
    chargesStore: identity.chargesStore ?? start.chargesStore,
  };
  if (questions.length === 0)
    for (const { start, end } of unmet(text, reading, load, bus.busV))
      questions.push({ code: 'not-so', start, end, found: text.slice(start, end), choices: [''] });
  return {
    load,
    appliance: type,
    questions: inOrder(questions),
    missing: null,
    label: null,
    notes: [...shared.notes, ...power.notes, ...warmth.notes],
  };
}

/** The mean of what cycles is its energy of a day, not what its compressor takes. */
function meansOfADay(reading: Reading): Reading {
  const volts = reading.tokens.find(({ kind }) => kind === 'voltage')?.value ?? null;
  const tokens = reading.tokens.map((token): Token => {
    if (token.mark !== 'average') return token;
    const { mark: _mark, ...rest } = token;
    if (token.kind === 'power') return { ...rest, kind: 'energy-per-day', value: token.value * 24 };
    if (token.kind !== 'current') return token;
    return volts === null
      ? { ...rest, kind: 'charge-per-day', value: token.value * 24 }
      : { ...rest, kind: 'energy-per-day', value: token.value * volts * 24 };
  });
  return { ...reading, tokens };
}

/** Types by a line's words: a size may be part of a type's name, or of this one thing alone. */
function namedBy(words: string, firm: readonly Appliance[]): Match[] {
  const [whole, bare] = [withoutTemperature(words), withoutMeasures(words)];
  if (goesWithout(words)) return nearMatches(bare, firm);
  const sized = nearMatches(whole, firm);
  if (bare === whole) return sized;
  const best = sized[0];
  const saysSize = best?.appliance.name.match(/\d+/g)?.some((size) => pattern(`(?<!\\d)${size}(?!\\d)`).test(words));
  if (saysSize) return sized;
  const plain = nearMatches(bare, firm);
  return (plain[0]?.score ?? 0) > (best?.score ?? 0) ? plain : sized;
}

/** °C from which a temperature in a line is of the air around what cools. */
const AMBIENT_FROM_C = 21;

/**
 * What holds a temperature, at the one that was typed; the usual duty goes with the difference to 25 °C. A warmer one
 * is of the air around it, in which a typed energy was measured.
 */
function held(
  start: Load,
  text: string,
  { tokens }: Reading,
): { readonly start: Load; readonly notes: readonly string[] } {
  const setC = temperatureIn(text);
  if (setC === null || start.draw.kind !== 'thermostatic') return { start, notes: [] };
  if (setC >= AMBIENT_FROM_C)
    return {
      start,
      notes: [`${Number(setC.toPrecision(3))} °C taken for the air around it; the figures stand as typed`],
    };
  const reference = DEFAULT.fridgeReferenceAmbientC.value;
  const { draw } = start;
  const saysDuty = tokens.some(({ kind }) => kind === 'share' || kind.startsWith('energy'));
  const share = (reference - setC) / (reference - draw.setC);
  if (saysDuty || !(share > 0)) return { start: { ...start, draw: { ...draw, setC } }, notes: [] };
  return {
    start: { ...start, draw: { ...draw, setC, duty: Math.min(1, draw.duty * share) } },
    notes: [`held at ${Number(setC.toPrecision(3))} °C: its usual duty by the difference to ${reference} °C`],
  };
}

/** "2 laptops and a monitor 60 W": of which of them the count and the watts are is not said. */
function severalThings(text: string, firm: readonly Appliance[]): readonly Question[] {
  const joined = ANOTHER.exec(text);
  if (!joined) return [];
  const [first, second] = [text.slice(0, joined.index).replace(/\d+/g, ' '), joined[1] ?? ''].map(
    (words) => nearMatches(words, firm)[0]?.appliance.id,
  );
  const found = joined[0].trim();
  const start = text.indexOf(found, joined.index);
  const isOther = first !== undefined && second !== undefined && first !== second;
  return isOther ? [{ code: 'second-figure', start, end: start + found.length, found, choices: [''] }] : [];
}
const ANOTHER = pattern(/(?:\s(?:and|plus)\s|\s?[&+]\s?)(?:an?\s|the\s|one\s)?\s*(\p{L}{2}[\p{L}-]*)/iu);

const inOrder = (questions: readonly Question[]): Question[] => [...questions].sort((a, b) => a.start - b.start);

/** What was typed and has found no use: asked about, never dropped. */
function leftOver(text: string, { tokens }: Reading, used: readonly Token[], asked: readonly Question[]): Question[] {
  return tokens
    .filter((token) => !used.includes(token) && !asked.some(({ start, end }) => token.start < end && token.end > start))
    .map(({ start, end }) => ({ code: 'second-figure', start, end, found: text.slice(start, end), choices: [''] }));
}

/** What says when or how long. */
const TIMED: ReadonlySet<Token['kind']> = new Set(['duration', 'clock', 'every', 'energy', 'energy-per-day']);

/** How far amps may be from what is usual for a type, as a factor. From memory. */
const UNLIKE = 10;

function mayTake({ lowW, highW, path }: Appliance, amps: number, mains: boolean, { busV, mainsV }: Bus): boolean {
  const volts = mains ? [mainsV] : path.startsWith('inverter') ? [mainsV, busV] : [busV];
  return volts.some((one) => one * amps >= lowW / (one === mainsV ? USUAL : UNLIKE) && one * amps <= highW * UNLIKE);
}

/** Of the types that the words fit, one that the volts and watts fit too; the commoner of equals. */
function likeliest(reading: Reading, near: readonly Match[], bus: Bus): Appliance | null {
  const isTaken = ({ mark }: Token) => mark !== 'equivalent' && mark !== 'peak';
  const value = (kind: Token['kind']) =>
    reading.tokens.find((token) => token.kind === kind && isTaken(token))?.value ?? null;
  const volts = value('voltage');
  const amps = value('current');
  const watts = value('power') ?? value('apparent') ?? (volts !== null && amps !== null ? volts * amps : null);
  const mains = pattern(/(?<!\p{L})mains(?!\p{L})/iu).test(reading.words) || (volts !== null && volts >= MAINS_FROM_V);
  const feed = mains ? 'mains' : volts === null ? null : 'dc';
  const byAmps = watts === null && volts === null && amps !== null;
  // Amps that come to nothing like its watts, by the bus or by the mains, are of another thing of that name.
  const fitting = byAmps ? near.filter(({ appliance }) => mayTake(appliance, amps, mains, bus)) : near;
  return bestFit(bearing(fitting, watts), watts, feed);
}

/** "2 coffees every morning": what is counted is all that names it. */
const countedIn = (text: string, { tokens }: Reading): string =>
  tokens
    .filter(({ kind }) => kind === 'times')
    .map(({ start, end }) => COUNTED.exec(text.slice(start, end))?.[0] ?? '')
    .join(' ')
    .trim();
const COUNTED = pattern(/(?<!\p{L})(?:coffee|tea|espresso|shower)s?(?!\p{L})/iu);

/** When it runs, at the end of what names it; a night light begins with it. */
const WHEN_AT_END = pattern(
  /(?<=\p{L}[\s,;(]+)(?:(?:in the|at|every|each|and|with)\s+)*(?:mornings?|evenings?|nights?|afternoons?|breakfast|lunch|dinner|supper|am|pm|daytime|overnight|total|is|in use|on|uses|draws|takes|runs?|running|used)[\s,;)]*$/iu,
);

/** Marks with nothing to mark, once the figures are gone. */
const ALONE = /(?<=^|\s)[^\p{L}\p{N}\s]+(?=\s|$)/gu;
/** Marks that wait for more. */
const OPEN_END = /[\s([{"|_=~><*@&+,;:/–—-]+$/u;

function nameOf(words: string, base: Appliance | null): string {
  let clean = words
    .replace(/[\p{Cc}\p{Cs}]/gu, ' ')
    .replace(ALONE, ' ')
    .replace(/\s+/g, ' ')
    .replace(OPEN_END, '');
  while (WHEN_AT_END.test(clean)) clean = clean.replace(WHEN_AT_END, '').replace(OPEN_END, '');
  if (!clean) return base?.name ?? '';
  clean = clean.trim();
  return (clean.charAt(0).toUpperCase() + clean.slice(1)).slice(0, 120);
}
