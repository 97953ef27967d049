import { placeOfWeather, type WeatherFault } from '@joulemetric/core';
import { useState } from 'react';
import { changePlace } from '../../commands/design.ts';
import { readWeatherFile } from '../../edges/readWeatherFile.ts';
import { keepHours } from '../../edges/useHours.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { FileLink } from '../../ui/FileLink.tsx';
import { MonthsChart } from './MonthsChart.tsx';

type Reading =
  | { readonly kind: 'reading'; readonly file: string }
  /** Its months and days stand, its hours could not be kept. */
  | { readonly kind: 'no-hours'; readonly file: string; readonly problem: string }
  | {
      readonly kind: 'failed';
      readonly file: string;
      readonly faults: readonly WeatherFault[];
      readonly count: number;
    };

/** Twelve months of sun and warmth out of an hourly weather file, and what is known of them as a picture. */
export function WeatherFile() {
  const { job, session, edit } = useJob();
  const { monthly } = job.brief.place;
  const [reading, setReading] = useState<Reading | null>(null);
  const read = async (file: File) => {
    setReading({ kind: 'reading', file: file.name });
    try {
      const answer = await readWeatherFile(file);
      if (!answer.ok) return setReading({ kind: 'failed', file: file.name, ...answer });
      edit(changePlace(placeOfWeather(answer.weather, file.name)));
      setReading(null);
      if (answer.weather.hourly)
        await keepHours(session.id, answer.weather.hourly).catch((error: Error) =>
          setReading({ kind: 'no-hours', file: file.name, problem: error.message }),
        );
    } catch (error) {
      const problem = (error as Error).message;
      setReading({ kind: 'failed', file: file.name, faults: [{ line: 0, problem }], count: 1 });
    }
  };
  return (
    <div className="pt-3">
      <p className="text-ink-2">
        <FileLink accept=".epw,.csv,text/csv" disabled={reading?.kind === 'reading'} onFile={(file) => void read(file)}>
          Read a weather file…
        </FileLink>{' '}
        <span className="text-note">
          hours of a year as EPW, TMY3 CSV or PVGIS CSV; it sets the place and the months below
          {monthly.from === '' ? '' : `. These are from ${monthly.from}`}
        </span>
      </p>
      {reading?.kind === 'reading' && <p className="pt-1 text-ink-2">Reading {reading.file}…</p>}
      {reading?.kind === 'no-hours' && (
        <p role="alert" className="pt-1 text-copper">
          The months and days of {reading.file} are in the job; its hours were not kept. {reading.problem} Read it again
          to keep them.
        </p>
      )}
      {reading?.kind === 'failed' && (
        <div role="alert" className="pt-1">
          <p className="text-copper">
            {reading.file} was not taken: {reading.count} {reading.count === 1 ? 'thing is' : 'things are'} wrong.
          </p>
          <ul className="num text-note text-ink-2">
            {reading.faults.map(({ line, problem }) => (
              <li key={`${line} ${problem}`}>
                {line > 0 ? `Line ${line}: ` : ''}
                {problem}
              </li>
            ))}
          </ul>
        </div>
      )}
      {monthly.peakSunHours && <MonthsChart monthly={monthly} />}
    </div>
  );
}
