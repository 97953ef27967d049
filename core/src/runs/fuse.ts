import { restVoltageV } from '../battery/rest.ts';
import type { Run, System } from '../job/schema.ts';
import { FUSES_A } from '../reference/conductors.ts';
import { PROTECTION, ratedVoltsFor } from '../reference/protection.ts';
import type { BankEnd } from './fitted.ts';
import {
  breaks,
  type Choice,
  choices,
  fusesAsked,
  kindsFor,
  type Load,
  neededA,
  outlasts,
  type ProtectionName,
  shareOf,
  startHeld,
  wantedA,
} from './suited.ts';

/** The fuse or breaker of a run. */
export interface Fuse {
  /** Null = it has none. */
  readonly kind: ProtectionName | null;
  /** A of all its fuses together, and how many there are: one, or one for each conductor where none is sold for all. */
  readonly ratingA: number | null;
  readonly ways: number;
  readonly isSuggested: boolean;
  /** A that it must let pass for hours: 1.25 × the current. */
  readonly neededA: number;
  /** s of its start that it surely lasts; Infinity when it never opens at that current, or nothing starts. */
  readonly holdsSeconds: number;
  /** V that it must be sold for: the lowest of its kind that its run may have; null = none is. */
  readonly ratedV: number | null;
  /** A that it can interrupt. */
  readonly interruptA: number;
  /** A that it must interrupt alone, being the first on the way from the bank; null when another stands before it. */
  readonly mustInterruptA: number | null;
}

/** Share of the bank's usual Ω that is there when it is shorted: the lower figure is the cautious one. Common practice. */
const SHORTED = 0.5;

/**
 * A of a short circuit: V at rest, full, ÷ (half of the Ω inside + those on the way).
 * @param ohm cold Ω of the way there and back
 */
export const shortCircuitA = (bank: BankEnd, { store, busVoltageV }: System, ohm: number): number | null =>
  bank.ah > 0 ? restVoltageV(store.chemistry, busVoltageV, 1) / (bank.resistanceOhm * SHORTED + ohm) : null;

/**
 * The fuse of a run: as given, or the smallest and plainest that lets its current pass, is borne by the cable, opens
 * after those behind it, outlasts its start and interrupts what it must. Where nothing does all of it, what does most;
 * the findings say what it does not.
 * @param conductors beside one another, which have a fuse each where no single one is sold
 * @param mustInterruptA A of a short circuit where it is the first on the way from the bank; `mostV` V that it may have
 */
export function fuseOf(
  run: Run,
  load: Load,
  bearsA: number,
  mustInterruptA: number | null,
  mostV: number,
  conductors: number,
): Fuse {
  const none: Fuse = {
    kind: null,
    ratingA: null,
    ways: 1,
    isSuggested: run.protection !== 'none',
    neededA: neededA(load),
    holdsSeconds: Number.POSITIVE_INFINITY,
    ratedV: null,
    interruptA: 0,
    mustInterruptA,
  };
  if (run.protection === 'none') return none;
  const ways = fusesAsked(run, load, conductors);
  if (ways > 1) {
    const each = fuseOf({ ...run, parallel: 1 }, shareOf(load, ways), bearsA / ways, mustInterruptA, mostV, 1);
    return each.ratingA === null ? none : { ...each, neededA: neededA(load), ratingA: each.ratingA * ways, ways };
  }
  const interruptOf = ({ kind }: Choice) => run.interruptA ?? PROTECTION[kind].interruptA;
  const interrupts = breaks(run, mustInterruptA);
  const later = [...choices(run, wantedA(load), bearsA)];
  const options = later.length > 0 ? later : [...choices(run, neededA(load), bearsA)];
  const strongest = [...options].sort((a, b) => interruptOf(b) - interruptOf(a))[0];
  const best =
    options.find((choice) => interrupts(choice) && outlasts(choice, load)) ??
    lastingLongest(options.filter(interrupts), load) ??
    strongest ??
    atLeast(run, neededA(load));
  if (!best) return none;
  return {
    ...none,
    ...best,
    isSuggested: run.ratingA === null,
    holdsSeconds: startHeld(best, load),
    ratedV: ratedVoltsFor(PROTECTION[best.kind], mostV),
    interruptA: interruptOf(best),
  };
}

/** Where none outlasts a start, the one that comes closest, the smallest of equals. */
const lastingLongest = (options: readonly Choice[], load: Load): Choice | undefined =>
  options.reduce<Choice | undefined>(
    (best, choice) => (best && startHeld(best, load) >= startHeld(choice, load) ? best : choice),
    undefined,
  );

/** What lets the current pass, whatever the cable bears. */
function atLeast(run: Run, fromA: number): Choice | null {
  const kinds = kindsFor(run);
  const ratingA = run.ratingA ?? FUSES_A.find((a) => a >= fromA - 1e-9);
  if (ratingA === undefined) return null;
  const kind = kinds.find((name) => PROTECTION[name].mostA >= ratingA) ?? kinds.at(-1);
  return kind ? { kind, ratingA } : null;
}
