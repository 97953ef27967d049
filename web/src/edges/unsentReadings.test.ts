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
type Way = ConstructorParameters<typeof UnsentReadings>[0];
const standing = (readings: Way['readings'], photo: Way['photo'] = () => Promise.reject(new Error('no photo'))) =>
  new UnsentReadings({ readings, photo });
const settled = async (unsent: UnsentReadings) => {
  await unsent.send();
  await vi.waitFor(() => expect(unsent.snapshot().waiting.length).toBeLessThan(99));
};

describe('readings on their way', () => {
  it('wait without a signal and arrive in the order in which they were made', async () => {
    const sent: number[] = [];
    let signal = false;
    const unsent = standing(async (_log, [one]) => {
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
    const first = standing(() => Promise.reject(away()));
    await first.add(reading(90));
    const sent: number[] = [];
    const again = standing(async (_log, [one]) => {
      sent.push(one?.soc ?? 0);
    });
    await again.send();
    expect(sent).toEqual([90]);
    expect(again.snapshot().waiting).toEqual([]);
  });

  it('that are refused for good say why, stay, and can be dropped so that the next go', async () => {
    const sent: number[] = [];
    const unsent = standing(async (_log, [one]) => {
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

  describe('with a photo', () => {
    const pictured = (soc: number) => ({
      ...reading(soc),
      photo: { jobId: 'job', file: new Blob([`picture of ${soc}`], { type: 'image/jpeg' }) },
    });

    it('waits with it, and goes after it under the id that it has at the server', async () => {
      const sent: unknown[] = [];
      let signal = false;
      const unsent = standing(
        async (_log, [one]) => {
          sent.push([one?.soc, one?.photo]);
        },
        async (jobId, file) => {
          if (!signal) throw away();
          sent.push(`${jobId}: ${await file.text()}`);
          return 'photo-1';
        },
      );
      await unsent.add(pictured(90));
      await unsent.add(reading(80));
      await vi.waitFor(() => expect(unsent.snapshot().waiting).toHaveLength(2));
      expect([sent, unsent.snapshot().problem]).toEqual([[], null]);
      signal = true;
      await settled(unsent);
      await vi.waitFor(() => expect(unsent.snapshot().waiting).toEqual([]));
      expect(sent).toEqual(['job: picture of 90', [90, 'photo-1'], [80, undefined]]);
    });

    it('is not sent twice when the signal goes between the photo and its reading', async () => {
      let [photos, tries] = [0, 0];
      const sent: unknown[] = [];
      const unsent = standing(
        async (_log, [one]) => {
          tries += 1;
          if (tries === 1) throw away();
          sent.push(one?.photo);
        },
        async () => {
          photos += 1;
          return `photo-${photos}`;
        },
      );
      await unsent.add(pictured(90));
      await vi.waitFor(() => expect(tries).toBe(1));
      await settled(unsent);
      await vi.waitFor(() => expect(sent).toEqual(['photo-1']));
      expect(photos).toBe(1);
    });

    it('that the server will not take says why; left out, its reading goes without it', async () => {
      const sent: unknown[] = [];
      const unsent = standing(
        async (_log, [one]) => {
          sent.push([one?.soc, one?.photo]);
        },
        () => Promise.reject(new ApiError({ code: 'not-a-photo', title: '', detail: 'It is no photo.', status: 415 })),
      );
      await unsent.add(pictured(90));
      await vi.waitFor(() => expect(unsent.snapshot().problem).toBe('It is no photo.'));
      await unsent.dropFirst();
      await vi.waitFor(() => expect(sent).toEqual([[90, undefined]]));
      expect(unsent.snapshot().waiting).toEqual([]);
    });
  });
});
