import type { SymbolKind } from '@joulemetric/core';

/** Symbols after IEC 60617, drawn by us in a square of 28: lines in the colour of the text, nothing filled. */
const SHAPES: Readonly<Record<SymbolKind, React.ReactNode>> = {
  // Two cells: the long stroke is plus.
  battery: <path d="M0 14H8M8 5v18M13 9v10M13 14h4M17 5v18M22 9v10M22 14h6" />,
  busbar: (
    <>
      <path d="M0 14h14" />
      <path d="M14 0v28" strokeWidth="4" />
    </>
  ),
  inverter: (
    <>
      <rect x="2" y="2" width="24" height="24" />
      <path d="M2 26L26 2M6 8h7M6 11h7M15 20c1.5-3 3-3 4 0s2.500 3 4 0" />
    </>
  ),
  converter: (
    <>
      <rect x="2" y="2" width="24" height="24" />
      <path d="M2 26L26 2M6 8h7M6 11h7M15 18h7M15 21h7" />
    </>
  ),
  charger: (
    <>
      <rect x="2" y="2" width="24" height="24" />
      <path d="M2 26L26 2M5 10c1.500-3 3-3 4 0s2.500 3 4 0M15 18h7M15 21h7" />
    </>
  ),
  controller: (
    <>
      <rect x="2" y="2" width="24" height="24" />
      <path d="M2 26L26 2M6 8h7M6 11h7M15 20h7M18.500 16.500v7" />
    </>
  ),
  // A generator with the arrows of light.
  panels: (
    <>
      <rect x="3" y="8" width="22" height="16" />
      <path d="M3 24L25 8M8 1l4 5M12 6l-3-.5M12 6l.500-3M16 1l4 5M20 6l-3-.5M20 6l.500-3" />
    </>
  ),
  port: (
    <>
      <rect x="2" y="5" width="24" height="18" />
      <path d="M9 10a5 4 0 0 1 0 8M9 14h10" />
    </>
  ),
  load: <rect x="4" y="9" width="20" height="10" />,
  lamp: (
    <>
      <circle cx="14" cy="14" r="10" />
      <path d="M7 7l14 14M21 7L7 21" />
    </>
  ),
  motor: (
    <>
      <circle cx="14" cy="14" r="10" />
      <path d="M9.500 18v-8l4.500 6 4.500-6v8" />
    </>
  ),
  alternator: (
    <>
      <circle cx="14" cy="14" r="10" />
      <path d="M17.500 11.500a4 4 0 1 0 .500 5h-3M9 21c1.500-2 2.500-2 4 0s3 2 5 0" />
    </>
  ),
  mains: <rect x="3" y="3" width="22" height="22" strokeDasharray="3 2" />,
};

export function CircuitSymbol({ kind }: { kind: SymbolKind }) {
  return (
    <g fill="none" stroke="currentColor" strokeWidth="1.400">
      {SHAPES[kind]}
    </g>
  );
}

/** A fuse on a line that runs to the right: a box with the line through it. */
export function FuseMark({ x, y }: { x: number; y: number }) {
  return (
    <g fill="none" stroke="currentColor" strokeWidth="1.200" transform={`translate(${x} ${y})`}>
      <rect x="-8" y="-3.500" width="16" height="7" fill="var(--paper)" />
      <path d="M-8 0h16" />
    </g>
  );
}

/** An isolator: a gap with a lever. */
export function IsolatorMark({ x, y }: { x: number; y: number }) {
  return (
    <g fill="none" stroke="currentColor" strokeWidth="1.200" transform={`translate(${x} ${y})`}>
      <rect x="-6" y="-6" width="12" height="8" fill="var(--paper)" stroke="none" />
      <path d="M-6 0h1M5 0h1M-5 0L5-5.500" />
      <circle cx="-5" cy="0" r="1" fill="currentColor" />
    </g>
  );
}
