import { sameDay, shareOfDays, usesOn } from '../job/day.ts';
import { runningPowerW } from '../job/draw.ts';
import type { Day, Draw, Load, Use } from '../job/schema.ts';
import { eachMinute } from '../quantity/minutes.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { askedDutyAt } from './duty.ts';
import { roomDuty } from './room.ts';
import { waterHeatingWh } from './water.ts';

/** What surrounds the loads through a usual day, for each of 1,440 minutes. */
export interface Surroundings {
  readonly ambientC: Float64Array;
  /** Sun on the flat, W/m². */
  readonly irradianceWm2: Float64Array;
  /** The kind of day: loads may have other uses on it. */
  readonly day: Day;
}

/** What a load takes at its own terminals through one usual day, all its pieces together. */
export interface LoadProfile {
  readonly load: Load;
  /** Mean W in each minute; its integral is the day's energy. */
  readonly meanW: Float64Array;
  /**
   * Variance of the power within each minute, W², for a load that cycles on and off faster than a
   * minute's mean can show, or does not run on every day; null when the mean is the power. Needed because
   * loss grows with power squared.
   */
  readonly varianceW2: Float64Array | null;
  /** Share of each minute in which it needs its supply switched on (a fridge needs it between cycles too). */
  readonly onShare: Float64Array;
  /** The stretches of minutes [from, to) in which it is on, so that loops skip the rest. */
  readonly active: readonly (readonly [from: number, to: number])[];
  /** W at its strongest moment, all pieces together. */
  readonly runningW: number;
  /** Wh a day at its terminals, averaged over the week. */
  readonly energyWh: number;
  /** Hours of its uses in which it cannot do what it should: hold a room's temperature, heat the day's water. */
  readonly shortHours: number;
}

const ALL_DAY: readonly Use[] = [{ startMin: 0, minutes: MINUTES_PER_DAY }];

/** When a load runs on a day: a standby load is on all day whatever its uses say. */
function usesOf(load: Load, day: Day): readonly Use[] {
  return load.draw.kind === 'standby' ? ALL_DAY : usesOn(load, day);
}

/** What it takes from the bus: on fuel, only the electrical residue. */
const electricalDraw = ({ draw, path, residueW }: Load): Draw =>
  path === 'fuel' ? { kind: 'steady', powerW: residueW } : draw;

/** The stretches of constant power that one use of a draw consists of, W of one piece. */
function stretches(draw: Draw, use: Use): { startMin: number; minutes: number; powerW: number }[] {
  if (draw.kind !== 'cycle') return [{ ...use, powerW: runningPowerW(draw) }];
  const fixed = draw.phases.reduce((sum, phase) => sum + (phase.minutes ?? 0), 0);
  let startMin = use.startMin;
  return draw.phases.map((phase) => {
    const minutes = phase.minutes ?? Math.max(0, use.minutes - fixed);
    const stretch = { startMin, minutes, powerW: phase.powerW };
    startMin += minutes;
    return stretch;
  });
}

/** When a load is on through a day, and the W of one piece then: its phases, at its strongest where it cycles. */
export function stretchesOf(load: Load, day: Day): { startMin: number; minutes: number; powerW: number }[] {
  const draw = electricalDraw(load);
  // A tank is topped up around the clock, whenever its thermostat asks.
  const topsUp = draw.kind === 'water-heating' && draw.standingW > 0;
  return (topsUp ? ALL_DAY : usesOf(load, day)).flatMap((use) => stretches(draw, use));
}

/** Share of the running power that a draw asks for in a minute; above 1 it cannot do what it should. */
function askedDuty(draw: Draw, uses: readonly Use[], around: Surroundings): (minute: number) => number {
  switch (draw.kind) {
    case 'thermostatic':
      // It stands inside, where it is not as cold as outside.
      return (minute) => askedDutyAt(draw, Math.max(DEFAULT.livedInC.value, around.ambientC[minute] ?? 0));
    case 'room':
      return (minute) => roomDuty(draw, around.ambientC[minute] ?? 0, around.irradianceWm2[minute] ?? 0);
    case 'water-heating': {
      const hours = uses.reduce((sum, use) => sum + use.minutes, 0) / 60;
      const duty = hours > 0 && draw.powerW > 0 ? waterHeatingWh(draw) / (draw.powerW * hours) : 0;
      return () => duty;
    }
    default:
      return () => 1;
  }
}

/** Draws whose power in a minute is a share of full on and off, not a steady level. */
export const CYCLES: ReadonlySet<Draw['kind']> = new Set(['thermostatic', 'room', 'water-heating']);

/**
 * The minute-by-minute profile of one load. E = ∫P dt over the day, by the share of each minute covered,
 * so that the integral equals n·ΣP·t to rounding. A load of some days of the week counts by its share of days.
 */
