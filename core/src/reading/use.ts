import { cycleLength, runningPowerW } from '../job/draw.ts';
import { overlappingUse } from '../job/overlap.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import { type Cycle, cycleIn, cycleLasting, cycleTaking } from '../loads/cycles.ts';
import { hoursOfPart, minutesPerDay, spreadUses, useInThe, usesFor, usesInThe } from '../loads/uses.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { lengthsOfPhases, pairedLengths } from './clauses.ts';
import { cyclingUse, dutyOf } from './cyclingUse.ts';
import type { Fact } from './facts.ts';
import type { Said } from './said.ts';
import { weekOf } from './week.ts';
import {
  beginsOf,
  clockOf,
  type Energy,
  energyOf,
  hoursOf,
  lengthOf,
  NIGHT_LONG_MIN,
  partOf,
  partsOf,
  tooMuch,
  unlike,
} from './when.ts';

/** When, how long and how often it runs, and what of its draw that sets. */
export interface TypedUse {
  readonly draw: Draw;
  readonly uses: Use[];
  readonly variants: Load['variants'];
  readonly daysPerWeek: number;
}

/** Uses of one minute or so that are put together, so that a pump of 20 s every ten minutes stays a list one can read. */
const MOST_RUNS = 48;
/** W up to which a thing of no known type is taken as always on where nothing says how long. From memory. */
const MOST_SENSED_W = 1;
/** Minutes by which uses in a part of the day may last longer than that. From memory. */
const BESIDE_PART_MIN = 120;
/** How far an energy and watts × hours may be apart and still be the same, share. */
const SAME = 0.1;
/** Times the usual watts of a type that its mean may be before it is a slip. From memory. */
const LARGER = 2;
/** °C that a thing of no known type holds: a fridge's. */
const SET_C = 4;

/** @param knowsPower whether watts stand there; otherwise an energy and a length make them */
export function useOf(said: Said, start: Load, powered: Draw, knowsPower: boolean, busV: number): TypedUse {
  const isFixed = powered.kind === 'cycle' && !cycleLength(powered.phases).stretches && !knowsPower;
  const paired = isFixed ? null : pairedLengths(said, start);
  const share = dutyOf(said, powered.kind === 'thermostatic' || start.draw.kind === 'thermostatic', start.type !== '');
  const week = weekOf(said, start, share !== null || powered.kind === 'thermostatic');
  if (paired && powered.kind !== 'thermostatic' && !share)
    return {
      ...week,
      draw: timed(powered, minutesPerDay(paired.uses), knowsPower),
      uses: paired.uses,
      variants: [...week.variants, ...paired.variants],
    };
  const cycling = powered.kind === 'thermostatic' ? powered : share ? dutied(powered) : ofItsDay(said, powered);
  const { draw, uses } = cycling
    ? cyclingUse(said, start, cycling, share?.value ?? null, knowsPower, busV)
    : plainUse(said, start, powered, week.minutes, knowsPower, busV);
  return { draw, uses, daysPerWeek: week.daysPerWeek, variants: week.variants };
}

const dutied = (draw: Draw): Extract<Draw, { kind: 'thermostatic' }> => ({
  kind: 'thermostatic',
  runningW: runningPowerW(draw),
  duty: 1,
  dutyAtC: null,
  setC: SET_C,
});

/** What a plate says that it takes in a day cycles by itself, unless it has phases. */
function ofItsDay(said: Said, powered: Draw): Extract<Draw, { kind: 'thermostatic' }> | null {
  const [perDay] = said.see('energy-per-day');
  if (
    !said.isPlate ||
    !perDay ||
    powered.kind === 'cycle' ||
    said.see('duration', 'clock', 'times', 'every').length > 0
  )
    return null;
  return { ...dutied(powered), runningW: Math.max(runningPowerW(powered), perDay.value / 24) };
}

