import type { Load, PathKind } from '../job/schema.ts';
import type { Origin } from '../quantity/figure.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';

/** The chain of conversions between the bus and a load, leaving out the inverter itself. */
export interface Chain {
  readonly usesInverter: boolean;
  /** Efficiency of the load's own adapter or DC-DC converter; 1 when there is none. */
  readonly efficiency: number;
  readonly origin: Origin;
}

const DEVICE: Readonly<Record<PathKind, { usesInverter: boolean; device: 'adapter' | 'converter' | null }>> = {
  direct: { usesInverter: false, device: null },
  'dc-dc': { usesInverter: false, device: 'converter' },
  inverter: { usesInverter: true, device: null },
  'inverter-adapter': { usesInverter: true, device: 'adapter' },
};

export function chainOf(load: Pick<Load, 'path' | 'converterEfficiency'>): Chain {
  const { usesInverter, device } = DEVICE[load.path];
  if (device === null) return { usesInverter, efficiency: 1, origin: ORIGIN.si };
  if (load.converterEfficiency !== null) {
    return { usesInverter, efficiency: load.converterEfficiency, origin: ORIGIN.job };
  }
  const fallback = device === 'adapter' ? DEFAULT.adapterEfficiency : DEFAULT.converterEfficiency;
  return { usesInverter, efficiency: fallback.value, origin: fallback.origin };
}
