import { formatNumber, monthName, type Odds, showText } from '@joulemetric/core';
import type { PlayedYears } from '../../edges/useDays.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { useIsPhone } from '../../shell/useIsPhone.ts';
import { Button } from '../../ui/Button.tsx';
import { chanceText, lengthText, shortMonth } from './when.ts';

/** How sure it is: many years that might be, by month and through the year. */
export function OddsPart({ years }: { years: PlayedYears }) {
  const { odds, done, wanted, state, problem, stop, goOn } = years;
  return (
    <section aria-label="How sure" data-odds={state} className="border-t border-line pt-3">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="text-body font-semibold">
          How sure{' '}
          <span className="num font-normal text-note text-ink-2">
            {odds ? `${odds.years} years that might be, with this plan all the year round` : 'years that might be'}
          </span>
        </h2>
        {state === 'playing' && (
          <p className="num flex items-center gap-3 text-note text-ink-2">
            <progress value={done} max={wanted} className="h-1 w-28 accent-[var(--ink)]" aria-label="Years played" />
            {done} of {wanted}
            <button type="button" onClick={stop} className="underline phone:min-h-11">
              Stop
            </button>
          </p>
        )}
        {state === 'stopped' && (
          <Button onClick={goOn} className="text-note">
            Play all {wanted} years
          </Button>
        )}
      </div>
      {problem && (
        <p role="alert" className="text-copper">
          {problem}
        </p>
      )}
      {odds ? <Told odds={odds} /> : <p className="py-2 text-ink-2">Playing through years of weather…</p>}
    </section>
  );
}

