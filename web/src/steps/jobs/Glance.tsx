import { type JobSummary, showText } from '@joulemetric/core';

/** What tells one job from another: need, lost, store, and the gravest thing to check. */
export function Glance({ summary, loads }: { summary: Partial<JobSummary> | null; loads: number }) {
  const pieces = `${loads} ${loads === 1 ? 'load' : 'loads'}`;
  const { needWh, lostWh, storeAh, busV, worst } = summary ?? {};
  if (needWh === undefined || lostWh === undefined || storeAh === undefined)
    return <span className="num self-center text-number text-ink-2">{pieces}</span>;
  return (
    <span className="self-center">
      <span className="num block text-number">
        {showText(needWh, 'Wh/day')} <span className="text-ink-2">of which {showText(lostWh, 'Wh')} lost</span>
      </span>
      <span className="num block text-note text-ink-2">
        {pieces}, {showText(storeAh, 'Ah')} at {busV} V
      </span>
      {worst && (
        <span className={`block text-note ${worst.severity === 'stop' ? 'text-stop' : 'text-copper'}`}>
          {worst.what}
        </span>
      )}
    </span>
  );
}
