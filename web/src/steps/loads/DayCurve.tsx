import { formatNumber } from '@joulemetric/core';
import { memo, useMemo } from 'react';
import { useView } from '../../shell/JobContext.tsx';

const WIDTH = 1440;
const HEIGHT = 58;
const SLOT_MIN = 5;

/** The strongest minute of each slot, so that a kettle's four minutes are not averaged away. */
function peaks(watts: Float64Array): number[] {
  return Array.from({ length: 1440 / SLOT_MIN }, (_, slot) => {
    let peak = 0;
    for (let m = slot * SLOT_MIN; m < (slot + 1) * SLOT_MIN; m++) peak = Math.max(peak, watts[m] ?? 0);
    return peak;
  });
}

function area(values: readonly number[], scaleW: number): string {
  const points = values.map((w, i) => {
    const y = (HEIGHT - (w / scaleW) * HEIGHT).toFixed(2);
    return `L${i * SLOT_MIN} ${y}H${(i + 1) * SLOT_MIN}`;
  });
  return `M0 ${HEIGHT}${points.join('')}V${HEIGHT}Z`;
}

/** The day's demand on the store, stacked: useful at the bottom, then what is lost converting and idling. */
export const DayCurve = memo(function DayCurve() {
  const view = useView();
  const { useful, converted, total, topW } = useMemo(() => {
    const { busW, usefulW, idleW } = view.bus;
    const all = peaks(busW);
    const idle = peaks(idleW);
    return {
      useful: peaks(usefulW),
      converted: all.map((w, i) => w - (idle[i] ?? 0)),
      total: all,
      topW: niceAbove(Math.max(...all)),
    };
  }, [view]);
  const peak = Math.max(...total);
  const at = total.indexOf(peak) * SLOT_MIN;
  const clock = `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
  return (
    <figure className="relative pt-1">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        height={HEIGHT}
        preserveAspectRatio="none"
        role="img"
        aria-label={`Demand through the day: at most ${formatNumber(peak)} W, at ${clock}`}
      >
        <path d={area(total, topW)} fill="var(--idle)" />
        <path d={area(converted, topW)} fill="var(--conversion)" />
        <path d={area(useful, topW)} fill="var(--useful)" />
        <rect y={HEIGHT - 1} width={WIDTH} height="1" fill="var(--mark)" />
      </svg>
      <div className="absolute inset-x-0 top-1 border-t border-dashed border-line" aria-hidden="true" />
      <span className="num absolute right-0 top-1.5 bg-paper pl-1 text-note font-medium text-ink-2">
        {formatNumber(topW)} W
      </span>
      <figcaption className="num flex justify-between pt-0.5 text-note text-ink-2">
        {['00:00', '03:00', '06:00', '09:00', '12:00', '15:00', '18:00', '21:00', '24:00'].map((hour, i) => (
          <span key={hour} className={i % 2 ? 'phone:hidden' : ''}>
            {hour}
          </span>
        ))}
      </figcaption>
    </figure>
  );
});

/** The next of 1, 2, 5 × 10ⁿ or half of it above a value, for an axis that reads well. */
function niceAbove(value: number): number {
  if (value <= 0) return 100;
  const power = 10 ** Math.floor(Math.log10(value));
  return [1, 1.5, 2, 3, 4, 5, 6, 8, 10].map((step) => step * power).find((top) => top >= value) ?? 10 * power;
}
