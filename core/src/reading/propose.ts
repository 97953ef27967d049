import { plainLoad } from '../job/plainLoad.ts';
import type { Draw, Load } from '../job/schema.ts';
import { poweredDraw } from '../loads/powered.ts';
import { unfit } from '../loads/unfit.ts';
import { type Appliance, loadFrom } from '../reference/appliances.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { type Bus, USUAL_BUS } from './bus.ts';
import { phasesOf } from './clauses.ts';
import type { Fact, Facts } from './facts.ts';
import { type Identity, identityOf, withoutStore } from './identity.ts';
import { nameText, unread, wordsOf } from './naming.ts';
import { isAside, looksLikePlate } from './plates.ts';
import { type Power, powerOf } from './power.ts';
import type { Question } from './question.ts';
import { lostOf, Reading } from './reading.ts';
import { readText } from './readText.ts';
import { Said } from './said.ts';
import { told } from './told.ts';
import { type TypedUse, useOf } from './use.ts';
import { type Named, severalThings, typeOf, whichCompressor } from './whatType.ts';

export type { Bus } from './bus.ts';

/** What a typed line or a plate would add, or the questions that stand in the way. */
export interface Proposal {
  readonly load: Load | null;
  /** The catalogue type behind it, when one fits. */
  readonly appliance: Appliance | null;
  readonly questions: readonly Question[];
  /** What is missing before it can be a load. */
  readonly missing: 'name' | 'power' | null;
  /** What was taken that nobody typed, in words, such as the volts that amps were multiplied with. */
  readonly notes: readonly string[];
  readonly reading: Reading;
  readonly isPlate: boolean;
  readonly power: Power;
}

/**
 * Turns a line such as "2 laptops 38W 5h", "kettle", "pump 12v 3,5a 3x4min" or a pasted plate into a load. A catalogue type
 * fills what is left open; what stands there wins, is asked about, or is of the name. What is proposed can be saved.
 * @param idFor makes an id that is free in the job from a name
 * @param firm the firm's own entries, which come before the generic types
 * @param bus of the option and region that the load is taken down for
 */
export function proposeLoad(
  text: string,
  idFor: (name: string) => string,
  pick?: Appliance,
  firm: readonly Appliance[] = [],
  bus: Bus = USUAL_BUS,
): Proposal {
  const read = readText(text);
  const isPlate = looksLikePlate(read);
  const words = wordsOf(read, isPlate);
  const named = typeOf(read, words.name, isPlate, pick, firm, bus);
  const facts = told(read, named.base, isPlate);
  const said = new Said(read, facts.facts, isPlate, named.words);
  said.notes.push(...facts.notes);
  const made = madeOf(said, named, idFor, bus, pick);
  const raised = questionsOf(said, read, words.free, made, named, isPlate);
  const whole = { start: 0, end: text.length };
  const isElsewhere = raised.some(({ step }) => step);
  const counted = { read, name: words.name, spoken: said.spoken, isPlate };
  const lost = lostOf({ ...counted, asked: isElsewhere ? [whole] : raised });
  const asked = [
    ...raised,
    ...lost.map(
      ({ start, end, written }): Question => ({ code: 'unread-word', start, end, found: written, choices: [''] }),
    ),
  ];
  const isReady = made.load !== null && asked.length === 0;
  const questions = isReady && !pick ? whichCompressor(text, made.load as Load, named.base) : asked;
  const problem = isReady && questions.length === 0 ? unfit(made.load as Load) : null;
  const all: readonly Question[] =
    problem === null ? questions : [{ code: 'unfit', ...whole, found: problem, choices: [] }];
  return {
    load: problem === null ? made.load : null,
    appliance: made.type,
    questions: all,
    missing: made.missing,
    notes: said.notes,
    reading: new Reading({ ...counted, asked: isElsewhere ? [whole] : all }),
    isPlate,
    power: made.power,
  };
}

interface MadeLoad {
  readonly load: Load | null;
  readonly type: Appliance | null;
  readonly missing: Proposal['missing'];
  readonly power: Power;
}

function madeOf(
  said: Said,
  named: Named,
  idFor: (name: string) => string,
  bus: Bus,
  pick: Appliance | undefined,
): MadeLoad {
  const identity = identityOf(said, named.base);
  const ofName = withoutStore(nameText(said.read, named.name));
  const name = pick && !ofName ? pick.name : ofName || (said.isPlate ? '' : (named.base?.name ?? ''));
  const type = identity.isCharger || identity.step ? null : named.base;
  const phases = phasesOf(said);
  const power = powerOf(said, type, named.near, bus);
  const knowsPower = power.powerW !== null || power.coolingW !== null || phases !== null;
  const start = held(said, type ? loadFrom(type, idFor(name)) : plainLoad(idFor(name || 'load')));
  const powered = phases ?? poweredDraw(start.draw, power, type?.highW ?? null);
  const use = useOf(said, start, powered, knowsPower, bus.busV);
  const count = countOf(said, power);
  const saysEnergy = use.draw.kind !== 'steady' || use.draw.powerW > 0;
  if (!name) return { load: null, type: named.base, missing: 'name', power };
  if (type === null && !knowsPower && !saysEnergy) return { load: null, type: null, missing: 'power', power };
  return { load: assembled(start, name, count, use, power, knowsPower, identity), type, missing: null, power };
}

