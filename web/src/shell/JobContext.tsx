import {
  asFed,
  type DesignOption,
  type Device,
  type FigureId,
  type Job,
  type Move,
  type Units,
} from '@joulemetric/core';
import {
  createContext,
  type Dispatch,
  type SetStateAction,
  useCallback,
  useContext,
  useDeferredValue,
  useLayoutEffect,
  useMemo,
  useState,
  useSyncExternalStore,
} from 'react';
import { useLocation, useSearchParams } from 'react-router';
import type { Edit } from '../commands/loads.ts';
import type { JobSession, Snapshot } from '../edges/session.ts';
import type { SaidAssessment, View } from '../edges/view.ts';
import { Published } from './published.ts';
import { useReckoned } from './useReckoned.ts';

/** How the job that is open is changed: the same through every edit. */
interface Editing {
  readonly session: JobSession;
  readonly optionId: string;
  readonly chooseOption: (id: string) => void;
  readonly edit: (command: Edit, coalesce?: string) => void;
}

interface OpenJob extends Editing {
  /** As it was last edited; what is shown of it follows when it is reckoned. */
  readonly job: Job;
}

/** What is shown of it. */
interface Shown {
  readonly view: View;
  readonly assessment: SaidAssessment;
  /** Moves of the what-if that the figures show: on the Paths step everything shows the job with them made, the job itself is as it was. */
  readonly whatIf: readonly Move[];
  /** The assessment before the last edit, or without the what-if, for "was …"; null when nothing has been edited or the option is new. */
  readonly before: SaidAssessment | null;
  /** A search that was cut short is being gone on with; and how to let it cost more. */
  readonly isProving: boolean;
  readonly goOn: () => void;
}

/** What stands in the panel on the right: a figure's working, or one load in detail. */
export type Panel = { readonly kind: 'figure'; readonly id: FigureId } | { readonly kind: 'load'; readonly id: string };

interface Panels {
  readonly panels: readonly Panel[];
  readonly open: (panel: Panel) => void;
  readonly back: () => void;
  readonly close: () => void;
}

interface Ticks {
  /** Moves ticked; the figures follow them in a task of their own, so that a tick stands at once. */
  readonly ticked: readonly Move[];
  readonly setTicked: Dispatch<SetStateAction<readonly Move[]>>;
}

/** A context that is there wherever a job is open. */
function contextOf<T>(name: string) {
  const Context = createContext<T | null>(null);
  const use = (): T => {
    const value = useContext(Context);
    if (value === null) throw new Error(`${name} outside an open job`);
    return value;
  };
  return [Context, use] as const;
}

const [JobContext, useJobContext] = contextOf<OpenJob>('useJob');
const [EditingContext, useEditingContext] = contextOf<Editing>('useEditing');
const [SavedContext, useSavedContext] = contextOf<Snapshot>('useSaved');
const [PanelsContext, usePanelsContext] = contextOf<Panels>('usePanels');
const [TicksContext, useTicksContext] = contextOf<Ticks>('useTicks');
const [ShownContext, useShownContext] = contextOf<Published<Shown>>('useShown');

export const useJob = useJobContext;
/** For what changes the job and shows nothing of it: it is not drawn anew with every edit. */
export const useEditing = useEditingContext;
/** What is stored of it, what waits, and what can be taken back. */
export const useSaved = useSavedContext;
export const usePanels = usePanelsContext;
export const useTicks = useTicksContext;

/** A part of what is shown; whoever asks is drawn anew when that part is another. */
export function useShown<T>(select: (shown: Shown) => T): T {
  const { get, subscribe } = useShownContext();
  return useSyncExternalStore(subscribe, () => select(get()));
}

/** What is shown when it is asked for: whoever asks is not drawn anew when it changes. */
export const useShownThen = (): (() => Shown) => useShownContext().get;

/** The option chosen, as it was last edited. */
export function useOption(): DesignOption {
  const { job, optionId } = useJob();
  const option = job.options.find(({ id }) => id === optionId);
  if (!option) throw new Error(`no option ${optionId}`);
  return option;
}

/** The job as it was last edited, its loads as the option chosen feeds them. */
export function useFed(): Job {
  const { job } = useJob();
  const option = useOption();
  return useMemo(() => asFed(job, option), [job, option]);
}

