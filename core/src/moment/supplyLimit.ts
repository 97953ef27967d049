import type { Supply } from '../job/schema.ts';
import { DEFAULT } from '../reference/defaults.ts';

/**
 * What a supply bears, in the unit that its limit is known by: a socket in A of each leg, a generator or an outlet
 * in W. Sizes of loads are in that unit too.
 */
export interface SupplyLimit {
  readonly supply: Supply;
  readonly unit: 'A' | 'W';
  /** Of its label; a generator's at the height where it runs. */
  readonly ratedSize: number;
  /** Share of it that is used, 0.5…1. */
  readonly share: number;
  readonly runningSize: number;
  /** What it bears for the moment of a start. */
  readonly startingSize: number;
  /** W at power factor 1 for each unit of size. */
  readonly wattsPerUnit: number;
}

/** Hookup: A × V × legs; generator: −3.5 % for each 300 m of height (common practice, from memory). */
export function supplyLimit(supply: Supply): SupplyLimit {
  const share = supply.share ?? DEFAULT.supplyShare.value;
  const limit = (unit: 'A' | 'W', ratedSize: number, startingSize: number, wattsPerUnit: number): SupplyLimit => ({
    supply,
    unit,
    ratedSize,
    share,
    runningSize: ratedSize * share,
    startingSize: Math.max(startingSize, ratedSize * share),
    wattsPerUnit,
  });
  switch (supply.kind) {
    case 'hookup': {
      const { amps, volts, legs } = supply;
      return limit('A', amps, amps * DEFAULT.breakerStartFactor.value, volts * legs);
    }
    case 'generator': {
      const thin = heightFactor(supply.altitudeM);
      return limit('W', supply.ratedW * thin, (supply.startW ?? supply.ratedW) * thin, 1);
    }
    case 'outlet':
      return limit('W', supply.ratedW, supply.startW ?? supply.ratedW, 1);
  }
}

/** Share of its rating that an engine gives in thinner air; below the sea all of it. */
export const heightFactor = (altitudeM: number): number => 1 - Math.max(0, altitudeM) * DEFAULT.altitudeLossPerM.value;

/**
 * The size of something that draws so many W and VA. On legs of one socket it is taken as spread evenly; on a
 * generator that names its VA the larger share of the two counts, so that a sum of sizes is never too small.
 */
export function sizeOn({ supply, wattsPerUnit }: SupplyLimit, watts: number, va: number): number {
  if (supply.kind === 'hookup') return va / wattsPerUnit;
  const perVa = supply.kind === 'generator' && supply.ratedVa !== null ? supply.ratedW / supply.ratedVa : 0;
  return Math.max(watts, va * perVa);
}
