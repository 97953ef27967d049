import { cycleLength, runningPowerW } from '../job/draw.ts';
import { overlappingUse } from '../job/overlap.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import type { Question } from '../quantity/question.ts';
import type { Reading, Token } from '../quantity/token.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { cycleTaking } from './powered.ts';
import { minutesPerDay, partOfDay, partsOfDay, spreadUses, useInThe, usesFor } from './uses.ts';

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
/** Minutes that somebody says for a week and means for one day of it. From memory. */
const ONCE_A_WEEK_MIN = 180;
/** Duty that a fridge of the usual watts has at most, and how many times them its mean may be before it is a slip. From memory. */
const MOST_DUTY = 0.8;
const LARGER = 2;
/** "8 h a night" is by night; two hours of television a night are not. From memory. */
const A_NIGHT = /(?:\b(?:a|per|each|every)|\/)\s*night\b|\bnightly\b/i;
const NIGHT_LONG_MIN = 300;
/** W up to which a thing of no known type is taken as always on where nothing says how long. From memory. */
const MOST_SENSED_W = 1;
/** Minutes that are no rest. */
const SLIGHT_MIN = 1e-6;
/** How far an energy and watts × hours may be apart and still be the same, share. */
const SAME = 0.1;

export function typedUse(
  text: string,
  reading: Reading,
  start: Load,
  powered: Draw,
  /** Whether watts were typed; otherwise an energy and a length make them. */
  knowsPower: boolean,
  busV: number,
): TypedUse {
  const asked = new Asked(text, reading);
  const said = asked.duty(start, powered);
  const cycles = powered.kind === 'thermostatic';
  // A duty and "20 min every hour" of what cycles by itself are two of the same: the second is asked about.
  const every = said !== null && cycles ? null : asked.one('every');
  const duty = said ?? (every && cycles ? shareOf(every) : null);
  const energy = asked.energy(busV);
  const times = asked.one('times')?.value ?? null;
  const week = asked.week(start);
  const minutes = asked.minutes() || week.minutes;
  const clock = asked.all('clock').map((token) => ({
    startMin: token.value,
    minutes: ((token.second ?? 0) - token.value + MINUTES_PER_DAY) % MINUTES_PER_DAY || MINUTES_PER_DAY,
  }));

  // "30 % of 6 h": of what the share is cannot be told.
  const share = duty !== null && minutes > 0 && minutes < MINUTES_PER_DAY ? asked.one('share') : null;
  if (share) asked.ask('second-figure', share, ['']);
  let draw = duty === null ? powered : dutied(powered, duty);
  const perUse = energy && (energy.perUse || times !== null);
  if (energy)
    draw = asked.withEnergy(draw, energy, {
      minutes: minutes || minutesPerDay(clock),
      times,
      knowsPower,
      perUse: perUse ?? false,
      start,
    });
  // An energy has set how long a cycle's phases are.
  const isSet = energy !== null && draw.kind === 'cycle';
  if (minutes > 0 && !every && !isSet) draw = timed(draw, minutes * (times ?? 1));
  if (clock.length > 0 && draw.kind === 'standby') draw = { kind: 'steady', powerW: draw.powerW };
  return {
    draw,
    uses: asked.uses(start, draw, {
      minutes,
      times,
      clock,
      every,
      energyWh: energy?.value ?? null,
      perUse: perUse ?? false,
    }),
    daysPerWeek: week.daysPerWeek,
    variants: week.variants,
    questions: asked.questions,
    used: asked.used,
  };
}

interface Energy {
  readonly token: Token;
  /** Wh a day, or a use. */
  readonly value: number;
  readonly perUse: boolean;
}

/** The line's times and energies, each marked as used when it is taken, and the questions that they raise. */
class Asked {
  readonly questions: Question[] = [];
  readonly used: Token[] = [];
  readonly #text: string;
  readonly #reading: Reading;

  constructor(text: string, reading: Reading) {
    this.#text = text;
    this.#reading = reading;
  }

  all(...kinds: readonly Token['kind'][]): Token[] {
    const found = this.#reading.tokens.filter(({ kind }) => kinds.includes(kind));
    this.used.push(...found);
    return found;
  }

  /** The first of a kind; a second is left over, and asked about. */
  one(...kinds: readonly Token['kind'][]): Token | null {
    const found = this.#reading.tokens.find(({ kind }) => kinds.includes(kind)) ?? null;
    if (found) this.used.push(found);
    return found;
  }

