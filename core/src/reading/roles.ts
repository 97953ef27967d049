import type { Appliance } from '../reference/appliances.ts';
import type { Fact, Mark } from './facts.ts';
import type { Said } from './said.ts';

/** What watts may be of beside what is taken in. */
export type Meaning = 'cooking' | 'shaft' | 'sound' | 'cooling';
/** What a figure of watts, VA or amps is. */
export type Role = 'takes' | 'plain' | 'most' | 'start' | 'standby' | 'heat' | 'bulb' | 'lamp' | Meaning;
export type Side = 'input' | 'output' | 'plain';

export interface Figure {
  readonly fact: Fact;
  readonly role: Role;
  readonly side: Side;
}

const BY_SOUND = /\b(?:stereo|hi-?fi|sound\s?bar|head\s?unit|sub-?woofer|car\s+audio)s?\b/i;
const FUEL = /\b(?:diesel|petrol|gasoline|kerosene|gas|lpg|propane|butane|fuel)\b/i;
const LAMP = /^(?:lamp|bulb|light|illumination|beleuchtung|éclairage)$/;

/** What unmarked watts of an appliance may mean beside what it takes in; null when they are that. */
export function otherMeaning(said: Said, base: Appliance | null): Meaning | null {
  if (/microwave/i.test(`${said.words} ${base?.name ?? ''}`)) return 'cooking';
  if (base?.draw.kind === 'room' && base.draw.mode === 'cooling') return 'cooling';
  return base?.id === 'amplifier' || base?.id === 'speaker' || BY_SOUND.test(said.words) ? 'sound' : null;
}

/** Every figure of what it takes with what it is of and on which side of a plate it stands. */
export function figuresOf(said: Said, base: Appliance | null): Figure[] {
  const facts = said
    .see('power', 'apparent', 'shaft', 'cooling', 'current', 'voltage')
    .filter((fact) => !said.isUsed(fact));
  const saysInput =
    facts.some(({ marks }) => marks?.includes('input')) ||
    said.read.tokens.some(({ cls, tag }) => cls === '!' && tag === 'input');
  const context = {
    other: otherMeaning(said, base),
    cools:
      saysInput &&
      facts.some(({ kind, marks = [] }) => kind === 'cooling' || marks.includes('cooling') || marks.includes('cools')),
    isFuelled: FUEL.test(said.read.text),
  };
  const figures = facts.map((fact): Figure => {
    const role = isLamp(said, fact) ? 'lamp' : isOfFuel(said, fact) ? 'heat' : roleOf(fact, context, said.isPlate);
    return { fact, role, side: sideOf(said, fact) };
  });
  // "Inverter idle 15 W": what it takes where nothing else is said of it.
  const isAlone = !figures.some(({ role, fact }) => fact.kind !== 'voltage' && !ASIDE.has(role));
  const isOnlyStart =
    said.isPlate && isAlone && figures.every(({ role, fact }) => fact.kind === 'voltage' || role === 'start');
  if (isOnlyStart) return figures.map((one) => (one.role === 'start' ? { ...one, role: 'takes' } : one));
  return isAlone ? figures.map((one) => (one.role === 'standby' ? { ...one, role: 'takes' } : one)) : figures;
}

/** Roles of what stands beside what it takes. */
const ASIDE: ReadonlySet<Role> = new Set(['standby', 'most', 'start']);

/** "Gas 30 mbar 2.4 kW": what is burnt. */
function isOfFuel(said: Said, { kind, from }: Fact): boolean {
  if (!said.isPlate || kind !== 'power') return false;
  const before = said.read.text.slice(0, said.read.tokens[from]?.start ?? 0);
  return before.includes('\n') && FUEL.test(before.slice(before.lastIndexOf('\n') + 1));
}

/** "Lamp max 15 W" below the figures of what it is in: a fridge's, a hood's. */
function isLamp(said: Said, { kind, from }: Fact): boolean {
  const before = said.read.tokens[from - 1];
  return (
    said.isPlate &&
    kind === 'power' &&
    LAMP.test(before?.text ?? '') &&
    said.facts.some((one) => one.kind !== 'count' && one.to < from)
  );
}

interface Context {
  readonly other: Meaning | null;
  /** Whether it cools, and what it takes in for that stands apart. */
  readonly cools: boolean;
  readonly isFuelled: boolean;
}

function roleOf({ kind, marks = [] }: Fact, { other, cools, isFuelled }: Context, isPlate: boolean): Role {
  const is = (...some: readonly Mark[]) => some.some((mark) => marks.includes(mark));
  if (is('equivalent')) return 'bulb';
  if (is('standby')) return 'standby';
  if (is('heats', 'heating') && cools) return 'heat';
  if (is('input')) return 'takes';
  if (is('heating')) return isFuelled || cools ? 'heat' : 'plain';
  if (is('peak')) return 'start';
  if (is('average', 'running')) return 'takes';
  if (kind === 'shaft' || is('shaft')) return 'shaft';
  if (kind === 'cooling' || is('cooling') || (is('cools') && (!isPlate || cools))) return 'cooling';
  if (is('cooking') || (is('output') && other === 'cooking')) return 'cooking';
  if (is('sound')) return 'sound';
  return is('most') ? 'most' : 'plain';
}

/** The side whose heading stands last before a figure of a plate; a word right behind a figure is of that one alone. */
function sideOf(said: Said, { to, marks = [] }: Fact): Side {
  if (!said.isPlate) return 'plain';
  const heading = said.headings.filter(({ at }) => at < to).at(-1)?.side;
  const own = marks.find((mark) => mark === 'input' || mark === 'output');
  return (heading ?? (own === 'output' ? 'output' : 'plain')) as Side;
}
