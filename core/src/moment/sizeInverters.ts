import type { Device, Inverter, Job } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { type Feed, feedOf } from '../paths/feed.ts';
import type { FigureId } from '../quantity/figure.ts';
import { MARGIN } from '../reference/sizes.ts';
import { type InverterNeed, inverterNeed, standardInverter } from './inverterSize.ts';
import { type WorstMoment, worstMoment } from './worstMoment.ts';

/** An inverter of the option, with what its loads ask of it. */
export interface SizedInverter {
  readonly device: Inverter;
  readonly moment: WorstMoment;
  readonly need: InverterNeed;
  readonly ids: InverterIds;
  /** Equal units counted when no single common size is enough; 0 when nothing uses it. */
  readonly units: number;
  readonly ratingW: number;
  /** Null when nothing uses it. */
  readonly feed: Feed | null;
}

type InverterIds = Readonly<Record<'continuous' | 'apparent' | 'surge' | 'required' | 'rating' | 'idle', FigureId>>;

const MAIN: InverterIds = {
  continuous: 'peak.continuous',
  apparent: 'peak.apparent',
  surge: 'peak.surge',
  required: 'inverter.required',
  rating: 'inverter.rating',
  idle: 'inverter.idle',
};

const furtherIds = (id: string): InverterIds => ({
  continuous: `device.continuous.${id}`,
  apparent: `device.apparent.${id}`,
  surge: `device.surge.${id}`,
  required: `device.required.${id}`,
  rating: `device.rating.${id}`,
  idle: `device.idle.${id}`,
});

/**
 * What each inverter of the option must carry, and its size: as chosen, or as required. The first that carries
 * loads is the main one, whose figures are the job's vitals; the others have figures of their own. Main first.
 */
export function sizeInverters(
  profiles: readonly LoadProfile[],
  devices: readonly Device[],
  job: Pick<Job, 'neverTogether' | 'rules'>,
): SizedInverter[] {
  const { rules } = job;
  const found = devices
    .filter((device) => device.kind === 'inverter')
    .map((device) => ({
      device,
      moment: worstMoment(profiles, devices, device.id, job.neverTogether, rules.twoMayStart),
    }));
  const main = found.find(({ moment }) => moment.acLoads.length > 0) ?? found[0];
  const ordered = [...found].sort((a, b) => Number(b === main) - Number(a === main));
  return ordered.map(({ device, moment }) => {
    const { continuous, apparent, surge, acLoads } = moment;
    const need = inverterNeed(continuous.weight, apparent.weight, surge.weight, MARGIN[rules.inverterMargin].factor);
    const standard = standardInverter(need.requiredW);
    const ratingW = acLoads.length === 0 ? 0 : (device.ratingW ?? standard.ratingW);
    return {
      device,
      moment,
      need,
      ids: device === main?.device ? MAIN : furtherIds(device.id),
      units: acLoads.length === 0 ? 0 : standard.units,
      ratingW,
      feed: ratingW > 0 ? feedOf(device, ratingW, rules.inverterCurve) : null,
    };
  });
}
