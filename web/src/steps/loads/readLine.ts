import {
  APPLIANCES,
  type Appliance,
  type Bus,
  findAppliances,
  formatUse,
  nearMatches,
  proposeLoad,
  type Question,
  runningPowerW,
  type Station,
  showText,
} from '@joulemetric/core';

/** All that reads the entry line: fetched once the first screen stands, see `useLineReader.ts`. */
export { proposeLoad, readStation } from '@joulemetric/core';
export { questionWords, STEP_OF } from './questionWords.ts';

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

/** What a choice is called on its button at most, letters: a plate may hold lines between two figures. */
const MOST_LETTERS = 44;

const short = (text: string): string => {
  const line = text.replace(/\s+/g, ' ').trim();
  return line.length <= MOST_LETTERS
    ? line
    : `${line.slice(0, MOST_LETTERS / 2)} … ${line.slice(-MOST_LETTERS / 2 + 3)}`;
};

/** A line as one choice of a question mends it. */
export const mended = (text: string, { start, end }: Question, choice: string): string =>
  text.slice(0, start) + choice + text.slice(end);

/** What a choice comes to: "4 × 6 W, 3 h"; what it says alone where more has to be asked. */
export function choiceWords(
  text: string,
  question: Question,
  choice: string,
  firm: readonly Appliance[],
  bus: Bus,
): string {
  const said = choice === '' ? `without “${short(question.found)}”` : short(choice);
  const { load, questions } = proposeLoad(mended(text, question, choice), (name) => name, undefined, firm, bus);
  if (!load || questions.length > 0) return said;
  const pieces = load.quantity > 1 ? `${load.quantity} × ` : '';
  return `${said}: ${pieces}${showText(runningPowerW(load.draw), 'W')}, ${formatUse(load)}`;
}

/** What the plate of a station fills in, and what of it no field is for. */
export function stationWords({ capacityWh, inverterW, solar, carW, mainsW, ports, left }: Station): string {
  const said = [
    capacityWh === null ? '' : `holds ${showText(capacityWh, 'Wh')}`,
    inverterW === null ? '' : `inverter ${showText(inverterW, 'W')}`,
    solar?.maxW == null ? '' : `sun ${showText(solar.maxW, 'W')}`,
    carW === null ? '' : `car ${showText(carW, 'W')}`,
    mainsW === null ? '' : `mains ${showText(mainsW, 'W')}`,
    ports.length === 0 ? '' : `${ports.length} ${ports.length === 1 ? 'port' : 'ports'}`,
  ].filter(Boolean);
  const rest = left.length > 0 ? ` No field is for: ${left.join('; ')}.` : '';
  return said.length === 0
    ? ''
    : `Its plate: ${said.join(', ')}.${rest} It replaces these of this option, and cable runs that are laid.`;
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
