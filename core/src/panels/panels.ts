import type { PanelGroup, SolarArray } from '../job/schema.ts';
import { remembering } from '../quantity/remember.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { type DataSheet, fitOneDiode, movedTo, type OneDiode } from './oneDiode.ts';
import { bestPoint, type Group, type Wiring, wattsOf } from './operating.ts';

/** What is known of the panels of a group, with what is usual where nothing is said. */
export interface Panels {
  readonly group: PanelGroup;
  readonly count: number;
  readonly ratingW: number;
  readonly powerPerK: number;
  readonly vocPerK: number;
  readonly iscPerK: number;
  readonly noctC: number;
  readonly areaM2: number;
  /** Of all of them. */
  readonly kg: number;
  readonly price: number | null;
  /** Its curve at 1,000 W/m² and 25 °C; null where the data sheet is not known, or cannot be of one panel. */
  readonly fit: OneDiode | null;
}

/** The four figures of a data sheet, where all are known. */
export function dataSheetOf({ vmpV, impA, vocV, iscA, vocPerK, iscPerK }: PanelGroup): DataSheet | null {
  if (vmpV === null || impA === null || vocV === null || iscA === null) return null;
  return {
    vmpV,
    impA,
    vocV,
    iscA,
    vocPerK: vocPerK ?? DEFAULT.panelVocPerK.value,
    iscPerK: iscPerK ?? DEFAULT.panelIscPerK.value,
  };
}

/** Fits already made: a group is never changed in place. */
const remembered = remembering<PanelGroup, Panels>();

export const panelsOf = (group: PanelGroup): Panels => remembered(group, [], () => read(group));

function read(group: PanelGroup): Panels {
  const count = group.series * group.parallel;
  const sheet = dataSheetOf(group);
  const areaM2 = group.areaM2 ?? group.ratingW / DEFAULT.panelWPerM2.value;
  return {
    group,
    count,
    ratingW: group.ratingW * count,
    powerPerK: group.powerPerK ?? DEFAULT.panelTemperatureCoefficient.value,
    vocPerK: group.vocPerK ?? DEFAULT.panelVocPerK.value,
    iscPerK: group.iscPerK ?? DEFAULT.panelIscPerK.value,
    noctC: group.noctC ?? DEFAULT.panelNoctC.value,
    areaM2: areaM2 * count,
    kg: count * (group.kg ?? areaM2 * DEFAULT.panelKgPerM2.value),
    price: group.price === null ? null : group.price * count,
    fit: sheet && fitOneDiode(sheet),
  };
}

/** Laboratory watts of an array, however they are said. */
export const arrayRatingW = ({ ratingW, panels }: Pick<SolarArray, 'ratingW' | 'panels'>): number =>
  ratingW ?? panels.reduce((sum, group) => sum + panelsOf(group).ratingW, 0);

/** kg of rigid panel for each W. Common practice. */
export const panelKgPerW = (): number => DEFAULT.panelKgPerM2.value / DEFAULT.panelWPerM2.value;

/** kg of the panels of some arrays. */
export const panelKg = (arrays: readonly Pick<SolarArray, 'ratingW' | 'panels'>[]): number =>
  arrays.reduce(
    (sum, { ratingW, panels }) =>
      sum + (ratingW === null ? panels.reduce((kg, group) => kg + panelsOf(group).kg, 0) : ratingW * panelKgPerW()),
    0,
  );

/** Its groups in the light and at the temperature of a moment; null where a curve is not known. */
export function groupsAt(
  panels: readonly PanelGroup[],
  irradianceWm2: number,
  cellC: (panels: Panels) => number,
): Group[] | null {
  const groups = panels.flatMap((group): Group[] => {
    const all = panelsOf(group);
    const sheet = dataSheetOf(group);
    if (!all.fit || !sheet) return [];
    const { series, parallel } = group;
    return [{ panel: movedTo(all.fit, sheet, irradianceWm2, cellC(all)), series, parallel }];
  });
  return groups.length === panels.length && groups.length > 0 ? groups : null;
}

/** Light in which unlike panels are compared: that of the nominal operating temperature. */
const COMPARED_WM2 = 800;

/** Unlike panels on one controller, and each group on one of its own. */
export interface Unlike {
  readonly togetherW: number;
  readonly apartW: number;
  /** The first ÷ the second: what is left of what they could give. */
  readonly factor: number;
}

/** Of two or more groups whose curves are known; null where there is nothing to compare. In 800 W/m², cells at their NOCT. */
export function unlikeOf(panels: readonly PanelGroup[], wiring: Wiring): Unlike | null {
  if (panels.length < 2) return null;
  return rememberedUnlike(panels, [wiring], () => compared(panels, wiring));
}

/** Comparisons already made: a list of groups is never changed in place. */
const rememberedUnlike = remembering<readonly PanelGroup[], Unlike | null>(2);

function compared(panels: readonly PanelGroup[], wiring: Wiring): Unlike | null {
  const groups = groupsAt(panels, COMPARED_WM2, ({ noctC }) => noctC);
  if (!groups) return null;
  const togetherW = wattsOf(bestPoint(groups, wiring));
  const apartW = groups.reduce((sum, group) => sum + wattsOf(bestPoint([group], 'parallel')), 0);
  return { togetherW, apartW, factor: apartW > 0 ? Math.min(1, togetherW / apartW) : 1 };
}
