import type { Income } from '../battery/day.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { offeredWh, type Source, type SourceKind } from './source.ts';

/** What sources bring to the bus through a day, by what they are. */
export function dayIncome(sources: readonly Source[]): Income {
  const of = (wanted: SourceKind): Float64Array => {
    const sum = new Float64Array(MINUTES_PER_DAY);
    for (const { kind, watts } of sources) if (kind === wanted) add(sum, watts);
    return sum;
  };
  const [sunW, drivingW, supplyW] = [of('sun'), of('driving'), of('supply')];
  const otherW = drivingW.slice();
  add(otherW, supplyW);
  return { sunW, drivingW, supplyW, otherW };
}

function add(to: Float64Array, watts: Float64Array): void {
  for (let m = 0; m < MINUTES_PER_DAY; m++) to[m] = (to[m] as number) + (watts[m] as number);
}

/**
 * Wh that are taken of each source. The earlier source gives first: what is spare is the last one's.
 * @param spareW W in each minute that nothing had use for
 */
export function takenOf(sources: readonly Source[], spareW: Float64Array): number[] {
  const untaken = new Float64Array(sources.length);
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    let spare = spareW[m] as number;
    for (let i = sources.length - 1; spare > 0 && i >= 0; i--) {
      const given = (sources[i] as Source).watts[m] as number;
      const left = given < spare ? given : spare;
      spare -= left;
      untaken[i] = (untaken[i] as number) + left;
    }
  }
  return sources.map((source, i) => Math.max(0, offeredWh(source) - (untaken[i] as number) / 60));
}
