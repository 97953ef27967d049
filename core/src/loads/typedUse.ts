import { cycleLength, runningPowerW } from '../job/draw.ts';
import { overlappingUse } from '../job/overlap.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import type { Question } from '../quantity/question.ts';
import type { Reading, Token } from '../quantity/token.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type Cycle, cycleIn, cycleLasting, cycleTaking } from './cycles.ts';
import { cyclingUse } from './cyclingUse.ts';
import { lengthsByTime } from './lengthsByTime.ts';
import { type Energy, hoursOf, NIGHT_LONG_MIN, Sayings } from './sayings.ts';
import { hoursOfPart, minutesPerDay, partsOfDay, spreadUses, useInThe, usesFor, usesInThe } from './uses.ts';

/** When and how long a typed line says that it runs. */
export interface TypedUse {
  readonly draw: Draw;
  readonly uses: Use[];
  readonly variants: Load['variants'];
  readonly daysPerWeek: number;
  readonly questions: readonly Question[];
  readonly used: readonly Token[];
}

/** Uses of one minute or so that are put together, so that a pump of 20 s every ten minutes stays a list one can read. */
const MOST_RUNS = 48;
/** W up to which a thing of no known type is taken as always on where nothing says how long. From memory. */
const MOST_SENSED_W = 1;
/** How far an energy and watts × hours may be apart and still be the same, share. */
const SAME = 0.1;
/** °C that a thing of no known type holds: a fridge's. */
const SET_C = 4;

export function typedUse(
  text: string,
  reading: Reading,
  start: Load,
  powered: Draw,
  /** Whether watts were typed; otherwise an energy and a length make them. */
  knowsPower: boolean,
  busV: number,
): TypedUse {
  const said = new Sayings(text, reading);
  const share = said.duty(powered.kind === 'thermostatic' || start.draw.kind === 'thermostatic');
  const { daysPerWeek, variants, minutes } = said.week(start, share !== null || powered.kind === 'thermostatic');
  const cycling = powered.kind === 'thermostatic' ? powered : share ? dutied(powered) : null;
  const { draw, uses } = cycling
    ? cyclingUse(said, start, cycling, share?.value ?? null, knowsPower, busV)
    : plainUse(said, start, powered, minutes, knowsPower, busV);
  return { draw, uses, daysPerWeek, variants, questions: said.questions, used: said.used };
}

const dutied = (draw: Draw): Extract<Draw, { kind: 'thermostatic' }> => ({
  kind: 'thermostatic',
  runningW: runningPowerW(draw),
  duty: 1,
  dutyAtC: null,
  setC: SET_C,
});

/** When and at what it runs, when it does not cycle by itself. */
interface Plain {
  readonly draw: Draw;
  readonly uses: Use[];
}

/** "3x a day at 7am and 5pm": how often is asked about, since the hours are told. */
function isOfOtherTimes({ reading }: Sayings): boolean {
  const [often] = reading.tokens.filter(({ kind }) => kind === 'times');
  const hours = reading.tokens.filter(({ kind }) => kind === 'begins').length;
  return often !== undefined && hours > 0 && often.value !== hours;
}

