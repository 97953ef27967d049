import type { Evidence } from '../job/schema.ts';
import { EVIDENCE } from '../job/values.ts';

/**
 * How far the true energy of a load may lie from the entered one, as shares below and above, by what the
 * watts rest on. Common practice; a nameplate is a worst case, so the truth lies mostly below it.
 */
export const EVIDENCE_SPREAD: Readonly<Record<Evidence, { readonly below: number; readonly above: number }>> = {
  measured: { below: 0.05, above: 0.05 },
  'data-sheet': { below: 0.15, above: 0.15 },
  nameplate: { below: 0.5, above: 0.1 },
  typical: { below: 0.4, above: 0.4 },
  guess: { below: 0.6, above: 0.6 },
};

export interface LoadDoubt {
  readonly loadId: string;
  readonly lowWh: number;
  readonly highWh: number;
}

export interface EvidenceSummary {
  /** Share of the day's energy that rests on each kind of evidence; all zero when there is none. */
  readonly shares: Readonly<Record<Evidence, number>>;
  /** The day's need if every load is at its lowest, and at its highest, Wh. */
  readonly lowWh: number;
  readonly highWh: number;
  /** Loads by how much their doubt moves the day, widest first: what to measure first. */
  readonly ranked: readonly LoadDoubt[];
}

/**
 * How good the day's total is. Best and worst case take every load at its limit at once: the honest bound, wider
 * than is likely. Losses are taken to move with their load; what idles while it runs (`idleWh`) and what no load causes (`restWh`) are counted in full.
 */
export function evidenceSummary(
  entries: readonly {
    readonly loadId: string;
    readonly evidence: Evidence;
    readonly batteryWh: number;
    readonly idleWh: number;
  }[],
  restWh: number,
): EvidenceSummary {
  const total = entries.reduce((sum, { batteryWh }) => sum + batteryWh, 0);
  const shares = Object.fromEntries(EVIDENCE.map((evidence) => [evidence, 0])) as Record<Evidence, number>;
  let lowWh = restWh;
  let highWh = restWh;
  const ranked = entries.map(({ loadId, evidence, batteryWh, idleWh }): LoadDoubt => {
    const { below, above } = EVIDENCE_SPREAD[evidence];
    if (total > 0) shares[evidence] += batteryWh / total;
    const ownWh = batteryWh - idleWh;
    const doubt = { loadId, lowWh: idleWh + ownWh * (1 - below), highWh: idleWh + ownWh * (1 + above) };
    lowWh += doubt.lowWh;
    highWh += doubt.highWh;
    return doubt;
  });
  ranked.sort((a, b) => b.highWh - b.lowWh - (a.highWh - a.lowWh));
  return { shares, lowWh, highWh, ranked };
}
