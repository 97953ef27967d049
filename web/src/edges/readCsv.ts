import type { CsvLoads } from '@joulemetric/core';
import { proxy, wrap } from 'comlink';
import type { CsvWorker } from '../workers/csv.worker.ts';

/**
 * Reads a table of loads off the page.
 * @returns what was read, and how to call it off
 */
export function readCsv(
  file: File,
  onProgress: (share: number) => void,
): { readonly done: Promise<CsvLoads>; readonly cancel: () => void } {
  const worker = new Worker(new URL('../workers/csv.worker.ts', import.meta.url), { type: 'module' });
  let cancel = (): void => {};
  const ended = new Promise<never>((_resolve, reject) => {
    cancel = () => reject(new Error('Reading was called off; nothing was taken.'));
    worker.onerror = () => reject(new Error('The reader could not be loaded. Check the signal and try again.'));
  });
  const done = Promise.race([wrap<CsvWorker>(worker).read(file, proxy(onProgress)), ended]).finally(() =>
    worker.terminate(),
  );
  return { done, cancel };
}
