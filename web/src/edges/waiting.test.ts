import 'fake-indexeddb/auto';
import { blankJob, SCHEMA_VERSION } from '@joulemetric/core';
import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { BrowserWaiting, type Waiting } from './waiting.ts';

const held = new Set<string>();
const locks = {
  request: (name: string, hold: () => Promise<void>) => {
    held.add(name);
    return hold().finally(() => held.delete(name));
  },
  query: async () => ({ held: [...held].map((name) => ({ name })) }),
};
let stored: Record<string, string> = {};

beforeEach(() => {
  held.clear();
  stored = {};
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.stubGlobal('navigator', { locks });
  // Object.keys lists what a Storage holds, as in a browser.
  vi.stubGlobal(
    'localStorage',
    new Proxy(stored, {
      get: (_target, key) =>
        key === 'getItem'
          ? (name: string) => stored[name] ?? null
          : key === 'removeItem'
            ? (name: string) => delete stored[name]
            : undefined,
    }),
  );
});

const edits = (session: string, title: string, part: Partial<Waiting> = {}): Waiting => ({
  session,
  jobId: 'j',
  baseVersion: 3,
  base: blankJob('base'),
  job: blankJob(title),
  edits: 1,
  at: '2026-01-01T00:00:00Z',
  ...part,
});

describe('edits that wait in the browser', () => {
  it('come back as they were, in another visit', async () => {
    await new BrowserWaiting().write(edits('a', 'kept'));
    expect(await new BrowserWaiting().left('j')).toEqual({ waiting: [edits('a', 'kept')], torn: [] });
  });

  it('are kept for each session, and cleared by it alone', async () => {
    const store = new BrowserWaiting();
    await Promise.all([store.write(edits('a', 'one')), store.write(edits('b', 'two'))]);
    await store.clear('a');
    const { waiting } = await store.left('j');
    expect(waiting.map(({ session, job }) => [session, job.title])).toEqual([['b', 'two']]);
  });

  it('of many in a row the newest stands, and each call waits until it is safe', async () => {
    const store = new BrowserWaiting();
    const writes = Array.from({ length: 50 }, (_, i) => store.write(edits('a', `edit ${i}`)));
    await Promise.all(writes);
    expect((await store.left('j')).waiting[0]?.job.title).toBe('edit 49');
  });

  it('an edit after a clear is not cleared by it', async () => {
    const store = new BrowserWaiting();
    const all = [store.write(edits('a', 'saved')), store.clear('a'), store.write(edits('a', 'newer'))];
    await Promise.all(all);
    expect((await store.left('j')).waiting.map(({ job }) => job.title)).toEqual(['newer']);
  });

  it('of a tab that is still open are its own affair', async () => {
    const store = new BrowserWaiting();
    const end = store.live('a');
    await store.write(edits('a', 'of a living tab'));
    expect((await new BrowserWaiting().left('j')).waiting).toEqual([]);
    end();
    await new Promise((resolve) => setTimeout(resolve));
    expect((await new BrowserWaiting().left('j')).waiting).toHaveLength(1);
  });

  it('without locks all count as left, and nothing throws', async () => {
    vi.stubGlobal('navigator', {});
    const store = new BrowserWaiting();
    store.live('a')();
    await store.write(edits('a', 'x'));
    expect((await store.left('j')).waiting).toHaveLength(1);
  });

  it('are listed by job or all together, the oldest first', async () => {
    const store = new BrowserWaiting();
    await store.write(edits('a', 'later', { at: '2026-01-02T00:00:00Z' }));
    await store.write(edits('b', 'other job', { jobId: 'k' }));
    await store.write(edits('c', 'earlier', { at: '2026-01-01T00:00:00Z' }));
    expect((await store.left('j')).waiting.map(({ session }) => session)).toEqual(['c', 'a']);
    expect((await store.left()).waiting).toHaveLength(3);
  });

  it('that cannot be written are refused, and the next try may succeed', async () => {
    const store = new BrowserWaiting();
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementationOnce(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await expect(store.write(edits('a', 'x'))).rejects.toThrow('full');
    await store.write(edits('a', 'y'));
    expect((await store.left('j')).waiting[0]?.job.title).toBe('y');
    put.mockRestore();
  });
});

describe('what cannot be read', () => {
  it.each([
    ['a torn text', '{"baseVersion":1,"job":{"format":"jou'],
    ['an empty text', ''],
    ['something else', '{"baseVersion":1,"job":[1,2]}'],
    ['a job without loads', '{"baseVersion":1,"job":{"format":"joulemetric-job","schemaVersion":3}}'],
    ['a newer job', JSON.stringify({ baseVersion: 1, job: { ...blankJob('x'), schemaVersion: 99 } })],
  ])('%s is set aside as the text it is', async (_what, text) => {
    stored['joulemetric:pending:j'] = text;
    const left = await new BrowserWaiting().left('j');
    expect(left.waiting).toEqual([]);
    expect(left.torn).toMatchObject([{ jobId: 'j', text }]);
    // It is asked about again until it is dropped.
    const store = new BrowserWaiting();
    const [torn] = (await store.left('j')).torn;
    await store.clear(torn?.session ?? '');
    expect((await store.left('j')).torn).toEqual([]);
  });
});

it('edits that an older program kept are taken over once', async () => {
  const job = blankJob('of old');
  stored['joulemetric:pending:j'] = JSON.stringify({ baseVersion: 7, job });
  stored['something-else'] = 'stays';
  const { waiting } = await new BrowserWaiting().left('j');
  expect(waiting).toMatchObject([{ jobId: 'j', baseVersion: 7, base: null, job, edits: 1 }]);
  expect(Object.keys(stored)).toEqual(['something-else']);
});

describe('edits of an older version', () => {
  const text = JSON.stringify({ baseVersion: 7, job: { ...blankJob('of old'), schemaVersion: SCHEMA_VERSION - 1 } });

  it('are brought forward', async () => {
    stored['joulemetric:pending:j'] = text;
    const { waiting, torn } = await new BrowserWaiting().left('j');
    expect(waiting).toMatchObject([{ job: { title: 'of old', schemaVersion: SCHEMA_VERSION } }]);
    expect(torn).toEqual([]);
  });

  it('stay for the next time when what brings them forward cannot be fetched', async () => {
    vi.doMock('./older.ts', () => {
      throw new Error('no signal');
    });
    stored['joulemetric:pending:j'] = text;
    expect(await new BrowserWaiting().left('j')).toEqual({ waiting: [], torn: [] });
    vi.doUnmock('./older.ts');
    expect((await new BrowserWaiting().left('j')).waiting).toHaveLength(1);
  });
});
