import type { Appliance } from '../reference/appliances.ts';
import type { Fact, Facts } from './facts.ts';
import { isAside } from './plates.ts';

/** Facts as they are of one piece of the thing that is meant: shares of a whole, a mean as a day's energy, watts of a length. */

/** How far a whole and its pieces may be apart and still be the same, share; figures are rounded. */
const SAME = 0.05;

export interface Told {
  readonly facts: readonly Fact[];
  /** What says the same again, or is about something else. */
  readonly gone: readonly Fact[];
  readonly notes: readonly string[];
}

export function told(read: Facts, base: Appliance | null, isPlate: boolean): Told {
  const kept = isPlate ? read.facts.filter((fact) => !isAside(read, fact)) : read.facts;
  const aside = read.facts.filter((fact) => !kept.includes(fact));
  const shared = eachOfTotal(perLength(kept));
  const facts = base?.draw.kind === 'thermostatic' ? meansOfADay(shared.facts) : shared.facts;
  const flows = timeOfFlow(facts);
  return { facts: flows, gone: [...aside, ...shared.gone], notes: shared.notes };
}

const made = (fact: Fact, part: Partial<Fact>): Fact => ({ ...fact, ...part, of: fact.of ?? fact });
const isTotal = ({ kind, mark, marks = [] }: Fact): boolean =>
  kind !== 'duration' && (mark === 'total' || marks.includes('total'));

/** "6 downlights 18 W total": what one of them takes; a whole beside what one takes only says so again. */
function eachOfTotal(facts: readonly Fact[]): Told {
  const pieces = facts.find(({ kind }) => kind === 'count')?.value ?? 1;
  const isSaidAgain = (whole: Fact) =>
    isTotal(whole) &&
    facts.some(
      (fact) =>
        fact !== whole &&
        fact.kind === whole.kind &&
        !isTotal(fact) &&
        Math.abs(fact.value * pieces - whole.value) <= whole.value * SAME,
    );
  const gone = facts.filter(isSaidAgain);
  const left = facts.filter((fact) => !gone.includes(fact));
  const isShared = pieces > 1 && left.some(isTotal);
  return {
    facts: left.map((fact) =>
      isTotal(fact)
        ? made(fact, { value: fact.value / pieces, marks: (fact.marks ?? []).filter((mark) => mark !== 'total') })
        : fact,
    ),
    gone,
    notes: isShared ? [`the whole shared among ${pieces}`] : [],
  };
}

/** The mean of what cycles is its energy of a day, not what its compressor takes. */
function meansOfADay(facts: readonly Fact[]): readonly Fact[] {
  const volts = facts.find(({ kind }) => kind === 'voltage')?.value ?? null;
  return facts.map((fact): Fact => {
    if (!fact.marks?.includes('average')) return fact;
    const rest = { marks: [] };
    if (fact.kind === 'power') return made(fact, { ...rest, kind: 'energy-per-day', value: fact.value * 24 });
    if (fact.kind !== 'current') return fact;
    return volts === null
      ? made(fact, { ...rest, kind: 'charge-per-day', value: fact.value * 24 })
      : made(fact, { ...rest, kind: 'energy-per-day', value: fact.value * volts * 24 });
  });
}

/** "14.4 W/m" of a strip: what the length in the same text makes of it; without one it is asked. */
function perLength(facts: readonly Fact[]): readonly Fact[] {
  const metres = facts.find(({ kind }) => kind === 'length');
  return facts.map((fact) => {
    if (fact.kind !== 'power' || fact.tag !== 'per-metre') return fact;
    return metres
      ? made(fact, { value: fact.value * metres.value, tag: 'by-length' })
      : made(fact, { kind: 'asked', code: 'per-length', choices: [] });
  });
}

/** Litres a day at so many a minute are minutes. */
function timeOfFlow(facts: readonly Fact[]): readonly Fact[] {
  const [litres] = facts.filter(({ kind, tag }) => kind === 'measure' && tag === 'litres-a-day');
  if (!litres || facts.some(({ kind }) => kind === 'duration')) return facts;
  const flow = facts.find(({ kind, tag }) => kind === 'measure' && tag === 'flow')?.value ?? 0;
  return !(flow > 0)
    ? facts
    : facts.map((fact) => (fact === litres ? made(fact, { kind: 'duration', value: litres.value / flow }) : fact));
}
