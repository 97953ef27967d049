import type { Inverter, Job } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { type Feed, feedOf } from '../paths/feed.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { MARGIN } from '../reference/sizes.ts';
import type { Coincidence } from './coincidence.ts';
import {
  factorsOf,
  heatFactor,
  holdSecondsOf,
  type InverterNeed,
  inverterNeed,
  standardInverter,
  surgeHeldW,
} from './inverterSize.ts';
import type { Slice } from './slices.ts';
import { type Asks, type Bears, type Trip, tripsOf } from './trips.ts';
import { acLoadsOf, type WorstMoment, worstMoment } from './worstMoment.ts';

/** An inverter of the option, with what its loads ask of it. */
export interface SizedInverter {
  readonly device: Inverter;
  readonly moment: WorstMoment;
  readonly need: InverterNeed;
  /** Whether its figures are the job's vitals: of the first that carries loads. */
  readonly isMain: boolean;
  /** Equal units counted when no single common size is enough; 0 when nothing uses it. */
  readonly units: number;
  readonly ratingW: number;
  readonly bears: Bears;
  /** What makes it trip at its worst moment; none when it holds. */
  readonly trips: readonly Trip[];
  /** Null when nothing uses it. */
  readonly feed: Feed | null;
}

/** What an inverter bears once its size is settled. */
export function bearsOf(device: Inverter, ratingW: number): Bears {
  return {
    ratingW,
    hotW: ratingW * heatFactor(device.ambientC),
    ratingVa: ratingW / (device.ratingW === ratingW ? factorsOf(device).wattsPerVa : DEFAULT.inverterWattsPerVa.value),
    surgeW: surgeHeldW(device, ratingW),
    holdSeconds: holdSecondsOf(device),
  };
}

/**
 * What each inverter of the option must carry, and its size: as chosen, or as required. The first that carries
 * loads is the main one, whose figures are the job's vitals; the others have figures of their own. Main first.
 */
export function sizeInverters(
  profiles: readonly LoadProfile[],
  devices: Job['options'][number]['system']['devices'],
  slices: readonly Slice[],
  coincidence: Coincidence,
  rules: Job['rules'],
): SizedInverter[] {
  const found = devices
    .filter((device) => device.kind === 'inverter')
    .map((device) => ({
      device,
      moment: worstMoment(
        acLoadsOf(profiles, devices, device.id),
        slices,
        coincidence,
        rules.twoMayStart,
        holdSecondsOf(device),
      ),
    }));
  const main = found.find(({ moment }) => moment.acLoads.length > 0) ?? found[0];
  const ordered = [...found].sort((a, b) => Number(b === main) - Number(a === main));
  return ordered.map(({ device, moment }) => {
    const need = inverterNeed(
      moment,
      MARGIN[rules.inverterMargin].factor,
      heatFactor(device.ambientC),
      factorsOf(device),
    );
    const standard = standardInverter(need.requiredW);
    const isUsed = moment.acLoads.length > 0;
    // One that is fitted and left on idles whether or not anything hangs on it.
    const isLeftOn = device.ratingW !== null && device.policy === 'always';
    const ratingW = isUsed || isLeftOn ? (device.ratingW ?? standard.ratingW) : 0;
    const bears = bearsOf(device, ratingW);
    return {
      device,
      moment,
      need,
      isMain: device === main?.device,
      units: isUsed ? standard.units : 0,
      ratingW,
      bears,
      trips: isUsed ? tripsOf(bears, asksOf(moment)) : [],
      feed: ratingW > 0 ? feedOf(device, ratingW, rules.inverterCurve) : null,
    };
  });
}

/** The worst of each kind: they need not be the same set. */
const asksOf = ({ continuous, apparent, surge, longStart }: WorstMoment): Asks => ({
  runningW: continuous.weight,
  apparentVa: apparent.weight,
  starts: longStart ? [surge, longStart] : [surge],
});
