import type { BatteryString, Chemistry, System } from '../job/schema.ts';
import { CHEMISTRY } from './chemistries.ts';

/** What is asked of a battery, A at its nominal volts. */
export interface Currents {
  /** At the worst moment of what runs for longer than the battery gives more for. */
  readonly longA: number;
  /** At the worst moment of all that runs. */
  readonly worstA: number;
  /** At the largest start on top of what else may run then. */
  readonly startA: number;
}

/** What a battery gives, A: for long, and for so many s. */
export interface DischargeLimits {
  readonly longA: number;
  readonly shortA: number;
  readonly shortS: number;
}

/** Which of the currents it is that a limit is held against. */
export type CurrentKind = 'long' | 'worst' | 'start';

/** s that a moment of what runs lasts at least; what a battery gives for less is there for starts only. */
const RUNS_S = 60;

/**
 * What a unit gives by its data sheet; else as its chemistry usually does, for a short time as many times what it gives
 * for long, and never more than is usual of its capacity.
 */
export function unitLimits(
  unit: Pick<BatteryString, 'capacityAh' | 'dischargeA' | 'shortA' | 'shortS'>,
  chemistry: Chemistry,
): DischargeLimits {
  const { dischargeLimitC, short } = CHEMISTRY[chemistry];
  const longA = unit.dischargeA ?? unit.capacityAh * dischargeLimitC;
  const usualA = Math.max(longA, Math.min((longA * short.c) / dischargeLimitC, unit.capacityAh * short.c));
  return { longA, shortA: Math.max(longA, unit.shortA ?? usualA), shortS: unit.shortS ?? short.seconds };
}

/** s for which a battery gives more than for long: as long as all of its strings do. */
export const shortSecondsOf = ({ strings, chemistry }: Pick<System['store'], 'strings' | 'chemistry'>): number =>
  Math.min(
    ...(strings ?? []).map((string) => unitLimits(string, chemistry).shortS),
    CHEMISTRY[chemistry].short.seconds,
  );

/** What runs may take while it runs: more than for long only where that is held for long enough. */
export const runningLimitA = ({ longA, shortA, shortS }: DischargeLimits): number =>
  shortS >= RUNS_S ? shortA : longA;

/** The currents against the limits that they are held to, the one that asks the most times of its limit first. */
export function exceeding(
  { longA, worstA, startA }: Currents,
  limits: DischargeLimits,
): readonly { readonly kind: CurrentKind; readonly amps: number; readonly limitA: number; readonly times: number }[] {
  const held = [
    { kind: 'long' as const, amps: longA, limitA: limits.longA },
    { kind: 'worst' as const, amps: worstA, limitA: runningLimitA(limits) },
    { kind: 'start' as const, amps: startA, limitA: limits.shortA },
  ];
  return held.map((one) => ({ ...one, times: one.amps / one.limitA })).sort((a, b) => b.times - a.times);
}
