import { formatNumber, type Job, monthName, show } from '@joulemetric/core';
import { useJob } from '../../shell/JobContext.tsx';

const WIDTH = 600;
const HEIGHT = 154;
const LEFT = 26;
const BASE = 122;
const TOP = 10;

/** Twelve months of sun: the mean as a bar, from a dull day to a bright one as a line where both are known. */
export function MonthsChart({ monthly }: { monthly: Job['brief']['place']['monthly'] }) {
  const { units } = useJob().job.brief.region;
  const { peakSunHours, brightSunHours, dullSunHours, dayTempC, nightTempC } = monthly;
  if (!peakSunHours) return null;
  const most = Math.max(1, Math.ceil(Math.max(...peakSunHours, ...(brightSunHours ?? []))));
  const y = (hours: number) => BASE - ((BASE - TOP) * hours) / most;
  const step = (WIDTH - LEFT) / 12;
  const degrees = (values: readonly number[] | null, i: number) =>
    values ? `${show(Math.round(values[i] ?? 0), '°C', units).number}°` : '';
  return (
    <figure className="pt-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        className="max-w-[640px]"
        role="img"
        aria-label={`Peak sun hours by month: ${peakSunHours.map((hours, i) => `${monthName(i + 1)} ${formatNumber(hours, 1)}`).join(', ')}`}
      >
        {[0, most / 2, most].map((hours) => (
          <g key={hours}>
            <path d={`M${LEFT} ${y(hours)}H${WIDTH}`} stroke="var(--line)" />
            <text x={LEFT - 5} y={y(hours) + 4} textAnchor="end" className="num fill-[var(--ink-2)] text-[11px]">
              {formatNumber(hours, 1)}
            </text>
          </g>
        ))}
        {peakSunHours.map((hours, i) => {
          const x = LEFT + step * i;
          const [bright, dull] = [brightSunHours?.[i], dullSunHours?.[i]];
          return (
            <g key={monthName(i + 1)}>
              <rect
                x={x + step * 0.22}
                y={y(hours)}
                width={step * 0.56}
                height={BASE - y(hours)}
                fill="var(--copper)"
                fillOpacity="0.55"
              />
              {bright !== undefined && dull !== undefined && (
                <path
                  d={`M${x + step / 2} ${y(dull)}V${y(bright)}M${x + step * 0.4} ${y(bright)}h${step * 0.2}M${x + step * 0.4} ${y(dull)}h${step * 0.2}`}
                  stroke="var(--ink)"
                  strokeWidth="1.4"
                />
              )}
              <text x={x + step / 2} y={BASE + 13} textAnchor="middle" className="fill-[var(--ink-2)] text-[11px]">
                {monthName(i + 1).slice(0, 3)}
              </text>
              <text x={x + step / 2} y={BASE + 26} textAnchor="middle" className="num fill-[var(--ink-2)] text-[10px]">
                {[degrees(nightTempC, i), degrees(dayTempC, i)].filter((one) => one !== '').join(' ')}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-note text-ink-2">
        Peak sun hours on the flat{brightSunHours && dullSunHours ? ', from a dull day to a bright one' : ''}
        {dayTempC && nightTempC ? `; ${units === 'imperial' ? '°F' : '°C'} by night and by day` : ''}
      </figcaption>
    </figure>
  );
}
