import type { SolarArray } from '../job/schema.ts';
import { bestPoint, curveOf, type Point, wattsOf } from '../panels/operating.ts';
import { arrayRatingW, groupsAt, panelsOf } from '../panels/panels.ts';
import type { Settled } from '../settle/settle.ts';
import { wattHours } from '../sources/source.ts';
import { clearDay } from '../sun/clear.ts';
import { planeIrradiance } from '../sun/plane.ts';

/** What takes from laboratory watts on their way to the store, in the order they pass it. */
export const CAUSES = [
  'angle',
  'cloud',
  'shade',
  'dirt',
  'heat',
  'mismatch',
  'wiring',
  'controller',
  'clipped',
  'no-room',
] as const;
export type Cause = (typeof CAUSES)[number];

/** From laboratory watts to watt-hours in the store, of one array on a mean day of the month designed for. */
export interface ArrayLedger {
  readonly arrayId: string;
  readonly name: string;
  readonly ratingW: number;
  /** Laboratory watts aimed at the sun all day under a sky without a cloud, Wh. */
  readonly baseWh: number;
  /** What each cause takes of it, Wh; heat gives where cells are cold. */
  readonly taken: Readonly<Record<Cause, number>>;
  /** What is left: taken by loads and the store. */
  readonly usedWh: number;
  /** Hours of laboratory watts that this is. */
  readonly worthH: number;
}

/** @param usedWh of each source, by its id, as the day is played through */
export function arrayLedgers(settled: Settled, usedWh: ReadonlyMap<string, number>): ArrayLedger[] {
  const { brief, sun, solar, sources } = settled;
  const clear = clearDay(brief.place, sun);
  return solar.arrays.map((array, i) => {
    const chain = solar.sources[i]?.chain;
    const source = sources.find(({ id, kind }) => kind === 'sun' && id === array.id);
    if (!chain || !source) throw new Error(`array ${array.id} has no source`);
    const ratingW = arrayRatingW(array);
    const wh = (of: typeof clear, plane: Pick<SolarArray, 'slopeDeg' | 'azimuthDeg' | 'follows'>) =>
      (wattHours(planeIrradiance(brief.place, of, plane)) * ratingW) / 1000;
    const baseWh = wh(clear, { slopeDeg: 0, azimuthDeg: null, follows: true });
    const clearWh = wh(clear, array);
    const offered = wattHours(source.watts);
    const used = Math.min(offered, usedWh.get(array.id) ?? offered);
    return {
      arrayId: array.id,
      name: array.name,
      ratingW,
      baseWh,
      taken: {
        angle: baseWh - clearWh,
        cloud: clearWh - chain.lightWh,
        shade: chain.shadeWh,
        dirt: chain.dirtWh,
        heat: chain.heatWh,
        mismatch: chain.mismatchWh,
        wiring: chain.wiringWh,
        controller: chain.controllerWh,
        clipped: source.clippedWh,
        'no-room': offered - used,
      },
      usedWh: used,
      worthH: ratingW > 0 ? used / ratingW : 0,
    };
  });
}

/** Unlike panels on one controller and each on its own, in one light. */
export interface UnlikePoints {
  readonly irradianceWm2: number;
  readonly cellC: number | null;
  readonly together: Point & { readonly watts: number };
  readonly apart: readonly (Point & { readonly name: string; readonly watts: number })[];
  readonly apartW: number;
  readonly lostShare: number;
}

export interface UnlikeDetail {
  readonly arrayId: string;
  readonly name: string;
  readonly wiring: SolarArray['wiring'];
  /** At 1,000 W/m² with cells at 25 °C, and at 800 W/m² with cells at their NOCT. */
  readonly atLabel: UnlikePoints;
  readonly atWork: UnlikePoints;
  /** Curves at 1,000 W/m² and 25 °C: of all together, and of each alone. */
  readonly curve: readonly Point[];
  readonly curves: readonly { readonly name: string; readonly points: readonly Point[] }[];
}

/** Of every array with two or more groups whose curves are known. */
export const unlikeDetails = (arrays: readonly SolarArray[]): UnlikeDetail[] =>
  arrays.flatMap((array) => {
    const { id, name, panels, wiring } = array;
    const label = groupsAt(panels, 1000, () => 25);
    if (panels.length < 2 || !label) return [];
    return [
      {
        arrayId: id,
        name,
        wiring,
        atLabel: pointsOf(array, 1000, 25),
        atWork: pointsOf(array, 800, null),
        curve: curveOf(label, wiring),
        curves: label.map((group, i) => ({ name: panels[i]?.name ?? '', points: curveOf([group], 'parallel') })),
      },
    ];
  });

/** @param cellC null = each at its NOCT */
function pointsOf({ panels, wiring }: SolarArray, irradianceWm2: number, cellC: number | null): UnlikePoints {
  const groups = groupsAt(panels, irradianceWm2, (group) => cellC ?? group.noctC) ?? [];
  const best = bestPoint(groups, wiring);
  const apart = groups.map((group, i) => {
    const point = bestPoint([group], 'parallel');
    return { name: panels[i]?.name ?? '', ...point, watts: wattsOf(point) };
  });
  const apartW = apart.reduce((sum, { watts }) => sum + watts, 0);
  const watts = wattsOf(best);
  return {
    irradianceWm2,
    cellC,
    together: { ...best, watts },
    apart,
    apartW,
    lostShare: apartW > 0 ? Math.max(0, 1 - watts / apartW) : 0,
  };
}

/** What the panels of an array weigh, cover and cost. */
export function panelsSum(array: SolarArray) {
  const all = array.panels.map(panelsOf);
  const sum = (of: (one: (typeof all)[number]) => number) => all.reduce((total, one) => total + of(one), 0);
  return {
    panels: sum(({ count }) => count),
    kg: all.length > 0 ? sum(({ kg }) => kg) : null,
    areaM2: all.length > 0 ? sum(({ areaM2 }) => areaM2) : null,
    price: all.length > 0 && all.every(({ price }) => price !== null) ? sum(({ price }) => price ?? 0) : null,
  };
}
