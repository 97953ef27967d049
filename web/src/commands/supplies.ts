import { freeId, type Job, type Supply } from '@joulemetric/core';
import { changeBrief } from './design.ts';
import type { Edit } from './loads.ts';

/** Edits of what the vehicle is plugged into. */

const MOST_SUPPLIES = 8;

/** One more supply, by what the region has. */
export const addSupply =
  (supply: Omit<Supply, 'id'>): Edit =>
  (job) => {
    const { supplies } = job.brief;
    if (supplies.length >= MOST_SUPPLIES) return job;
    const taken = supplies.map(({ id }) => id);
    const added = { ...supply, id: freeId(supply.name, taken) } as Supply;
    return changeBrief({ supplies: [...supplies, added] })(job);
  };

/** Parts of a supply of some kind. */
export type SupplyChange = {
  [K in Supply['kind']]: Partial<Omit<Extract<Supply, { kind: K }>, 'kind' | 'id'>>;
}[Supply['kind']];

/** Changes one supply; parts that its kind does not have are the caller's mistake. */
export const changeSupply =
  (id: string, change: SupplyChange): Edit =>
  (job) =>
    changeBrief({ supplies: each(job, id, (supply) => ({ ...supply, ...change }) as Supply) })(job);

export const removeSupply =
  (id: string): Edit =>
  (job) =>
    changeBrief({
      supplies: job.brief.supplies.filter((supply) => supply.id !== id),
      // Days on it are days without.
      plan: job.brief.plan.map((stretch) =>
        stretch.supply === id ? { ...stretch, kind: 'parked', supply: null, hours: null } : stretch,
      ),
    })(job);

const each = (job: Job, id: string, change: (supply: Supply) => Supply): Supply[] =>
  job.brief.supplies.map((supply) => (supply.id === id ? change(supply) : supply));
