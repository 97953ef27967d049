import type { PlacedPanel, Roof, SolarArray, System } from '../job/schema.ts';
import { panelsOf } from './panels.ts';

/** A rectangle on a roof, m from its front end and from its left side. */
export interface Rectangle {
  readonly xM: number;
  readonly yM: number;
  readonly lengthM: number;
  readonly widthM: number;
}

/** A panel as it is, and what it is called. */
export interface RoofPanel {
  readonly array: string;
  readonly group: string;
  readonly index: number;
  readonly name: string;
  readonly longM: number;
  readonly shortM: number;
}

/** A panel that lies on the roof. */
export interface LyingPanel extends RoofPanel, Rectangle {
  readonly turned: boolean;
  /** What it lies on or over, by name; `edge` m by which it hangs over the edge. */
  readonly overlaps: readonly string[];
  readonly edgeM: number;
}

/** A roof with what lies on it. */
export interface RoofPlan {
  readonly lying: readonly LyingPanel[];
  readonly unplaced: readonly RoofPanel[];
  readonly roofM2: number;
  readonly panelsM2: number;
}

/** Longer side of a panel of which only the area is known, as against its shorter. Common practice. */
const USUAL_ASPECT = 1.6;
/** m that two edges may share without one lying on the other. */
const TOUCH_M = 0.0005;

/** The panels that belong on the roof, one by one: those set out by hand do not. */
export function roofPanels(arrays: readonly SolarArray[]): RoofPanel[] {
  return arrays
    .filter(({ mount }) => mount !== 'portable')
    .flatMap((array) =>
      array.panels.flatMap((group) => {
        const { count, areaM2 } = panelsOf(group);
        const oneM2 = areaM2 / count;
        const known = group.lengthM !== null && group.lengthM > 0;
        const longM = known ? (group.lengthM as number) : Math.sqrt(oneM2 * USUAL_ASPECT);
        return Array.from({ length: count }, (_, index) => ({
          array: array.id,
          group: group.id,
          index,
          name: count > 1 ? `${group.name} ${index + 1}` : group.name,
          longM,
          shortM: oneM2 / longM,
        }));
      }),
    );
}

const isOf = ({ array, group, index }: RoofPanel, placed: PlacedPanel): boolean =>
  placed.array === array && placed.group === group && placed.index === index;

const asLying = (panel: RoofPanel, { xM, yM, turned }: Pick<PlacedPanel, 'xM' | 'yM' | 'turned'>): Rectangle => ({
  xM,
  yM,
  lengthM: turned ? panel.shortM : panel.longM,
  widthM: turned ? panel.longM : panel.shortM,
});

/** Whether two rectangles lie on one another; edges that touch do not. */
export function overlap(a: Rectangle, b: Rectangle): boolean {
  const [x, y] = [
    Math.min(a.xM + a.lengthM, b.xM + b.lengthM) - Math.max(a.xM, b.xM),
    Math.min(a.yM + a.widthM, b.yM + b.widthM) - Math.max(a.yM, b.yM),
  ];
  return x > TOUCH_M && y > TOUCH_M;
}

/** m by which a rectangle hangs over the edge of a roof, at the side where it is most. */
const overhang = ({ xM, yM, lengthM, widthM }: Rectangle, roof: Roof): number =>
  Math.max(0, -xM, -yM, xM + lengthM - roof.lengthM, yM + widthM - roof.widthM);

/** Where the panels of an option lie, what they lie on, and which are yet to be placed. */
export function roofPlan(roof: Roof, { arrays, roof: placed }: Pick<System, 'arrays' | 'roof'>): RoofPlan {
  const panels = roofPanels(arrays ?? []);
  const found = panels.map((panel) => ({ panel, at: placed.find((one) => isOf(panel, one)) }));
  const rectangles = found.flatMap(({ panel, at }) => (at ? [{ panel, at, ...asLying(panel, at) }] : []));
  return {
    lying: rectangles.map((one) => {
      const edgeM = overhang(one, roof);
      return {
        ...one.panel,
        xM: one.xM,
        yM: one.yM,
        lengthM: one.lengthM,
        widthM: one.widthM,
        turned: one.at.turned,
        overlaps: [
          ...rectangles.filter((other) => other !== one && overlap(one, other)).map(({ panel }) => panel.name),
          ...roof.obstacles.filter((obstacle) => overlap(one, obstacle)).map(({ name }) => name),
        ],
        edgeM: edgeM > TOUCH_M ? edgeM : 0,
      };
    }),
    unplaced: found.flatMap(({ panel, at }) => (at ? [] : [panel])),
    roofM2: roof.lengthM * roof.widthM,
    panelsM2: panels.reduce((sum, { longM, shortM }) => sum + longM * shortM, 0),
  };
}

/** m between places that are tried. */
const STEP_M = 0.05;

/**
 * Lays down the panels that have no place yet, the largest first, each where it is nearest to the front and the left,
 * along the roof if it can; those that lie stay. What finds no room stays without a place.
 */
export function layOut(roof: Roof, system: Pick<System, 'arrays' | 'roof'>): PlacedPanel[] {
  const { lying, unplaced } = roofPlan(roof, system);
  const taken: Rectangle[] = [...lying, ...roof.obstacles];
  const made: PlacedPanel[] = lying.map(({ array, group, index, xM, yM, turned }) => ({
    array,
    group,
    index,
    xM,
    yM,
    turned,
  }));
  const bySize = [...unplaced].sort((a, b) => b.longM * b.shortM - a.longM * a.shortM);
  for (const panel of bySize) {
    const place = freePlace(roof, panel, taken);
    if (!place) continue;
    taken.push(asLying(panel, place));
    made.push({ array: panel.array, group: panel.group, index: panel.index, ...place });
  }
  return made;
}

function freePlace(
  roof: Roof,
  panel: RoofPanel,
  taken: readonly Rectangle[],
): Pick<PlacedPanel, 'xM' | 'yM' | 'turned'> | null {
  // Places in steps, and flush with what lies already.
  const along = (ends: readonly number[], size: number) =>
    [...new Set([...Array.from({ length: Math.ceil(size / STEP_M) }, (_, i) => i * STEP_M), ...ends])].sort(
      (a, b) => a - b,
    );
  const xs = along(
    taken.map(({ xM, lengthM }) => xM + lengthM),
    roof.lengthM,
  );
  const ys = along(
    taken.map(({ yM, widthM }) => yM + widthM),
    roof.widthM,
  );
  for (const turned of [false, true])
    for (const xM of xs)
      for (const yM of ys) {
        const place = asLying(panel, { xM, yM, turned });
        if (overhang(place, roof) > TOUCH_M) continue;
        if (!taken.some((other) => overlap(place, other))) return { xM, yM, turned };
      }
  return null;
}
