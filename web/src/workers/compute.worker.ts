import {
  asCabled,
  type BestSets,
  bestSequence,
  bestSetsInSteps,
  boxChoice,
  type CopperAt,
  copperChoice,
  type DayBalance,
  type DaysAsk,
  type Diagram,
  dayBalance,
  daysMoment,
  diagramOf,
  Effort,
  type Evaluation,
  evaluate,
  type Job,
  joinSamples,
  type KindOfDay,
  type MomentDetail,
  type MomentExplained,
  momentDetail,
  netlistOf,
  type Odds,
  type Part,
  type Prepared,
  type PreparedDays,
  prepareDays,
  prepareMoves,
  type Ranking,
  type RunsDetail,
  rankMoves,
  runsDetailOf,
  type Sequence,
  type SourcesDetail,
  type StoreDetail,
  type Survival,
  settle,
  sourcesDetail,
  storeDetail,
  survivals,
  type TripDetail,
  type Truth,
  thickerRuns,
  tripDetail,
  truthOf,
  type YearDetail,
  type YearsSample,
  yearDetail,
  yearsOdds,
  yearsSample,
} from '@joulemetric/core';
import { expose, transfer } from 'comlink';
import { changesBetween, keeping } from '../edges/changes.ts';
import { Sender, type Sent } from '../edges/sent.ts';
import { type Reckoned, reckonedOf, type SaidBoxChoice, said } from '../edges/view.ts';
import { Practice, slightlyOther } from './practice.ts';

/** What the page asks of the core that may take longer than a frame; see `edges/compute.ts`. */

/** What each of the many days of a ranking may cost in searches. */
const EFFORT = 3e4;

/** The job last asked about for its moves, with what has been reckoned of it: a tick more asks for little. */
let known: { key: string; prepared: Prepared } | null = null;

function prepared(job: Job, optionId: string): Prepared {
  const key = `${optionId}\n${JSON.stringify(job)}`;
  if (known?.key !== key) known = { key, prepared: prepareMoves(job, optionId, EFFORT) };
  return known.prepared;
}

/** The job last asked about for its figures: what the core remembers, it remembers by the objects it was asked with. */
let last: { job: Job; optionId: string; effort: number; evaluation: Evaluation } | null = null;

/** The job that a question comes with, in which what was there before is still the same object. */
let lastAsked: Job | null = null;
const kept = (asked: Job): Job => {
  lastAsked = lastAsked ? keeping(lastAsked, asked) : asked;
  return lastAsked;
};

/** What is asked of one job in one breath, its figures and what stands beside them, is reckoned once. */
function evaluated(asked: Job, optionId: string, effort: number): Evaluation {
  const job = kept(asked);
  if (last?.job !== job || last.optionId !== optionId || last.effort !== effort) {
    const isFirst = last === null;
    practice.end();
    practised = null;
    last = { job, optionId, effort, evaluation: evaluate(job, optionId, new Effort(effort)) };
    if (isFirst) practice.begin((turn) => practise(job, optionId, effort, turn));
  }
  return last.evaluation;
}

const practice = new Practice();
/** Whether the page shows what runs carry, which is asked for with the figures. */
let showsRuns = false;
let practised: { readonly figures: Reckoned; readonly runs: RunsAnswer | null } | null = null;

/** What an edit will ask for, from the job as it comes to what is sent of the answer. */
function practise(job: Job, optionId: string, effort: number, turn: number): void {
  const other = keeping(job, structuredClone(slightlyOther(job, optionId, turn)));
  const evaluation = evaluate(other, optionId, new Effort(effort));
  const answer = { figures: reckonedOf(evaluation), runs: showsRuns ? runsAnswer(evaluation, other, optionId) : null };
  changesBetween(practised, answer);
  practised = answer;
}

function runsAnswer(evaluation: Evaluation, job: Job, optionId: string): RunsAnswer {
  const detail = runsDetailOf(evaluation, evaluation.runs);
  return { detail, diagram: diagramOf(detail, job, optionId) };
}

/** Jobs last asked about for their days, the newest first: what is asked next is asked of the same. */
const played: { readonly key: string; readonly prepared: PreparedDays }[] = [];
const KEPT_DAYS = 4;

function preparedDays(job: Job, optionId: string, ask: DaysAsk): PreparedDays {
  const key = `${optionId}\n${JSON.stringify(ask)}\n${JSON.stringify(job)}`;
  const found = played.find((one) => one.key === key);
  if (found) return found.prepared;
  const prepared = prepareDays(job, optionId, ask, EFFORT);
  played.unshift({ key, prepared });
  played.length = Math.min(played.length, KEPT_DAYS);
  return prepared;
}

/** All that the Runs step shows, and its diagram yet to be laid out. */
export interface RunsAnswer {
  readonly detail: RunsDetail;
  readonly diagram: Diagram;
}

/** What follows an edit is large and mostly what it was: only what changed is sent. */
const sent = {
  figures: new Sender<Reckoned>(),
  runs: new Sender<RunsAnswer>(),
  store: new Sender<StoreDetail>(),
  sources: new Sender<SourcesDetail>(),
};

/** Counts what was asked and dropped about sets: whoever sees it change stops. */
let asked = 0;

