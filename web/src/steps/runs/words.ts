import {
  type ApplianceVolts,
  formatNumber,
  PROTECTION,
  type Run,
  type RunLine,
  showText,
  type ThickerLine,
  type Units,
} from '@joulemetric/core';

/** What decided a size, as it stands beside it. */
export const DECIDED: Readonly<Record<RunLine['decidedBy'], string>> = {
  given: 'as given',
  drop: 'by drop',
  'cut-off': 'so that it starts on a low store',
  ampacity: 'by ampacity',
  fuse: 'so that a fuse fits',
  start: 'by its start',
  smallest: 'smallest sold',
};

export const ENDS: readonly { readonly value: Run['end']; readonly label: string }[] = [
  { value: 'busbar', label: 'busbars or fuse block' },
  { value: 'device', label: 'inverter, converter, port' },
  { value: 'loads', label: 'loads' },
  { value: 'array', label: 'solar controller' },
  { value: 'panels', label: 'solar panels' },
  { value: 'driving', label: 'charger on the alternator' },
  { value: 'alternator', label: 'alternator' },
  { value: 'charger', label: 'mains charger' },
];

export const CONDUCTORS: readonly { readonly value: Run['conductor']; readonly label: string }[] = [
  { value: 'flexible', label: 'fine strands, mm²' },
  { value: 'awg', label: 'strands, AWG' },
  { value: 'solid', label: 'one solid wire' },
  { value: 'aluminium', label: 'aluminium' },
];

export const PROTECTIONS: readonly { readonly value: Run['protection']; readonly label: string }[] = [
  { value: 'as-needed', label: 'as it needs' },
  { value: 'none', label: 'none' },
  ...(Object.keys(PROTECTION) as (keyof typeof PROTECTION)[]).map((value) => ({
    value,
    label: `${PROTECTION[value].name}, ${PROTECTION[value].isSlow ? 'slow' : 'fast'}`,
  })),
];

/** "15 A", or "2 × 300 A" where each conductor has its own. */
export const fuseText = (ratingA: number, ways: number): string =>
  ways > 1 ? `${ways} × ${formatNumber(ratingA / ways, 1)} A` : `${formatNumber(ratingA, 1)} A`;

/** "15 A blade" or "none". */
export function fuseWords({ fuse, isProtectedAbove }: Pick<RunLine, 'fuse' | 'isProtectedAbove'>): string {
  if (fuse.kind === null || fuse.ratingA === null) return isProtectedAbove ? 'the one before it' : 'none';
  return fuseText(fuse.ratingA, fuse.ways);
}

export const fuseKindWords = ({ fuse }: Pick<RunLine, 'fuse'>): string =>
  fuse.kind === null ? 'no fuse' : `${PROTECTION[fuse.kind].name}${fuse.ratedV === null ? '' : `, ${fuse.ratedV} V`}`;

/** kA from a thousand on. */
export const bigAmps = (amps: number): string =>
  amps >= 1000 ? `${formatNumber(amps / 1000, 1)} kA` : showText(amps, 'A');

/** Where an appliance stops, in few words. */
export function stopsAt({ dropOut, cutOffV }: ApplianceVolts): string {
  if (!dropOut || cutOffV === null) return '–';
  if (dropOut.soc === 0) return 'runs to the last';
  if (dropOut.soc >= 1) return 'never runs';
  return `${formatNumber(dropOut.soc * 100)} %`;
}

/** The band about it: the resting voltage is known to a hundredth of a volt at best. */
export function stopsBand({ dropOut }: ApplianceVolts): string {
  if (!dropOut || dropOut.soc === 0 || dropOut.soc >= 1) return '';
  return `${formatNumber(dropOut.lowSoc * 100)}–${formatNumber(dropOut.highSoc * 100)} %`;
}

/** What the next thicker wins, in the order it matters. */
export function winsWords(thicker: ThickerLine, currency: string, units: Units): string {
  const parts = [
    ...(thicker.savedWh >= 0.05 ? [`${formatNumber(thicker.savedWh, 1)} Wh/day`] : []),
    ...(thicker.wonAh >= 0.05 ? [`${formatNumber(thicker.wonAh, 1)} Ah for ${thicker.wonBy}`] : []),
  ];
  const cost = [
    units === 'metric' && thicker.kg < 1 ? `${formatNumber(thicker.kg * 1000)} g` : showText(thicker.kg, 'kg', units),
    ...(thicker.money === null ? [] : [`${formatNumber(thicker.money, 2)} ${currency}`]),
  ];
  return `${parts.length > 0 ? parts.join(', ') : 'nothing'} for ${cost.join(', ')}`;
}
