import type { LogReading } from '@joulemetric/core';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { api } from './api.ts';
import { type OutboxState, outbox } from './outbox.ts';
import { smaller } from './photo.ts';
import { newUuid } from './uuid.ts';

/** Readings and photos that wait in this browser. */
export const useOutbox = (): OutboxState => useSyncExternalStore(outbox.watch, outbox.snapshot);

/** Keeps a reading in the browser, and sends it as soon as it can. */
export const keepReading = (logId: string, reading: LogReading): Promise<void> =>
  outbox.add({ kind: 'reading', id: newUuid(), logId, reading });

/** Keeps a photo in the browser, and sends it as soon as it can; resolves with its id, under which it may be named at once. */
export async function keepPhoto(jobId: string, file: Blob): Promise<string> {
  const id = newUuid();
  await outbox.add({ kind: 'photo', id, jobId, file: await smaller(file) });
  return id;
}

/** Deletes readings or photos that wait and that the server does not accept. */
export const removeUnsent = (ids: readonly string[]): void => void outbox.remove(ids);

/** Where a photo of a job can be shown from: out of this browser as long as it waits here. */
export function usePhotoUrl(jobId: string, id: string): string {
  const { waiting } = useOutbox();
  const item = waiting.find((one) => one.item.kind === 'photo' && one.item.id === id)?.item;
  const file = item?.kind === 'photo' ? item.file : null;
  const [local, setLocal] = useState<string | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each look at the outbox gives another copy of the same file.
  useEffect(() => {
    if (file === null) return;
    const url = URL.createObjectURL(file);
    setLocal(url);
    return () => {
      setLocal(null);
      URL.revokeObjectURL(url);
    };
  }, [file === null, id]);
  return local ?? api.photoUrl(jobId, id);
}
