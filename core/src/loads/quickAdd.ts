import { cycleLength, runningPowerW, withRunningPower } from '../job/draw.ts';
import { plainLoad } from '../job/plainLoad.ts';
import type { Draw, Load, Run } from '../job/schema.ts';
import { type Question, type Reading, readQuantities, type Token } from '../quantity/read.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type Appliance, findAppliances, loadFrom } from '../reference/appliances.ts';
import { type LabelReading, looksLikeLabel } from './label.ts';
import { proposeFromLabel } from './labelProposal.ts';
import { minutesPerDay, partOfDay, runInThe, runsFor, spreadRuns } from './runs.ts';

/** What a typed line would add, or the questions that stand in the way. */
export interface Proposal {
  readonly load: Load | null;
  /** The catalogue type behind it, when one fits. */
  readonly appliance: Appliance | null;
  readonly questions: readonly Question[];
  /** What is missing before it can be a load. */
  readonly missing: 'name' | 'power' | null;
  /** What a nameplate was read as; null for a typed line. */
  readonly label: LabelReading | null;
}

/** Volts from here up are mains, V. */
const MAINS_FROM_V = 90;

/**
 * Turns a line such as "2 laptops 38W 5h", "kettle", "pump 12v 3,5a 3x4min" or "phone 15Wh" into a load. A
 * catalogue type fills what the line leaves open; what is typed wins.
 * @param idFor makes an id that is free in the job from a name
 * @param firm the firm's own entries, which come before the generic types
 */
export function proposeLoad(
  text: string,
  idFor: (name: string) => string,
  pick?: Appliance,
  firm: readonly Appliance[] = [],
): Proposal {
  if (looksLikeLabel(text)) {
    const fromLabel = proposeFromLabel(text, idFor, pick, firm);
    if (fromLabel) return fromLabel;
  }
  const { quantity, rest } = leadingCount(text);
  const reading = readQuantities(rest);
  const powerW = typedPower(reading);
  const base = pick ?? likeliest(findAppliances(reading.words, 8, firm), powerW);
  const name = pick && !reading.words ? pick.name : nameOf(reading.words, base);
  const questions = [...reading.questions];
  if (!name) return { load: null, appliance: base, questions, missing: 'name', label: null };
  if (base === null && powerW === null)
    return { load: null, appliance: null, questions, missing: 'power', label: null };

  const id = idFor(name);
  const start = base ? loadFrom(base, id) : plainLoad(id);
  const typed = withTyped(start.draw, powerW, token(reading, 'share'), token(reading, 'energy'));
  const minutes = typedMinutes(reading);
  const draw = minutes > 0 ? timed(typed, minutes) : typed;
  const when = typedRuns(reading, start, draw, questions);
  const volts = token(reading, 'voltage');
  return {
    load: {
      ...start,
      name,
      quantity,
      draw,
      runs: when,
      path: volts === null ? start.path : volts >= MAINS_FROM_V ? mainsPath(start.path) : 'direct',
      evidence: powerW === null ? start.evidence : 'nameplate',
      powerFactor: typedPowerFactor(reading, powerW) ?? start.powerFactor,
    },
    appliance: base,
    questions,
    missing: null,
    label: null,
  };
}

/** "2 laptops", "2x laptop", "laptop x2" is not a duration: a count that stands before the first word. */
function leadingCount(text: string): { quantity: number; rest: string } {
  const match = /^\s*(\d{1,2})\s*(?:[x×]\s*|\s)(?=\p{L}{3,})/iu.exec(text);
  const count = Number(match?.[1]);
  if (
    !match ||
    count < 1 ||
    /^(?:watts?|volts?|amps?|hours?|hrs|min|mins|minutes?|sec)\b/i.test(text.slice(match[0].length))
  ) {
    return { quantity: 1, rest: text };
  }
  return { quantity: count, rest: text.slice(match[0].length) };
}

/** The best match by name; among the matches, one whose usual range holds the typed watts is meant. */
function likeliest(matches: readonly Appliance[], powerW: number | null): Appliance | null {
  const inRange = ({ lowW, highW }: Appliance) => powerW !== null && powerW >= lowW && powerW <= highW;
  return matches.find(inRange) ?? matches[0] ?? null;
}

/** "1 h 30 min" is one length. */
const typedMinutes = (reading: Reading): number =>
  reading.tokens.reduce((sum, { kind, value }) => (kind === 'duration' ? sum + value : sum), 0);

