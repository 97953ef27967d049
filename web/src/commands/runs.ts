import { blankRun, freeId, type Run, type System } from '@joulemetric/core';
import { changeOption } from './design.ts';
import type { Edit } from './loads.ts';

/** Edits of the runs of an option. */

type Change = Partial<Omit<Run, 'id'>>;

const withSystem = (optionId: string, change: (system: System) => System): Edit =>
  changeOption(optionId, (option) => ({ ...option, system: change(option.system) }));

/** Lays these runs; null = they are as the program proposes them again. */
export const layRuns = (optionId: string, runs: readonly Run[] | null): Edit =>
  withSystem(optionId, (system) => ({ ...system, runs: runs && [...runs] }));

/**
 * Changes some runs alike; what was only proposed is laid with it. The lead from an alternator has its length and size
 * with its charger.
 * @param proposed the runs as they stand while none are laid
 */
export const changeRuns = (optionId: string, proposed: readonly Run[], ids: readonly string[], change: Change): Edit =>
  withSystem(optionId, (system) => {
    const runs = (system.runs ?? proposed).map((run) => (ids.includes(run.id) ? changed(run, change) : run));
    const { lengthM, areaMm2 } = change;
    const ofAlternator = new Set(
      runs.filter((run) => ids.includes(run.id) && run.end === 'alternator').map(({ part }) => part),
    );
    const driving =
      system.driving?.map((link) =>
        ofAlternator.has(link.id)
          ? {
              ...link,
              ...(lengthM === undefined ? {} : { cableM: lengthM }),
              ...(areaMm2 === undefined ? {} : { cableMm2: areaMm2 }),
            }
          : link,
      ) ?? null;
    return { ...system, runs, driving };
  });

function changed(run: Run, change: Change): Run {
  if (run.end !== 'alternator') return { ...run, ...change };
  const { lengthM: _length, areaMm2: _area, ...rest } = change;
  return { ...run, ...rest };
}

/** One more run from the far end of another, to a busbar until it is said where it leads. */
export const addRun = (optionId: string, proposed: readonly Run[], from: string | null): Edit =>
  withSystem(optionId, (system) => {
    const runs = system.runs ?? proposed;
    const id = freeId(
      'run',
      runs.map((run) => run.id),
    );
    return { ...system, runs: [...runs, blankRun(id, 'New run', from, 'busbar')] };
  });

/** Takes runs out; what hung on them hangs on what they came from. Leads that make no sense without them go too. */
export const removeRuns = (optionId: string, proposed: readonly Run[], ids: readonly string[]): Edit =>
  withSystem(optionId, (system) => {
    const runs = system.runs ?? proposed;
    const gone = new Set(ids);
    for (const { id, from, end } of runs)
      if (from !== null && gone.has(from) && (end === 'panels' || end === 'alternator')) gone.add(id);
    const fromOf = (from: string | null): string | null => {
      if (from === null || !gone.has(from)) return from;
      return fromOf(runs.find(({ id }) => id === from)?.from ?? null);
    };
    return {
      ...system,
      runs: runs.filter(({ id }) => !gone.has(id)).map((run) => ({ ...run, from: fromOf(run.from) })),
    };
  });
