import { runningPowerW } from '../job/draw.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type Energy, NIGHT_LONG_MIN, type Sayings } from './sayings.ts';
import { hoursOfPart, minutesPerDay } from './uses.ts';

type Cycling = Extract<Draw, { kind: 'thermostatic' }>;

/** Duty that a fridge of the usual watts has at most, and how many times them its mean may be before it is a slip. From memory. */
const MOST_DUTY = 0.8;
const LARGER = 2;
/** How far an energy and a duty may be apart and still say the same, share. */
const SAME = 0.1;

/**
 * What cycles by itself: a share of the time, "20 min every hour" and hours of its compressor all say how much of the
 * time it runs, of which one is taken; an energy says it too, or at how many watts.
 * @param duty that was said, share; null where nothing says it
 */
export function cyclingUse(
  said: Sayings,
  start: Load,
  draw: Cycling,
  duty: number | null,
  knowsPower: boolean,
  busV: number,
): { readonly draw: Cycling; readonly uses: Use[] } {
  const uses = whenOn(said, start);
  const windowMin = minutesPerDay(uses);
  // Once a day is every day.
  if (said.reading.tokens.find(({ kind }) => kind === 'times')?.value === 1) said.all('times');
  takeAllDay(said);
  const own = duty ?? ofEvery(said) ?? ofLength(said, windowMin);
  const energy = said.energy(busV);
  // What is said of a day stands as it is said, in whatever weather.
  const dutied = own === null ? draw : { ...draw, duty: own, dutyAtC: null };
  const asSaid = energy ? { ...withEnergy(said, dutied, energy, own, windowMin, knowsPower), dutyAtC: null } : dutied;
  return { draw: asSaid, uses };
}

/** All day long, unless hours or a part of the day are said. */
function whenOn(said: Sayings, start: Load): Use[] {
  const clock = said.clock();
  if (clock.length > 0) return clock;
  const part = said.part(start, NIGHT_LONG_MIN);
  return [part ? hoursOfPart(part) : { startMin: 0, minutes: MINUTES_PER_DAY }];
}

function ofEvery(said: Sayings): number | null {
  const every = said.one('every');
  return every && every.value / (every.second ?? MINUTES_PER_DAY);
}

/** "24 h" says no more than that it is on. */
function takeAllDay(said: Sayings): void {
  const lengths = said.reading.tokens.filter(({ kind }) => kind === 'duration');
  if (lengths.every(({ value }) => value >= MINUTES_PER_DAY)) said.all('duration');
}

/** Hours that its compressor runs, of those in which it is on. */
function ofLength(said: Sayings, windowMin: number): number | null {
  const first = said.reading.tokens.find(({ kind }) => kind === 'duration');
  const minutes = said.length();
  if (!first || first.value >= MINUTES_PER_DAY) return null;
  if (minutes > windowMin) said.unlike(first);
  return Math.min(1, minutes / windowMin);
}

function withEnergy(
  said: Sayings,
  draw: Cycling,
  { token, value, perUse }: Energy,
  duty: number | null,
  windowMin: number,
  knowsPower: boolean,
): Cycling {
  const powerW = runningPowerW(draw);
  const meanW = (value * 60) / windowMin;
  if (value <= 0) said.ask('no-energy', token, ['']);
  // Of what is always on nothing is a use.
  else if (perUse) said.unlike(token);
  else if (duty !== null && !knowsPower) return { ...draw, runningW: meanW / duty };
  else if (duty !== null && Math.abs(powerW * duty - meanW) > SAME * meanW) said.unlike(token);
  // The type's watts are a guess that a typed energy corrects: one of the larger of its kind, at its usual duty.
  else if (!knowsPower && meanW > powerW * MOST_DUTY && meanW <= powerW * LARGER)
    return { ...draw, runningW: meanW / Math.min(MOST_DUTY, draw.duty) };
  else {
    if (meanW > powerW) said.tooMuch(token, value, (powerW * windowMin) / 60);
    return { ...draw, duty: Math.min(1, meanW / Math.max(1e-9, powerW)) };
  }
  return draw;
}
