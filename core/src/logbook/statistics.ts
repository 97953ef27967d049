/** The distributions and fits that the logbook judges with. */

/** ln Γ(x), x above 0, within 1e-13 (Lanczos 1964, g = 7, nine terms). */
function lnGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - lnGamma(1 - x);
  const terms = [
    676.5203681218851, -1259.1392167224028, 771.3234287776531, -176.6150291621406, 12.507343278686905,
    -0.13857109526572012, 9.984369578019572e-6, 1.5056327351493116e-7,
  ];
  const sum = terms.reduce((total, term, i) => total + term / (x + i), 0.9999999999998099);
  const t = x + 6.5;
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum);
}

const SMALLEST = 1e-300;
const CLOSE = 1e-14;
const MOST_TURNS = 300;

/** The regularised incomplete beta function Iₓ(a, b), x from 0 to 1 (continued fraction by Lentz's method; NIST DLMF 8.17.22). */
export function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a);
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log1p(-x)) / a;
  const away = (value: number): number => (Math.abs(value) < SMALLEST ? SMALLEST : value);
  let c = 1;
  let d = 1 / away(1 - ((a + b) * x) / (a + 1));
  let fraction = d;
  for (let m = 1; m <= MOST_TURNS; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / away(1 + even * d);
    c = away(1 + even / c);
    fraction *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / away(1 + odd * d);
    c = away(1 + odd / c);
    fraction *= d * c;
    if (Math.abs(d * c - 1) < CLOSE) break;
  }
  return front * fraction;
}

/** Share of Student's t with so many degrees of freedom that lies below t. */
export function tShare(t: number, freedom: number): number {
  const tail = incompleteBeta(freedom / (freedom + t * t), freedom / 2, 0.5) / 2;
  return t > 0 ? 1 - tail : tail;
}

/** Share of F with (between, within) degrees of freedom that lies above f. */
export function fTail(f: number, between: number, within: number): number {
  return f <= 0 ? 1 : incompleteBeta(within / (within + between * f), within / 2, between / 2);
}

/** Below which t lies the given share, above a half; by halving. `freedom` 1 or more. */
export function tQuantile(share: number, freedom: number): number {
  let low = 0;
  let high = 1;
  while (tShare(high, freedom) < share) high *= 2;
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (tShare(middle, freedom) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

export const mean = (values: ArrayLike<number>): number => {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i] as number;
  return sum / values.length;
};

/** Of a sample: divided by one less than its number. 0 of a single value. */
export function deviation(values: readonly number[]): number {
  if (values.length < 2) return 0;
  const middle = mean(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1));
}

export function median(values: readonly number[]): number {
  const sorted = Float64Array.from(values).sort();
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}

export interface Line {
  readonly slope: number;
  /** y at x = 0. */
  readonly at0: number;
  /** Sum of the squared residuals. */
  readonly rest: number;
  /** Standard error of the slope; null of two points. */
  readonly error: number | null;
  readonly meanX: number;
  /** Sum of squares of x about its mean. */
  readonly spreadX: number;
}

/** The straight line of least squares, or null when all x are one. */
export function fitLine(x: readonly number[], y: readonly number[]): Line | null {
  const n = x.length;
  if (n < 2) return null;
  const [meanX, meanY] = [mean(x), mean(y)];
  let spreadX = 0;
  let both = 0;
  for (let i = 0; i < n; i++) {
    spreadX += ((x[i] as number) - meanX) ** 2;
    both += ((x[i] as number) - meanX) * ((y[i] as number) - meanY);
  }
  if (spreadX === 0) return null;
  const slope = both / spreadX;
  const at0 = meanY - slope * meanX;
  let rest = 0;
  for (let i = 0; i < n; i++) rest += ((y[i] as number) - at0 - slope * (x[i] as number)) ** 2;
  return { slope, at0, rest, error: n > 2 ? Math.sqrt(rest / (n - 2) / spreadX) : null, meanX, spreadX };
}