const computeWorker = {
  /** @param held id of the answer that the page still holds */
  evaluate(job: Job, optionId: string, effort: number, held: number | null): Sent<Reckoned> {
    return sent.figures.send(reckonedOf(evaluated(job, optionId, effort)), held);
  },
  /** The day's need on each of some variations of the job, Wh. */
  needs(jobs: readonly Job[], optionId: string, effort: number): number[] {
    return jobs.map((job) => settle(job, optionId, new Effort(effort)).ledger.total.batteryWh);
  },
  /** With the ms it took, for the benchmark. */
  detail(job: Job, optionId: string, effort: number): MomentDetail & { readonly tookMs: number } {
    const started = performance.now();
    const detail = momentDetail(job, optionId, new Effort(effort));
    return { ...detail, tookMs: performance.now() - started };
  },
  storeDetail(
    job: Job,
    optionId: string,
    parts: readonly Part[],
    effort: number,
    held: number | null,
  ): Sent<StoreDetail> {
    return sent.store.send(storeDetail(kept(job), optionId, parts, effort), held);
  },
  sourcesDetail(job: Job, optionId: string, effort: number, held: number | null): Sent<SourcesDetail> {
    return sent.sources.send(sourcesDetail(kept(job), optionId, effort), held);
  },
  runs(job: Job, optionId: string, effort: number, held: number | null): Sent<RunsAnswer> {
    showsRuns = true;
    return sent.runs.send(runsAnswer(evaluated(job, optionId, effort), job, optionId), held);
  },
  thicker(job: Job, optionId: string, effort: number): ReturnType<typeof thickerRuns> {
    return thickerRuns(job, optionId, effort);
  },
  copper(job: Job, optionId: string, effort: number): CopperAt[] {
    return copperChoice(job, optionId, effort);
  },
  boxes(job: Job, optionId: string, parts: readonly Part[], effort: number): SaidBoxChoice {
    const choice = boxChoice(job, optionId, parts, effort);
    return { ...choice, columns: choice.columns.map(said) };
  },
  netlist(job: Job, optionId: string): string {
    return netlistOf(asCabled(settle(job, optionId)), { charged: 'low', copper: 'hot' });
  },
  dayBalance(job: Job, optionId: string, month: number, kind: KindOfDay, effort: number): DayBalance {
    return dayBalance(kept(job), optionId, month, kind, effort);
  },
  /** With the ms it took, for the benchmark. */
  trip(job: Job, optionId: string, ask: DaysAsk): TripDetail & { readonly tookMs: number } {
    const started = performance.now();
    const detail = tripDetail(preparedDays(job, optionId, ask));
    const rows = Object.values(detail.run.trace ?? {}).map((row: Float32Array) => row.buffer as ArrayBuffer);
    return transfer({ ...detail, tookMs: performance.now() - started }, rows);
  },
  /** What is really so, for instruments that are simulated from it. */
  truth(job: Job, optionId: string): Truth {
    return truthOf(preparedDays(job, optionId, { month: null, weather: 'typical', ifs: [], stepMin: 15 }));
  },

  survivals(job: Job, optionId: string, ask: DaysAsk): Survival[] {
    return survivals(preparedDays(job, optionId, ask));
  },
  year(job: Job, optionId: string, ask: DaysAsk): YearDetail {
    const detail = yearDetail(preparedDays(job, optionId, ask));
    return transfer(detail, [detail.hourly.buffer as ArrayBuffer]);
  },
  daysMoment(job: Job, optionId: string, ask: DaysAsk, atH: number): MomentExplained | null {
    return daysMoment(preparedDays(job, optionId, ask), atH);
  },
  /** Some years, to be put together with those that others play. */
  years(job: Job, optionId: string, ask: DaysAsk, seed: number, first: number, years: number): YearsSample {
    const sample = yearsSample(preparedDays(job, optionId, ask), seed, first, years);
    const { lowSoc, shortWh, unservedWh } = sample;
    return transfer(
      sample,
      [lowSoc, shortWh, unservedWh].map((row) => row.buffer as ArrayBuffer),
    );
  },
  odds(job: Job, optionId: string, ask: DaysAsk, seed: number, samples: readonly YearsSample[]): Odds {
    return yearsOdds(preparedDays(job, optionId, ask), joinSamples(samples), seed);
  },
  /** With the ms it took, for the benchmark. */
  rank(job: Job, optionId: string, tickedIds: readonly string[]): Ranking & { readonly tookMs: number } {
    const started = performance.now();
    const ranking = rankMoves(prepared(job, optionId), tickedIds);
    return { ...ranking, tookMs: performance.now() - started };
  },
  sequence(job: Job, optionId: string): Sequence {
    return bestSequence(prepared(job, optionId));
  },
  /** What is reckoned of sets is not wanted any more. */
  dropSets(): void {
    asked += 1;
  },
  /** Every subset of the best moves; null when it was dropped meanwhile. */
  async sets(job: Job, optionId: string, onProgress: (share: number) => void): Promise<BestSets | null> {
    asked += 1;
    const mine = asked;
    const steps = bestSetsInSteps(prepared(job, optionId));
    for (;;) {
      const { done, value } = steps.next();
      if (done) return value;
      onProgress(value);
      // Other questions get their turn between two steps.
      await new Promise((resolve) => setTimeout(resolve));
      if (mine !== asked) return null;
    }
  },
};

export type ComputeWorker = typeof computeWorker;

expose(computeWorker);
