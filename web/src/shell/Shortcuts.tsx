import { useState } from 'react';
import { Sheet } from '../ui/Sheet.tsx';
import type { Action } from './actions.ts';
import { shownKeys } from './keys.ts';
import { setSingleKeys, singleKeysOn } from './useKeys.ts';

const FIXED = [
  { name: 'All commands', keys: '$mod+k' },
  { name: 'This sheet', keys: '?' },
  { name: 'Close the panel', keys: 'Escape' },
  { name: 'Next cell, previous cell', keys: 'Tab or Shift+Tab' },
  { name: 'Same cell of the next load, the previous load', keys: 'Enter or Shift+Enter' },
  { name: 'Move a load down, up', keys: 'Alt+↓ or Alt+↑' },
  { name: 'Copy a load', keys: '$mod+d' },
  { name: 'Remove a load', keys: '$mod+Backspace' },
] as const;

export function Shortcuts({
  open,
  onOpenChange,
  actions,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  actions: readonly Action[];
}) {
  const [single, setSingle] = useState(singleKeysOn);
  const listed = [...actions.filter((action) => action.keys), ...FIXED] as { name: string; keys: string }[];
  return (
    <Sheet open={open} onOpenChange={onOpenChange} title="Keyboard">
      <dl className="mt-3">
        {listed.map(({ name, keys }) => (
          <div key={name} className="flex justify-between border-b border-line-2 py-1">
            <dt>{name}</dt>
            <dd className="num text-ink-2">{shownKeys(keys)}</dd>
          </div>
        ))}
      </dl>
      <label className="mt-4 flex items-center gap-2">
        <input
          type="checkbox"
          checked={single}
          onChange={(event) => {
            setSingleKeys(event.target.checked);
            setSingle(event.target.checked);
          }}
        />
        Keys without Ctrl or Alt (/, ?, G) work outside fields
      </label>
    </Sheet>
  );
}
