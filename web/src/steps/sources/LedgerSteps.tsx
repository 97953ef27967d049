import { type ArrayLedger, CAUSES, type Cause, formatNumber, showText } from '@joulemetric/core';
import { memo } from 'react';

/** What each cause is called, in the order the light passes it. */
const WORDS: Readonly<Record<Cause, string>> = {
  angle: 'how it lies to the sun',
  cloud: 'cloud',
  shade: 'shade, and hours not set out',
  dirt: 'dirt',
  heat: 'heat',
  mismatch: 'mismatch of panels',
  wiring: 'wiring',
  controller: 'controller',
  clipped: 'held back at a limit',
  'no-room': 'no room in the store',
};

/** Tints of the bar: neighbours differ, none is a colour of the code of losses. */
const TINTS = [0.62, 0.34, 0.5, 0.26, 0.44, 0.2, 0.38, 0.16, 0.56, 0.3];

/** From laboratory watts, aimed at the sun under a clear sky, to watt-hours in the store: what each cause takes. */
export const LedgerSteps = memo(function LedgerSteps({ ledger }: { ledger: ArrayLedger }) {
  const { name, ratingW, baseWh, taken, usedWh, worthH } = ledger;
  if (baseWh <= 0) return <p className="text-ink-2">There is no sun in the month designed for.</p>;
  const steps = CAUSES.map((cause, i) => ({ cause, wh: taken[cause], tint: TINTS[i] as number })).filter(
    ({ wh }) => Math.abs(wh) >= 0.5,
  );
  // What cold cells add makes the whole longer than it began.
  const whole = usedWh + steps.reduce((sum, { wh }) => sum + Math.max(0, wh), 0);
  let at = usedWh;
  return (
    <figure>
      <figcaption className="num text-number">
        <span className="font-semibold">{showText(usedWh, 'Wh')}</span>{' '}
        <span className="text-ink-2">
          a day used of {showText(baseWh, 'Wh')} that {showText(ratingW, 'W')} would give aimed at a clear sun:{' '}
          {formatNumber(worthH, 1)} h of laboratory watts
        </span>
      </figcaption>
      <svg
        width="100%"
        height="18"
        className="mt-1 block"
        role="img"
        aria-label={`${name}: ${steps.map(({ cause, wh }) => `${WORDS[cause]} ${showText(wh, 'Wh')}`).join(', ')}`}
      >
        <rect width={`${(usedWh / whole) * 100}%`} height="18" fill="var(--copper)" />
        {steps.map(({ cause, wh, tint }) => {
          const width = Math.max(0, wh);
          const x = at;
          at += width;
          return (
            <rect
              key={cause}
              x={`${(x / whole) * 100}%`}
              width={`${(width / whole) * 100}%`}
              height="18"
              fill="var(--ink)"
              fillOpacity={tint}
            />
          );
        })}
      </svg>
      <ul className="num mt-1 flex flex-wrap gap-x-4 gap-y-0.5 text-note text-ink-2">
        <li className="flex items-center gap-1.5">
          <Swatch fill="var(--copper)" opacity={1} /> used
        </li>
        {steps.map(({ cause, wh, tint }) => (
          <li key={cause} className="flex items-center gap-1.5">
            {wh > 0 && <Swatch fill="var(--ink)" opacity={tint} />}
            {cause === 'heat' && wh < 0 ? 'cold gives' : WORDS[cause]}{' '}
            <span className="font-medium text-ink">{showText(Math.abs(wh), 'Wh')}</span>
          </li>
        ))}
      </ul>
    </figure>
  );
});

const Swatch = ({ fill, opacity }: { fill: string; opacity: number }) => (
  <svg width="12" height="9" aria-hidden="true">
    <rect width="12" height="9" fill={fill} fillOpacity={opacity} />
  </svg>
);
