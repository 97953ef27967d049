import type { Day, Device } from '../job/schema.ts';
import { type LoadProfile, stretchesOf } from '../loads/profile.ts';
import { startExtraAt } from '../moment/starts.ts';
import { chainOf } from '../paths/chain.ts';
import { givenRatingW } from '../paths/feed.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { stepMeans } from './demand.ts';

/** What goes without on a day since the port that it hangs on has shut off. */
export interface Tripped {
  /** Of each load the share of each minute in which its port gives; null = all of each. */
  readonly given: readonly (Float64Array | null)[];
  /** Wh at its terminals that each load goes without, and W of all of them in each step. */
  readonly wh: Float64Array;
  readonly stepW: Float64Array;
}

/** W that are let through: rounding of a part in a million. */
const OVER = 1 + 1e-6;

/**
 * A port that is asked more than it gives, by what runs on it or by what starts beside that, shuts off, and all that hangs
 * on it goes without until somebody switches it on again: the next morning.
 * @returns null where no port does
 */
export function portTrips(
  profiles: readonly LoadProfile[],
  devices: readonly Device[],
  day: Day,
  steps: number,
): Tripped | null {
  const fromMin = new Map<string, number>();
  for (const device of devices) {
    if (device.kind !== 'port') continue;
    const on = profiles.filter(({ load }) => chainOf(load, devices).device?.id === device.id);
    const minute = tripMinute(on, devices, day, givenRatingW(device) ?? 0);
    if (minute !== null) fromMin.set(device.id, minute);
  }
  if (fromMin.size === 0) return null;
  const given = profiles.map(({ load }) => {
    const from = fromMin.get(chainOf(load, devices).device?.id ?? '');
    return from === undefined ? null : new Float64Array(MINUTES_PER_DAY).map((_, m) => (m < from ? 1 : 0));
  });
  const lostW = new Float64Array(MINUTES_PER_DAY);
  const wh = Float64Array.from(profiles, ({ meanW }, i) => {
    let sum = 0;
    for (let m = 0; m < MINUTES_PER_DAY; m++) {
      const lost = given[i] ? (meanW[m] as number) * (1 - (given[i]?.[m] as number)) : 0;
      lostW[m] = (lostW[m] as number) + lost;
      sum += lost;
    }
    return sum / 60;
  });
  return { given, wh, stepW: stepMeans(lostW, steps) };
}

/** The first minute in which a port is asked more than it gives. */
function tripMinute(
  profiles: readonly LoadProfile[],
  devices: readonly Device[],
  day: Day,
  limitW: number,
): number | null {
  const stretches = profiles.flatMap((profile) => {
    const { load } = profile;
    const perW = 1 / chainOf(load, devices).efficiency;
    return stretchesOf(load, day)
      .filter(({ minutes, powerW }) => minutes > 0 && powerW > 0)
      .map(({ startMin, minutes, powerW }) => ({
        startMin: startMin % MINUTES_PER_DAY,
        minutes,
        watts: powerW * load.quantity * perW,
        startW: startExtraAt(profile, powerW) * perW,
      }));
  });
  const starts = [...new Set(stretches.map(({ startMin }) => startMin))].sort((a, b) => a - b);
  for (const start of starts) {
    const on = stretches.filter(
      ({ startMin, minutes }) => (start - startMin + MINUTES_PER_DAY) % MINUTES_PER_DAY < minutes,
    );
    const watts = on.reduce((sum, one) => sum + one.watts, 0);
    const startW = Math.max(...on.filter(({ startMin }) => startMin === start).map((one) => one.startW));
    if (watts + startW > limitW * OVER) return Math.floor(start);
  }
  return null;
}
