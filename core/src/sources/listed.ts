import type { Part, PartOf } from '../job/partFields.ts';
import type { Brief, PanelGroup, SolarArray, System } from '../job/schema.ts';
import { type Brought, groupOf, smallestPanels } from '../parts/choose.ts';
import { type Window, windowOf } from './window.ts';

/** What the panels bring of which the window was looked at. */
export const broughtBy = ({ watts, outputA, inputA, coldVoc, hotVmp }: Window): Brought => ({
  watts: watts.value,
  amps: outputA.value,
  shortA: inputA?.value ?? null,
  coldV: coldVoc?.value ?? null,
  hotV: hotVmp?.value ?? null,
});

/** Share of the panels' best volts, hot, that a controller which joins them straight to the store should use. From memory. */
const PWM_LEAST = 0.7;

/** The smallest panels of the list in the place of a group that has its controller to itself, within what that bears. */
export function panelsOfList(
  parts: readonly Part[],
  array: SolarArray,
  group: PanelGroup,
  requiredW: number,
  brief: Pick<Brief, 'place' | 'months'>,
  system: Pick<System, 'busVoltageV' | 'store'>,
): { readonly part: PartOf<'panel'>; readonly series: number; readonly parallel: number } | null {
  return smallestPanels(parts, requiredW, (part, series, parallel) => {
    const panels = [{ ...group, ...groupOf(part, group), series, parallel }];
    const { hotVmp, coldVoc, inputA } = windowOf({ ...array, ratingW: null, panels }, brief, system);
    const isWasted = array.controller.kind === 'pwm' && (hotVmp?.share ?? 1) < PWM_LEAST;
    return !isWasted && [hotVmp, coldVoc, inputA].every((check) => (check?.share ?? 0) <= 1);
  });
}
