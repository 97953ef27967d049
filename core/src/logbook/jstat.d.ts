/** The part of a statistics package that the logbook is held against. */
declare module 'jstat' {
  export const jStat: {
    mean(values: readonly number[]): number;
    /** @param sample divides by n − 1 */
    stdev(values: readonly number[], sample: boolean): number;
    studentt: { inv(share: number, freedom: number): number; cdf(t: number, freedom: number): number };
    centralF: { cdf(f: number, between: number, within: number): number };
    stdev(values: readonly number[], sample: boolean): number;
  };
}