/** "3x a day at 7am and 5pm": how often is asked about, since the hours are told. */
function timesOf(said: Said): number | null {
  const [often] = said.see('times');
  const hours = said.see('begins').length;
  if (!often) {
    const parts = hours > 0 ? [] : partsOf(said);
    return parts.length > 1 ? parts.length : null;
  }
  if (hours > 0 && often.value !== hours) return null;
  said.use(often);
  return often.value;
}

/** @param weekMin minutes that were said for a week, and are once */
function plainUse(said: Said, start: Load, powered: Draw, weekMin: number, knowsPower: boolean, busV: number) {
  const phases = said.spoken.size > 0 && powered.kind === 'cycle' ? powered : lengthsOfPhases(said, powered);
  if (phases)
    return {
      draw: phases,
      uses: usesOf(said, start, phases, { ...NOTHING_TOLD, times: timesOf(said), clock: clockOf(said) }),
    };
  const every = said.one('every');
  const energy = energyOf(said, busV);
  // What is always on is on once.
  const isOn =
    powered.kind === 'standby' &&
    said.see('clock').length === 0 &&
    said.see('duration').every(({ value }) => value >= MINUTES_PER_DAY);
  const times = every || isOn ? null : timesOf(said);
  const clock = clockOf(said);
  const begins = clock.length === 0 && !every && powered.kind !== 'standby' ? beginsOf(said) : [];
  const count = times ?? (begins.length > 0 ? begins.length : null);
  const minutes = lengthOf(said, count ?? 1, every) || weekMin;
  if (every && energy?.perUse) unlike(said, energy.fact);
  const perUse = energy !== null && (energy.perUse || (times !== null && !energy.perDay));
  const part = every && minutes === 0 && clock.length === 0 ? partOf(said, start, NIGHT_LONG_MIN) : null;
  const within = minutes || minutesPerDay(part ? [hoursOfPart(part)] : clock);
  let draw = powered;
  if (energy)
    draw = withEnergy(said, draw, energy, {
      minutes: every ? onOf(every, within) : within,
      times: count,
      knowsPower,
      perUse,
      start,
    });
  // An energy has set how long a cycle's phases are.
  const isSet = energy !== null && draw.kind === 'cycle';
  if (minutes > 0 && !every && !isSet) draw = timed(draw, minutes, knowsPower);
  if ((clock.length > 0 || every) && draw.kind === 'standby') draw = { kind: 'steady', powerW: draw.powerW };
  const uses = usesOf(said, start, draw, {
    minutes,
    times: count,
    clock,
    every,
    energyWh: energy?.value ?? null,
    perUse,
  });
  return { draw, uses: beginning(said, begins, uses) };
}

/** The same uses at the times at which they were said to begin. */
function beginning(said: Said, begins: readonly Fact[], uses: Use[]): Use[] {
  const [first] = begins;
  if (!first || uses.length !== begins.length) return uses;
  const placed = uses.map((use, i) => ({ ...use, startMin: begins[i]?.value ?? use.startMin }));
  if (!overlappingUse(placed)) return placed;
  said.ask('over-a-day', [first], ['']);
  return uses;
}

interface Known {
  readonly minutes: number;
  readonly times: number | null;
  readonly knowsPower: boolean;
  readonly perUse: boolean;
  readonly start: Load;
}

