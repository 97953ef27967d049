import { readFile, stat } from 'node:fs/promises';
import { MOST_WEATHER_CHARS, readWeather, type Weather } from '@joulemetric/core';
import { refuse } from './command.ts';

/** Reads an hourly weather file, or says what is wrong with it, a line each. */
export async function weatherIn(file: string): Promise<Weather> {
  const text = await stat(file)
    .then(({ size }) =>
      // What is far too large is not even read.
      size > 2 * MOST_WEATHER_CHARS ? 'x'.repeat(MOST_WEATHER_CHARS + 1) : readFile(file, 'utf8'),
    )
    .catch((error: Error) => refuse(`${file}: ${error.message}`));
  const read = readWeather(text);
  if (read.ok) return read.weather;
  const rest = read.count - read.faults.length;
  return refuse(
    ...read.faults.map(({ line, problem }) => `${file}:${line > 0 ? `${line}:` : ''} ${problem}`),
    ...(rest > 0 ? [`${file}: and ${rest} more`] : []),
  );
}
