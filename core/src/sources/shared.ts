import type { DrivingLink, System } from '../job/schema.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { type Source, withWatts } from './source.ts';

/**
 * Where sun and alternator come out of one charger, together they give no more than its rating: the sun first and the
 * alternator what is left, or both less by the same share.
 */
export function sharingOutputs(
  sources: readonly Source[],
  links: readonly DrivingLink[],
  busVoltageV: number,
): readonly Source[] {
  const sharing = links.filter(({ sharesWith }) => sharesWith !== null);
  return sharing.reduce<readonly Source[]>((now, { id, sharesWith, ratingA, sharing: school }) => {
    const sun = now.find((one) => one.kind === 'sun' && one.id === sharesWith);
    const driving = now.find((one) => one.kind === 'driving' && one.id === id);
    if (!sun || !driving) return now;
    const mostW = ratingA * chargingVoltageV(busVoltageV);
    const left = (m: number): readonly [number, number] => {
      const [fromSun, driven] = [sun.watts[m] as number, driving.watts[m] as number];
      if (fromSun + driven <= mostW) return [fromSun, driven];
      if (school === 'blended') return [(fromSun * mostW) / (fromSun + driven), (driven * mostW) / (fromSun + driven)];
      const first = Math.min(fromSun, mostW);
      return [first, mostW - first];
    };
    const [bySun, byDriving] = [sun.watts.map((_, m) => left(m)[0]), driving.watts.map((_, m) => left(m)[1])];
    return now.map((one) =>
      one === sun ? withWatts(sun, bySun) : one === driving ? withWatts(driving, byDriving) : one,
    );
  }, sources);
}

/**
 * What gets through the inputs of a store: where one socket takes one source at a time, the strongest of each minute;
 * and no more than it takes in, those first that are drawn on first.
 */
export function throughInputs(
  sources: readonly Source[],
  { inputs, inputW }: Pick<System['store'], 'inputs' | 'inputW'>,
): readonly Source[] {
  if (inputs === 'add' && inputW === null) return sources;
  const held = sources.map(({ watts }) => Float64Array.from(watts));
  const minutes = held[0]?.length ?? 0;
  for (let m = 0; m < minutes; m++) {
    if (inputs === 'one') {
      let strongest = 0;
      for (let i = 1; i < held.length; i++)
        if ((held[i]?.[m] as number) > (held[strongest]?.[m] as number)) strongest = i;
      for (let i = 0; i < held.length; i++) if (i !== strongest) (held[i] as Float64Array)[m] = 0;
    }
    let left = inputW ?? Number.POSITIVE_INFINITY;
    for (const watts of held) {
      watts[m] = Math.min(watts[m] as number, left);
      left -= watts[m] as number;
    }
  }
  return sources.map((source, i) => withWatts(source, held[i] as Float64Array));
}
