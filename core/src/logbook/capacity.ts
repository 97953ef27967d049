import { CHEMISTRY } from '../reference/chemistries.ts';
import { CAPACITY_DOUBT } from './energy.ts';
import type { Log } from './logSchema.ts';

/** What a store holds, as far as it is known. */
export interface LogCapacity {
  readonly wh: number;
  readonly ah: number | null;
  readonly nominalV: number | null;
  readonly measured: boolean;
  /** Share by which it may be off. */
  readonly doubt: number;
}

/** V that amps are multiplied with where nothing is said: of a 12 V LFP. */
export const USUAL_V = CHEMISTRY.lfp.nominal12V;

export function nominalOf(log: Log): number | null {
  const { capacity } = log;
  if (!capacity) return log.through?.nominalV ?? null;
  return (
    capacity.nominalV ??
    (capacity.chemistry ? CHEMISTRY[capacity.chemistry].nominal12V : (log.through?.nominalV ?? null))
  );
}

export function capacityOf(log: Log, nominalV: number | null): LogCapacity | null {
  const { capacity } = log;
  if (!capacity) return null;
  const v = nominalV ?? (capacity.ah != null ? USUAL_V : null);
  const wh = capacity.wh ?? (capacity.ah != null && v !== null ? capacity.ah * v : null);
  if (wh === null) return null;
  const measured = capacity.measured ?? false;
  return {
    wh,
    ah: capacity.ah ?? (v === null ? null : wh / v),
    nominalV: v,
    measured,
    doubt: measured ? 0 : CAPACITY_DOUBT,
  };
}
