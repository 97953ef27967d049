import { type Load, runningPowerW } from '@joulemetric/core';
import type { KeyboardEvent } from 'react';
import {
  changeLoads,
  duplicateLoad,
  duplicateLoads,
  type LoadChange,
  moveLoad,
  removeLoad,
  removeLoads,
} from '../../commands/loads.ts';
import { useEditing, usePanels } from '../../shell/JobContext.tsx';
import { EVIDENCE_CHOICES, PATH_CHOICES } from './words.ts';

const LINK = 'border-b border-mark text-body text-ink-2 hover:text-ink phone:min-h-11';
const PICK = 'border-b border-mark bg-transparent text-body text-ink-2';

/** What can be done with the selected load, in words, beneath the sheet. */
export function RowActions({ load }: { load: Load }) {
  const { edit } = useEditing();
  const { open } = usePanels();
  const actions = [
    { name: 'Details', run: () => open({ kind: 'load', id: load.id }) },
    { name: 'Copy', run: () => edit(duplicateLoad(load.id)) },
    { name: 'Move up', run: () => edit(moveLoad(load.id, -1)) },
    { name: 'Move down', run: () => edit(moveLoad(load.id, 1)) },
    { name: 'Remove', run: () => edit(removeLoad(load.id)) },
  ];
  return (
    <div role="toolbar" aria-label={`Selected: ${load.name}`} className={BAR}>
      <span className="text-body font-medium">{load.name}</span>
      {actions.map(({ name, run }) => (
        <button key={name} type="button" onClick={run} className={LINK}>
          {name}
        </button>
      ))}
    </div>
  );
}

const BAR = 'sticky bottom-0 flex flex-wrap items-baseline gap-x-5 gap-y-1 border-t border-line bg-paper py-2';

const leaveOnEnter = (event: KeyboardEvent<HTMLInputElement>): void => {
  if (event.key === 'Enter') event.currentTarget.blur();
};

/** One change to all ticked loads, one step of undo. */
export function ManyActions({ loads, onClear }: { loads: readonly Load[]; onClear: () => void }) {
  const { edit, optionId } = useEditing();
  const ids = new Set(loads.map(({ id }) => id));
  const change = (part: LoadChange) => edit(changeLoads(ids, part, optionId));
  const totalW = loads.reduce((sum, load) => sum + load.quantity * runningPowerW(load.draw), 0);
  const movable = loads.every((load) => load.movable);
  return (
    <div role="toolbar" aria-label={`${loads.length} loads chosen`} className={BAR}>
      <span className="num text-body font-medium">
        {loads.length} chosen, {Math.round(totalW)} W
      </span>
      <input
        aria-label="Room of the chosen loads"
        placeholder="Room…"
        maxLength={40}
        onKeyDown={leaveOnEnter}
        onBlur={(event) => {
          const room = event.target.value.trim();
          event.target.value = '';
          if (room !== '') change({ room });
        }}
        className={`${PICK} w-24`}
      />
      <input
        aria-label="Circuit of the chosen loads"
        placeholder="Circuit…"
        maxLength={40}
        onKeyDown={leaveOnEnter}
        onBlur={(event) => {
          const circuit = event.target.value.trim();
          event.target.value = '';
          if (circuit !== '') change({ circuit });
        }}
        className={`${PICK} w-24`}
      />
      <select
        aria-label="Path of the chosen loads"
        value=""
        onChange={(event) => change({ path: event.target.value as Load['path'] })}
        className={PICK}
      >
        <option value="">Path…</option>
        {PATH_CHOICES.map(({ value, label }) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
      <select
        aria-label="Evidence of the chosen loads"
        value=""
        onChange={(event) => change({ evidence: event.target.value as Load['evidence'] })}
        className={PICK}
      >
        <option value="">Evidence…</option>
        {EVIDENCE_CHOICES.map(({ value, label }) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
      <button type="button" className={LINK} onClick={() => change({ movable: !movable })}>
        {movable ? 'Not movable' : 'Movable in time'}
      </button>
      <button type="button" className={LINK} onClick={() => edit(duplicateLoads(ids))}>
        Copy
      </button>
      <button
        type="button"
        className={LINK}
        onClick={() => {
          edit(removeLoads(ids));
          onClear();
        }}
      >
        Remove
      </button>
      <button type="button" className={LINK} onClick={onClear}>
        Choose none
      </button>
    </div>
  );
}
