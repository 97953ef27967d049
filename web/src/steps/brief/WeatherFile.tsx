import type { Weather, WeatherFault } from '@joulemetric/core';
import { useState } from 'react';
import { changePlace } from '../../commands/design.ts';
import { readWeatherFile } from '../../edges/readWeatherFile.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { FileLink } from '../../ui/FileLink.tsx';
import { MonthsChart } from './MonthsChart.tsx';

type Reading =
  | { readonly kind: 'reading'; readonly file: string }
  | {
      readonly kind: 'failed';
      readonly file: string;
      readonly faults: readonly WeatherFault[];
      readonly count: number;
    };

const to3 = (value: number): number => Math.round(value * 1000) / 1000;

/** Twelve months of sun and warmth out of an hourly weather file, and what is known of them as a picture. */
export function WeatherFile() {
  const { job, edit } = useJob();
  const { monthly } = job.brief.place;
  const [reading, setReading] = useState<Reading | null>(null);
  const read = async (file: File) => {
    setReading({ kind: 'reading', file: file.name });
    try {
      const answer = await readWeatherFile(file);
      if (!answer.ok) return setReading({ kind: 'failed', file: file.name, ...answer });
      edit(changePlace(placeOf(answer.weather, file.name)));
      setReading(null);
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

/** A place as a weather file has it: its months, where it is, and how its clocks stand. */
function placeOf({ months, days, format, name, ...where }: Weather, file: string) {
  const by = (of: (month: Weather['months'][number]) => number) => months.map((month) => to3(of(month)));
  return {
    latitudeDeg: where.latitudeDeg,
    longitudeDeg: where.longitudeDeg,
    // PVGIS keeps UTC and says nothing of the clocks there.
    ...(format === 'PVGIS' ? {} : { utcOffsetH: where.utcOffsetH }),
    heightM: where.heightM === null ? null : Math.max(-430, Math.min(6000, where.heightM)),
    monthly: {
      peakSunHours: by(({ sunHours }) => sunHours),
      brightSunHours: by(({ brightSunHours }) => brightSunHours),
      dullSunHours: by(({ dullSunHours }) => dullSunHours),
      dayTempC: by(({ dayTempC }) => dayTempC),
      nightTempC: by(({ nightTempC }) => nightTempC),
      days: days && {
        sunHours: days.sunHours.map(to3),
        dayTempC: days.dayTempC.map(to3),
        nightTempC: days.nightTempC.map(to3),
      },
      from: `${format} ${name === '' ? file : name}`.replace(/[\p{Cc}\p{Cs}]/gu, ' ').slice(0, 120),
    },
  };
}
