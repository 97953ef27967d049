import type { DrivingLink } from '../job/schema.ts';
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
