import { runningPowerW } from '../job/draw.ts';
import type { Draw, Load, Run } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { dutyAt } from './duty.ts';

/** What a load takes at its own terminals through one usual day, all its pieces together. */
export interface LoadProfile {
  readonly load: Load;
  /** Mean W in each minute; its integral is the day's energy. */
  readonly meanW: Float64Array;
  /**
   * Variance of the power within each minute, W², for a load that cycles on and off faster than a
   * minute's mean can show; null when the mean is the power. Needed because loss grows with power squared.
   */
  readonly varianceW2: Float64Array | null;
  /** Share of each minute in which it needs its supply switched on (a fridge needs it between cycles too). */
  readonly onShare: Float64Array;
  /** The stretches of minutes [from, to) in which it is on, so that loops skip the rest. */
  readonly active: readonly (readonly [from: number, to: number])[];
  /** W at its strongest moment, all pieces together. */
  readonly runningW: number;
  /** Wh a day at its terminals. */
  readonly energyWh: number;
}

function stretchesOn(onShare: Float64Array): [number, number][] {
  const stretches: [number, number][] = [];
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    if (onShare[m] === 0) continue;
    const from = m;
    while (m < MINUTES_PER_DAY && onShare[m] !== 0) m++;
    stretches.push([from, m]);
  }
  return stretches;
}

/** Calls `each(minute, share)` for every minute of the day that a stretch touches; wraps past midnight. */
function eachMinute(startMin: number, minutes: number, each: (minute: number, share: number) => void): void {
  const end = startMin + minutes;
  for (let m = Math.floor(startMin); m < end; m++) {
    const share = Math.min(m + 1, end) - Math.max(m, startMin);
    if (share > 0) each(m % MINUTES_PER_DAY, share);
  }
}

/** The stretches of constant power that one run of a draw consists of, W of one piece. */
function stretches(draw: Draw, run: Run): { startMin: number; minutes: number; powerW: number }[] {
  if (draw.kind !== 'cycle') return [{ ...run, powerW: runningPowerW(draw) }];
  const fixed = draw.phases.reduce((sum, phase) => sum + (phase.minutes ?? 0), 0);
  let startMin = run.startMin;
  return draw.phases.map((phase) => {
    const minutes = phase.minutes ?? Math.max(0, run.minutes - fixed);
    const stretch = { startMin, minutes, powerW: phase.powerW };
    startMin += minutes;
    return stretch;
  });
}

const ALL_DAY: readonly Run[] = [{ startMin: 0, minutes: MINUTES_PER_DAY }];

/** Profiles already made: loads are never changed in place, so a load with the same surroundings has the same profile. */
const known = new WeakMap<Load, { readonly ambientC: Float64Array; readonly profile: LoadProfile }>();

/** `loadProfile`, remembered for as long as the load itself: an edit of one load leaves the others' alone. */
export function rememberedProfile(load: Load, ambientC: Float64Array): LoadProfile {
  const found = known.get(load);
  if (found && (found.ambientC === ambientC || load.draw.kind !== 'thermostatic')) return found.profile;
  const profile = loadProfile(load, ambientC);
  known.set(load, { ambientC, profile });
  return profile;
}

/** When a load runs: a standby load is on all day whatever its runs say. */
export function runsOf(load: Load): readonly Run[] {
  return load.draw.kind === 'standby' ? ALL_DAY : load.runs;
}

/**
 * The minute-by-minute profile of one load. E = ∫P dt over the day, by the share of each minute covered,
 * so that the integral equals n·ΣP·t to rounding.
 * @param ambientC °C around the load for each of 1,440 minutes (thermostatic loads only)
 */
export function loadProfile(load: Load, ambientC: Float64Array): LoadProfile {
  const meanW = new Float64Array(MINUTES_PER_DAY);
  const onShare = new Float64Array(MINUTES_PER_DAY);
  const { draw, quantity } = load;
  const varianceW2 = draw.kind === 'thermostatic' ? new Float64Array(MINUTES_PER_DAY) : null;
  for (const run of runsOf(load)) {
    for (const { startMin, minutes, powerW } of stretches(draw, run)) {
      eachMinute(startMin, minutes, (minute, share) => {
        const duty = draw.kind === 'thermostatic' ? dutyAt(draw.duty, draw.setC, ambientC[minute] ?? 0) : 1;
        const fullW = quantity * powerW;
        meanW[minute] = (meanW[minute] ?? 0) + fullW * share * duty;
        onShare[minute] = Math.min(1, (onShare[minute] ?? 0) + share);
        if (varianceW2) {
          // Pieces cycle independently: the variances of `quantity` on/off draws add.
          varianceW2[minute] = (varianceW2[minute] ?? 0) + quantity * powerW ** 2 * share * duty * (1 - duty);
        }
      });
    }
  }
  let wattMinutes = 0;
  for (const w of meanW) wattMinutes += w;
  return {
    load,
    meanW,
    varianceW2,
    onShare,
    active: stretchesOn(onShare),
    runningW: quantity * runningPowerW(draw),
    energyWh: wattMinutes / 60,
  };
}
