import { useNavigate } from 'react-router';
import { duplicateOption, removeOption } from '../commands/design.ts';
import { downloadJob } from '../edges/files.ts';
import { useJob } from './JobContext.tsx';
import { STEPS } from './steps.ts';
import { toggleTheme } from './theme.ts';

/** What a user can do, as objects: the palette lists them, the keyboard runs them, the sheet explains them. */
export interface Action {
  readonly id: string;
  readonly name: string;
  readonly group: 'Go to' | 'Edit' | 'Option' | 'Job' | 'View';
  readonly keys?: string;
  readonly enabled: boolean;
  readonly run: () => void;
}

/** Focuses the quick-add line, on the Loads step. */
export function focusQuickAdd(): void {
  document.querySelector<HTMLInputElement>('[data-quick-add]')?.focus();
}

export function useActions(): readonly Action[] {
  const { session, snapshot, job, optionId, chooseOption, edit } = useJob();
  const navigate = useNavigate();
  const go = (path: string) => navigate({ pathname: path, search: `?option=${optionId}` });
  return [
    ...STEPS.map((step, i) => ({
      id: `go-${step.path}`,
      name: step.name,
      group: 'Go to' as const,
      keys: `Alt+${i + 1}`,
      enabled: true,
      run: () => go(step.path),
    })),
    { id: 'go-card', name: 'Card for the client', group: 'Go to', enabled: true, run: () => go('card') },
    { id: 'go-jobs', name: 'All jobs', group: 'Go to', keys: 'Alt+0', enabled: true, run: () => navigate('/') },
    {
      id: 'add-load',
      name: 'Add a load',
      group: 'Edit',
      keys: '/',
      enabled: true,
      run: () => {
        go('loads');
        requestAnimationFrame(focusQuickAdd);
      },
    },
    { id: 'undo', name: 'Undo', group: 'Edit', keys: 'Ctrl+Z', enabled: snapshot.canUndo, run: () => session.undo() },
    {
      id: 'redo',
      name: 'Redo',
      group: 'Edit',
      keys: 'Ctrl+Shift+Z',
      enabled: snapshot.canRedo,
      run: () => session.redo(),
    },
    ...job.options
      .filter((option) => option.id !== optionId)
      .map((option) => ({
        id: `option-${option.id}`,
        name: `Show option ${option.name}`,
        group: 'Option' as const,
        enabled: true,
        run: () => chooseOption(option.id),
      })),
    {
      id: 'duplicate-option',
      name: 'Copy this option',
      group: 'Option',
      enabled: job.options.length < 12,
      run: () => edit(duplicateOption(optionId)),
    },
    {
      id: 'remove-option',
      name: 'Remove this option',
      group: 'Option',
      enabled: job.options.length > 1,
      run: () => edit(removeOption(optionId)),
    },
    { id: 'download', name: 'Save the job file', group: 'Job', enabled: true, run: () => downloadJob(job) },
    { id: 'theme', name: 'Light or dark', group: 'View', enabled: true, run: toggleTheme },
  ];
}
