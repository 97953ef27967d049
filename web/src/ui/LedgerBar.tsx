import { type LedgerEntry, showText } from '@joulemetric/core';

/** The ledger's parts, always in this order, each with a word, a colour and a pattern. */
export const LEDGER_PARTS = [
  { key: 'usefulWh', word: 'useful', fill: 'var(--useful)' },
  { key: 'conversionWh', word: 'conversion', fill: 'url(#ledger-conversion)' },
  { key: 'idleWh', word: 'idle', fill: 'url(#ledger-idle)' },
  { key: 'storageWh', word: 'storage', fill: 'url(#ledger-storage)' },
  { key: 'cableWh', word: 'cables', fill: 'url(#ledger-cable)' },
] as const;

/** The patterns, once a page; every bar and legend refers to them. */
export function LedgerPatterns() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true" focusable="false">
      <defs>
        <pattern
          id="ledger-conversion"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="6" height="6" fill="var(--conversion)" />
          <rect width="1.6" height="6" fill="var(--conversion-2)" />
        </pattern>
        <pattern id="ledger-idle" width="5" height="5" patternUnits="userSpaceOnUse">
          <rect width="5" height="5" fill="var(--idle)" />
          <circle cx="2.5" cy="2.5" r="0.9" fill="var(--idle-2)" />
        </pattern>
        <pattern id="ledger-storage" width="4" height="4" patternUnits="userSpaceOnUse">
          <rect width="4" height="4" fill="var(--storage)" />
          <rect width="1.2" height="4" fill="var(--storage-2)" />
        </pattern>
        <pattern id="ledger-cable" width="6" height="4" patternUnits="userSpaceOnUse">
          <rect width="6" height="4" fill="var(--cable)" />
          <rect width="6" height="1.2" fill="var(--cable-2)" />
        </pattern>
        {/* What a start adds for a moment: no loss, so none of the ledger's patterns. */}
        <pattern id="start-extra" width="5" height="5" patternUnits="userSpaceOnUse">
          <rect width="5" height="5" fill="var(--wash)" />
          <path d="M0 2.5h5" stroke="var(--copper)" strokeWidth="0.8" />
        </pattern>
      </defs>
    </svg>
  );
}

type Parts = Pick<LedgerEntry, 'usefulWh' | 'conversionWh' | 'idleWh' | 'storageWh' | 'cableWh'>;

/**
 * Splits watt-hours into useful work and each loss.
 * @param scaleWh the energy that fills the whole width
 */
export function LedgerBar({
  parts,
  scaleWh,
  height = 13,
  grows = false,
}: {
  parts: Parts;
  scaleWh: number;
  height?: number;
  /** Grows to its new length: for a single bar, not for hundreds of rows at once. */
  grows?: boolean;
}) {
  let from = 0;
  const words = LEDGER_PARTS.filter(({ key }) => parts[key] > 0.05)
    .map(({ key, word }) => `${word} ${showText(parts[key], 'Wh')}`)
    .join(', ');
  return (
    <svg width="100%" height={height} className="block" role="img" aria-label={words || 'nothing used'}>
      {LEDGER_PARTS.map(({ key, fill }) => {
        const x = from;
        const width = scaleWh > 0 ? (parts[key] / scaleWh) * 100 : 0;
        from += width;
        return (
          <rect
            key={key}
            x={`${x}%`}
            width={`${width}%`}
            height={height}
            fill={fill}
            className={grows ? 'transition-[x,width] duration-300' : undefined}
          />
        );
      })}
    </svg>
  );
}

export function LedgerLegend() {
  return (
    <ul className="num flex flex-wrap gap-x-4 gap-y-1 text-note font-medium text-ink-2">
      {LEDGER_PARTS.map(({ key, word, fill }) => (
        <li key={key} className="flex items-center gap-2">
          <svg width="18" height="9" aria-hidden="true">
            <rect width="18" height="9" fill={fill} />
          </svg>
          {word}
        </li>
      ))}
    </ul>
  );
}
