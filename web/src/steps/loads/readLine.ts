import { APPLIANCES, type Appliance, findAppliances, nearMatches, proposeLoad } from '@joulemetric/core';

/** All that reads the entry line: fetched once the first screen stands, see `useLineReader.ts`. */
export { proposeLoad } from '@joulemetric/core';
export { questionWords } from './questionWords.ts';

/** Of the types offered, at most. */
const MOST_OFFERED = 6;

/**
 * Types that fit what is typed: all of its words, or those that tell a thing; for a nameplate without a name, whatever
 * takes about its watts.
 */
export function suggestions(text: string, firm: readonly Appliance[]): Appliance[] {
  const words = wordsOf(text);
  const found = findAppliances(words, MOST_OFFERED, firm);
  if (found.length > 0) return found;
  const near = nearMatches(words, firm).slice(0, MOST_OFFERED);
  if (near.length > 0) return near.map(({ appliance }) => appliance);
  const { isPlate, power } = proposeLoad(text, (name) => name);
  const watts = power.powerW;
  if (!isPlate || watts === null) return [];
  const viaAdapter = power.supply?.kind === 'adapter';
  const alike = APPLIANCES.filter(({ lowW, highW }) => watts >= lowW && watts <= highW);
  const likely = alike.filter(({ path }) => (path === 'inverter-adapter') === viaAdapter);
  return [...likely, ...alike.filter((appliance) => !likely.includes(appliance))].slice(0, MOST_OFFERED);
}

/** The words of a line without its numbers, for the search. */
const wordsOf = (text: string): string => text.replace(/\d[\d.,]*\s*\p{L}*\/?\p{L}*|[×x*]\s*\d+/gu, ' ');

/** Typed words that only led to the chosen type name it after the type; a name of one's own stays. */
export const isOnlySearch = (text: string, appliance: Appliance): boolean =>
  wordsOf(text)
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => `${appliance.name} ${appliance.words.join(' ')}`.toLowerCase().includes(word.replace(/s$/, '')));
