import { useLocation, useNavigate } from 'react-router';
import { duplicateOption, removeOption } from '../commands/design.ts';
import { downloadJob } from '../edges/files.ts';
import { ADDING } from './adding.ts';
import { useJob, useSaved } from './JobContext.tsx';
import { STEPS } from './steps.ts';
import { toggleTheme } from './theme.ts';

/** What a user can do, as objects: the palette lists them, the keyboard runs them, the sheet explains them. */
export interface Action {
  readonly id: string;
  readonly name: string;
  readonly group: 'Go to' | 'Edit' | 'Option' | 'Job' | 'View';
  /** As the library of key bindings writes them: `$mod+z`, or `g l` for one after the other. */
  readonly keys?: string;
  readonly enabled: boolean;
  readonly run: () => void;
}

const stepAt = (path: string): number => STEPS.findIndex((step) => path.endsWith(`/${step.path}`));

export function useActions(): readonly Action[] {
  const { session, job, optionId, chooseOption, edit } = useJob();
  const snapshot = useSaved();
  const navigate = useNavigate();
  const go = (path: string) => navigate({ pathname: path, search: `?option=${optionId}` });
  const at = stepAt(useLocation().pathname);
  const beside = (by: number) => {
    // By the address, which is there at once: a step may still be loading when the key is pressed again.
    const step = STEPS[stepAt(window.location.pathname) + by];
    if (step) go(step.path);
  };
  return [
    ...STEPS.map((step) => ({
      id: `go-${step.path}`,
      name: step.name,
      group: 'Go to' as const,
      keys: `g ${step.key}`,
      enabled: true,
      run: () => go(step.path),
    })),
    {
      id: 'go-card',
      name: 'Card for the client',
      group: 'Go to',
      keys: 'g c',
      enabled: true,
      run: () => go('card'),
    },
    { id: 'go-jobs', name: 'All jobs', group: 'Go to', keys: 'g j', enabled: true, run: () => navigate('/') },
    {
      id: 'go-next',
      name: 'Next step',
      group: 'Go to',
      keys: 'Alt+PageDown',
      enabled: at >= 0 && at < STEPS.length - 1,
      run: () => beside(1),
    },
    {
      id: 'go-previous',
      name: 'Previous step',
      group: 'Go to',
      keys: 'Alt+PageUp',
      enabled: at > 0,
      run: () => beside(-1),
    },
    {
      id: 'add-load',
      name: 'Add a load',
      group: 'Edit',
      keys: '/',
      enabled: true,
      run: () =>
        navigate(
          { pathname: 'loads', search: `?option=${optionId}` },
          { state: ADDING, replace: STEPS[at]?.path === 'loads' },
        ),
    },
    { id: 'undo', name: 'Undo', group: 'Edit', keys: '$mod+z', enabled: snapshot.canUndo, run: () => session.undo() },
    {
      id: 'redo',
      name: 'Redo',
      group: 'Edit',
      keys: '$mod+Shift+z',
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
