const WIDTH = 168;
const HEIGHT = 14;
/** One column for every quarter of an hour. */
const SLOT_MIN = 15;

/** A load's 24 hours as a small skyline on a baseline; height grows with the root of its power. */
export function Lane({ meanW, scaleW, label }: { meanW: Float64Array; scaleW: number; label: string }) {
  const columns: { x: number; height: number }[] = [];
  for (let from = 0; from < 1440; from += SLOT_MIN) {
    let peak = 0;
    for (let m = from; m < from + SLOT_MIN; m++) peak = Math.max(peak, meanW[m] ?? 0);
    if (peak > 0) columns.push({ x: (from / 1440) * WIDTH, height: Math.max(2, HEIGHT * Math.sqrt(peak / scaleW)) });
  }
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 2}`}
      width="100%"
      height={HEIGHT + 2}
      preserveAspectRatio="none"
      role="img"
      aria-label={label}
    >
      <rect y={HEIGHT} width={WIDTH} height="1" fill="var(--line)" />
      {[6, 12, 18].map((hour) => (
        <rect key={hour} x={(hour / 24) * WIDTH} y={HEIGHT - 2} width="0.8" height="2" fill="var(--mark)" />
      ))}
      <path
        d={columns
          .map(({ x, height }) => `M${x} ${HEIGHT}v${-height}h${(SLOT_MIN / 1440) * WIDTH + 0.05}v${height}z`)
          .join('')}
        fill="var(--ink-2)"
      />
    </svg>
  );
}
