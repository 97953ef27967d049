import { type Evidence, type Load, type PathKind, runningPowerW } from '@joulemetric/core';

export const PATH_WORDS: Readonly<
  Record<PathKind, { readonly short: string; readonly twice: boolean; readonly long: string }>
> = {
  direct: { short: 'direct', twice: false, long: 'direct from the battery' },
  'dc-dc': { short: 'DC-DC', twice: false, long: 'DC-DC converter' },
  inverter: { short: 'inverter', twice: false, long: 'inverter' },
  'inverter-adapter': { short: 'inverter › adapter', twice: true, long: 'inverter and adapter' },
  station: { short: 'station port', twice: false, long: 'port of a portable station' },
  'supply-only': { short: 'hookup only', twice: false, long: 'hookup or generator only' },
  fuel: { short: 'fuel', twice: false, long: 'gas or diesel' },
};

/** In the narrow cells of the sheet. */
export const PATH_CELLS = Object.entries(PATH_WORDS).map(([value, { short }]) => ({
  value: value as PathKind,
  label: short,
}));

/** In the load's own panel. */
export const PATH_CHOICES = Object.entries(PATH_WORDS).map(([value, { long }]) => ({
  value: value as PathKind,
  label: long,
}));

/** How full the evidence gauge is, from guess to measured. */
export const EVIDENCE_WORDS: Readonly<Record<Evidence, { readonly word: string; readonly level: number }>> = {
  measured: { word: 'measured', level: 4 },
  'data-sheet': { word: 'data sheet', level: 3 },
  nameplate: { word: 'nameplate', level: 2 },
  typical: { word: 'typical', level: 1 },
  guess: { word: 'guess', level: 0 },
};

export const EVIDENCE_CHOICES = Object.entries(EVIDENCE_WORDS).map(([value, { word }]) => ({
  value: value as Evidence,
  label: word,
}));

/** What stands beside the power: the duty, or what a cycle takes for most of its time. */
export function besidePower(load: Load): string | null {
  if (load.draw.kind === 'thermostatic') return `· ${Math.round(load.draw.duty * 100)} %`;
  if (load.draw.kind !== 'cycle') return null;
  const longest = load.draw.phases.reduce((a, b) => ((b.minutes ?? Infinity) > (a.minutes ?? Infinity) ? b : a));
  return longest.powerW === runningPowerW(load.draw) ? null : `/ ${longest.powerW}`;
}

/** What the row says beside the name: phases or the temperature held. */
export function kindWords(load: Load, inUnits: (value: number, unit: string) => string): string {
  switch (load.draw.kind) {
    case 'cycle':
      return load.draw.phases.map(({ label }) => label).join(', ');
    case 'room':
    case 'thermostatic':
      return inUnits(load.draw.setC, '°C');
    case 'water-heating':
      return `${load.draw.litres} l`;
    default:
      return '';
  }
}
