/** `npm run -s weather -- FILE`: reads an hourly weather file (EPW, TMY3 CSV, PVGIS CSV) and prints its months as JSON, or its faults. */
import { readFile, stat } from 'node:fs/promises';
import { MOST_WEATHER_CHARS, readWeather } from '@joulemetric/core';

function refuse(...reasons: string[]): never {
  process.stderr.write(`${reasons.join('\n')}\n`);
  process.exit(2);
}

const [file, ...more] = process.argv.slice(2);
if (file === undefined || more.length > 0) refuse('usage: npm run -s weather -- FILE');
const text = await stat(file)
  .then(({ size }) =>
    // What is far too large is not even read.
    size > 2 * MOST_WEATHER_CHARS ? 'x'.repeat(MOST_WEATHER_CHARS + 1) : readFile(file, 'utf8'),
  )
  .catch((error: Error) => refuse(`${file}: ${error.message}`));
const read = readWeather(text);
if (!read.ok) {
  const rest = read.count - read.faults.length;
  refuse(
    ...read.faults.map(({ line, problem }) => `${file}:${line > 0 ? `${line}:` : ''} ${problem}`),
    ...(rest > 0 ? [`${file}: and ${rest} more`] : []),
  );
}
const { days, ...summary } = read.weather;
process.stdout.write(`${JSON.stringify({ ...summary, daysOfYear: days?.sunHours.length ?? null }, null, 2)}\n`);
