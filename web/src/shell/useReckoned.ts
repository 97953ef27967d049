import { applyMoves, type Job, type Move } from '@joulemetric/core';
import { useCallback, useEffect, useMemo, useReducer, useState } from 'react';
import { FIRST_EFFORT, figures, Overtaken, proofs } from '../edges/compute.ts';
import { Holder } from '../edges/sent.ts';
import { type Reckoned, type SaidAssessment, type View, viewOf } from '../edges/view.ts';

/** What is shown, and of which job: all of it belongs together. */
export interface Shown {
  readonly job: Job;
  readonly optionId: string;
  readonly view: View;
  readonly whatIf: readonly Move[];
  /** The assessment before the last edit, or without the what-if; null when nothing has been edited or the option is new. */
  readonly before: SaidAssessment | null;
}

export interface Shows {
  /** The last job whose figures are there; null until the first are. */
  readonly shown: Shown | null;
  /** Whether a search that was cut short is being gone on with. */
  readonly isProving: boolean;
  readonly goOn: () => void;
  readonly problem: string | null;
  /** Asks once more for figures that did not come. */
  readonly retry: () => void;
}

/** The last views, so that the job before an edit is not reckoned again. Jobs are never changed in place. */
let views: readonly { readonly job: Job; readonly optionId: string; readonly view: View }[] = [];
const KEPT = 4;

/** What each of the two workers that are asked for figures answered last. */
const answers = new Holder<Reckoned>();
const proved = new Holder<Reckoned>();

const known = (job: Job, optionId: string): View | null =>
  views.find((one) => one.job === job && one.optionId === optionId)?.view ?? null;

function remember(job: Job, optionId: string, reckoned: Reckoned): void {
  const view = viewOf(job, optionId, reckoned, views[0]?.optionId === optionId ? views[0].view : null);
  const others = views.filter((one) => one.job !== job || one.optionId !== optionId);
  views = [{ job, optionId, view }, ...others].slice(0, KEPT);
}

const isProved = ({ assessment }: View): boolean => !assessment.findings.some(({ code }) => code === 'moment-unproved');

/** ms without an edit before a search that was cut short is gone on with, and what that may cost; then on request. */
const REST_MS = 600;
const PROOF_EFFORT = 3e6;
const MORE = 10;

/** The assessment of another job, if it is one of the last that were reckoned and has the option. */
const assessmentOf = (job: Job | null, optionId: string): SaidAssessment | null =>
  (job?.options.some(({ id }) => id === optionId) && known(job, optionId)?.assessment) || null;

/**
 * The figures of a job, reckoned off the page, the last ones standing until the next are there. What was cut short is
 * gone on with once the job rests.
 * @param jobBefore the job before the last edit, for "was …"
 */
export function useReckoned(job: Job, optionId: string, whatIf: readonly Move[], jobBefore: Job | null): Shows {
  const target = useMemo(() => (whatIf.length > 0 ? applyMoves(job, optionId, whatIf) : job), [job, optionId, whatIf]);
  const [, again] = useReducer((count: number) => count + 1, 0);
  const [problem, setProblem] = useState<string | null>(null);
  const [attempt, retry] = useReducer((count: number) => count + 1, 0);
  const [last, setLast] = useState<Shown | null>(null);
  const view = known(target, optionId);
  const shown = useMemo(
    () => view && { job, optionId, view, whatIf, before: assessmentOf(whatIf.length > 0 ? job : jobBefore, optionId) },
    [job, optionId, view, whatIf, jobBefore],
  );
  // Kept while the next figures are reckoned.
  if (shown && shown !== last) setLast(shown);

  // biome-ignore lint/correctness/useExhaustiveDependencies: another attempt asks the same again.
  useEffect(() => {
    if (view) return;
    let wanted = true;
    figures
      .ask('figures', async (remote) =>
        answers.take(await remote.evaluate(target, optionId, FIRST_EFFORT, answers.held)),
      )
      .then(
        (answer) => {
          remember(target, optionId, answer);
          if (!wanted) return;
          setProblem(null);
          again();
        },
        (error: Error) => {
          if (wanted && !(error instanceof Overtaken)) setProblem(error.message);
        },
      );
    return () => {
      wanted = false;
    };
  }, [view, target, optionId, attempt]);

  const [effort, setEffort] = useState(PROOF_EFFORT);
  const [isProving, setProving] = useState(false);
  const cut = view !== null && !isProved(view);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another job begins with the usual effort.
  useEffect(() => setEffort(PROOF_EFFORT), [target, optionId]);
  useEffect(() => {
    setProving(false);
    if (!cut) return;
    let wanted = true;
    const timer = setTimeout(() => {
      setProving(true);
      proofs
        .ask('proof', async (remote) => proved.take(await remote.evaluate(target, optionId, effort, proved.held)))
        .then(
          (answer) => {
            if (!wanted) return;
            remember(target, optionId, answer);
            setProving(false);
            again();
          },
          () => wanted && setProving(false),
        );
    }, REST_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
      proofs.drop('proof');
    };
  }, [cut, target, optionId, effort]);

  const goOn = useCallback(() => setEffort((now) => now * MORE), []);
  return {
    shown: shown ?? last,
    isProving,
    goOn,
    problem,
    retry,
  };
}
