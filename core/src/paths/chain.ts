import type { Device, Load, PathKind } from '../job/schema.ts';
import type { Origin } from '../quantity/figure.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';

/** The chain of conversions between the bus and a load. */
export interface Chain {
  /** False when the load never takes from the store: it waits for hookup or generator. */
  readonly fromBus: boolean;
  /** The shared device it hangs on; null when none stands between. */
  readonly device: Device | null;
  /** Efficiency of the load's own adapter or DC-DC converter; 1 when there is none. */
  readonly efficiency: number;
  readonly origin: Origin;
}

/** The kind of shared device a path runs through, and whether the load has a converter of its own. */
const ROUTE: Readonly<Record<PathKind, { device: Device['kind'] | null; own: 'adapter' | null }>> = {
  direct: { device: null, own: null },
  'dc-dc': { device: 'converter', own: null },
  inverter: { device: 'inverter', own: null },
  'inverter-adapter': { device: 'inverter', own: 'adapter' },
  station: { device: 'port', own: null },
  'supply-only': { device: null, own: null },
  fuel: { device: null, own: null },
};

/** The chain of a load in a system with these devices. Pure. */
export function chainOf(
  load: Pick<Load, 'path' | 'converterEfficiency' | 'device' | 'minV'>,
  devices: readonly Device[],
): Chain {
  const route = ROUTE[load.path];
  const fromBus = load.path !== 'supply-only';
  const device = route.device === null ? null : deviceFor(route.device, load.device, devices);
  // A DC-DC load without a shared converter has one of its own; so has one on a port that is not described.
  const own =
    route.own ?? (route.device === 'converter' || route.device === 'port' ? (device ? null : 'converter') : null);
  if (own === null) return { fromBus, device, efficiency: 1, origin: ORIGIN.si };
  if (load.converterEfficiency !== null) {
    return { fromBus, device, efficiency: load.converterEfficiency, origin: ORIGIN.job };
  }
  const converter = isStepUp(load.minV) ? DEFAULT.stepUpEfficiency : DEFAULT.converterEfficiency;
  const fallback = own === 'adapter' ? DEFAULT.adapterEfficiency : converter;
  return { fromBus, device, efficiency: fallback.value, origin: fallback.origin };
}

/** A load that needs more than a 12 or 24 V bus has: its converter steps up a long way, at a price. */
export const isStepUp = (minV: number | null): boolean => minV !== null && minV > STEP_UP_FROM_V;

const STEP_UP_FROM_V = 30;

/** The named device if it is of that kind; otherwise the first inverter or port. A converter must be named. */
function deviceFor(kind: Device['kind'], id: string | null, devices: readonly Device[]): Device | null {
  const ofKind = devices.filter((device) => device.kind === kind);
  const named = ofKind.find((device) => device.id === id);
  return named ?? (kind === 'converter' ? null : (ofKind[0] ?? null));
}
