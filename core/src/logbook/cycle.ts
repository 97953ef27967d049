import { USUAL_V } from './capacity.ts';
import type { Log } from './logSchema.ts';
import type { Meter } from './open.ts';
import { type Contradiction, type StatedPhase, statedPhases } from './stated.ts';

/** A cycle as its phases were put down. */
export interface Stated {
  readonly phases: readonly StatedPhase[];
  readonly wh: number | null;
  /** Whether nothing in it contradicts: only then may it stand for a measured figure. */
  readonly isEvidence: boolean;
  readonly ah: readonly { readonly nominalV: number; readonly efficiency: number; readonly ah: number }[];
}

/** What a port or fuse has to carry against what it lets through. */
export interface Limit {
  readonly limitA: number;
  readonly peakA: number;
  readonly meanA: number | null;
  readonly trips: boolean;
  readonly at: string | null;
}

/** @param nominalV of the store, V; null = 12.8 */
export function statedOf(
  log: Log,
  nominalV: number | null,
  capacityAh: number | null,
  contradictions: Contradiction[],
): Stated | null {
  if (!log.phases || log.phases.length === 0) return null;
  const { phases, contradictions: found } = statedPhases(log.phases, log.maxW ?? null, nominalV ?? USUAL_V, capacityAh);
  contradictions.push(...found);
  const wh = phases.every((phase) => phase.wh === null)
    ? null
    : phases.reduce((sum, phase) => sum + (phase.wh ?? 0), 0);
  const through = log.through ? [{ nominalV: log.through.nominalV, efficiency: log.through.efficiency }] : [];
  const stores = [{ nominalV: 12, efficiency: 1 }, { nominalV: 12.8, efficiency: 1 }, ...through];
  return {
    phases,
    wh,
    isEvidence: wh !== null && !found.some(({ refused }) => refused),
    ah: wh === null ? [] : stores.map((store) => ({ ...store, ah: wh / store.efficiency / store.nominalV })),
  };
}

/** What must still be there at the end: a heater's stop, Wh; null without one. */
export function stopReserve(log: Log, nominalV: number | null): number | null {
  const stops = (log.phases ?? []).filter(({ atEnd }) => atEnd === true);
  if (stops.length === 0) return null;
  return stops.reduce(
    (sum, { a, v, w, labelW, minutes }) =>
      sum + ((w ?? (a != null ? a * (v ?? nominalV ?? USUAL_V) : (labelW ?? 0))) * (minutes ?? 0)) / 60,
    0,
  );
}

/** @param meanW of the whole log, W; null = not known */
export function limitOf(
  log: Log,
  amps: Float64Array | undefined,
  meterA: Meter,
  poweredH: number,
  meanW: number | null,
  nominalV: number | null,
): Limit | null {
  if (log.limitA == null) return null;
  let peakA = 0;
  let at: string | null = null;
  for (const { label, a, w, labelW, v } of log.phases ?? []) {
    const amp = a ?? ((w ?? labelW) != null ? ((w ?? labelW) as number) / (v ?? nominalV ?? USUAL_V) : 0);
    if (amp > peakA) {
      peakA = amp;
      at = label;
    }
  }
  for (const a of amps ?? []) {
    if (meterA.out * a > peakA) {
      peakA = meterA.out * a;
      at = 'a reading';
    }
  }
  const meanA = meanOfPhases(log) ?? (meanW !== null && poweredH > 0 ? meanW / (nominalV ?? USUAL_V) : null);
  return { limitA: log.limitA, peakA, meanA, trips: peakA > log.limitA, at };
}

/** The amps of the phase that goes on (it alone has no length), else the mean of those that have one. */
function meanOfPhases({ phases = [] }: Log): number | null {
  const lasting = phases.filter(({ a, minutes }) => a != null && minutes == null);
  if (lasting.length === 1) return lasting[0]?.a ?? null;
  const timed = phases.filter(({ a, minutes }) => a != null && minutes != null && minutes > 0);
  const all = timed.reduce((sum, { minutes }) => sum + (minutes as number), 0);
  return all > 0 ? timed.reduce((sum, { a, minutes }) => sum + (a as number) * (minutes as number), 0) / all : null;
}
