import type { Assessment, FigureId, Job, Move } from '@joulemetric/core';
import {
  createContext,
  type Dispatch,
  type SetStateAction,
  useCallback,
  useContext,
  useDeferredValue,
  useMemo,
  useState,
  useSyncExternalStore,
} from 'react';
import { useLocation, useSearchParams } from 'react-router';
import type { Edit } from '../commands/loads.ts';
import type { JobSession, Snapshot } from '../edges/session.ts';
import type { SentEvaluation } from '../workers/compute.worker.ts';
import { useReckoned } from './useReckoned.ts';

/** What stands in the panel on the right: a figure's working, or one load in detail. */
export type Panel = { readonly kind: 'figure'; readonly id: FigureId } | { readonly kind: 'load'; readonly id: string };

interface OpenJob {
  readonly session: JobSession;
  readonly snapshot: Snapshot;
  readonly job: Job;
  readonly optionId: string;
  readonly chooseOption: (id: string) => void;
  readonly evaluation: SentEvaluation;
  readonly assessment: Assessment;
  /** Moves of the what-if that the figures show: on the Paths step everything shows the job with them made, the job itself is as it was. */
  readonly whatIf: readonly Move[];
  /** The assessment before the last edit, or without the what-if, for "was …"; null when nothing has been edited or the option is new. */
  readonly before: Assessment | null;
  /** A search that was cut short is being gone on with; and how to let it cost more. */
  readonly isProving: boolean;
  readonly goOn: () => void;
  readonly edit: (command: Edit, coalesce?: string) => void;
  readonly panels: readonly Panel[];
  readonly open: (panel: Panel) => void;
  readonly back: () => void;
  readonly close: () => void;
}

const Context = createContext<OpenJob | null>(null);

interface Ticks {
  /** Moves ticked; the figures follow them in a task of their own, so that a tick stands at once. */
  readonly ticked: readonly Move[];
  readonly setTicked: Dispatch<SetStateAction<readonly Move[]>>;
}

const TicksContext = createContext<Ticks | null>(null);

export function useTicks(): Ticks {
  const ticks = useContext(TicksContext);
  if (!ticks) throw new Error('useTicks outside an open job');
  return ticks;
}

export function useJob(): OpenJob {
  const open = useContext(Context);
  if (!open) throw new Error('useJob outside an open job');
  return open;
}

const NONE: readonly Move[] = [];

/** Holds the job and the selection; everything else on the page is derived from them. */
export function JobProvider({ session, children }: { session: JobSession; children: React.ReactNode }) {
  const snapshot = useSyncExternalStore(session.subscribe, session.snapshot);
  const { job, before: jobBefore } = snapshot;
  const [parameters, setParameters] = useSearchParams();
  const [panels, setPanels] = useState<readonly Panel[]>([]);
  const asked = parameters.get('option');
  const optionId = job.options.find(({ id }) => id === asked)?.id ?? job.options[0]?.id ?? '';

  const [ticked, setTicked] = useState<readonly Move[]>([]);
  const onPaths = useLocation().pathname.endsWith('/paths');
  const followed = useDeferredValue(ticked);
  // What is dropped or made in the job is no what-if any more, at once.
  const whatIf = onPaths && ticked.length > 0 ? followed : NONE;
  const { shown, assessmentOf, isProving, goOn, problem, retry } = useReckoned(job, optionId, whatIf);
  const compared = shown && shown.whatIf.length > 0 ? shown.job : jobBefore;
  const before = compared?.options.some(({ id }) => id === optionId) ? assessmentOf(compared) : null;

  const edit = useCallback((command: Edit, coalesce?: string) => session.apply(command, coalesce ?? null), [session]);

  const value = useMemo<OpenJob | null>(
    () =>
      shown && {
        session,
        snapshot,
        ...shown,
        chooseOption: (id) => setParameters({ option: id }, { replace: true }),
        assessment: shown.evaluation.assessment,
        before,
        isProving,
        goOn,
        edit,
        panels,
        open: (panel) =>
          setPanels((stack) =>
            panel.kind === 'figure' && stack.at(-1)?.kind === 'figure' ? [...stack, panel] : [panel],
          ),
        back: () => setPanels((stack) => stack.slice(0, -1)),
        close: () => setPanels([]),
      },
    [session, snapshot, shown, before, isProving, goOn, edit, panels, setParameters],
  );
  const ticks = useMemo(() => ({ ticked, setTicked }), [ticked]);
  if (!value)
    return (
      <p className="p-6 text-ink-2" role="status">
        {problem ?? `Reckoning ${job.loads.length} loads…`} {problem && <Again onClick={retry} />}
      </p>
    );
  return (
    <Context value={value}>
      <TicksContext value={ticks}>
        {problem && (
          <p role="alert" className="bg-wash px-5 py-2 text-copper">
            The figures are of the edit before: {problem} <Again onClick={retry} />
          </p>
        )}
        {children}
      </TicksContext>
    </Context>
  );
}

const Again = ({ onClick }: { onClick: () => void }) => (
  <button type="button" className="underline" onClick={onClick}>
    Try again
  </button>
);
