import { type Band, band } from './band.ts';
import type { Counted } from './energy.ts';
import { hoursOutside } from './offTime.ts';
import { hoursFrom, type Stretch } from './open.ts';
import type { SocSignal } from './signals.ts';
import type { Series } from './table.ts';

export interface Interval {
  readonly fromH: number;
  readonly toH: number;
  readonly poweredH: number;
  readonly socFrom: number | null;
  readonly socTo: number | null;
  readonly socWh: Band | null;
  readonly counterWh: number | null;
  readonly powerWh: number | null;
  readonly meanW: number | null;
}

export const MOST_INTERVALS = 200;

export function intervalsOf(
  series: Series,
  soc: SocSignal | null,
  capacityWh: number | null,
  ways: { counter: Counted | null; power: Counted | null },
  off: readonly Stretch[],
): Interval[] {
  const { t } = series;
  const all: number[] = [];
  for (let i = 0; i < t.length; i++) if (soc === null || !Number.isNaN(soc.values[i] as number)) all.push(i);
  if (all.length < 2) return [];
  const stride = Math.ceil((all.length - 1) / MOST_INTERVALS);
  const edges = all.filter((_, i) => i % stride === 0);
  if (edges.at(-1) !== all.at(-1)) edges.push(all.at(-1) as number);
  return edges.slice(1).map((to, k) => {
    const from = edges[k] as number;
    const poweredH = hoursOutside(t[from] as number, t[to] as number, off);
    const difference = (counted: Counted | null): number | null => {
      const wh = counted ? (counted.upTo[to] as number) - (counted.upTo[from] as number) : Number.NaN;
      return Number.isNaN(wh) ? null : wh;
    };
    const fall = soc ? (soc.values[from] as number) - (soc.values[to] as number) : null;
    const socWh =
      fall === null || capacityWh === null || soc === null
        ? null
        : band(
            (fall / 100) * capacityWh,
            ((fall - soc.meter.step) / 100) * capacityWh,
            ((fall + soc.meter.step) / 100) * capacityWh,
          );
    const [counterWh, powerWh] = [difference(ways.counter), difference(ways.power)];
    const wh = counterWh ?? powerWh ?? socWh?.value ?? null;
    return {
      fromH: hoursFrom(series, t[from] as number),
      toH: hoursFrom(series, t[to] as number),
      poweredH,
      socFrom: soc ? (soc.values[from] as number) : null,
      socTo: soc ? (soc.values[to] as number) : null,
      socWh,
      counterWh,
      powerWh,
      meanW: wh === null || !(poweredH > 0) ? null : wh / poweredH,
    };
  });
}