/** A device as it was last edited; one that is gone meanwhile, as it was. */
export function useDevice<D extends Device>(device: D): D {
  const { devices } = useOption().system;
  return (devices.find(({ id, kind }) => id === device.id && kind === device.kind) as D | undefined) ?? device;
}

/** What the job's region reads numbers in. */
export const useUnits = (): Units => useShown(({ view }) => view.job.brief.region.units);
export const useView = (): View => useShown(({ view }) => view);
export const useAssessment = (): SaidAssessment => useShown(({ assessment }) => assessment);

const NONE: readonly Move[] = [];

/** Holds the job and the selection; everything else on the page is derived from them. */
export function JobProvider({ session, children }: { session: JobSession; children: React.ReactNode }) {
  const snapshot = useSyncExternalStore(session.subscribe, session.snapshot);
  const { job, before: jobBefore } = snapshot;
  const [parameters, setParameters] = useSearchParams();
  const asked = parameters.get('option');
  const optionId = job.options.find(({ id }) => id === asked)?.id ?? job.options[0]?.id ?? '';

  const [ticked, setTicked] = useState<readonly Move[]>([]);
  const onPaths = useLocation().pathname.endsWith('/paths');
  const followed = useDeferredValue(ticked);
  // What is dropped or made in the job is no what-if any more, at once.
  const whatIf = onPaths && ticked.length > 0 ? followed : NONE;
  const { shown, isProving, goOn, problem, retry } = useReckoned(job, optionId, whatIf, jobBefore);

  const edit = useCallback((command: Edit, coalesce?: string) => session.apply(command, coalesce ?? null), [session]);
  const chooseOption = useCallback((id: string) => setParameters({ option: id }, { replace: true }), [setParameters]);
  // What is edited stands at once, its figures follow.
  const editing = useMemo<Editing>(
    () => ({ session, optionId, chooseOption, edit }),
    [session, optionId, chooseOption, edit],
  );
  const open = useMemo<OpenJob>(() => ({ ...editing, job }), [editing, job]);
  const seen = useMemo<Shown | null>(
    () =>
      shown && {
        view: shown.view,
        assessment: shown.view.assessment,
        whatIf: shown.whatIf,
        before: shown.before,
        isProving,
        goOn,
      },
    [shown, isProving, goOn],
  );
  const panels = usePanelStack();
  const ticks = useMemo(() => ({ ticked, setTicked }), [ticked]);
  if (!seen)
    return (
      <p className="p-6 text-ink-2" role="status">
        {problem ?? `Reckoning ${job.loads.length} loads…`} {problem && <Again onClick={retry} />}
      </p>
    );
  return (
    <EditingContext value={editing}>
      <JobContext value={open}>
        <SavedContext value={snapshot}>
          <ShowsAll shown={seen}>
            <PanelsContext value={panels}>
              <TicksContext value={ticks}>
                {problem && (
                  <p role="alert" className="bg-wash px-5 py-2 text-copper">
                    The figures are of the edit before: {problem} <Again onClick={retry} />
                  </p>
                )}
                {children}
              </TicksContext>
            </PanelsContext>
          </ShowsAll>
        </SavedContext>
      </JobContext>
    </EditingContext>
  );
}

/** Tells what is shown to whoever asks for a part of it, before anything is painted. */
function ShowsAll({ shown, children }: { shown: Shown; children: React.ReactNode }) {
  const [published] = useState(() => new Published(shown));
  useLayoutEffect(() => published.publish(shown), [published, shown]);
  return <ShownContext value={published}>{children}</ShownContext>;
}

/** What is open on the right; a figure opened from a figure lies on top of it. */
function usePanelStack(): Panels {
  const [panels, setPanels] = useState<readonly Panel[]>([]);
  const open = useCallback(
    (panel: Panel) =>
      setPanels((stack) => (panel.kind === 'figure' && stack.at(-1)?.kind === 'figure' ? [...stack, panel] : [panel])),
    [],
  );
  const back = useCallback(() => setPanels((stack) => stack.slice(0, -1)), []);
  const close = useCallback(() => setPanels([]), []);
  return useMemo(() => ({ panels, open, back, close }), [panels, open, back, close]);
}

const Again = ({ onClick }: { onClick: () => void }) => (
  <button type="button" className="underline" onClick={onClick}>
    Try again
  </button>
);
