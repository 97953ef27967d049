import { USUAL_V } from './capacity.ts';
import { byCounter, type Counted } from './energy.ts';
import type { Meter } from './open.ts';
import type { Series } from './table.ts';

export interface SocSignal {
  readonly values: Float64Array;
  readonly meter: Meter;
}

/** The state of charge as read, or by a counter of Ah below full. */
export function socOf(
  values: Series['values'],
  meters: Record<'soc' | 'ah', Meter>,
  capacityAh: number | null,
  notes: string[],
): SocSignal | null {
  if (values.soc) return { values: values.soc, meter: meters.soc };
  if (values.ah && meters.ah.counts === 'from-full' && capacityAh !== null) {
    const { out, step } = meters.ah;
    const percent = (step / capacityAh) * 100;
    notes.push('The state of charge is by the counter of Ah below full.');
    return {
      values: values.ah.map((ah) => 100 - ((out * ah) / capacityAh) * 100),
      meter: { ...meters.ah, step: percent, low: -percent / 2, high: percent / 2 },
    };
  }
  return null;
}

/** Watts out of the store: as read, or volts × amps, or amps at the nominal volts. */
export function wattsOf(
  values: Series['values'],
  meters: Record<'a' | 'w' | 'v', Meter>,
  nominalV: number | null,
): { values: Float64Array; step: number; of: string } | null {
  if (values.w)
    return { values: meters.w.out === 1 ? values.w : values.w.map((w) => -w), step: meters.w.step, of: 'power' };
  const { a, v } = values;
  if (!a) return null;
  const volts = (i: number): number => (v && !Number.isNaN(v[i] as number) ? (v[i] as number) : (nominalV ?? USUAL_V));
  return {
    values: a.map((amps, i) => meters.a.out * amps * volts(i)),
    step: meters.a.step * (nominalV ?? USUAL_V),
    of: 'current',
  };
}

export function counterOf(
  t: Float64Array,
  values: Series['values'],
  meters: Record<'wh' | 'ah', Meter>,
  nominalV: number | null,
): Counted | null {
  if (values.wh) return byCounter(t, values.wh, meters.wh, 1);
  if (!values.ah) return null;
  const v = values.v?.filter((volts) => !Number.isNaN(volts));
  const mean = v && v.length > 0 ? v.reduce((sum, volts) => sum + volts, 0) / v.length : (nominalV ?? USUAL_V);
  return byCounter(t, values.ah, meters.ah, mean);
}

export const lastOf = (values: Float64Array): number => values.findLast((value) => !Number.isNaN(value)) ?? Number.NaN;