  ask(code: Question['code'], { start, end }: Token, choices: readonly string[]): void {
    this.questions.push({ code, start, end, found: this.#text.slice(start, end), choices });
  }

  /** "1 h 30 min" is one length; two lengths apart are not. */
  minutes(): number {
    const lengths = this.#reading.tokens.filter(({ kind }) => kind === 'duration');
    const [first] = lengths;
    if (!first) return 0;
    let sum = 0;
    let least = first.value;
    let end = first.start;
    for (const token of lengths) {
      if (!/^[\s,+&]*(?:and)?\s*$/i.test(this.#text.slice(end, token.start))) continue;
      // "5 min 10 h" are two.
      if (sum > 0 && token.value >= least) break;
      least = token.value;
      sum += token.value;
      end = token.end;
      this.used.push(token);
    }
    return sum;
  }

  duty(start: Load, draw: Draw): number | null {
    const token = this.#reading.tokens.find(({ kind }) => kind === 'share');
    if (!token) return null;
    const isDuty =
      /duty|of the time|cycling/i.test(this.#reading.words) ||
      /(?:time|duty|cycle)$/i.test(this.#text.slice(token.start, token.end)) ||
      start.draw.kind === 'thermostatic' ||
      draw.kind === 'thermostatic';
    if (!isDuty || !(token.value > 0 && token.value <= 1)) return null;
    this.used.push(token);
    return token.value;
  }

  energy(busV: number): Energy | null {
    const token = this.one('energy', 'energy-per-day', 'energy-per-use', 'charge-per-day');
    if (!token) return null;
    const value = token.kind === 'charge-per-day' ? token.value * busV : token.value;
    return { token, value, perUse: token.kind === 'energy-per-use' };
  }

  /** An energy sets what the line leaves open: how long, how often, or at how many watts; what it contradicts is asked. */
  withEnergy(
    draw: Draw,
    energy: Energy,
    known: { minutes: number; times: number | null; knowsPower: boolean; perUse: boolean; start: Load },
  ): Draw {
    const { token, value } = energy;
    const { minutes, knowsPower, start } = known;
    const times = known.times ?? 1;
    const powerW = runningPowerW(draw);
    if (value <= 0) {
      this.ask('no-energy', token, ['']);
      return draw;
    }
    if (draw.kind === 'thermostatic') {
      const meanW = value / 24;
      // The type's watts are a guess that a typed energy corrects: one of the larger of its kind, at its usual duty.
      if (!knowsPower && meanW > powerW * MOST_DUTY && meanW <= powerW * LARGER)
        return { ...draw, runningW: meanW / Math.min(MOST_DUTY, draw.duty) };
      if (meanW > powerW) this.#tooMuch(token, value, powerW * 24);
      return { ...draw, duty: Math.min(1, meanW / Math.max(1e-9, powerW)) };
    }
    if (draw.kind === 'standby') {
      if (knowsPower && Math.abs(powerW * 24 - value) > value * SAME) this.#unlike(token);
      return knowsPower ? draw : { ...draw, powerW: value / 24 };
    }
    const perDay = known.perUse ? value * times : value;
    // What a cycle takes is less than its watts all the time.
    const isFixed = draw.kind === 'cycle' && !cycleLength(draw.phases).stretches;
    if (isFixed && minutes > 0 && knowsPower && perDay < (powerW * minutes * times) / 60)
      return this.#cycleOf(draw, token, perDay / times, minutes);
    if (minutes > 0) {
      const gives = (powerW * minutes * times) / 60;
      if (!knowsPower) return this.#atPower(draw, (perDay * 60) / (minutes * times));
      if (perDay > gives * (1 + SAME)) this.#tooMuch(token, value, known.perUse ? (powerW * minutes) / 60 : gives);
      else if (perDay < gives * (1 - SAME)) this.#unlike(token);
      return draw;
    }
    if (draw.kind === 'cycle')
      return this.#cycleOf(draw, token, perDay / (known.times ?? Math.max(1, energy.perUse ? 1 : start.uses.length)));
    if (powerW <= 0) return { kind: 'standby', powerW: perDay / 24 };
    if ((perDay / powerW) * 60 > MINUTES_PER_DAY) this.#tooMuch(token, value, powerW * 24);
    // Of a room or hot water the day's energy is known better than by a model.
    return draw.kind === 'steady' ? draw : { kind: 'steady', powerW };
  }

  #atPower(draw: Draw, powerW: number): Draw {
    return draw.kind === 'standby' ? { kind: 'standby', powerW } : { kind: 'steady', powerW };
  }

  /** @param minutes of one run, where that is said too: what its energy leaves of it, it rests */
  #cycleOf(draw: Extract<Draw, { kind: 'cycle' }>, token: Token, useWh: number, minutes = 0): Draw {
    const scaled = cycleTaking(draw, useWh);
    const restMin = scaled?.kind === 'cycle' && minutes > 0 ? minutes - cycleLength(scaled.phases).fixedMin : 0;
    if (!scaled || restMin < -SLIGHT_MIN) this.#unlike(token);
    if (scaled?.kind !== 'cycle' || restMin <= SLIGHT_MIN) return scaled ?? draw;
    return { ...scaled, phases: [...scaled.phases, { label: 'Rest', powerW: 0, minutes: restMin }] };
  }

  /** More than its watts give in that time: the first power of ten that is possible is offered. */
  #tooMuch(token: Token, value: number, most: number): void {
    let possible = value;
    while (possible > most * (1 + 1e-9) && possible > 0.01) possible /= 10;
    const unit = token.kind === 'energy-per-day' || token.kind === 'charge-per-day' ? ' Wh/day' : ' Wh';
    const slip = value / possible <= 1000 ? [`${Number(possible.toPrecision(6))}${unit}`] : [];
    this.ask('energy-above-power', token, slip);
  }

  #unlike(token: Token): void {
    this.ask('energy-unlike-use', token, ['']);
  }

  uses(
    start: Load,
    draw: Draw,
    said: {
      minutes: number;
      times: number | null;
      clock: readonly Use[];
      every: Token | null;
      energyWh: number | null;
      perUse: boolean;
    },
  ): Use[] {
    const { minutes, times, clock, every, energyWh } = said;
    if (draw.kind === 'standby') return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
    if (clock.length > 0) return this.#atClock(draw, clock, minutes, times);
    if (draw.kind === 'thermostatic') return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
    if (every) return everySoOften(every.value, every.second ?? MINUTES_PER_DAY, minutes || MINUTES_PER_DAY);
    const powerW = runningPowerW(draw);
    if (energyWh !== null && minutes === 0 && powerW > 0 && draw.kind !== 'cycle') {
      const count = times ?? 1;
      const each = ((said.perUse ? energyWh : energyWh / count) / powerW) * 60;
      if (each > 0 && each * count <= MINUTES_PER_DAY + 1e-6)
        return usesFor(draw, count, Math.min(each, MINUTES_PER_DAY / count));
    }
    const part =
      partOfDay(this.#reading.words) ?? (minutes >= NIGHT_LONG_MIN && A_NIGHT.test(this.#text) ? 'night' : null);
    if (part && (times ?? 1) === 1 && minutes > 0 && minutes < MINUTES_PER_DAY) return useInThe(part, minutes);
    const parts = partsOfDay(this.#text);
    if (parts.length > 1 && parts.length === times && minutes > 0 && draw.kind !== 'cycle') {
      const placed = parts.flatMap((one) => useInThe(one, minutes)).sort((a, b) => a.startMin - b.startMin);
      if (!overlappingUse(placed)) return placed;
    }
    if (minutes > 0 || times !== null) return this.#soOften(start, draw, times, minutes);
    if (draw.kind === 'cycle' && !cycleLength(draw.phases).stretches)
      return this.#soOften(start, draw, Math.max(1, start.uses.length), 0);
    // A sensor, a tracker: what takes so little and is of no known type is on all day.
    if (start.type === '' && powerW > 0 && powerW <= MOST_SENSED_W) return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
    return start.uses.length > 0 ? [...start.uses] : spreadUses(1, 60);
  }

  #atClock(draw: Draw, clock: readonly Use[], minutes: number, times: number | null): Use[] {
    const [token] = this.#reading.tokens.filter(({ kind }) => kind === 'clock');
    const total = minutesPerDay(clock);
    const fixed = draw.kind === 'cycle' ? cycleLength(draw.phases) : null;
    const tooShort =
      fixed &&
      clock.some((use) =>
        fixed.stretches ? use.minutes < fixed.fixedMin : Math.abs(use.minutes - fixed.fixedMin) > 1e-6,
      );
    if (token && (total > MINUTES_PER_DAY || (minutes > 0 && Math.abs(minutes * (times ?? 1) - total) > 1) || tooShort))
      this.ask('energy-unlike-use', token, ['']);
    return tooShort ? usesFor(draw, 1, total) : [...clock];
  }

  #soOften(start: Load, draw: Draw, times: number | null, minutes: number): Use[] {
    const usual = start.uses.length > 0 ? minutesPerDay(start.uses) / start.uses.length : 60;
    const each = minutes > 0 ? minutes : usual;
    const fixed = draw.kind === 'cycle' ? cycleLength(draw.phases) : null;
    const least = fixed ? (fixed.stretches ? Math.max(each, fixed.fixedMin) : fixed.fixedMin) : each;
    const count = times ?? 1;
    const [token] = this.#reading.tokens.filter(
      ({ kind }) => kind === (minutes > 0 ? 'duration' : 'times') || kind.startsWith('energy'),
    );
    // "4 h x 6" is all day long and hardly meant so.
    const allDay = count > 1 && count * least >= MINUTES_PER_DAY;
    if (allDay || count * least > MINUTES_PER_DAY + 1e-6 || count > 96 || count < 1) {
      if (token) this.ask('over-a-day', token, times === null ? this.#perPiece(minutes) : []);
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
  #perPiece(minutes: number): string[] {
    const pieces = this.#reading.tokens.find(({ kind }) => kind === 'count')?.value ?? 1;
    const each = minutes / pieces / 60;
    return pieces > 1 && each <= 24 ? [`${Number(each.toPrecision(4))} h`, '24 h'] : ['24 h'];
  }

  /** "10 min a week" is once; of hours it may be a part of every day. */
  #inAWeek(start: Load): Pick<Load, 'daysPerWeek' | 'variants'> & { readonly minutes: number } {
    const { daysPerWeek, variants } = start;
    const monthly = this.one('per-month');
    if (monthly) return { daysPerWeek: (7 * 12) / 365, variants, minutes: Math.min(monthly.value, MINUTES_PER_DAY) };
    const token = this.one('per-week');
    if (!token) return { daysPerWeek, variants, minutes: 0 };
    const { value } = token;
    if (value > ONCE_A_WEEK_MIN)
      this.ask('time-per-week', token, [
        hoursOf(value / 7),
        ...(value <= MINUTES_PER_DAY ? [`${hoursOf(value)} once a week`] : []),
      ]);
    return { daysPerWeek: 1, variants, minutes: Math.min(value, MINUTES_PER_DAY) };
  }

  week(start: Load): Pick<Load, 'daysPerWeek' | 'variants'> & { readonly minutes: number } {
    const days = this.one('days-per-week');
    if (days) return { daysPerWeek: days.value, variants: start.variants, minutes: 0 };
    const season = this.one('summer', 'winter');
    if (season)
      return {
        daysPerWeek: start.daysPerWeek,
        variants: without(start, season.kind === 'summer' ? 'winter' : 'summer'),
        minutes: 0,
      };
    const part = this.one('weekdays', 'weekends');
    if (!part) return this.#inAWeek(start);
    const off = part.kind === 'weekdays' ? 'weekend' : 'weekday';
    return {
      minutes: 0,
      daysPerWeek: part.value,
      variants: without(start, off),
    };
  }
}

/** What it does on other days, with those on which it does nothing. */
const without = ({ variants }: Load, off: Load['variants'][number]['on']): Load['variants'] => [
  ...variants.filter(({ on }) => on !== off),
  { on: off, uses: [] },
];

/** "20 min every hour" of what cycles by itself is how much of the time it runs. */
const shareOf = ({ value, second }: Token): number => value / (second ?? MINUTES_PER_DAY);

const hoursOf = (minutes: number): string => `${Number((minutes / 60).toPrecision(3))} h`;

function dutied(draw: Draw, duty: number): Draw {
  const setC = draw.kind === 'thermostatic' ? draw.setC : 4;
  return { kind: 'thermostatic', runningW: runningPowerW(draw), duty, setC };
}

/**
 * A typed length wins over what the type would do by itself: a cycle of fixed phases, a room or hot water
 * becomes that long at its power; of a fridge it is the time its compressor runs.
 */
function timed(draw: Draw, minutes: number): Draw {
  if (draw.kind === 'thermostatic')
    return minutes >= MINUTES_PER_DAY ? draw : { ...draw, duty: Math.min(1, minutes / MINUTES_PER_DAY) };
  if (draw.kind === 'standby') return minutes >= MINUTES_PER_DAY ? draw : { kind: 'steady', powerW: draw.powerW };
  const fixedCycle = draw.kind === 'cycle' && !cycleLength(draw.phases).stretches;
  const byNeed = draw.kind === 'room' || draw.kind === 'water-heating';
  return fixedCycle || byNeed ? { kind: 'steady', powerW: runningPowerW(draw) } : draw;
}

/** So long in every such period, over a stretch of the day: the same minutes in uses that can be listed. */
function everySoOften(onMin: number, periodMin: number, withinMin: number): Use[] {
  const total = Math.min(MINUTES_PER_DAY, (withinMin * onMin) / periodMin);
  const count = Math.max(1, Math.min(MOST_RUNS, Math.floor(withinMin / periodMin)));
  return spreadUses(count, total / count);
}
