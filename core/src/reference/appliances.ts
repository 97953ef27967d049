import type { FirmAppliance } from '../job/applianceSchema.ts';
import { cycleLength, runningPowerW } from '../job/draw.ts';
import { plainLoad } from '../job/plainLoad.ts';
import type { Draw, Load, PathKind, Run } from '../job/schema.ts';
import type { INSULATION } from '../job/values.ts';
import type { OriginLabel } from '../quantity/figure.ts';
import { APPLIANCE_TABLE } from './applianceTable.ts';
import { START_RATIO, type StartKind } from './starts.ts';

/** A generic type of appliance: what to assume until it is measured. */
export interface Appliance {
  readonly id: string;
  readonly name: string;
  readonly words: readonly string[];
  readonly draw: Draw;
  readonly lowW: number;
  readonly highW: number;
  readonly runs: readonly Run[];
  readonly path: PathKind;
  readonly startRatio: number;
  readonly powerFactor: number;
  readonly origin: OriginLabel;
  /** The firm's own entry: the load as it was measured. */
  readonly own?: Load;
}

/** An entry of the firm's catalogue in the form of a type. */
export function fromFirm(id: string, { name, words, load }: FirmAppliance): Appliance {
  const watts = runningPowerW(load.draw);
  return {
    id,
    name,
    words: words.toLowerCase().split(/\s+/).filter(Boolean),
    draw: load.draw,
    lowW: watts,
    highW: watts,
    runs: load.runs,
    path: load.path,
    startRatio: load.startRatio,
    powerFactor: load.powerFactor,
    origin: 'job',
    own: load,
  };
}

export const APPLIANCES: readonly Appliance[] = APPLIANCE_TABLE.trim().split('\n').map(readRow);

function readRow(row: string): Appliance {
  const cells = row.split('|').map((cell) => cell.trim());
  const [id = '', name = '', words = '', draw = '', range = '', when = '', path, start, powerFactor, origin] = cells;
  const [lowW = 0, highW = 0] = range.split('–').map(Number);
  const parsed = readDraw(draw);
  return {
    id,
    name,
    words: words.split(' '),
    draw: parsed,
    lowW,
    highW,
    runs: when === 'day' ? [{ startMin: 0, minutes: 1440 }] : readRuns(when, parsed),
    path: path as PathKind,
    startRatio: START_RATIO[start as StartKind],
    powerFactor: Number(powerFactor),
    origin: origin as OriginLabel,
  };
}

function readDraw(text: string): Draw {
  const [kind, ...rest] = text.split(' ');
  const [first = 0, second = 0, third = 0] = rest.map(Number);
  switch (kind) {
    case 'steady':
      return { kind, powerW: first };
    case 'standby':
      return { kind, powerW: first };
    case 'thermostatic':
      return { kind, runningW: first, duty: second, setC: third };
    case 'water-heating': {
      const [powerW = 0, litres = 0, riseK = 0, efficiency = 1, standingW = 0] = rest.map(Number);
      return { kind, powerW, litres, riseK, efficiency, standingW };
    }
    case 'room': {
      const [mode, capacityW, cop, setC, volumeM3, insulation, glazingM2, internalW] = rest;
      return {
        kind,
        mode: mode as 'cooling' | 'heating',
        capacityW: Number(capacityW),
        cop: Number(cop),
        setC: Number(setC),
        volumeM3: Number(volumeM3),
        insulation: insulation as (typeof INSULATION)[number],
        glazingM2: Number(glazingM2),
        internalW: Number(internalW),
      };
    }
    default:
      return {
        kind: 'cycle',
        phases: rest
          .join(' ')
          .split(', ')
          .map((phase) => {
            const match = /^(.+) ([\d.]+) ([\d.*]+)$/.exec(phase);
            if (!match) throw new Error(`appliance table: cannot read phase "${phase}"`);
            return {
              label: match[1] ?? '',
              powerW: Number(match[2]),
              minutes: match[3] === '*' ? null : Number(match[3]),
            };
          }),
      };
  }
}

function readRuns(text: string, draw: Draw): Run[] {
  return text.split(', ').flatMap((group) => {
    const [length = '', times = ''] = group.split(' @ ');
    const minutes = draw.kind === 'cycle' ? cycleMinutes(draw, Number(length)) : Number(length);
    return times.split(' ').map((time) => {
      const [h = 0, m = 0] = time.split(':').map(Number);
      return { startMin: h * 60 + m, minutes };
    });
  });
}

/** A cycle of fixed phases lasts as long as they do; one with a filling phase as long as the table says. */
function cycleMinutes(draw: Extract<Draw, { kind: 'cycle' }>, minutes: number): number {
  const { fixedMin, stretches } = cycleLength(draw.phases);
  return stretches ? Math.max(minutes, fixedMin) : fixedMin;
}

/**
 * Appliances by everyday words, best match first, the commoner (earlier in the table) of equals first: every
 * typed word must be found in the name or its words. The firm's own entries come first.
 */
export function findAppliances(text: string, limit = 8, firm: readonly Appliance[] = []): Appliance[] {
  const typed = text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .map(singular);
  if (typed.length === 0) return [];
  const own = (appliance: Appliance) => (appliance.own ? OWN_FIRST : 1);
  return [...firm, ...APPLIANCES]
    .map((appliance) => ({ appliance, score: score(appliance, typed) * own(appliance) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score)
    .slice(0, limit)
    .map(({ appliance }) => appliance);
}

/** The firm's own entries rank before any type. */
const OWN_FIRST = 1000;

const singular = (word: string): string => (word.length > 3 ? word.replace(/(?<!s)s$/, '') : word);

function score({ name, words }: Appliance, typed: readonly string[]): number {
  const named = name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .map(singular);
  let total = 0;
  for (const word of typed) {
    if (named[0] === word) total += 12;
    else if (named.includes(word)) total += 8;
    else if (named.some((part) => part.startsWith(word))) total += 5;
    else if (words.some((part) => singular(part) === word)) total += 4;
    else if (words.some((part) => part.startsWith(word))) total += 2;
    else return 0;
  }
  return total;
}

/** A load of this type with the usual hours; watts are typical until someone measures. */
export function loadFrom(appliance: Appliance, id: string): Load {
  if (appliance.own) return { ...appliance.own, id, name: appliance.name, device: null, photos: [] };
  return {
    ...plainLoad(id),
    name: appliance.name,
    type: appliance.id,
    draw: appliance.draw,
    runs: [...appliance.runs],
    path: appliance.path,
    evidence: 'typical',
    startRatio: appliance.startRatio,
    powerFactor: appliance.powerFactor,
    critical: appliance.words.includes('medical'),
    sensitive: appliance.words.includes('medical'),
  };
}
