import { runningPowerW } from '../job/draw.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import { hoursOfPart, minutesPerDay } from '../loads/uses.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { DEFAULT } from '../reference/defaults.ts';
import type { Fact } from './facts.ts';
import type { Said } from './said.ts';
import { clockOf, type Energy, energyOf, NIGHT_LONG_MIN, partOf, tooMuch, unlike } from './when.ts';

type Cycling = Extract<Draw, { kind: 'thermostatic' }>;

/** Duty that a fridge of the usual watts has at most, and how many times them its mean may be before it is a slip. From memory. */
const MOST_DUTY = 0.8;
const LARGER = 2;
/** How far an energy and a duty may be apart and still say the same, share. */
const SAME = 0.1;

/** The share of the time that is said. @param cycles whether it cycles by itself: then any share is its duty */
export function dutyOf(said: Said, cycles: boolean, isKnown: boolean): Fact | null {
  // On the plate of what does not cycle by itself it is how much of the time it may run.
  if (said.isPlate && !cycles && isKnown) return null;
  const [fact] = said.see('share');
  // "24 h 33 %": of the day.
  const isAllDay = said.see('duration').some(({ value }) => value >= MINUTES_PER_DAY);
  if (!fact || !(fact.value > 0 && fact.value <= 1) || !(cycles || fact.tag === 'duty' || isAllDay)) return null;
  said.use(fact);
  return fact;
}

/**
 * What cycles by itself: a share of the time, "20 min every hour" and hours of its compressor all say how much of the
 * time it runs, of which one is taken; an energy says it too, or at how many watts.
 * @param duty that was said, share; null where nothing says it
 */
export function cyclingUse(
  said: Said,
  start: Load,
  draw: Cycling,
  duty: number | null,
  knowsPower: boolean,
  busV: number,
): { readonly draw: Cycling; readonly uses: Use[] } {
  const uses = whenOn(said, start);
  const windowMin = minutesPerDay(uses);
  // Once a day is every day.
  if (said.see('times')[0]?.value === 1) said.all('times');
  // "24 h" says no more than that it is on.
  if (windowMin >= MINUTES_PER_DAY && said.see('duration').every(({ value }) => value >= MINUTES_PER_DAY))
    said.all('duration');
  const own = duty ?? ofEvery(said) ?? ofLength(said, windowMin);
  const energy = energyOf(said, busV);
  // What is said of a day stands as it is said, in whatever weather.
  const dutied = own === null ? draw : { ...draw, duty: own, dutyAtC: null };
  // A plate's are of the usual room.
  const dutyAtC = said.isPlate ? DEFAULT.fridgeReferenceAmbientC.value : null;
  const asSaid = energy ? { ...withEnergy(said, dutied, energy, own, windowMin, knowsPower), dutyAtC } : dutied;
  return { draw: asSaid, uses };
}

/** All day long, unless hours or a part of the day are said. */
function whenOn(said: Said, start: Load): Use[] {
  const clock = clockOf(said);
  if (clock.length > 0) return clock;
  const part = partOf(said, start, NIGHT_LONG_MIN);
  return [part ? hoursOfPart(part) : { startMin: 0, minutes: MINUTES_PER_DAY }];
}

function ofEvery(said: Said): number | null {
  const every = said.one('every');
  return every && every.value / (every.second ?? MINUTES_PER_DAY);
}

/** Hours that its compressor runs, of those in which it is on. */
function ofLength(said: Said, windowMin: number): number | null {
  const [first] = said.see('duration');
  if (!first || first.value >= MINUTES_PER_DAY) return null;
  said.use(first);
  if (first.value > windowMin) unlike(said, first);
  return Math.min(1, first.value / windowMin);
}

function withEnergy(
  said: Said,
  draw: Cycling,
  { fact, value, perUse }: Energy,
  duty: number | null,
  windowMin: number,
  knowsPower: boolean,
): Cycling {
  const powerW = runningPowerW(draw);
  const meanW = (value * 60) / windowMin;
  if (value <= 0) said.ask('no-energy', [fact], ['']);
  // Of what is always on nothing is a use.
  else if (perUse) unlike(said, fact);
  else if (duty !== null && !knowsPower) return { ...draw, runningW: meanW / duty };
  else if (duty !== null && Math.abs(powerW * duty - meanW) > SAME * meanW) unlike(said, fact);
  // The type's watts are a guess that a typed energy corrects: one of the larger of its kind, at its usual duty.
  else if (!knowsPower && meanW > powerW * MOST_DUTY && meanW <= powerW * LARGER)
    return { ...draw, runningW: meanW / Math.min(MOST_DUTY, draw.duty) };
  else {
    // An energy that contradicts typed watts is asked about; it never raises them.
    if (meanW > powerW) tooMuch(said, fact, value, (powerW * windowMin) / 60);
    return { ...draw, duty: Math.min(1, meanW / Math.max(1e-9, powerW)) };
  }
  return draw;
}
