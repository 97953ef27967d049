import type { WeatherRead } from '@joulemetric/core';
import { wrap } from 'comlink';
import type { WeatherWorker } from '../workers/weather.worker.ts';

/** Reads a weather file off the page. */
export async function readWeatherFile(file: File): Promise<WeatherRead> {
  const worker = new Worker(new URL('../workers/weather.worker.ts', import.meta.url), { type: 'module' });
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('The reader could not be loaded. Check the signal and try again.'));
  });
  return Promise.race([wrap<WeatherWorker>(worker).read(file), failed]).finally(() => worker.terminate());
}
