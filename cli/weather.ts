/** `npm run -s weather -- FILE`: reads an hourly weather file (EPW, TMY3 CSV, PVGIS CSV) and prints its months as JSON, or its faults. */
import { readFile, stat } from 'node:fs/promises';
import { MOST_WEATHER_CHARS, readWeather } from '@joulemetric/core';
import { asJson, oneFile, refuse } from './command.ts';

const USAGE = 'usage: npm run -s weather -- FILE';

export async function run(args: readonly string[]): Promise<string> {
  const file = oneFile(args, USAGE);
  const text = await stat(file)
    .then(({ size }) =>
      // What is far too large is not even read.
      size > 2 * MOST_WEATHER_CHARS ? 'x'.repeat(MOST_WEATHER_CHARS + 1) : readFile(file, 'utf8'),
    )
    .catch((error: Error) => refuse(`${file}: ${error.message}`));
  const read = readWeather(text);
  if (!read.ok) {
    const rest = read.count - read.faults.length;
    return refuse(
      ...read.faults.map(({ line, problem }) => `${file}:${line > 0 ? `${line}:` : ''} ${problem}`),
      ...(rest > 0 ? [`${file}: and ${rest} more`] : []),
    );
  }
  const { days, ...summary } = read.weather;
  return asJson({ ...summary, daysOfYear: days?.sunHours.length ?? null });
}