/** An energy sets what the line leaves open: how long, how often, or at how many watts; what it contradicts is asked. */
function withEnergy(said: Said, draw: Draw, energy: Energy, known: Known): Draw {
  const { fact, value } = energy;
  const { minutes, knowsPower, start } = known;
  const times = known.times ?? 1;
  const powerW = runningPowerW(draw);
  if (value <= 0) {
    said.ask('no-energy', [fact], ['']);
    return draw;
  }
  if (draw.kind === 'standby') {
    if (knowsPower && Math.abs(powerW * 24 - value) > value * SAME) unlike(said, fact);
    return knowsPower ? draw : { ...draw, powerW: value / 24 };
  }
  const perDay = known.perUse ? value * times : value;
  // What a cycle takes is less than its watts all the time.
  const isFixed = draw.kind === 'cycle' && !cycleLength(draw.phases).stretches;
  if (isFixed && minutes > 0 && (!knowsPower || perDay < (powerW * minutes * times) / 60))
    return cycleOf(said, draw, fact, perDay / times, minutes);
  if (minutes > 0) return inMinutes(said, draw, energy, known, perDay);
  if (draw.kind === 'cycle')
    return cycleOf(said, draw, fact, perDay / (known.times ?? Math.max(1, energy.perUse ? 1 : start.uses.length)));
  if (powerW <= 0) return { kind: 'standby', powerW: perDay / 24 };
  // The type's watts are a guess that a typed energy corrects.
  if (!knowsPower && perDay > powerW * 24 && perDay <= powerW * 24 * LARGER)
    return { kind: 'standby', powerW: perDay / 24 };
  if ((perDay / powerW) * 60 > MINUTES_PER_DAY) tooMuch(said, fact, value, powerW * 24);
  // Of a room or hot water the day's energy is known better than by a model.
  return draw.kind === 'steady' ? draw : { kind: 'steady', powerW };
}

/** An energy beside a length: at so many watts, unless those are known. */
function inMinutes(
  said: Said,
  draw: Draw,
  { fact, value }: Energy,
  { minutes, times, knowsPower, perUse }: Known,
  perDay: number,
): Draw {
  const powerW = runningPowerW(draw);
  const goes = times ?? 1;
  const gives = (powerW * minutes * goes) / 60;
  if (!knowsPower)
    return { kind: draw.kind === 'standby' ? 'standby' : 'steady', powerW: (perDay * 60) / (minutes * goes) };
  if (perDay > gives * (1 + SAME)) tooMuch(said, fact, value, perUse ? (powerW * minutes) / 60 : gives);
  else if (perDay < gives * (1 - SAME)) unlike(said, fact);
  return draw;
}

/** @param minutes of one run, where that is said too */
function cycleOf(said: Said, draw: Cycle, fact: Fact, useWh: number, minutes = 0): Draw {
  const stretches = draw.phases.some((phase) => phase.minutes === null);
  const scaled = stretches ? null : minutes > 0 ? cycleIn(draw, useWh, minutes) : cycleTaking(draw, useWh);
  if (!scaled) unlike(said, fact);
  return scaled ?? draw;
}

interface Told {
  readonly minutes: number;
  readonly times: number | null;
  readonly clock: readonly Use[];
  readonly every: Fact | null;
  readonly energyWh: number | null;
  readonly perUse: boolean;
}
const NOTHING_TOLD: Told = { minutes: 0, times: null, clock: [], every: null, energyWh: null, perUse: false };

function usesOf(said: Said, start: Load, draw: Draw, told: Told): Use[] {
  const { minutes, times, clock, every } = told;
  if (draw.kind === 'standby') return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
  if (every) return everySoOften(said, start, every, clock, minutes);
  if (clock.length > 0) return atClock(said, draw, clock, minutes, times);
  const byEnergy = usesByEnergy(said, start, draw, told);
  if (byEnergy) return byEnergy;
  const part = partOf(said, start, minutes, times);
  // "Continuous at night", "all day long" of what is on by night.
  if (part && minutes >= MINUTES_PER_DAY && (times ?? 1) === 1) return [hoursOfPart(part)];
  const fixed = draw.kind === 'cycle' ? cycleLength(draw.phases) : null;
  const isSet = fixed !== null && !fixed.stretches;
  const [length] = said.see('duration');
  if (length && fixed?.stretches && minutes > 0 && minutes < fixed.fixedMin) unlike(said, length);
  if (part) {
    const count = times ?? (isSet ? Math.max(1, start.uses.length) : 1);
    const each = isSet ? fixed.fixedMin : minutes || usualMinutes(start);
    const isRoom = count * each <= hoursOfPart(part).minutes + BESIDE_PART_MIN;
    const placed = isRoom && usesInThe(part, count, each);
    if (placed) return placed;
    said.ask('second-figure', said.see('part').slice(0, 1), ['']);
  }
  const each = minutes || (times === null ? 0 : usualMinutes(start));
  const placed = inNamedParts(said, times, fixed ? (isSet ? fixed.fixedMin : Math.max(each, fixed.fixedMin)) : each);
  if (placed) return placed;
  if (minutes > 0 || times !== null) return soOften(said, start, draw, times, minutes);
  if (isSet) return soOften(said, start, draw, Math.max(1, start.uses.length), 0);
  // A sensor, a tracker: what takes so little and is of no known type is on all day.
  const powerW = runningPowerW(draw);
  if (start.type === '' && powerW > 0 && powerW <= MOST_SENSED_W) return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
  return start.uses.length > 0 ? [...start.uses] : spreadUses(1, 60);
}

