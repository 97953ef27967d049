import type { Evidence, Load, PathKind } from '@joulemetric/core';

export const PATH_WORDS: Readonly<Record<PathKind, { readonly short: string; readonly twice: boolean; readonly long: string }>> = {
  direct: { short: 'direct', twice: false, long: 'direct from the battery' },
  'dc-dc': { short: 'DC-DC', twice: false, long: 'DC-DC converter' },
  inverter: { short: 'inverter', twice: false, long: 'inverter' },
  'inverter-adapter': { short: 'inverter › adapter', twice: true, long: 'inverter and adapter' },
};

export const PATH_CHOICES = Object.entries(PATH_WORDS).map(([value, { long }]) => ({ value: value as PathKind, label: long }));

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

/** What the row says beside the name: phases or the temperature held. */
export function kindWords(load: Load): string {
  switch (load.draw.kind) {
    case 'cycle':
      return load.draw.phases.map(({ label }) => label).join(', ');
    case 'thermostatic':
      return `${String(load.draw.setC).replace('-', '−')} °C`;
    default:
      return '';
  }
}
