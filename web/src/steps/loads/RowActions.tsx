import type { Load } from '@joulemetric/core';
import { duplicateLoad, moveLoad, removeLoad } from '../../commands/loads.ts';
import { useJob } from '../../shell/JobContext.tsx';

/** What can be done with the selected load, in words, beneath the sheet. */
export function RowActions({ load }: { load: Load }) {
  const { edit, open } = useJob();
  const actions = [
    { name: 'Details', run: () => open({ kind: 'load', id: load.id }) },
    { name: 'Copy', run: () => edit(duplicateLoad(load.id)) },
    { name: 'Move up', run: () => edit(moveLoad(load.id, -1)) },
    { name: 'Move down', run: () => edit(moveLoad(load.id, 1)) },
    { name: 'Remove', run: () => edit(removeLoad(load.id)) },
  ];
  return (
    <div
      role="toolbar"
      aria-label={`Selected: ${load.name}`}
      className="flex flex-wrap items-baseline gap-x-5 gap-y-1 border-t border-line py-2"
    >
      <span className="text-body font-medium">{load.name}</span>
      {actions.map(({ name, run }) => (
        <button
          key={name}
          type="button"
          onClick={run}
          className="border-b border-mark text-body text-ink-2 hover:text-ink"
        >
          {name}
        </button>
      ))}
    </div>
  );
}
