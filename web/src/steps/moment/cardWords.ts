import { type Charger, chargerId, isCharger, type Job, namesOf, type SupplyMoment, showText } from '@joulemetric/core';

/** The client's card in words: who may not run with whom, and what is switched on first. */

const ALL = 20;

export const nameList = (ids: readonly string[], { loads }: Pick<Job, 'loads'>): string =>
  namesOf(ids, [...loads, ...ids.filter(isCharger).map((id) => ({ id, name: 'the charger' }))], ALL);

/** What has been marked as never, or always, together. */
export function markSentences(job: Pick<Job, 'loads' | 'together'>): string[] {
  const { atMost, always } = job.together;
  return [
    ...atMost.map(({ loads, most }) => {
      const names = nameList(loads, job);
      if (most === 1) return loads.length === 2 ? `${names}: one after the other.` : `${names}: only one at a time.`;
      return `${names}: at most ${most} at a time.`;
    }),
    ...always.map((loads) => `${nameList(loads, job)} run together.`),
  ];
}

export function clashSentence(ids: readonly string[], job: Pick<Job, 'loads'>): string {
  const names = nameList(ids, job);
  if (ids.length === 1) return `Not ${names} at all.`;
  return ids.length === 2 ? `Not ${names} at once.` : `Not ${names} all at once: leave one of them off.`;
}

/** Share of the limit from which a start is worth putting in order. */
const HARD_START = 0.05;

/** What is switched on first; null where the order hardly matters. */
export function orderSentence({ order, limit, loads }: SupplyMoment): string | null {
  const hard = order.steps.filter(({ peak, after }) => peak - after > HARD_START * limit.startingSize);
  if (hard.length === 0 || order.steps.length < 2) return null;
  const names = hard.map(({ id }) => loads.find((load) => load.id === id)?.name ?? id);
  return `Switch on first ${names.join(', then ')}; then the rest.`;
}

/** How far the charger is turned down: in A at the battery, as its display has it, if it is the system's own. */
export function chargerText({ chargingSize, loads, limit }: SupplyMoment, own: readonly Charger[]): string {
  const chargers = loads.filter(({ leastSize }) => leastSize !== null);
  const [only] = chargers;
  const charger = own.find(({ id }) => chargerId(id) === only?.id);
  if (chargers.length === 1 && only && charger) return showText((chargingSize / only.size) * charger.ratingA, 'A');
  return showText(chargingSize * limit.wattsPerUnit, 'W');
}