function token(reading: Reading, kind: Token['kind']): number | null {
  return reading.tokens.find((found) => found.kind === kind)?.value ?? null;
}

/** Watts as typed, or volts × amps. */
function typedPower(reading: Reading): number | null {
  const watts = token(reading, 'power');
  if (watts !== null) return watts;
  const volts = token(reading, 'voltage');
  const amps = token(reading, 'current');
  if (volts !== null && amps !== null) return volts * amps;
  return token(reading, 'apparent');
}

/** W ÷ VA as typed. Volts × amps are VA: watts taken from them stand for no fewer amps than were read off. */
function typedPowerFactor(reading: Reading, powerW: number | null): number | null {
  const volts = token(reading, 'voltage');
  const amps = token(reading, 'current');
  const va = token(reading, 'apparent') ?? (volts !== null && amps !== null ? volts * amps : null);
  if (va === null || powerW === null || va <= 0 || powerW > va) return null;
  return Math.max(0.1, powerW / va);
}

function nameOf(words: string, base: Appliance | null): string {
  if (!words) return base?.name ?? '';
  return (words.charAt(0).toUpperCase() + words.slice(1)).slice(0, 120);
}

function mainsPath(path: Load['path']): Load['path'] {
  return path === 'inverter-adapter' ? path : 'inverter';
}

function withTyped(draw: Draw, powerW: number | null, duty: number | null, energyWh: number | null): Draw {
  if (energyWh !== null && draw.kind === 'thermostatic') {
    // Energy a day, as on a fridge's label at 25 °C, sets how much of the time it runs.
    const runningW = powerW ?? draw.runningW;
    return { ...draw, runningW, duty: Math.min(1, energyWh / 24 / Math.max(1, runningW)) };
  }
  if (energyWh !== null && powerW === null && draw.kind === 'standby') return { ...draw, powerW: energyWh / 24 };
  if (duty !== null && duty > 0 && duty <= 1) {
    const setC = draw.kind === 'thermostatic' ? draw.setC : 4;
    return { kind: 'thermostatic', runningW: powerW ?? runningPowerW(draw), duty, setC };
  }
  return powerW === null ? draw : withRunningPower(draw, powerW);
}

/**
 * A typed length wins over what the type would do by itself: a cycle of fixed phases, a room or hot water
 * becomes that long at its power; of a fridge it is the time its compressor runs.
 */
function timed(draw: Draw, minutes: number): Draw {
  if (draw.kind === 'thermostatic') return { ...draw, duty: Math.min(1, minutes / MINUTES_PER_DAY) };
  const fixedCycle = draw.kind === 'cycle' && !cycleLength(draw.phases).stretches;
  const byNeed = draw.kind === 'room' || draw.kind === 'water-heating';
  return fixedCycle || byNeed ? { kind: 'steady', powerW: runningPowerW(draw) } : draw;
}

function typedRuns(reading: Reading, start: Load, draw: Draw, questions: Question[]): Run[] {
  if (draw.kind === 'thermostatic' || draw.kind === 'standby') return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
  const times = token(reading, 'times') ?? 1;
  const duration = typedMinutes(reading);
  const energy = reading.tokens.find(({ kind }) => kind === 'energy');
  const powerW = runningPowerW(draw);
  if (energy && powerW > 0 && duration === 0) {
    const minutes = (energy.value / powerW) * 60;
    if (minutes > 0 && minutes <= MINUTES_PER_DAY) return runsFor(draw, 1, minutes);
  }
  if (energy && duration > 0 && energy.value > (powerW * duration * times) / 60 + 1e-9) {
    // A decimal slip: more energy than the watts can give in that time.
    const { start: from, end } = energy;
    questions.push({
      code: 'energy-above-power',
      start: from,
      end,
      found: `${energy.value} Wh`,
      meant: `${energy.value / 10} Wh`,
    });
  }
  const part = partOfDay(reading.words);
  if (part && times === 1 && duration > 0 && duration < MINUTES_PER_DAY) return runInThe(part, duration);
  if (duration > 0 && times * duration <= MINUTES_PER_DAY) return runsFor(draw, times, duration);
  if (token(reading, 'times') !== null && start.runs.length > 0) {
    const each = minutesPerDay(start.runs) / start.runs.length;
    if (times * each <= MINUTES_PER_DAY) return runsFor(draw, times, each);
  }
  return start.runs.length > 0 ? [...start.runs] : spreadRuns(1, 60);
}
