import type {
  DaysAsk,
  Job,
  MomentExplained,
  Odds,
  Survival,
  TripDetail,
  YearDetail,
  YearsSample,
} from '@joulemetric/core';
import type { Remote } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import type { ComputeWorker } from '../workers/compute.worker.ts';
import { Compute, type Computed, Overtaken, startCompute, useComputed } from './compute.ts';

/** The trip of the plan, played through. */
export function useTrip(job: Job, optionId: string, ask: DaysAsk): Computed<TripDetail & { readonly tookMs: number }> {
  return useComputed(
    'trip',
    useCallback((remote) => remote.trip(job, optionId, ask), [job, optionId, ask]),
  );
}

/** The same trip with another option; nothing where none is compared. */
export function useOtherTrip(job: Job, optionId: string | null, ask: DaysAsk): Computed<TripDetail> {
  const question = useCallback(
    (remote: Remote<ComputeWorker>) => remote.trip(job, optionId ?? '', ask),
    [job, optionId, ask],
  );
  return useComputed('other-trip', optionId === null ? null : question, { afresh: true });
}

export function useSurvivals(job: Job, optionId: string, ask: DaysAsk): Computed<readonly Survival[]> {
  return useComputed(
    'survivals',
    useCallback((remote) => remote.survivals(job, optionId, ask), [job, optionId, ask]),
  );
}

export function useYear(job: Job, optionId: string, ask: DaysAsk): Computed<YearDetail> {
  return useComputed(
    'year',
    useCallback((remote) => remote.year(job, optionId, ask), [job, optionId, ask]),
  );
}

/** One moment of the trip; nothing where none is pointed at. */
export function useDaysMoment(
  job: Job,
  optionId: string,
  ask: DaysAsk,
  atH: number | null,
): Computed<MomentExplained | null> {
  const question = useCallback(
    (remote: Remote<ComputeWorker>) => remote.daysMoment(job, optionId, ask, atH ?? 0),
    [job, optionId, ask, atH],
  );
  return useComputed('days-moment', atH === null ? null : question);
}

/** Years that each worker plays before it gives them back, and after how many the odds are told anew. */
const CHUNK = 5;
const TOLD_EVERY = 20;
/** ms for which nothing must change before years are begun. */
const REST_MS = 500;

/** As many as the machine has cores to spare, two at least, four at most. */
const players = Array.from(
  { length: Math.max(2, Math.min(4, (globalThis.navigator?.hardwareConcurrency ?? 2) - 1)) },
  () => new Compute<Remote<ComputeWorker>>(startCompute),
);

export interface PlayedYears {
  readonly odds: Odds | null;
  /** Years played of those wanted. */
  readonly done: number;
  readonly wanted: number;
  readonly state: 'waiting' | 'playing' | 'stopped' | 'done';
  readonly problem: string | null;
  readonly stop: () => void;
  readonly goOn: () => void;
}

interface Playing {
  readonly odds: Odds | null;
  readonly done: number;
  readonly state: PlayedYears['state'];
  readonly problem: string | null;
}

const NONE: Playing = { odds: null, done: 0, state: 'waiting', problem: null };

/**
 * Many years that might be, played by several workers; what is there is told on the way, and stays when it is stopped.
 * The odds before stand until the first of the new ones are there.
 */
export function useYears(job: Job, optionId: string, ask: DaysAsk, seed: number, wanted: number): PlayedYears {
  const [now, setNow] = useState<Playing>(NONE);
  const [stopped, setStopped] = useState<object | null>(null);
  // What is asked, as one thing: stopped is stopped until another is.
  const [question, setQuestion] = useState({ job, optionId, ask, seed, wanted });
  if (
    question.job !== job ||
    question.optionId !== optionId ||
    question.ask !== ask ||
    question.seed !== seed ||
    question.wanted !== wanted
  )
    setQuestion({ job, optionId, ask, seed, wanted });
  const isStopped = stopped === question;
  useEffect(() => {
    if (isStopped) return;
    let isWanted = true;
    const samples: YearsSample[] = [];
    let [next, done, told] = [0, 0, 0];
    const tell = async () => {
      told = done;
      const odds = await (players[0] as (typeof players)[number])
        .ask('odds', (remote) => remote.odds(question.job, question.optionId, question.ask, question.seed, samples))
        .catch((error: Error) => {
          // A newer telling has more of them.
          if (error instanceof Overtaken) return null;
          throw error;
        });
      if (isWanted && odds)
        setNow((before) => ({ ...before, odds, state: done >= question.wanted ? 'done' : before.state }));
    };
    const play = async (player: (typeof players)[number]) => {
      while (isWanted && next < question.wanted) {
        const first = next;
        const years = Math.min(CHUNK, question.wanted - first);
        next += years;
        const sample = await player.ask('years', (remote) =>
          remote.years(question.job, question.optionId, question.ask, question.seed, first, years),
        );
        if (!isWanted) return;
        samples.push(sample);
        done += sample.years;
        setNow((before) => ({ ...before, done }));
        if (done - told >= TOLD_EVERY || done >= question.wanted) await tell();
      }
    };
    const later = setTimeout(() => {
      setNow((before) => ({ ...before, done: 0, state: 'playing', problem: null }));
      Promise.all(players.map(play)).catch((error: Error) => {
        if (isWanted && !(error instanceof Overtaken))
          setNow((before) => ({ ...before, state: 'stopped', problem: error.message }));
      });
    }, REST_MS);
    return () => {
      isWanted = false;
      clearTimeout(later);
    };
  }, [question, isStopped]);
  return {
    ...now,
    wanted,
    state: isStopped && now.state !== 'done' ? 'stopped' : now.state,
    stop: () => setStopped(question),
    // Asked as a new thing, so that it begins anew after a problem too.
    goOn: () => {
      setStopped(null);
      setQuestion({ job, optionId, ask, seed, wanted });
    },
  };
}
