/**
 * How days of a month differ: the distribution of daily clearness K_t about its mean K̄ after Bendt, Collares-Pereira & Rabl
 * (1981), F(K) = (e^(γ·K_min) − e^(γ·K)) / (e^(γ·K_min) − e^(γ·K_max)), with K_max after Hollands & Huget (1983).
 * γ is found so that the mean is K̄ exactly; the formula that is usually given for it misses at the ends.
 */

/** The dullest day there is. */
const K_MIN = 0.05;
/** Means beyond these have no such distribution: nearer to an end every day is the same. */
const LEAST_MEAN = 0.07;
const MOST_MEAN = 0.8;

/** The brightest day of a month of that mean. @param mean K̄, 0…1 */
export const brightest = (mean: number): number => 0.6313 + 0.267 * mean - 11.9 * (mean - 0.75) ** 8;

/** Mean of the distribution for a γ. */
function meanFor(gamma: number, max: number): number {
  if (Math.abs(gamma) < 1e-6) return (K_MIN + max) / 2;
  // E[K] = K_max − ∫F dK, in closed form; written so that nothing overflows.
  const span = gamma * (max - K_MIN);
  return K_MIN + (max - K_MIN) / -Math.expm1(-span) - 1 / gamma;
}

function gammaFor(mean: number, max: number): number {
  let [low, high] = [-400, 400];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (meanFor(middle, max) < mean) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Clearness below which a share of the days stays, 0…1, for the days of a month of that mean. @param mean K̄, 0…1 */
export function spreadOf(mean: number): (share: number) => number {
  if (!(mean > LEAST_MEAN) || mean > MOST_MEAN) return () => mean;
  const max = brightest(mean);
  const gamma = gammaFor(mean, max);
  if (Math.abs(gamma) < 1e-6) return (share) => K_MIN + share * (max - K_MIN);
  const grown = Math.expm1(gamma * (max - K_MIN));
  return (share) => K_MIN + Math.log1p(share * grown) / gamma;
}

/**
 * Clearness that a share of the days stays below: 0.25 of a dull day, 0.75 of a bright one.
 * @param mean K̄ of the month, 0…1
 * @param share 0…1
 */
export const clearnessAt = (mean: number, share: number): number => spreadOf(mean)(share);

/** Days of the month that a bright day is brighter than, and a dull one. */
export const BRIGHT_SHARE = 0.75;
export const DULL_SHARE = 0.25;
