import {
  type Assessment,
  applyMoves,
  type Evaluation,
  evaluate,
  type FigureId,
  type Job,
  type Move,
} from '@joulemetric/core';
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

/** What stands in the panel on the right: a figure's working, or one load in detail. */
export type Panel = { readonly kind: 'figure'; readonly id: FigureId } | { readonly kind: 'load'; readonly id: string };

interface OpenJob {
  readonly session: JobSession;
  readonly snapshot: Snapshot;
  readonly job: Job;
  readonly optionId: string;
  readonly chooseOption: (id: string) => void;
  readonly evaluation: Evaluation;
  readonly assessment: Assessment;
  /** Moves of the what-if that the figures show: on the Paths step everything shows the job with them made, the job itself is as it was. */
  readonly whatIf: readonly Move[];
  /** The assessment before the last edit, or without the what-if, for "was …"; null when nothing has been edited or the option is new. */
  readonly before: Assessment | null;
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

/** The last evaluations, so that the job before an edit is not reckoned again. Jobs are never changed in place. */
let reckoned: readonly { readonly job: Job; readonly optionId: string; readonly evaluation: Evaluation }[] = [];
const KEPT = 3;

function evaluated(job: Job, optionId: string): Evaluation {
  const known = reckoned.find((one) => one.job === job && one.optionId === optionId);
  if (known) return known.evaluation;
  const evaluation = evaluate(job, optionId);
  reckoned = [{ job, optionId, evaluation }, ...reckoned].slice(0, KEPT);
  return evaluation;
}

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
  const actual = useMemo(() => evaluated(job, optionId), [job, optionId]);
  const evaluation = useMemo(
    () => (whatIf.length > 0 ? evaluate(applyMoves(job, optionId, whatIf), optionId) : actual),
    [whatIf, job, optionId, actual],
  );
  const edited = useMemo(
    () => (jobBefore?.options.some(({ id }) => id === optionId) ? evaluated(jobBefore, optionId).assessment : null),
    [jobBefore, optionId],
  );
  const before = whatIf.length > 0 ? actual.assessment : edited;

  const edit = useCallback((command: Edit, coalesce?: string) => session.apply(command, coalesce ?? null), [session]);

  const value = useMemo<OpenJob>(
    () => ({
      session,
      snapshot,
      job,
      optionId,
      chooseOption: (id) => setParameters({ option: id }, { replace: true }),
      evaluation,
      assessment: evaluation.assessment,
      whatIf,
      before,
      edit,
      panels,
      open: (panel) =>
        setPanels((stack) =>
          panel.kind === 'figure' && stack.at(-1)?.kind === 'figure' ? [...stack, panel] : [panel],
        ),
      back: () => setPanels((stack) => stack.slice(0, -1)),
      close: () => setPanels([]),
    }),
    [session, snapshot, job, optionId, evaluation, whatIf, before, edit, panels, setParameters],
  );
  const ticks = useMemo(() => ({ ticked, setTicked }), [ticked]);
  return (
    <Context value={value}>
      <TicksContext value={ticks}>{children}</TicksContext>
    </Context>
  );
}
