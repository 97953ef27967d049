import type { Run, System } from '../job/schema.ts';
import { FUSE_FACTOR, FUSES_A } from '../reference/conductors.ts';
import { holdsSeconds, PROTECTION } from '../reference/protection.ts';
import { restVoltageV } from '../store/rest.ts';
import { type Carried, wantedA } from './carried.ts';
import type { BankEnd } from './fitted.ts';

export type ProtectionName = keyof typeof PROTECTION;

/** The fuse or breaker of a run. */
export interface Fuse {
  /** Null = it has none. */
  readonly kind: ProtectionName | null;
  readonly ratingA: number | null;
  readonly isSuggested: boolean;
  /** A that it must let pass for hours: 1.25 × the current. */
  readonly neededA: number;
  /** s of its start that it surely lasts; Infinity when it never opens at that current, or nothing starts. */
  readonly holdsSeconds: number;
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

/** Fuses of a sold size at least as large as is needed that the cable bears; the given one alone where one is. */
export const fusesBetween = (neededA: number, bearsA: number, given: number | null): number[] =>
  (given === null ? [...FUSES_A] : [given]).filter((a) => a >= neededA - 1e-9 && a <= bearsA + 1e-9);

const NAMES = Object.keys(PROTECTION) as ProtectionName[];
/** Kinds that the program chooses among, the plainest first; a breaker only where one is asked for. */
const CHOSEN_AMONG: readonly ProtectionName[] = ['blade', 'strip', 'high-interrupt'];

const kindsFor = ({ protection }: Run): readonly ProtectionName[] =>
  protection === 'as-needed' ? CHOSEN_AMONG : NAMES.filter((name) => name === protection);

const startHeld = (name: ProtectionName, ratingA: number, { startA, startSeconds }: Carried): number =>
  startSeconds === 0 ? Number.POSITIVE_INFINITY : holdsSeconds(PROTECTION[name], startA / ratingA);

const outlasts = (name: ProtectionName, ratingA: number, carried: Carried): boolean =>
  startHeld(name, ratingA, carried) >= carried.startSeconds - 1e-9;

/** Kinds and ratings that the run may have: enough for the current, borne by the cable, sold in that kind. */
const choices = (run: Run, fromA: number, bearsA: number) =>
  kindsFor(run).flatMap((kind) =>
    fusesBetween(fromA, bearsA, run.ratingA)
      .filter((a) => a <= PROTECTION[kind].mostA || run.ratingA !== null)
      .map((ratingA) => ({ kind, ratingA })),
  );

/** Whether any fuse it may have outlasts its start. */
export const outlastsStart = (run: Run, carried: Carried, bearsA: number): boolean =>
  choices(run, wantedA(carried), bearsA).some(({ kind, ratingA }) => outlasts(kind, ratingA, carried));

/**
 * The fuse of a run: as given, or the plainest and smallest that lets its current pass, is borne by the cable, outlasts
 * its start and interrupts what it must. Where nothing does all of it, what does most; the findings say what it does not.
 * @param mustInterruptA A of a short circuit where it is the first on the way from the bank
 */
export function fuseOf(run: Run, carried: Carried, bearsA: number, mustInterruptA: number | null): Fuse {
  const neededA = carried.lowA * FUSE_FACTOR;
  const none: Fuse = {
    kind: null,
    ratingA: null,
    isSuggested: run.protection !== 'none',
    neededA,
    holdsSeconds: Number.POSITIVE_INFINITY,
    interruptA: 0,
    mustInterruptA,
  };
  if (run.protection === 'none') return none;
  const interruptOf = (kind: ProtectionName) => run.interruptA ?? PROTECTION[kind].interruptA;
  const interrupts = (kind: ProtectionName) => mustInterruptA === null || interruptOf(kind) >= mustInterruptA;
  const later = choices(run, wantedA(carried), bearsA);
  const options = later.length > 0 ? later : choices(run, neededA, bearsA);
  const strongest = [...options].sort((a, b) => interruptOf(b.kind) - interruptOf(a.kind))[0];
  const best =
    options.find(({ kind, ratingA }) => interrupts(kind) && outlasts(kind, ratingA, carried)) ??
    options.find(({ kind }) => interrupts(kind)) ??
    (mustInterruptA === null ? options.find(({ kind, ratingA }) => outlasts(kind, ratingA, carried)) : null) ??
    strongest ??
    atLeast(run, neededA);
  if (!best) return none;
  return {
    ...none,
    ...best,
    isSuggested: run.ratingA === null,
    holdsSeconds: startHeld(best.kind, best.ratingA, carried),
    interruptA: interruptOf(best.kind),
  };
}

/** What lets the current pass, whatever the cable bears. */
function atLeast(run: Run, neededA: number): { kind: ProtectionName; ratingA: number } | null {
  const kinds = kindsFor(run);
  const ratingA = run.ratingA ?? FUSES_A.find((a) => a >= neededA - 1e-9);
  if (ratingA === undefined) return null;
  const kind = kinds.find((name) => PROTECTION[name].mostA >= ratingA) ?? kinds.at(-1);
  return kind ? { kind, ratingA } : null;
}