function assembled(
  start: Load,
  name: string,
  quantity: number,
  use: TypedUse,
  power: Power,
  knowsPower: boolean,
  identity: Identity,
): Load {
  return {
    ...start,
    name,
    quantity,
    draw: use.draw,
    uses: use.uses,
    variants: use.variants,
    daysPerWeek: use.daysPerWeek,
    path: power.path,
    minV: power.minV ?? start.minV,
    maxV: power.maxV ?? start.maxV,
    evidence: knowsPower ? 'nameplate' : start.evidence,
    startRatio: power.startRatio ?? start.startRatio,
    powerFactor: power.powerFactor ?? start.powerFactor,
    chargesStore: identity.chargesStore ?? start.chargesStore,
  };
}

/** Pieces; "2 × 20 W" of a loudspeaker's plate are no pieces of what it takes. */
function countOf(said: Said, { powerW }: Power): number {
  const [count] = said.see('count');
  if (!count) return 1;
  said.use(count);
  const each = said.facts.find(({ from, kind }) => from === count.to && kind === 'power');
  return said.isPlate && each && each.value !== powerW ? 1 : count.value;
}

/** °C from which a temperature in a line is of the air around what cools. */
const AMBIENT_FROM_C = 21;

/**
 * What holds a temperature, at the one that was typed; the usual duty goes with the difference to 25 °C. A warmer one
 * is of the air around it, in which a typed energy was measured.
 */
function held(said: Said, start: Load): Load {
  const setC = said.one('temperature')?.value ?? null;
  if (setC === null || start.draw.kind !== 'thermostatic' || said.isPlate) return start;
  if (setC >= AMBIENT_FROM_C) {
    said.notes.push(`${Number(setC.toPrecision(3))} °C taken for the air around it; the figures stand as typed`);
    return start;
  }
  const reference = DEFAULT.fridgeReferenceAmbientC.value;
  const { draw } = start;
  const saysDuty = said.facts.some(({ kind }) => kind === 'share' || kind.startsWith('energy'));
  const share = (reference - setC) / (reference - draw.setC);
  if (saysDuty || !(share > 0)) return { ...start, draw: { ...draw, setC } };
  said.notes.push(`held at ${Number(setC.toPrecision(3))} °C: its usual duty by the difference to ${reference} °C`);
  return { ...start, draw: { ...draw, setC, duty: Math.min(1, draw.duty * share) } satisfies Draw };
}

/** Kinds that change nothing where they are not used: what it weighs, while it is driven and hours are said. */
const MAY_STAY: ReadonlySet<Fact['kind']> = new Set(['measure', 'length', 'temperature']);

function questionsOf(
  said: Said,
  read: Facts,
  free: readonly number[],
  made: MadeLoad,
  named: Named,
  isPlate: boolean,
): readonly Question[] {
  // What is no load is offered to its own step, where its figures are read.
  const elsewhere = said.questions.filter(({ step }) => step);
  if (elsewhere.length > 0) return elsewhere;
  const questions = [...said.questions];
  const ask = (code: Question['code'], fact: Fact, choices: readonly string[]) => {
    const place = said.placeOf(fact);
    questions.push({ code, ...place, found: said.textOf(fact), choices });
  };
  const isTimed = said.see('duration', 'clock', 'every', 'energy', 'energy-per-day').length > 0;
  for (const fact of said.facts) {
    const isAsked = questions.some(({ start, end }) => {
      const place = said.placeOf(fact);
      return start < place.end && end > place.start;
    });
    if (isAsked || said.isUsed(fact)) continue;
    if (fact.kind === 'asked' && isPlate && SILENT_CODES.has(fact.code ?? '')) continue;
    if (fact.kind === 'asked' && fact.code === 'unread-word' && isOfDays(said, fact)) continue;
    if (fact.kind === 'asked') ask(fact.code ?? 'second-figure', fact, fact.choices ?? ['']);
    else if (fact.kind === 'protection') {
      if (!isPlate || made.power.powerW === null) ask('breaker', fact, []);
    } else if (fact.kind === 'meanwhile') {
      if (!isTimed) ask('unread-word', fact, ['']);
    } else if (
      !MAY_STAY.has(fact.kind) &&
      !(isPlate && isAside(read, fact)) &&
      !(isPlate && SILENT_ON_PLATES.has(fact.kind))
    )
      ask('second-figure', fact, ['']);
  }
  questions.push(...unread(read, free, named.base, isPlate, said.spoken));
  questions.push(...severalThings(said, named));
  return questions.sort((a, b) => a.start - b.start);
}

/** What plates tell beside what it takes, and that is not about this load. */
const SILENT_CODES: ReadonlySet<string> = new Set(['bare-number', 'range', 'unread-word', 'no-energy']);
/** "Film nights fri sat": on which days is said. */
const isOfDays = (said: Said, fact: Fact): boolean =>
  /days|nights/i.test(said.textOf(fact)) && said.see('days-per-week', 'on').length > 0;
const SILENT_ON_PLATES: ReadonlySet<Fact['kind']> = new Set([
  'charge',
  'energy',
  'count',
  'start-ratio',
  'plate',
  'part',
  'begins',
  'asked',
]);
