import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from './api.ts';
import { UnsentReadings } from './unsentReadings.ts';

beforeEach(() => {
  vi.stubGlobal('indexedDB', new IDBFactory());
});

const reading = (soc: number) => ({ logId: 'l', reading: { id: `id-${soc}`, at: '2026-06-01T10:00Z', soc } });
const away = () => new ApiError({ code: 'unreachable', title: '', detail: 'No signal.' });
const settled = async (unsent: UnsentReadings) => {
  await unsent.send();
  await vi.waitFor(() => expect(unsent.snapshot().waiting.length).toBeLessThan(99));
};

describe('readings on their way', () => {
  it('wait without a signal and arrive in the order in which they were made', async () => {
    const sent: number[] = [];
    let signal = false;
    const unsent = new UnsentReadings(async (_log, [one]) => {
      if (!signal) throw away();
      sent.push(one?.soc ?? 0);
    });
    for (const soc of [90, 80, 70]) await unsent.add(reading(soc));
    await vi.waitFor(() => expect(unsent.snapshot().waiting).toHaveLength(3));
    expect(unsent.snapshot().problem).toBeNull();
    signal = true;
    await settled(unsent);
    await vi.waitFor(() => expect(unsent.snapshot().waiting).toEqual([]));
    expect(sent).toEqual([90, 80, 70]);
  });

  it('stay when the page is opened anew, and go out then', async () => {
    const first = new UnsentReadings(() => Promise.reject(away()));
    await first.add(reading(90));
    const sent: number[] = [];
    const again = new UnsentReadings(async (_log, [one]) => {
      sent.push(one?.soc ?? 0);
    });
    await again.send();
    expect(sent).toEqual([90]);
    expect(again.snapshot().waiting).toEqual([]);
  });

  it('that are refused for good say why, stay, and can be dropped so that the next go', async () => {
    const sent: number[] = [];
    const unsent = new UnsentReadings(async (_log, [one]) => {
      if (one?.soc === 90)
        throw new ApiError({ code: 'unknown-log', title: '', detail: 'The log is gone.', status: 404 });
      sent.push(one?.soc ?? 0);
    });
    await unsent.add(reading(90));
    await unsent.add(reading(80));
    await vi.waitFor(() => expect(unsent.snapshot().problem).toBe('The log is gone.'));
    expect(unsent.snapshot().waiting).toHaveLength(2);
    await unsent.dropFirst();
    await vi.waitFor(() => expect(sent).toEqual([80]));
  });
});
