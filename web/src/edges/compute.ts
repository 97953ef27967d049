import { proxy, type Remote, wrap } from 'comlink';
import { startTransition, useEffect, useRef, useState } from 'react';
import type { ComputeWorker } from '../workers/compute.worker.ts';

/** ms that a newer question of the same kind waits for an older one that nobody wants any more. */
const PATIENCE_MS = 1500;
/** ms after which a question is given up: nothing the page asks should take so long. */
const LONGEST_MS = 60_000;

/** A question was overtaken by a newer one of its kind: there is nothing to show, and nothing is wrong. */
export class Overtaken extends Error {}

/** What a worker of ours needs to be, so that a test can stand in for it. */
export interface WorkerLike {
  readonly terminate: () => void;
  onerror: ((event: never) => void) | null;
}

interface Question<T, R> {
  readonly ask: (remote: R) => Promise<T>;
  readonly resolve: (value: T) => void;
  readonly reject: (error: Error) => void;
}

interface Lane<R> {
  running: Question<unknown, R> | null;
  next: Question<unknown, R> | null;
  timer: ReturnType<typeof setTimeout> | undefined;
}

/**
 * Asks a worker, started when first needed. Of each kind of question one is at work and the newest waits; those
 * between are dropped. A question that holds up a newer one for long is cut off by starting the worker anew, and so
 * is one that never ends; a worker that cannot be loaded or dies says so, and the next question starts another.
 */
export class Compute<R> {
  readonly #start: () => { readonly worker: WorkerLike; readonly remote: R };
  readonly #lanes = new Map<string, Lane<R>>();
  #worker: WorkerLike | null = null;
  #remote: R | null = null;
  readonly #atRest: (() => void)[] = [];

  constructor(start: () => { readonly worker: WorkerLike; readonly remote: R }) {
    this.#start = start;
  }

  /** Starts the worker before the first question, for a page that will soon have one. */
  warm(): void {
    this.#ready();
  }

