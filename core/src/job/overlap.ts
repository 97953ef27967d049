import type { Run } from './schema.ts';

const DAY_MIN = 1440;
/** Minutes of slack where lengths typed with decimals must agree. */
const SLACK_MIN = 1e-6;

/** A run that reaches into the next one, midnight passed as any hour; null when none does. */
export function overlappingRun(runs: readonly Run[]): Run | null {
  const sorted = [...runs].sort((a, b) => a.startMin - b.startMin);
  const first = sorted[0];
  if (!first) return null;
  return (
    sorted.find((run, i) => {
      const next = sorted[i + 1]?.startMin ?? first.startMin + DAY_MIN;
      return run.startMin + run.minutes > next + SLACK_MIN;
    }) ?? null
  );
}
