import type { Run } from '@joulemetric/core';
import { changeRuns } from '../../commands/runs.ts';
import { useEditing } from '../../shell/JobContext.tsx';

export type RunChange = Partial<Omit<Run, 'id'>>;
export type ChangeRuns = (ids: readonly string[], change: RunChange, key: string) => void;

/** Changes runs of the option chosen; while none are laid, the proposal is laid with the change. */
export function useChangeRuns(proposed: readonly Run[]): ChangeRuns {
  const { edit, optionId } = useEditing();
  return (ids, change, key) => edit(changeRuns(optionId, proposed, ids, change), `${ids.join()}.${key}`);
}
