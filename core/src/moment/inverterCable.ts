import { AREAS_MM2, CONDUCTORS, FUSE_FACTOR, FUSES_A } from '../reference/conductors.ts';
import { nextSize } from '../reference/sizes.ts';

/** What an inverter asks of its DC side on a bus of some voltage. */
export interface DcSide {
  readonly busV: 12 | 24 | 48;
  /** A at full rating and a low battery. */
  readonly amps: number;
  /** A; null when no common fuse is large enough. */
  readonly fuseA: number | null;
  /** Conductors in parallel for each pole, and their size. */
  readonly parallel: number;
  readonly areaMm2: number;
  readonly awg: string;
}

/** V of a 12 V bus that is nearly empty, under load. Common practice. */
export const LOW_12V = 11;

/**
 * Current at full rating on a low battery, and the fuse and cable that follow: fuse ≥ 1.25 × the current, cable
 * ≥ the fuse, by ampacity alone (ABYC E-11, recalled); the drop over its length is looked at with the runs.
 * @param inputW W that it takes at full rating
 */
export function dcSide(inputW: number, busV: 12 | 24 | 48): DcSide {
  const amps = inputW / ((LOW_12V * busV) / 12);
  const fuseA = nextSize(FUSES_A, amps * FUSE_FACTOR);
  const asked = fuseA ?? amps * FUSE_FACTOR;
  const largest = CONDUCTORS[CONDUCTORS.length - 1] as (typeof CONDUCTORS)[number];
  const parallel = Math.max(1, Math.ceil(asked / largest.ampacityA));
  const conductor = CONDUCTORS.find(({ ampacityA }) => ampacityA * parallel >= asked - 1e-9) ?? largest;
  return {
    busV,
    amps,
    fuseA,
    parallel,
    // A hair less than the AWG area is the same cable: 50 mm² is sold for 1/0, 53.5 mm².
    areaMm2: nextSize(AREAS_MM2, conductor.areaMm2 * 0.93) ?? conductor.areaMm2,
    awg: conductor.awg,
  };
}
