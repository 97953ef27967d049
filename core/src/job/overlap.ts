import type { Use } from './schema.ts';

const DAY_MIN = 1440;
/** Minutes of slack where lengths typed with decimals must agree. */
const SLACK_MIN = 1e-6;

/** A use that reaches into the next one, midnight passed as any hour; null when none does. */
export function overlappingUse(uses: readonly Use[]): Use | null {
  const sorted = [...uses].sort((a, b) => a.startMin - b.startMin);
  const first = sorted[0];
  if (!first) return null;
  return (
    sorted.find((use, i) => {
      const next = sorted[i + 1]?.startMin ?? first.startMin + DAY_MIN;
      return use.startMin + use.minutes > next + SLACK_MIN;
    }) ?? null
  );
}
