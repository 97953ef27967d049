/** A figure and between what it lies. */
export interface Band {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

export const band = (value: number, one: number, other: number): Band => ({
  value,
  low: Math.min(one, other),
  high: Math.max(one, other),
});

export const HOUR_MS = 3_600_000;