export function loadProfile(load: Load, around: Surroundings): LoadProfile {
  const meanW = new Float64Array(MINUTES_PER_DAY);
  const onShare = new Float64Array(MINUTES_PER_DAY);
  const { quantity } = load;
  const draw = electricalDraw(load);
  const uses = usesOf(load, around.day);
  const days = shareOfDays(load, around.day);
  const varies = CYCLES.has(draw.kind) || days < 1;
  const varianceW2 = varies ? new Float64Array(MINUTES_PER_DAY) : null;
  const duty = askedDuty(draw, uses, around);
  let shortMin = 0;
  const add = (minute: number, share: number, powerW: number, on: number): void => {
    meanW[minute] = (meanW[minute] ?? 0) + quantity * powerW * share * on;
    // Pieces cycle independently: the variances of `quantity` on/off draws add.
    if (varianceW2) varianceW2[minute] = (varianceW2[minute] ?? 0) + quantity * powerW ** 2 * share * on * (1 - on);
  };
  for (const use of uses) {
    for (const { startMin, minutes, powerW } of stretches(draw, use)) {
      eachMinute(startMin, minutes, (minute, share) => {
        const asked = duty(minute);
        if (asked > 1 + 1e-9) shortMin += share;
        add(minute, share, powerW, Math.min(1, asked) * days);
        onShare[minute] = Math.min(1, (onShare[minute] ?? 0) + share * days);
      });
    }
  }
  // Without a time or without watts none of the day's water is heated.
  if (draw.kind === 'water-heating' && waterHeatingWh(draw) > 0 && !(draw.powerW > 0 && uses.length > 0))
    shortMin = MINUTES_PER_DAY;
  if (draw.kind === 'water-heating' && draw.standingW > 0) {
    // The tank is topped up around the clock.
    for (let m = 0; m < MINUTES_PER_DAY; m++) {
      meanW[m] = (meanW[m] ?? 0) + quantity * draw.standingW * days;
      onShare[m] = Math.max(onShare[m] ?? 0, days);
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
    shortHours: shortMin / 60,
  };
}

/** A profile of which so much of each minute is left: of the rest something else carries it. */
export function onlyWhile(profile: LoadProfile, share: Float64Array): LoadProfile {
  const { active } = profile;
  const held = (all: Float64Array): Float64Array => {
    const left = new Float64Array(MINUTES_PER_DAY);
    for (const [from, to] of active)
      for (let m = from; m < to; m++) left[m] = (all[m] as number) * (share[m] as number);
    return left;
  };
  const onShare = held(profile.onShare);
  return {
    ...profile,
    meanW: held(profile.meanW),
    varianceW2: profile.varianceW2 && held(profile.varianceW2),
    onShare,
    active: active.flatMap(([from, to]) => stretchesOn(onShare, from, to)),
  };
}

/** The stretches of minutes [from, to) in which something is on. */
function stretchesOn(onShare: Float64Array, first = 0, end = MINUTES_PER_DAY): [number, number][] {
  const on: [number, number][] = [];
  for (let m = first; m < end; m++) {
    if (onShare[m] === 0) continue;
    const from = m;
    while (m < end && onShare[m] !== 0) m++;
    on.push([from, m]);
  }
  return on;
}

/** Profiles already made, by the uses they are of; loads and their parts are never changed in place. */
const known = new WeakMap<readonly Use[], { readonly around: Surroundings; readonly profile: LoadProfile }[]>();
/** Profiles kept for the same uses: a load as it is, and as some moves would make it. */
const KEPT = 4;

/**
 * `loadProfile`, remembered: an edit of one load leaves the others' alone, and so does a change of what feeds it,
 * since a profile is what the load takes at its own terminals.
 */
export function rememberedProfile(load: Load, around: Surroundings): LoadProfile {
  const kept = known.get(load.uses) ?? [];
  const found = kept.find((one) => drawsAlike(one.profile.load, load) && holdsIn(one.around, load, around));
  if (found) return found.profile.load === load ? found.profile : { ...found.profile, load };
  const profile = loadProfile(load, around);
  known.set(load.uses, [{ around, profile }, ...kept].slice(0, KEPT));
  return profile;
}

const drawsAlike = (a: Load, b: Load): boolean =>
  a.draw === b.draw &&
  a.variants === b.variants &&
  a.quantity === b.quantity &&
  a.daysPerWeek === b.daysPerWeek &&
  (a.path === 'fuel') === (b.path === 'fuel') &&
  a.residueW === b.residueW;

/** Whether a profile made in other surroundings is the same in these. */
function holdsIn(then: Surroundings, { draw, variants, daysPerWeek }: Load, now: Surroundings): boolean {
  const indoors = draw.kind !== 'thermostatic' && draw.kind !== 'room';
  const sameAir = then.ambientC === now.ambientC && then.irradianceWm2 === now.irradianceWm2;
  const anyDay = variants.length === 0 && daysPerWeek === 7;
  return (indoors || sameAir) && (anyDay || sameDay(then.day, now.day));
}