/** So long as an energy lasts at its watts. */
function usesByEnergy(said: Said, start: Load, draw: Draw, { minutes, times, energyWh, perUse }: Told): Use[] | null {
  const powerW = runningPowerW(draw);
  if (energyWh === null || minutes > 0 || powerW <= 0 || draw.kind === 'cycle') return null;
  const count = times ?? 1;
  const each = ((perUse ? energyWh : energyWh / count) / powerW) * 60;
  if (!(each > 0 && each * count <= MINUTES_PER_DAY + 1e-6)) return null;
  const part = partOf(said, start, each, times);
  const placed = inNamedParts(said, times, each) ?? (part && usesInThe(part, count, each));
  return placed ?? usesFor(draw, count, Math.min(each, MINUTES_PER_DAY / count));
}

/** "Morning and evening": a use in each. */
function inNamedParts(said: Said, times: number | null, minutes: number): Use[] | null {
  const parts = partsOf(said);
  if (parts.length < 2 || parts.length !== times || !(minutes > 0)) return null;
  said.all('part');
  const placed = parts.flatMap((one) => useInThe(one, minutes)).sort((a, b) => a.startMin - b.startMin);
  return overlappingUse(placed) ? null : placed;
}

/** So long in every such period: over a stretch of the clock, a part of the day or so many hours, else day and night. */
function everySoOften(said: Said, start: Load, every: Fact, clock: readonly Use[], typedMin: number): Use[] {
  const minutes = Math.min(typedMin, MINUTES_PER_DAY);
  if (typedMin > minutes) said.ask('over-a-day', [every], ['']);
  const part = clock.length === 0 ? partOf(said, start, minutes || NIGHT_LONG_MIN) : null;
  const inPart = part && (minutes > 0 && minutes < MINUTES_PER_DAY ? useInThe(part, minutes) : [hoursOfPart(part)]);
  const within = inPart ?? (clock.length > 0 ? clock : spreadUses(1, minutes || MINUTES_PER_DAY));
  if (clock.length > 0 && minutes > 0 && Math.abs(minutes - minutesPerDay(clock)) > 1) unlike(said, every);
  const period = every.second ?? MINUTES_PER_DAY;
  return within.flatMap((use) => {
    const count = Math.max(1, Math.min(MOST_RUNS, Math.floor(use.minutes / period)));
    const pitch = use.minutes / count;
    const each = (pitch * every.value) / period;
    return Array.from({ length: count }, (_, i) => ({
      startMin: (use.startMin + i * pitch) % MINUTES_PER_DAY,
      minutes: each,
    }));
  });
}