function Told({ odds }: { odds: Odds }) {
  const { inUse, allYear, unservedWh, generatorH, loads } = odds;
  const { months } = useJob().job.brief;
  const { anyShort, shortDays } = inUse;
  const interval = (low: number, high: number) => `95 % between ${Math.round(low * 100)} and ${Math.round(high * 100)}`;
  return (
    <>
      <p className="num text-number">
        {anyShort.value === 0
          ? `${monthsText(months)} it runs out in none of ${odds.years} years; surer than at most ${Math.ceil(anyShort.high * 100)} years in 100 so many cannot say.`
          : `${monthsText(months)} it runs out on some day in ${chanceText(anyShort.value)} years (${interval(anyShort.low, anyShort.high)}): ${formatNumber(shortDays.value, 1)} short days a year (${formatNumber(shortDays.low, 1)} to ${formatNumber(shortDays.high, 1)}), in one year of ten more than ${formatNumber(shortDays.p90)}.`}
        {months.length < 12 && ` Used so all the year round, in ${chanceText(allYear.anyShort.value)} years.`}
      </p>
      {unservedWh > 0.5 && (
        <p className="num text-ink-2">
          {showText(unservedWh, 'Wh')} a year go unserved
          {generatorH === null ? '' : `: ${lengthText(generatorH)} of the generator`}; first of all {namesOf(loads)}.
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-x-10 gap-y-3 pt-1 @max-[860px]:grid-cols-1">
        <MonthBars odds={odds} />
        <Band odds={odds} />
      </div>
    </>
  );
}

const monthsText = (months: readonly number[]): string =>
  months.length === 12
    ? 'Through the year'
    : months.length === 1
      ? `In ${monthName(months[0] ?? 1)}`
      : 'In the months of use';

const namesOf = (loads: Odds['loads']): string =>
  loads
    .slice(0, 3)
    .map(({ name, critical, whPerYear }) => `${name}${critical ? ' (critical)' : ''} ${showText(whPerYear, 'Wh')}`)
    .join(', ');

const WIDTH = 420;
const HEIGHT = 168;
const LEFT = 30;
const BASE = 132;
const TOP = 16;

/** The chance of a short day in each month, with what 200 years leave open as a line. */
function MonthBars({ odds: { months } }: { odds: Odds }) {
  const used = useJob().job.brief.months;
  const most = Math.max(0.05, ...months.map(({ anyShort }) => anyShort.value));
  const top = most > 0.5 ? 1 : most > 0.2 ? 0.5 : most > 0.1 ? 0.2 : 0.1;
  const y = (share: number) => BASE - ((BASE - TOP) * Math.min(top, share)) / top;
  const step = (WIDTH - LEFT) / 12;
  return (
    <figure>
      <figcaption className="text-note text-ink-2">Years in 100 with a short day in that month</figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label={months.map(({ month, anyShort }) => `${monthName(month)} ${chanceText(anyShort.value)}`).join(', ')}
      >
        {[0, top / 2, top].map((share) => (
          <g key={share}>
            <path d={`M${LEFT} ${y(share)}H${WIDTH}`} stroke="var(--line)" />
            <text x={LEFT - 5} y={y(share) + 4} textAnchor="end" className="num fill-[var(--ink-2)] text-[12px]">
              {Math.round(share * 100)}
            </text>
          </g>
        ))}
        {months.map(({ month, anyShort }, i) => {
          const x = LEFT + step * i;
          const isUsed = used.includes(month);
          return (
            <g key={month} opacity={isUsed ? 1 : 0.55}>
              <rect
                x={x + 6}
                width={step - 12}
                y={y(anyShort.value)}
                height={BASE - y(anyShort.value)}
                fill="var(--stop)"
              />
              {anyShort.value > 0 && (
                <path
                  d={`M${x + step / 2} ${y(anyShort.low)}V${y(anyShort.high)}`}
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                />
              )}
              <text
                x={x + step / 2}
                y={BASE + 16}
                textAnchor="middle"
                className={`num text-[12px] ${isUsed ? 'fill-[var(--ink)] font-semibold' : 'fill-[var(--ink-2)]'}`}
              >
                {shortMonth(month)}
              </text>
              <text x={x + step / 2} y={BASE + 31} textAnchor="middle" className="num fill-[var(--ink-2)] text-[12px]">
                {anyShort.value === 0 ? '0' : anyShort.value < 0.01 ? '<1' : Math.round(anyShort.value * 100)}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

/** As wide as it stands on the page, so that its words are as large as others. */
const BAND_W = { desk: 640, phone: 360 };

/** The lowest charge of each day of the year: the middle year, and where eight of ten lie. */
function Band({ odds: { lowSoc } }: { odds: Odds }) {
  const isPhone = useIsPhone();
  const width = isPhone ? BAND_W.phone : BAND_W.desk;
  const x = (day: number) => LEFT + ((width - LEFT) * day) / 364;
  const y = (soc: number) => BASE - (BASE - TOP) * Math.min(1, soc);
  const line = (row: Float32Array) => Array.from(row, (soc, day) => `${x(day).toFixed(1)} ${y(soc).toFixed(1)}`);
  const area = [...line(lowSoc.p90), ...line(lowSoc.p10).reverse()].join('L');
  const months = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];
  const worst = lowSoc.p10.indexOf(Math.min(...lowSoc.p10));
  return (
    <figure>
      <figcaption className="text-note text-ink-2">
        Lowest charge of each day, %: the middle year in ink, eight years of ten in the band
      </figcaption>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label={`Lowest charge through the year: one year in ten is below ${Math.round((lowSoc.p10[worst] ?? 0) * 100)} % on its worst day`}
      >
        {[0, 0.5, 1].map((soc) => (
          <g key={soc}>
            <path d={`M${LEFT} ${y(soc)}H${width}`} stroke="var(--line)" />
            <text x={LEFT - 5} y={y(soc) + 4} textAnchor="end" className="num fill-[var(--ink-2)] text-[12px]">
              {soc * 100}
            </text>
          </g>
        ))}
        <path d={`M${area}Z`} fill="var(--copper)" opacity="0.28" />
        <path d={`M${line(lowSoc.p50).join('L')}`} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
        {months.map((day, i) => (
          <text
            key={day}
            x={x(day + 15)}
            y={BASE + 16}
            textAnchor="middle"
            className="num fill-[var(--ink-2)] text-[12px]"
          >
            {isPhone ? shortMonth(i + 1).slice(0, 1) : shortMonth(i + 1)}
          </text>
        ))}
      </svg>
    </figure>
  );
}
