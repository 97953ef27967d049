import type { Job } from '../job/schema.ts';

/** Inverter ratings commonly sold, W. Common practice. */
export const INVERTER_SIZES_W = [150, 300, 400, 500, 600, 800, 1000, 1200, 1500, 2000, 2500, 3000, 3500, 5000] as const;

/** DC-DC charger outputs commonly sold, A. Common practice. */
export const DCDC_SIZES_A = [10, 15, 20, 25, 30, 40, 50, 60, 80, 100] as const;

/** Arrays are bought in whole panels; sizes are rounded up to this step, W. Common practice. */
export const ARRAY_STEP_W = 50;

/** Room above the worst moment by school, as a factor, with each side's argument. Common practice. */
export const MARGIN: Readonly<
  Record<
    Job['rules']['inverterMargin'],
    { readonly factor: number; readonly name: string; readonly why: string; readonly against: string }
  >
> = {
  exact: {
    factor: 1,
    name: 'exact',
    why: 'smallest and cheapest, idles least',
    against: 'nothing in hand for heat, or for what is added later',
  },
  'plus-25': {
    factor: 1.25,
    name: '+25 %',
    why: 'covers a warm cupboard and a label that was kind',
    against: 'idles a little more every day',
  },
  'plus-50': {
    factor: 1.5,
    name: '+50 %',
    why: 'covers heat, ageing and one more small appliance',
    against: 'a size up: dearer, thicker cables',
  },
  'room-to-grow': {
    factor: 1.75,
    name: 'room to grow',
    why: 'bought once, whatever comes',
    against: 'idles more on every day until then',
  },
};

/** The smallest listed size that is at least `need`, or null when none is. */
export function nextSize(sizes: readonly number[], need: number): number | null {
  return sizes.find((size) => size >= need - 1e-9) ?? null;
}

/** W at the worst moment up to which a bus is used by rule of thumb: 3,000 W at 12 V, 6,000 W at 24 V, 48 V above. Common practice. */
export const GUIDE_W = { 12: 3000, 24: 6000, 48: Number.POSITIVE_INFINITY } as const;