function atClock(said: Said, draw: Draw, clock: readonly Use[], minutes: number, times: number | null): Use[] {
  const [fact] = said.see('clock', 'part');
  const total = minutesPerDay(clock);
  const [window, ...more] = clock;
  const count = times ?? 1;
  // "3 x 10 min from 8 to 18": within those hours.
  if (window && more.length === 0 && count > 1 && minutes > 0 && count * minutes <= total)
    return Array.from({ length: count }, (_, i) => ({
      startMin: (window.startMin + (i * window.minutes) / count) % MINUTES_PER_DAY,
      minutes,
    }));
  const [often] = said.see('times');
  if (often && minutes === 0 && count !== clock.length) said.ask('second-figure', [often], ['']);
  const fixed = draw.kind === 'cycle' ? cycleLength(draw.phases) : null;
  const tooShort =
    fixed &&
    clock.some((use) =>
      fixed.stretches ? use.minutes < fixed.fixedMin : Math.abs(use.minutes - fixed.fixedMin) > 1e-6,
    );
  if (fact && (total > MINUTES_PER_DAY || (minutes > 0 && Math.abs(minutes * (times ?? 1) - total) > 1) || tooShort))
    unlike(said, fact);
  return tooShort && fixed.fixedMin <= MINUTES_PER_DAY
    ? usesFor(draw, 1, Math.min(total, MINUTES_PER_DAY))
    : [...clock];
}

function soOften(said: Said, start: Load, draw: Draw, times: number | null, minutes: number): Use[] {
  const each = minutes > 0 ? minutes : usualMinutes(start);
  const fixed = draw.kind === 'cycle' ? cycleLength(draw.phases) : null;
  const least = fixed ? (fixed.stretches ? Math.max(each, fixed.fixedMin) : fixed.fixedMin) : each;
  const count = times ?? 1;
  const [fact] = said.facts.filter(
    ({ kind }) => kind === (minutes > 0 ? 'duration' : 'times') || kind.startsWith('energy'),
  );
  // "4 h x 6" is all day long and hardly meant so.
  const allDay = count > 1 && count * least >= MINUTES_PER_DAY;
  if (allDay || count * least > MINUTES_PER_DAY + 1e-6 || count > 96 || count < 1) {
    if (fact) said.ask('over-a-day', [fact], times === null ? perPiece(said, minutes) : []);
    return [...start.uses];
  }
  const [usualUse, ...more] = start.uses;
  const isWhole = (usualUse?.minutes ?? MINUTES_PER_DAY) >= MINUTES_PER_DAY;
  // Where only the length is told, it is at the usual time: a sleeper's machine by night.
  if (start.type !== '' && times === null && usualUse && more.length === 0 && !isWhole && draw.kind !== 'cycle')
    return [{ startMin: usualUse.startMin, minutes: Math.min(each, MINUTES_PER_DAY) }];
  return usesFor(draw, count, each);
}

/** Several pieces that make up more than a day between them: each its part. */
function perPiece(said: Said, minutes: number): string[] {
  const pieces = said.see('count')[0]?.value ?? 1;
  const each = minutes / pieces;
  return pieces > 1 && each <= MINUTES_PER_DAY ? [hoursOf(each, 4), '24 h'] : ['24 h'];
}

/** Minutes of one use of its type; an hour of what is unknown. */
const usualMinutes = ({ uses }: Load): number => (uses.length > 0 ? minutesPerDay(uses) / uses.length : 60);

/** Minutes that it is on in so many, all day long where none are said. */
const onOf = ({ value, second }: Fact, withinMin: number): number =>
  ((withinMin || MINUTES_PER_DAY) * value) / (second ?? MINUTES_PER_DAY);

/**
 * A typed length wins over what the type would do by itself: a room or hot water becomes that long at its power. A cycle
 * of fixed phases goes on so long: at its power where that was typed too; else what it heats with stays, and only what
 * takes little of it grows.
 * @param minutes of one use
 */
function timed(draw: Draw, minutes: number, knowsPower: boolean): Draw {
  if (draw.kind === 'standby') return minutes >= MINUTES_PER_DAY ? draw : { kind: 'steady', powerW: draw.powerW };
  const byNeed = draw.kind === 'room' || draw.kind === 'water-heating';
  if (draw.kind !== 'cycle' || cycleLength(draw.phases).stretches)
    return byNeed ? { kind: 'steady', powerW: runningPowerW(draw) } : draw;
  return knowsPower ? { kind: 'steady', powerW: runningPowerW(draw) } : cycleLasting(draw, minutes);
}
