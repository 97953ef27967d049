/** Seeded standard normal deviates, and the normal distribution. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/**
 * Standard normal deviates of one stream (Box & Muller 1958). Streams of one seed lie 2⁶⁴ numbers apart.
 * @param seed a whole number; `stream` 0 upward
 */
export function normalDeviates(seed: number, stream: number): () => number {
  const generator = xoroshiro128plus(seed);
  for (let i = 0; i < stream; i++) generator.jump();
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    // 1 − u is never 0.
    const radius = Math.sqrt(-2 * Math.log(1 - uniformFloat64(generator)));
    const angle = 2 * Math.PI * uniformFloat64(generator);
    spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}

/** Share of a standard normal variable that lies below z, within 7.5e-8 (Abramowitz & Stegun 26.2.17). */
export function normalShare(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z > 0 ? 1 - tail : tail;
}
