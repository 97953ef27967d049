import type { Run } from '../job/schema.ts';
import type { Origin } from '../quantity/figure.ts';
import { ORIGIN } from './origins.ts';

/** A kind of fuse or breaker, as generic as it is sold. */
export interface ProtectionKind {
  readonly name: string;
  /** A it is sold for at least and at most. */
  readonly leastA: number;
  readonly mostA: number;
  /** V that it is sold for, the lowest first. */
  readonly soldForV: readonly number[];
  /** A that it can interrupt. */
  readonly interruptA: number;
  readonly isSlow: boolean;
  /** The shortest time in which it may open, s, by the current as a multiple of its rating, the smallest first. */
  readonly opensFrom: readonly (readonly [multiple: number, seconds: number])[];
  readonly origin: Origin;
}

const ISO_8820_3: Origin = { label: 'P·M', source: 'opening times, ISO 8820-3' };

/** Kinds from the smallest: interrupt ratings and the slower kinds' times from memory. */
export const PROTECTION: Readonly<Record<Exclude<Run['protection'], 'as-needed' | 'none'>, ProtectionKind>> = {
  blade: {
    name: 'blade fuse',
    leastA: 1,
    mostA: 40,
    soldForV: [32, 58, 80],
    interruptA: 1000,
    isSlow: false,
    opensFrom: [
      [1.35, 0.75],
      [2, 0.15],
      [3.5, 0.08],
      [6, 0],
    ],
    origin: ISO_8820_3,
  },
  strip: {
    name: 'bolted strip fuse',
    leastA: 30,
    mostA: 500,
    soldForV: [32, 58, 80],
    interruptA: 2500,
    isSlow: true,
    opensFrom: [
      [1.35, 120],
      [2, 1],
      [3.5, 0.3],
      [6, 0.1],
    ],
    origin: ORIGIN.memory,
  },
  'high-interrupt': {
    name: 'high-interrupt fuse',
    leastA: 30,
    mostA: 500,
    soldForV: [125],
    interruptA: 20_000,
    isSlow: false,
    opensFrom: [
      [1.35, 60],
      [2, 5],
      [3.5, 0.3],
      [6, 0.02],
    ],
    origin: ORIGIN.memory,
  },
  // As distribution boards have them, gG, for banks that give more than the one before breaks.
  knife: {
    name: 'knife-blade fuse, HRC',
    leastA: 35,
    mostA: 500,
    soldForV: [250],
    interruptA: 50_000,
    isSlow: true,
    opensFrom: [
      [1.35, 600],
      [2, 20],
      [3.5, 1],
      [6, 0.1],
    ],
    origin: ORIGIN.memory,
  },
  breaker: {
    name: 'thermal breaker',
    leastA: 5,
    mostA: 300,
    soldForV: [32, 48],
    interruptA: 1500,
    isSlow: true,
    opensFrom: [
      [1.35, 30],
      [2, 5],
      [3.5, 1],
      [6, 0.2],
    ],
    origin: ORIGIN.memory,
  },
};

/** The lowest V that a kind is sold for and that a bus may have while it is charged; null = none. From memory. */
export const ratedVoltsFor = ({ soldForV }: ProtectionKind, volts: number): number | null =>
  soldForV.find((sold) => sold >= volts) ?? null;

/** From this multiple of its rating on a fuse or breaker opens some time; below it lasts. ISO 8820-3: not within 100 h at 1.1 ×. */
const OPENS_ABOVE = 1.1;

/** s that a multiple of its rating surely does not open it; Infinity when it never does. */
export function holdsSeconds(kind: ProtectionKind, multiple: number): number {
  if (multiple <= OPENS_ABOVE + 1e-9) return Number.POSITIVE_INFINITY;
  // Between two points of the window the shorter time of the higher one is what can be relied on.
  return kind.opensFrom.find(([at]) => multiple <= at + 1e-9)?.[1] ?? 0;
}

/** m of unprotected cable between a source and its fuse, by how it is laid. From memory; local codes differ. */
export const FUSE_WITHIN_M = { bare: 0.18, sheathed: 1.0, 'sheathed and tied to the battery': 1.83 } as const;

/** Main ÷ branch rating from which a branch of a kind opens first; a breaker takes its time. From memory. */
export const SELECTIVE_RATIO: Readonly<Record<keyof typeof PROTECTION, number>> = {
  blade: 1.6,
  strip: 1.6,
  'high-interrupt': 1.6,
  knife: 1.6,
  breaker: 2,
};
