import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Compute, Overtaken, type WorkerLike } from './compute.ts';

/** A worker that answers when it is told to, and only while it lives. */
interface Remote {
  readonly number: number;
  readonly answer: (question: string) => Promise<string>;
}

function stand() {
  const open = new Map<string, (answer: string) => void>();
  const asked: string[] = [];
  const workers: (WorkerLike & { isDead: boolean })[] = [];
  const compute = new Compute<Remote>(() => {
    const worker = {
      isDead: false,
      onerror: null as WorkerLike['onerror'],
      terminate: () => {
        worker.isDead = true;
      },
    };
    workers.push(worker);
    const number = workers.length;
    const answer = (question: string) =>
      new Promise<string>((resolve) => {
        asked.push(`${question}@${number}`);
        open.set(`${question}@${number}`, (text) => {
          if (!worker.isDead) resolve(text);
        });
      });
    return { worker, remote: { number, answer } };
  });
  const ask = (kind: string, question: string) => {
    const told: { answer?: string; error?: Error } = {};
    compute
      .ask(kind, (remote) => remote.answer(question))
      .then(
        (answer) => {
          told.answer = answer;
        },
        (error: Error) => {
          told.error = error;
        },
      );
    return told;
  };
  const settle = () => vi.advanceTimersByTimeAsync(0);
  const answer = async (key: string) => {
    open.get(key)?.(`answer to ${key}`);
    await settle();
  };
  return { compute, ask, asked, answer, workers, settle };
}

it('is up before the first question when it is warmed, and only once', async () => {
  const { compute, ask, workers, answer } = stand();
  compute.warm();
  compute.warm();
  expect(workers).toHaveLength(1);
  const told = ask('figures', 'one');
  await vi.advanceTimersByTimeAsync(0);
  await answer('one@1');
  expect(told.answer).toBe('answer to one@1');
});

describe('its rest', () => {
  /** Whether it has come to rest by now. */
  function awaited(compute: Compute<Remote>) {
    const told = { rests: false };
    void compute.rest().then(() => {
      told.rests = true;
    });
    return told;
  }

  it('is there at once while nothing was asked, and only when every kind of question is answered', async () => {
    const { compute, ask, answer, settle } = stand();
    const idle = awaited(compute);
    await settle();
    expect(idle.rests).toBe(true);
    ask('figures', 'one');
    ask('figures', 'two');
    ask('runs', 'three');
    const busy = awaited(compute);
    await settle();
    await answer('one@1');
    await answer('three@1');
    expect(busy.rests).toBe(false);
    await answer('two@1');
    expect(busy.rests).toBe(true);
  });

  it('comes too when the worker dies', async () => {
    const { compute, ask, workers, settle } = stand();
    ask('figures', 'one');
    await settle();
    const busy = awaited(compute);
    workers[0]?.onerror?.({} as never);
    await settle();
    expect(busy.rests).toBe(true);
  });
});

it('that cannot be started says why to whoever asked', async () => {
  const compute = new Compute<Remote>(() => {
    throw new Error('no worker here');
  });
  await expect(compute.ask('figures', (remote) => remote.answer('one'))).rejects.toThrow('no worker here');
  await expect(compute.ask('figures', (remote) => remote.answer('two'))).rejects.toThrow('no worker here');
});

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('the worker’s client', () => {
  it('starts nothing until it is asked, and one worker for all questions', async () => {
    const { ask, answer, workers, settle } = stand();
    expect(workers).toHaveLength(0);
    const [a, b] = [ask('figures', 'a'), ask('stay', 'b')];
    await settle();
    await answer('b@1');
    expect(b.answer).toBe('answer to b@1');
    expect(a.answer).toBeUndefined();
    await answer('a@1');
    expect(a.answer).toBe('answer to a@1');
    expect(workers).toHaveLength(1);
  });

  it('asks the newest of a kind next and drops those between', async () => {
    const { ask, asked, answer, settle } = stand();
    const [first, second, third] = [ask('figures', '1'), ask('figures', '2'), ask('figures', '3')];
    await settle();
    expect(second.error).toBeInstanceOf(Overtaken);
    await answer('1@1');
    expect(first.answer).toBe('answer to 1@1');
    await answer('3@1');
    expect(third.answer).toBe('answer to 3@1');
    expect(asked).toEqual(['1@1', '3@1']);
  });

  it('cuts off what holds up a newer question of its kind, and asks what else was at work again', async () => {
    const { ask, asked, answer, workers, settle } = stand();
    const [slow, beside] = [ask('detail', 'slow'), ask('stay', 'beside')];
    await settle();
    const newer = ask('detail', 'newer');
    await vi.advanceTimersByTimeAsync(1400);
    expect(workers).toHaveLength(1);
    await vi.advanceTimersByTimeAsync(200);
    expect(slow.error).toBeInstanceOf(Overtaken);
    expect(workers.map(({ isDead }) => isDead)).toEqual([true, false]);
    await answer('newer@2');
    await answer('beside@2');
    expect(newer.answer).toBe('answer to newer@2');
    expect(beside.answer).toBe('answer to beside@2');
    expect(asked).toEqual(['slow@1', 'beside@1', 'newer@2', 'beside@2']);
  });

  it('ends the worker at once for what nobody wants any more, and only then', async () => {
    const { compute, ask, answer, workers, settle } = stand();
    compute.drop('proof');
    const [dropped, next] = [ask('proof', 'long'), ask('proof', 'longer')];
    await settle();
    compute.drop('proof');
    await settle();
    expect(dropped.error).toBeInstanceOf(Overtaken);
    expect(next.error).toBeInstanceOf(Overtaken);
    expect(workers.map(({ isDead }) => isDead)).toEqual([true]);
    const again = ask('proof', 'again');
    await settle();
    await answer('again@2');
    expect(again.answer).toBe('answer to again@2');
    compute.drop('proof');
    expect(workers.map(({ isDead }) => isDead)).toEqual([true, false]);
  });

  it('gives up what never ends, and says so', async () => {
    const { ask, answer, workers, settle } = stand();
    const endless = ask('detail', 'endless');
    await vi.advanceTimersByTimeAsync(60_100);
    expect(endless.error?.message).toContain('too long');
    const next = ask('detail', 'next');
    await settle();
    await answer('next@2');
    expect(next.answer).toBe('answer to next@2');
    expect(workers).toHaveLength(2);
  });

  it('says that a worker could not be loaded or died, and starts another for the next question', async () => {
    const { ask, answer, workers, settle } = stand();
    const lost = ask('figures', 'lost');
    await settle();
    workers[0]?.onerror?.(new Event('error') as never);
    await settle();
    expect(lost.error?.message).toMatch(/stopped or could not be loaded/);
    expect(workers).toHaveLength(1);
    const next = ask('figures', 'next');
    await settle();
    await answer('next@2');
    expect(next.answer).toBe('answer to next@2');
  });

  it('passes on what a question fails with, and goes on', async () => {
    const { compute, ask, answer, settle } = stand();
    const failed = compute.ask('figures', () => Promise.reject(new RangeError('no option')));
    await expect(failed).rejects.toThrow('no option');
    const next = ask('figures', 'next');
    await settle();
    await answer('next@1');
    expect(next.answer).toBe('answer to next@1');
  });
});
