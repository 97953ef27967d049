import { type DaysAsk, formatNumber, type Job, monthName, type TypicalDay, type YearDetail } from '@joulemetric/core';
import { useEffect, useRef, useState } from 'react';
import { useYear } from '../../edges/useDays.ts';
import { themeColour } from '../../ui/themeColour.ts';
import { useTheme } from '../../ui/useTheme.ts';
import { lengthText, shortMonth } from './when.ts';

/** A year as one sees it: each day a column, each hour a row, the darker the emptier; and a usual day of each month. */
export function YearPart({ job, optionId, ask }: { job: Job; optionId: string; ask: DaysAsk }) {
  const { value: year, problem } = useYear(job, optionId, ask);
  if (problem)
    return (
      <p role="alert" className="text-copper">
        {problem}
      </p>
    );
  return (
    <section aria-label="A year" data-year={year ? 'ready' : 'waiting'} className="mt-3 border-t border-line pt-3">
      <h2 className="text-body font-semibold">
        A year{' '}
        <span className="num font-normal text-note text-ink-2">
          {weatherWords(ask)}; each day a column, midnight at the top, the darker the emptier
        </span>
      </h2>
      {year ? (
        <>
          <Picture year={year} />
          <Typical days={year.typical} used={job.brief.months} />
        </>
      ) : (
        <p className="py-2 text-ink-2">Playing a year…</p>
      )}
    </section>
  );
}

const weatherWords = ({ weather, hourly }: DaysAsk): string =>
  typeof weather === 'object'
    ? `days that might be, no. ${weather.number}`
    : weather === 'imported'
      ? `the ${hourly ? 'hours' : 'days'} of the weather file`
      : 'every day as is usual for its month';

const DAYS = 365;
const HOURS = 24;
const MONTH_FROM = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];

/** `#rrggbb` as three numbers. */
const channels = (colour: string): number[] => [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));

function Picture({ year }: { year: YearDetail }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const theme = useTheme();
  const [at, setAt] = useState<{ day: number; hour: number } | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the theme's colours are read from the page.
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const colour = themeColour();
    const [full, empty, short] = [colour('--line-2'), colour('--ink'), colour('--stop')].map(channels);
    if (!full || !empty || !short) return;
    const image = context.createImageData(DAYS, HOURS);
    for (let day = 0; day < DAYS; day++)
      for (let hour = 0; hour < HOURS; hour++) {
        const soc = Math.min(1, Math.max(0, year.hourly[day * HOURS + hour] ?? 0));
        const isOut = (year.run.shortWh[day] ?? 0) > 0.01 && soc <= (year.run.lowSoc[day] ?? 0) + 0.005;
        for (let c = 0; c < 3; c++) {
          const from = isOut ? (short[c] as number) : (empty[c] as number);
          const share = isOut ? 1 : 1 - soc;
          image.data[(hour * DAYS + day) * 4 + c] = (full[c] as number) * (1 - share) + from * share;
        }
        image.data[(hour * DAYS + day) * 4 + 3] = 255;
      }
    context.putImageData(image, 0, 0);
  }, [year, theme]);
  const short = [...year.run.shortWh].filter((wh) => wh > 0.01).length;
  const low = Math.min(...year.run.lowSoc);
  return (
    <figure className="pt-1">
      <div className="relative pl-[30px]">
        <span className="num absolute left-0 top-0 text-note text-ink-2">0 h</span>
        <span className="num absolute bottom-0 left-0 text-note text-ink-2">24 h</span>
        <canvas
          ref={canvas}
          width={DAYS}
          height={HOURS}
          role="img"
          aria-label={`Charge hour by hour: lowest ${Math.round(low * 100)} %, ${short} short days`}
          className="block h-[120px] w-full [image-rendering:pixelated]"
          onPointerMove={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            const share = (along: number, size: number, count: number) =>
              Math.min(count - 1, Math.max(0, Math.floor((along / size) * count)));
            setAt({
              day: share(event.clientX - box.left, box.width, DAYS),
              hour: share(event.clientY - box.top, box.height, HOURS),
            });
          }}
          onPointerLeave={() => setAt(null)}
        />
        <div aria-hidden="true" className="num relative h-4 text-note text-ink-2">
          {MONTH_FROM.map((day, i) => (
            <span key={day} className="absolute" style={{ left: `${(day / DAYS) * 100}%` }}>
              {shortMonth(i + 1)}
            </span>
          ))}
        </div>
      </div>
      <figcaption className="num text-ink-2">
        {at
          ? `${dateText(at.day)}, ${String(at.hour).padStart(2, '0')}:00: ${Math.round((year.hourly[at.day * HOURS + at.hour] ?? 0) * 100)} % of charge`
          : `Lowest ${Math.round(low * 100)} %; ${short === 0 ? 'no day is short' : `${short} ${short === 1 ? 'day is' : 'days are'} short, in red`}.`}
      </figcaption>
    </figure>
  );
}

function dateText(day: number): string {
  const month = MONTH_FROM.findLastIndex((from) => from <= day);
  return `${day - (MONTH_FROM[month] ?? 0) + 1} ${monthName(month + 1)}`;
}

/** A usual day of each month once many like it have gone by. */
function Typical({ days, used }: { days: readonly TypicalDay[]; used: readonly number[] }) {
  const wh = (value: number) => formatNumber(value);
  return (
    <div className="pt-3">
      <h3 className="text-body font-semibold">
        A usual day of each month{' '}
        <span className="num font-normal text-note text-ink-2">
          as in the brief, Wh a day, once many like it have gone by; months of use in bold
        </span>
      </h3>
      <div className="overflow-x-auto">
        <table className="num w-full min-w-[640px] table-fixed text-right text-number">
          <thead>
            <tr className="border-b border-ink text-note text-ink-2">
              <th scope="col" className="py-1 text-left font-normal">
                <span className="sr-only">Month</span>
              </th>
              <th scope="col" className="font-normal">
                needed
              </th>
              <th scope="col" className="font-normal">
                of sun
              </th>
              <th scope="col" className="font-normal">
                straight
              </th>
              <th scope="col" className="font-normal">
                driving
              </th>
              <th scope="col" className="font-normal">
                no room
              </th>
              <th scope="col" className="font-normal">
                not served
              </th>
              <th scope="col" className="font-normal">
                lowest to highest
              </th>
              <th scope="col" className="font-normal">
                cut off to full
              </th>
            </tr>
          </thead>
          <tbody>
            {days.map((day) => (
              <tr
                key={day.month}
                className={`border-b border-line-2 ${used.includes(day.month) ? 'font-medium' : 'text-ink-2'}`}
              >
                <th
                  scope="row"
                  className={`py-0.5 text-left ${used.includes(day.month) ? 'font-semibold' : 'font-normal'}`}
                >
                  {monthName(day.month)}
                </th>
                <td>{wh(day.needWh)}</td>
                <td>{wh(day.sunWh)}</td>
                <td>{wh(day.directSunWh)}</td>
                <td>{wh(day.drivingWh)}</td>
                <td>{wh(day.spilledWh)}</td>
                <td className={day.unservedWh > 0.5 ? 'font-semibold text-stop' : ''}>{wh(day.unservedWh)}</td>
                <td>
                  {Math.round(day.lowSoc * 100)} to {Math.round(day.highSoc * 100)} %
                </td>
                <td>{day.fullAfterDays === null ? 'never' : lengthText(day.fullAfterDays * 24)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
