import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from './api.ts';
import { Outbox, type Outgoing } from './outbox.ts';

beforeEach(() => {
  vi.stubGlobal('indexedDB', new IDBFactory());
});

const reading = (soc: number, logId = 'l'): Outgoing => ({
  kind: 'reading',
  id: `${logId}-${soc}`,
  logId,
  reading: { at: '2026-06-01T10:00Z', soc },
});
const photo = (id: string): Outgoing => ({ kind: 'photo', id, jobId: 'j', file: new Blob([id]) });
const away = () => new ApiError({ code: 'unreachable', title: '', detail: 'No signal.' });
const refusal = (detail: string) => new ApiError({ code: 'invalid-reading', title: '', detail, status: 422 });
const fault = () => new ApiError({ code: 'unexpected', title: '', detail: 'A fault.', status: 500 });

/** A server that notes what arrives and fails as it is told to. */
class World {
  sent: string[] = [];
  fails: (item: Outgoing) => Error | null = () => null;
  #take = async (item: Outgoing) => {
    const error = this.fails(item);
    if (error) throw error;
    this.sent.push(item.id);
  };
  open = () => new Outbox({ reading: this.#take, photo: this.#take });
}

const waitingOf = (outbox: Outbox) => outbox.snapshot().waiting.map(({ item }) => item.id);
const emptied = (outbox: Outbox) => vi.waitFor(() => expect(waitingOf(outbox)).toEqual([]));

describe('readings and photos on their way', () => {
  it('wait without a signal, survive a page that is opened again, and arrive in their order', async () => {
    const world = new World();
    const closed = () => Promise.reject(away());
    const first = new Outbox({ reading: closed, photo: closed });
    for (const item of [reading(90), photo('p'), reading(80), photo('q')]) await first.add(item);
    await vi.waitFor(() => expect(waitingOf(first)).toEqual(['l-90', 'p', 'l-80', 'q']));
    expect(first.snapshot().waiting.every(({ isKept, problem }) => isKept && problem === null)).toBe(true);
    const again = world.open();
    await again.send();
    expect(world.sent).toEqual(['l-90', 'p', 'l-80', 'q']);
    expect(waitingOf(again)).toEqual([]);
    expect(again.snapshot().sent).toBe(2);
  });

  it('what one log or photo is refused for holds up nothing else, stays, and says why', async () => {
    const world = new World();
    world.fails = ({ id }) => (id === 'gone-90' || id === 'bad' ? refusal(`No ${id}.`) : null);
    const outbox = world.open();
    for (const item of [reading(90, 'gone'), reading(80, 'gone'), photo('bad'), reading(70), photo('good')])
      await outbox.add(item);
    await vi.waitFor(() => expect(world.sent).toEqual(['l-70', 'good']));
    await vi.waitFor(() =>
      expect(outbox.snapshot().waiting.map(({ item, problem }) => [item.id, problem])).toEqual([
        ['gone-90', 'No gone-90.'],
        ['gone-80', null],
        ['bad', 'No bad.'],
      ]),
    );
    await outbox.remove(['gone-90', 'bad']);
    await emptied(outbox);
    expect(world.sent).toEqual(['l-70', 'good', 'gone-80']);
  });

  it('a fault that one brings about holds up neither the others nor itself for ever', async () => {
    const world = new World();
    world.fails = ({ id }) => (id === 'l-90' ? fault() : null);
    const outbox = world.open();
    for (const item of [reading(90), reading(80), reading(70, 'other')]) await outbox.add(item);
    await vi.waitFor(() => expect(world.sent).toEqual(['other-70']));
    world.fails = () => null;
    await outbox.send();
    await emptied(outbox);
    expect(world.sent).toEqual(['other-70', 'l-90', 'l-80']);
  });

  it('where the browser cannot keep them they are sent at once, or wait in the page and are said to', async () => {
    const world = new World();
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
      databases: async () => [],
    });
    const outbox = world.open();
    await outbox.add(reading(90));
    await emptied(outbox);
    expect(world.sent).toEqual(['l-90']);
    world.fails = away;
    await outbox.add(photo('p'));
    await vi.waitFor(() => expect(outbox.snapshot().waiting).toMatchObject([{ isKept: false, problem: null }]));
    world.fails = () => null;
    await outbox.send();
    await vi.waitFor(() => expect(world.sent).toEqual(['l-90', 'p']));
  });

  it('are not dropped by an answer that is nobody’s, and are sent once where sending overlaps', async () => {
    const world = new World();
    const outbox = world.open();
    world.fails = away;
    await outbox.add(reading(90));
    world.fails = () => null;
    await Promise.all([outbox.send(), outbox.send(), outbox.send()]);
    await emptied(outbox);
    expect(world.sent).toEqual(['l-90']);
  });

  it('what an earlier program left is taken over, its photos under ids of their own', async () => {
    const older = await openDB('joulemetric-readings', 1, {
      upgrade: (db) => void db.createObjectStore('unsent', { autoIncrement: true }),
    });
    const old = (soc: number) => ({ logId: 'l', reading: { id: `r${soc}`, at: '2026-06-01T10:00Z', soc } });
    await older.add('unsent', old(90));
    await older.add('unsent', { ...old(80), photo: { jobId: 'j', file: new Blob(['x']) } });
    older.close();
    const items: Outgoing[] = [];
    const note = async (item: Outgoing) => void items.push(item);
    const outbox = new Outbox({ reading: note, photo: note });
    await outbox.send();
    expect(items.map(({ kind }) => kind)).toEqual(['reading', 'photo', 'reading']);
    expect(items[2]).toMatchObject({ id: 'r80', reading: { soc: 80, photo: items[1]?.id } });
    const again = new Outbox({ reading: note, photo: note });
    await again.send();
    expect(items).toHaveLength(3);
  });
});
