import { runningPowerW, withRunningPower } from '../job/draw.ts';
import { plainLoad } from '../job/plainLoad.ts';
import type { Draw, Load, Run } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type Appliance, findAppliances, loadFrom } from '../reference/appliances.ts';
import { type LabelReading, readLabel } from './label.ts';
import type { Proposal } from './quickAdd.ts';
import { runsFor } from './runs.ts';

/** Words of a nameplate that are not the appliance's name. */
const PLATE_WORDS =
  /\b(?:model|type|rated?|rating|input|output|voltage|power|current|consumption|frequency|supply|mains|serial|no|class|ac|dc|in|out|max|min|nominal|energy|cooling|capacity|heating)\b[.:]?|[~⎓⏛:;|=()]/giu;

/** A load as its nameplate tells it; null when nothing on it could be read. */
export function proposeFromLabel(
  text: string,
  idFor: (name: string) => string,
  pick: Appliance | undefined,
  firm: readonly Appliance[],
): Proposal | null {
  const label = readLabel(text);
  if (label.tokens.length === 0 && label.questions.length === 0) return null;
  const words = nameBefore(text, label);
  const appliance = pick ?? findAppliances(words, 8, firm)[0] ?? null;
  const name = words || pick?.name || '';
  const about = { appliance, questions: label.questions, label };
  if (!name) return { ...about, load: null, missing: 'name' };
  if (label.powerW === null && label.energyWhPerDay === null && !appliance)
    return { ...about, load: null, missing: 'power' };

  const id = idFor(name);
  const base = appliance ? loadFrom(appliance, id) : plainLoad(id);
  const draw = drawOf(base.draw, label);
  return {
    ...about,
    missing: null,
    load: {
      ...base,
      name: `${name.charAt(0).toUpperCase()}${name.slice(1)}`.slice(0, 120),
      draw,
      runs: runsOfLabel(base.runs, draw, label),
      path: pathOf(base.path, label),
      evidence: 'nameplate',
      powerFactor: label.powerFactor ?? base.powerFactor,
    },
  };
}

/** What stands before the first figure and is none of a nameplate's own words. */
function nameBefore(text: string, { tokens, questions }: LabelReading): string {
  const first = Math.min(text.length, ...tokens.map(({ start }) => start), ...questions.map(({ start }) => start));
  return text
    .slice(0, first)
    .replace(PLATE_WORDS, ' ')
    .replace(/\b\p{L}*\d[\p{L}\d-]*\b/gu, ' ')
    .replace(/[\s,.\-–]+/g, ' ')
    .trim();
}

function drawOf(draw: Draw, { powerW, energyWhPerDay }: LabelReading): Draw {
  const powered = powerW === null ? draw : withRunningPower(draw, Math.min(20_000, powerW));
  if (energyWhPerDay === null) return powered;
  if (powered.kind === 'standby') return { kind: 'standby', powerW: energyWhPerDay / 24 };
  const runningW = Math.max(runningPowerW(powered), energyWhPerDay / 24);
  const setC = powered.kind === 'thermostatic' ? powered.setC : 4;
  return { kind: 'thermostatic', runningW, duty: Math.min(1, energyWhPerDay / 24 / Math.max(1e-9, runningW)), setC };
}

function runsOfLabel(usual: readonly Run[], draw: Draw, { energyWhPerCycle }: LabelReading): Run[] {
  if (draw.kind === 'thermostatic' || draw.kind === 'standby') return [{ startMin: 0, minutes: MINUTES_PER_DAY }];
  const powerW = runningPowerW(draw);
  if (energyWhPerCycle !== null && draw.kind === 'steady' && powerW > 0) {
    const minutes = (energyWhPerCycle / powerW) * 60;
    if (minutes > 0 && minutes <= MINUTES_PER_DAY) return runsFor(draw, 1, minutes);
  }
  return [...usual];
}

function pathOf(usual: Load['path'], { supply }: LabelReading): Load['path'] {
  if (!supply) return usual;
  if (supply.kind === 'adapter') return 'inverter-adapter';
  if (supply.kind === 'mains') return usual.startsWith('inverter') ? usual : 'inverter';
  // Below 11 V or above 30 V it is not what the bus has.
  return supply.volts < 11 || supply.volts > 30 ? 'dc-dc' : 'direct';
}
