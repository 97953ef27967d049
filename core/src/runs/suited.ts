import type { Run } from '../job/schema.ts';
import { FUSE_FACTOR, FUSES_A } from '../reference/conductors.ts';
import { holdsSeconds, PROTECTION, SELECTIVE_RATIO } from '../reference/protection.ts';

export type ProtectionName = keyof typeof PROTECTION;

/** What a fuse has to live with. */
export interface Load {
  /** A for hours, A for a moment and the s of it, and the rating from which it opens after all fuses behind it, A. */
  readonly lowA: number;
  readonly startA: number;
  readonly startSeconds: number;
  readonly branchFuseA: number;
}

export interface Choice {
  readonly kind: ProtectionName;
  readonly ratingA: number;
}

/** A that a fuse must let pass for hours. */
export const neededA = ({ lowA }: Pick<Load, 'lowA'>): number => lowA * FUSE_FACTOR;

const LARGEST_A = FUSES_A.at(-1) as number;

/** A of one of several conductors ÷ its even share: joints and lengths are never quite alike. From memory. */
const UNEVEN = 1.1;

/** Fuses of a run: one, or one for each of its conductors where none is sold for all of them. */
export const fusesAsked = (run: Pick<Run, 'ratingA'>, load: Pick<Load, 'lowA'>, conductors: number): number =>
  run.ratingA === null && neededA(load) > LARGEST_A ? conductors : 1;

/** What the fuse of one of several conductors has to live with. */
export const shareOf = (load: Load, ways: number): Load => ({
  ...load,
  lowA: (load.lowA * UNEVEN) / ways,
  startA: (load.startA * UNEVEN) / ways,
  branchFuseA: load.branchFuseA / ways,
});

/** A from which it does and, where it can be had, opens after those behind it. */
export const wantedA = (load: Pick<Load, 'lowA' | 'branchFuseA'>): number =>
  Math.max(neededA(load), FUSES_A.find((a) => a >= load.branchFuseA - 1e-9) ?? 0);

const isBetween = (ratingA: number, fromA: number, bearsA: number): boolean =>
  ratingA >= fromA - 1e-9 && ratingA <= bearsA + 1e-9;

/** Whether a fuse of a sold size is at least as large as is needed and borne by the cable. */
export const isFuseBetween = (fromA: number, bearsA: number): boolean =>
  FUSES_A.some((a) => isBetween(a, fromA, bearsA));

const NAMES = Object.keys(PROTECTION) as ProtectionName[];
const JUST = Object.fromEntries(NAMES.map((name) => [name, [name]])) as unknown as Readonly<
  Record<ProtectionName, readonly ProtectionName[]>
>;
/** Kinds that the program chooses among, the plainest first; a breaker only where one is asked for. */
const CHOSEN_AMONG: readonly ProtectionName[] = ['blade', 'strip', 'high-interrupt', 'knife'];

export const kindsFor = ({ protection }: Pick<Run, 'protection'>): readonly ProtectionName[] =>
  protection === 'as-needed' ? CHOSEN_AMONG : protection === 'none' ? [] : JUST[protection];

const isSold = (kind: ProtectionName, ratingA: number): boolean =>
  ratingA >= PROTECTION[kind].leastA && ratingA <= PROTECTION[kind].mostA;

/** Kinds and ratings that a run may have, the smallest and plainest first: sold, and borne by the cable; a given rating alone. */
export function* choices(
  run: Pick<Run, 'protection' | 'ratingA'>,
  fromA: number,
  bearsA: number,
): Generator<Choice, void> {
  const kinds = kindsFor(run);
  const given = run.ratingA;
  if (given !== null) {
    if (given <= bearsA + 1e-9) for (const kind of kinds) yield { kind, ratingA: given };
    return;
  }
  for (const ratingA of FUSES_A) {
    if (!isBetween(ratingA, fromA, bearsA)) continue;
    for (const kind of kinds) if (run.protection !== 'as-needed' || isSold(kind, ratingA)) yield { kind, ratingA };
  }
}

/** Whether a choice interrupts what it must alone; null = another stands before it. */
export const breaks =
  ({ interruptA }: Pick<Run, 'interruptA'>, mustA: number | null) =>
  ({ kind }: Choice): boolean =>
    mustA === null || (interruptA ?? PROTECTION[kind].interruptA) >= mustA;

/** Whether a bank gives more than any kind interrupts that is chosen among. */
export const isBeyondAll = (mustA: number | null): boolean =>
  mustA !== null && CHOSEN_AMONG.every((kind) => PROTECTION[kind].interruptA < mustA);

/** The first that outlasts a start; null where none does. */
export function firstLasting(choices: Iterable<Choice>, load: Load): Choice | null {
  for (const choice of choices) if (outlasts(choice, load)) return choice;
  return null;
}

/** s of its start that a fuse surely holds; Infinity when nothing starts or it never opens at that current. */
export const startHeld = ({ kind, ratingA }: Choice, { startA, startSeconds }: Load): number =>
  startSeconds === 0 ? Number.POSITIVE_INFINITY : holdsSeconds(PROTECTION[kind], startA / ratingA);

export const outlasts = (choice: Choice, load: Load): boolean => startHeld(choice, load) >= load.startSeconds - 1e-9;

/**
 * The rating from which what stands before a run opens after it, A: the smallest that outlasts its start, where its cable
 * sets no limit, × what its kind asks for.
 */
export function selectiveA(run: Pick<Run, 'protection' | 'ratingA'>, load: Load): number {
  const likely = likelyFuse(run, load);
  return likely ? likely.ratingA * SELECTIVE_RATIO[likely.kind] : 0;
}

function likelyFuse(run: Pick<Run, 'protection' | 'ratingA'>, load: Load): Choice | null {
  if (run.ratingA !== null) return { kind: kindsFor(run)[0] ?? 'strip', ratingA: run.ratingA };
  const all = () => choices(run, wantedA(load), Number.POSITIVE_INFINITY);
  return firstLasting(all(), load) ?? all().next().value ?? null;
}