  /** @param kind questions of one kind overtake each other */
  ask<T>(kind: string, ask: (remote: R) => Promise<T>): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      const lane = this.#lanes.get(kind) ?? { running: null, next: null, timer: undefined };
      this.#lanes.set(kind, lane);
      lane.next?.reject(new Overtaken());
      const held = lane.next !== null;
      lane.next = { ask, resolve: resolve as (value: unknown) => void, reject };
      if (!lane.running) this.#go(lane);
      else if (!held) {
        clearTimeout(lane.timer);
        lane.timer = setTimeout(() => this.#cutOff(lane, new Overtaken()), PATIENCE_MS);
      }
    });
  }

  #go(lane: Lane<R>): void {
    clearTimeout(lane.timer);
    const question = lane.next;
    lane.running = question;
    lane.next = null;
    if (!question) {
      if (this.#isAtWork()) return;
      for (const go of this.#atRest.splice(0)) go();
      return;
    }
    const tooLong = new Error('This takes too long and was given up.');
    lane.timer = setTimeout(() => this.#cutOff(lane, tooLong), LONGEST_MS);
    const end = (tell: () => void) => {
      if (lane.running !== question) return;
      tell();
      this.#go(lane);
    };
    // Whatever goes wrong in starting it is the question's.
    Promise.resolve()
      .then(() => question.ask(this.#ready()))
      .then(
        (value) => end(() => question.resolve(value)),
        (error: Error) => end(() => question.reject(error)),
      );
  }

  #isAtWork(): boolean {
    return [...this.#lanes.values()].some(({ running }) => running !== null);
  }

  /** Resolves once nothing is at work, for what may wait until then. */
  rest(): Promise<void> {
    return this.#isAtWork() ? new Promise((resolve) => this.#atRest.push(resolve)) : Promise.resolve();
  }

  #ready(): R {
    if (this.#remote) return this.#remote;
    const { worker, remote } = this.#start();
    worker.onerror = () => this.#died();
    this.#worker = worker;
    this.#remote = remote;
    return remote;
  }

  /** Says something to the worker if there is one, such as that an answer is not wanted any more. */
  tell(say: (remote: R) => Promise<unknown>): void {
    if (this.#remote) void say(this.#remote).catch(() => {});
  }

  /** Nobody wants these any more, and what is at work on them gives the machine back at once. */
  drop(kind: string): void {
    const lane = this.#lanes.get(kind);
    lane?.next?.reject(new Overtaken());
    if (lane) lane.next = null;
    if (lane?.running) this.#cutOff(lane, new Overtaken());
  }

  /** Ends the worker because of one question; what it was at for others is asked of a new one. */
  #cutOff(culprit: Lane<R>, why: Error): void {
    this.#end();
    for (const lane of this.#lanes.values()) {
      if (lane === culprit) lane.running?.reject(why);
      else if (lane.next) lane.running?.reject(new Overtaken());
      else lane.next = lane.running;
      this.#go(lane);
    }
  }

  /** All that it was at is lost; what waits is asked of a new one. */
  #died(): void {
    this.#end();
    const why = new Error('The part that computes stopped or could not be loaded. Check the signal, then go on.');
    for (const lane of this.#lanes.values()) {
      lane.running?.reject(why);
      this.#go(lane);
    }
  }

  #end(): void {
    this.#worker?.terminate();
    this.#worker = null;
    this.#remote = null;
  }
}

export const startCompute = () => {
  const worker = new Worker(new URL('../workers/compute.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<ComputeWorker>(worker) };
};

/** Figures have a worker of their own: they never wait for what stands beside them. */
export const figures = new Compute<Remote<ComputeWorker>>(startCompute);
export const details = new Compute<Remote<ComputeWorker>>(startCompute);
/** What may search for seconds has another, which is ended when nobody waits for it any more. */
export const proofs = new Compute<Remote<ComputeWorker>>(startCompute);

/** What searches may cost for a first answer, and for what stands beside the figures. */
export const FIRST_EFFORT = 5e3;
export const DETAIL_EFFORT = 3e5;

export interface Computed<T> {
  readonly value: T | null;
  readonly problem: string | null;
  /** Share done of what is at work, 0…1. */
  readonly progress: number;
}

/** ms without an edit before what takes long is asked. */
const REST_MS = 400;

const NOTHING = { value: null, problem: null, progress: 0 } as const;

/**
 * Something computed off the page; the last answer stands until the next is there.
 * @param ask the question, the same function while the question is the same; null = nothing is asked
 * @param afresh drops the last answer when the question changes
 * @param worker which is asked: that of the figures for what follows from them at once
 * @param last lets what else follows from the same edit be asked before it
 * @param atOnce does not leave the machine to the figures first: what is looked at as soon as they are
 * @param rests asks only once the question has stood a while: what takes long and is looked at after an edit
 */
export function useComputed<T>(
  kind: string,
  ask: ((remote: Remote<ComputeWorker>, onProgress: (share: number) => void) => Promise<T>) | null,
  {
    afresh = false,
    worker = details,
    rests = false,
    last = false,
    atOnce = false,
  }: {
    readonly afresh?: boolean;
    readonly worker?: typeof details;
    readonly rests?: boolean;
    readonly last?: boolean;
    readonly atOnce?: boolean;
  } = {},
): Computed<T> {
  const [state, setState] = useState<Computed<T>>(NOTHING);
  const asked = useRef(false);
  useEffect(() => {
    if (!ask) return;
    let wanted = true;
    if (afresh) setState(NOTHING);
    const onProgress = proxy((progress: number) => {
      if (wanted) setState((now) => ({ ...now, progress }));
    });
    // What stands beside the figures leaves the machine to them first.
    const go = () =>
      Promise.resolve()
        .then(() => (worker === figures || atOnce ? undefined : figures.rest()))
        .then(() => (last ? new Promise((resolve) => setTimeout(resolve)) : undefined))
        .then(() => {
          if (!wanted) throw new Overtaken();
          return worker.ask(kind, (remote) => ask(remote, onProgress));
        })
        .then(
          (value) =>
            startTransition(() => {
              if (wanted) setState({ value, problem: null, progress: 1 });
            }),
          (error: Error) => {
            if (wanted && !(error instanceof Overtaken)) setState((now) => ({ ...now, problem: error.message }));
          },
        );
    // The first answer is waited for; those after an edit are not what it was made for.
    const timer = rests && asked.current ? setTimeout(go, REST_MS) : void go();
    asked.current = true;
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [kind, ask, afresh, worker, rests, last, atOnce]);
  return state;
}
