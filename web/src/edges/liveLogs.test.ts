import { afterEach, beforeEach, expect, it, vi } from 'vitest';

/** Streams that are open, and what each is told. */
let streams: FakeSource[] = [];
class FakeSource {
  onmessage: (event: { data: string }) => void = () => {};
  constructor(readonly url: string) {
    streams.push(this);
  }
  close(): void {
    streams = streams.filter((other) => other !== this);
  }
}

/** Locks of one browser: held by one after the other. */
class FakeLocks {
  #turn: Promise<unknown> = Promise.resolve();
  request(_name: string, { signal }: { signal: AbortSignal }, work: () => Promise<unknown>): Promise<unknown> {
    const mine = this.#turn.then(() => (signal.aborted ? Promise.reject(new Error('aborted')) : work()));
    this.#turn = mine.catch(() => undefined);
    return mine;
  }
}

/** A tab: the module as a page of its own has it. */
async function tab() {
  vi.resetModules();
  return import('./liveLogs.ts');
}
const told = (log: string) => streams[0]?.onmessage({ data: JSON.stringify({ log, readings: [] }) });
const rest = (ms = 20) => new Promise((resolve) => setTimeout(resolve, ms));

beforeEach(() => {
  streams = [];
  vi.stubGlobal('EventSource', FakeSource);
  vi.stubGlobal('navigator', { locks: new FakeLocks() });
});
afterEach(() => vi.unstubAllGlobals());

it('seven tabs share one stream, each is told of its own log, and the next takes it over', async () => {
  const heard: string[] = [];
  const stops: (() => void)[] = [];
  for (let i = 0; i < 7; i++) {
    const { watchLog } = await tab();
    stops.push(watchLog(`log-${i}`, () => heard.push(`log-${i}`)));
  }
  await rest();
  expect(streams.map(({ url }) => url)).toEqual(['/api/logs/live']);
  told('log-0');
  told('log-6');
  told('log-6');
  told('nobody’s');
  await vi.waitFor(() => expect(heard.sort()).toEqual(['log-0', 'log-6']), 3000);

  stops[0]?.();
  await rest();
  expect(streams).toHaveLength(1);
  told('log-0');
  told('log-3');
  await vi.waitFor(() => expect(heard).toEqual(['log-0', 'log-6', 'log-3']), 3000);
  for (const stop of stops) stop();
  await rest();
  expect(streams).toEqual([]);
});

it('where tabs cannot agree each asks by itself, and opens no stream', async () => {
  vi.stubGlobal('navigator', {});
  const { watchLog } = await tab();
  let asked = 0;
  const stop = watchLog('l', () => {
    asked += 1;
  });
  await vi.waitFor(() => expect(asked).toBeGreaterThan(0), 6000);
  expect(streams).toEqual([]);
  stop();
});
