import { APPLIANCES, type Appliance, findAppliances, proposeLoad } from '@joulemetric/core';

/** All that reads the entry line: fetched once the first screen stands, see `useLineReader.ts`. */
export { proposeLoad } from '@joulemetric/core';
export { questionWords } from './questionWords.ts';

/** Types that fit what is typed; for a nameplate without a name, whatever takes about its watts. */
export function suggestions(text: string, firm: readonly Appliance[]): Appliance[] {
  const found = findAppliances(wordsOf(text), 6, firm);
  if (found.length > 0) return found;
  const label = proposeLoad(text, (name) => name).label;
  const watts = label?.powerW ?? null;
  if (watts === null) return [];
  const viaAdapter = label?.supply?.kind === 'adapter';
  const near = APPLIANCES.filter(({ lowW, highW }) => watts >= lowW && watts <= highW);
  const likely = near.filter(({ path }) => (path === 'inverter-adapter') === viaAdapter);
  return [...likely, ...near.filter((appliance) => !likely.includes(appliance))].slice(0, 6);
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