/** @param weekMin minutes that were said for a week, and are once */
function plainUse(
  said: Sayings,
  start: Load,
  powered: Draw,
  weekMin: number,
  knowsPower: boolean,
  busV: number,
): Plain {
  const every = said.one('every');
  const energy = said.energy(busV);
  const times = every || isOfOtherTimes(said) ? null : (said.one('times')?.value ?? null);
  const isFixed = powered.kind === 'cycle' && !cycleLength(powered.phases).stretches && !knowsPower;
  const mayPair = times === null && !every && !energy && !isFixed;
  const paired = mayPair ? lengthsByTime(said.text, said.reading.tokens) : null;
  if (paired && !overlappingUse(paired.uses)) {
    said.used.push(...paired.used);
    return { draw: timed(powered, minutesPerDay(paired.uses), knowsPower), uses: paired.uses };
  }
  const clock = said.clock();
  const begins = clock.length === 0 && !every && powered.kind !== 'standby' ? beginsOf(said) : [];
  const count = times ?? (begins.length > 0 ? begins.length : null);
  const minutes = lengthOf(said, count ?? 1, every) || weekMin;
  const perUse = energy !== null && (energy.perUse || (times !== null && !energy.perDay));
  const part = every && minutes === 0 && clock.length === 0 ? said.part(start, NIGHT_LONG_MIN) : null;
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

/**
 * "1 h 30 min" is one length; two lengths apart are not. Of a total each use has its part; of "10 min every hour"
 * it is all of the time in which that goes on, and no less than the hour.
 */
function lengthOf(said: Sayings, times: number, every: Token | null): number {
  const { pieces } = said;
  const total = said.reading.tokens.find(({ kind, mark }) => kind === 'duration' && mark === 'total');
  if (total) {
    said.used.push(total);
    if (pieces > 1) said.ask('unread-word', total, [hoursOf(total.value / pieces), hoursOf(total.value)]);
    return total.value / times;
  }
  const least = every?.second ?? 0;
  if (said.reading.tokens.some(({ kind, value }) => kind === 'duration' && value < least)) return 0;
  return said.length();
}

/** When each use begins. */
function beginsOf(said: Sayings): Token[] {
  return said.all('begins').sort((a, b) => a.value - b.value);
}

/** The same uses at the times at which they were said to begin. */
function beginning(said: Sayings, begins: readonly Token[], uses: Use[]): Use[] {
  const [first] = begins;
  if (!first || uses.length !== begins.length) return uses;
  const placed = uses.map((use, i) => ({ ...use, startMin: begins[i]?.value ?? use.startMin }));
  if (overlappingUse(placed)) said.ask('over-a-day', first, ['']);
  return overlappingUse(placed) ? uses : placed;
}

/** An energy sets what the line leaves open: how long, how often, or at how many watts; what it contradicts is asked. */
function withEnergy(
  said: Sayings,
  draw: Draw,
  energy: Energy,
  known: { minutes: number; times: number | null; knowsPower: boolean; perUse: boolean; start: Load },
): Draw {
  const { token, value } = energy;
  const { minutes, knowsPower, start } = known;
  const times = known.times ?? 1;
  const powerW = runningPowerW(draw);
  if (value <= 0) {
    said.ask('no-energy', token, ['']);
    return draw;
  }
  if (draw.kind === 'standby') {
    if (knowsPower && Math.abs(powerW * 24 - value) > value * SAME) said.unlike(token);
    return knowsPower ? draw : { ...draw, powerW: value / 24 };
  }
  const perDay = known.perUse ? value * times : value;
  // What a cycle takes is less than its watts all the time.
  const isFixed = draw.kind === 'cycle' && !cycleLength(draw.phases).stretches;
  if (isFixed && minutes > 0 && (!knowsPower || perDay < (powerW * minutes * times) / 60))
    return cycleOf(said, draw, token, perDay / times, minutes);
  if (minutes > 0) {
    const gives = (powerW * minutes * times) / 60;
    if (!knowsPower) return atPower(draw, (perDay * 60) / (minutes * times));
    if (perDay > gives * (1 + SAME)) said.tooMuch(token, value, known.perUse ? (powerW * minutes) / 60 : gives);
    else if (perDay < gives * (1 - SAME)) said.unlike(token);
    return draw;
  }
  if (draw.kind === 'cycle')
    return cycleOf(said, draw, token, perDay / (known.times ?? Math.max(1, energy.perUse ? 1 : start.uses.length)));
  if (powerW <= 0) return { kind: 'standby', powerW: perDay / 24 };
  if ((perDay / powerW) * 60 > MINUTES_PER_DAY) said.tooMuch(token, value, powerW * 24);
  // Of a room or hot water the day's energy is known better than by a model.
  return draw.kind === 'steady' ? draw : { kind: 'steady', powerW };
}

function atPower(draw: Draw, powerW: number): Draw {
  return draw.kind === 'standby' ? { kind: 'standby', powerW } : { kind: 'steady', powerW };
}

/** @param minutes of one run, where that is said too */
function cycleOf(said: Sayings, draw: Cycle, token: Token, useWh: number, minutes = 0): Draw {
  const scaled = minutes > 0 ? cycleIn(draw, useWh, minutes) : cycleTaking(draw, useWh);
  if (!scaled) said.unlike(token);
  return scaled ?? draw;
}

function usesOf(
  said: Sayings,
  start: Load,
  draw: Draw,
  told: {
    minutes: number;
    times: number | null;
    clock: readonly Use[];
    every: Token | null;
    energyWh: number | null;
    perUse: boolean;
  },
): Use[] {
  const { minutes, times, clock, every, energyWh } = told;
  if (draw.kind === 'standby') return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
  if (every) return everySoOften(said, start, every, clock, minutes);
  if (clock.length > 0) return atClock(said, draw, clock, minutes, times);
  const powerW = runningPowerW(draw);
  if (energyWh !== null && minutes === 0 && powerW > 0 && draw.kind !== 'cycle') {
    const count = times ?? 1;
    const each = ((told.perUse ? energyWh : energyWh / count) / powerW) * 60;
    if (each > 0 && each * count <= MINUTES_PER_DAY + 1e-6) {
      const part = said.part(start, each);
      const placed = inNamedParts(said, times, each) ?? (part && usesInThe(part, count, each));
      return placed ?? usesFor(draw, count, Math.min(each, MINUTES_PER_DAY / count));
    }
  }
  const part = said.part(start, minutes);
  // "Continuous at night", "all day long" of what is on by night.
  if (part && minutes >= MINUTES_PER_DAY) return [hoursOfPart(part)];
  const fixed = draw.kind === 'cycle' ? cycleLength(draw.phases) : null;
  const isSet = fixed !== null && !fixed.stretches;
  if (part && (!fixed || isSet || minutes >= fixed.fixedMin)) {
    const count = times ?? (isSet ? Math.max(1, start.uses.length) : 1);
    const placed = usesInThe(part, count, isSet ? fixed.fixedMin : minutes || usualMinutes(start));
    if (placed) return placed;
  }
  const each = minutes || (times === null ? 0 : usualMinutes(start));
  const placed = inNamedParts(said, times, fixed ? (isSet ? fixed.fixedMin : Math.max(each, fixed.fixedMin)) : each);
  if (placed) return placed;
  if (minutes > 0 || times !== null) return soOften(said, start, draw, times, minutes);
  if (isSet) return soOften(said, start, draw, Math.max(1, start.uses.length), 0);
  // A sensor, a tracker: what takes so little and is of no known type is on all day.
  if (start.type === '' && powerW > 0 && powerW <= MOST_SENSED_W) return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
  return start.uses.length > 0 ? [...start.uses] : spreadUses(1, 60);
}

/** "Morning and evening": a use in each. */
function inNamedParts(said: Sayings, times: number | null, minutes: number): Use[] | null {
  const parts = partsOfDay(said.text);
  if (parts.length < 2 || parts.length !== times || !(minutes > 0)) return null;
  const placed = parts.flatMap((one) => useInThe(one, minutes)).sort((a, b) => a.startMin - b.startMin);
  return overlappingUse(placed) ? null : placed;
}

/** So long in every such period: over a stretch of the clock, a part of the day or so many hours, else day and night. */
function everySoOften(said: Sayings, start: Load, every: Token, clock: readonly Use[], typedMin: number): Use[] {
  const minutes = Math.min(typedMin, MINUTES_PER_DAY);
  if (typedMin > minutes) said.ask('over-a-day', every, ['']);
  const part = clock.length === 0 ? said.part(start, minutes || NIGHT_LONG_MIN) : null;
  const inPart = part && (minutes > 0 ? useInThe(part, minutes) : [hoursOfPart(part)]);
  const within = inPart ?? (clock.length > 0 ? clock : spreadUses(1, minutes || MINUTES_PER_DAY));
  if (clock.length > 0 && minutes > 0 && Math.abs(minutes - minutesPerDay(clock)) > 1)
    said.ask('energy-unlike-use', every, ['']);
  const period = every.second ?? MINUTES_PER_DAY;
  return within.flatMap((use) => {
    const count = goes(use.minutes, period);
    const pitch = use.minutes / count;
    const each = (pitch * every.value) / period;
    return Array.from({ length: count }, (_, i) => ({
      startMin: (use.startMin + i * pitch) % MINUTES_PER_DAY,
      minutes: each,
    }));
  });
}

function atClock(said: Sayings, draw: Draw, clock: readonly Use[], minutes: number, times: number | null): Use[] {
  const [token] = said.reading.tokens.filter(({ kind }) => kind === 'clock');
  const total = minutesPerDay(clock);
  const [window, ...more] = clock;
  const count = times ?? 1;
  // "3 x 10 min from 8 to 18": within those hours.
  if (window && more.length === 0 && count > 1 && minutes > 0 && count * minutes <= total)
    return Array.from({ length: count }, (_, i) => ({
      startMin: (window.startMin + (i * window.minutes) / count) % MINUTES_PER_DAY,
      minutes,
    }));
  const often = said.reading.tokens.find(({ kind }) => kind === 'times');
  if (often && minutes === 0 && count !== clock.length) said.ask('second-figure', often, ['']);
  const fixed = draw.kind === 'cycle' ? cycleLength(draw.phases) : null;
  const tooShort =
    fixed &&
    clock.some((use) =>
      fixed.stretches ? use.minutes < fixed.fixedMin : Math.abs(use.minutes - fixed.fixedMin) > 1e-6,
    );
  if (token && (total > MINUTES_PER_DAY || (minutes > 0 && Math.abs(minutes * (times ?? 1) - total) > 1) || tooShort))
    said.ask('energy-unlike-use', token, ['']);
  return tooShort && fixed.fixedMin <= MINUTES_PER_DAY
    ? usesFor(draw, 1, Math.min(total, MINUTES_PER_DAY))
    : [...clock];
}

function soOften(said: Sayings, start: Load, draw: Draw, times: number | null, minutes: number): Use[] {
  const each = minutes > 0 ? minutes : usualMinutes(start);
  const fixed = draw.kind === 'cycle' ? cycleLength(draw.phases) : null;
  const least = fixed ? (fixed.stretches ? Math.max(each, fixed.fixedMin) : fixed.fixedMin) : each;
  const count = times ?? 1;
  const [token] = said.reading.tokens.filter(
    ({ kind }) => kind === (minutes > 0 ? 'duration' : 'times') || kind.startsWith('energy'),
  );
  // "4 h x 6" is all day long and hardly meant so.
  const allDay = count > 1 && count * least >= MINUTES_PER_DAY;
  if (allDay || count * least > MINUTES_PER_DAY + 1e-6 || count > 96 || count < 1) {
    if (token) said.ask('over-a-day', token, times === null ? perPiece(said, minutes) : []);
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
function perPiece(said: Sayings, minutes: number): string[] {
  const { pieces } = said;
  const each = minutes / pieces / 60;
  return pieces > 1 && each <= 24 ? [`${Number(each.toPrecision(4))} h`, '24 h'] : ['24 h'];
}

/** Minutes of one use of its type; an hour of what is unknown. */
const usualMinutes = ({ uses }: Load): number => (uses.length > 0 ? minutesPerDay(uses) / uses.length : 60);

/** Minutes that it is on in so many, all day long where none are said. */
const onOf = ({ value, second }: Token, withinMin: number): number =>
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

/** How many uses of so many minutes there are in a stretch, put together where they would be too many to list. */
const goes = (withinMin: number, periodMin: number): number =>
  Math.max(1, Math.min(MOST_RUNS, Math.floor(withinMin / periodMin)));
