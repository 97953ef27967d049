import { type KeyboardEvent, useCallback } from 'react';
import { duplicateLoad, type Edit, moveLoad, removeLoad } from '../../commands/loads.ts';
import { useEditing } from '../../shell/JobContext.tsx';

const COMMANDS: Readonly<Record<string, (id: string) => Edit>> = {
  'Alt+ArrowUp': (id) => moveLoad(id, -1),
  'Alt+ArrowDown': (id) => moveLoad(id, 1),
  'Ctrl+d': duplicateLoad,
  'Ctrl+Backspace': removeLoad,
};

/** Keys within the sheet: Enter goes down a column, Shift+Enter up; Alt and Ctrl keys act on the row; Ctrl+Space ticks it. */
export function useRowKeys(tick: (id: string, extend: boolean) => void): (event: KeyboardEvent<HTMLElement>) => void {
  const { edit } = useEditing();
  return useCallback(
    (event) => {
      const target = event.target as HTMLElement;
      const row = target.closest<HTMLElement>('[data-load]');
      const id = row?.dataset.load;
      if (!row || !id) return;
      if (event.key === 'Enter' && target.matches('input')) {
        event.preventDefault();
        const item = row.closest('[data-index]');
        const next = event.shiftKey ? item?.previousElementSibling : item?.nextElementSibling;
        next?.querySelector<HTMLElement>(`[data-cell="${target.dataset.cell}"]`)?.focus();
        return;
      }
      if (event.ctrlKey && event.key === ' ') {
        event.preventDefault();
        tick(id, event.shiftKey);
        return;
      }
      const modifier = event.altKey ? 'Alt+' : event.ctrlKey || event.metaKey ? 'Ctrl+' : '';
      const command = COMMANDS[modifier + event.key];
      if (!command) return;
      event.preventDefault();
      event.stopPropagation();
      edit(command(id));
    },
    [edit, tick],
  );
}
