import type { SizedInverter } from '../moment/sizeInverters.ts';

export const INVERTER_KEYS = [
  'continuous',
  'apparent',
  'surge',
  'required',
  'rating',
  'hot',
  'holds',
  'current',
  'idle',
] as const;

export type InverterKey = (typeof INVERTER_KEYS)[number];

/** Of the main inverter: the job's vitals. */
const MAIN = {
  continuous: 'peak.continuous',
  apparent: 'peak.apparent',
  surge: 'peak.surge',
  required: 'inverter.required',
  rating: 'inverter.rating',
  hot: 'inverter.hot',
  holds: 'inverter.holds',
  current: 'inverter.current',
  idle: 'inverter.idle',
} as const satisfies Record<InverterKey, string>;

type InverterFigures = { readonly [K in InverterKey]: (typeof MAIN)[K] | `inverter[${string}].${K}` };

/** What the figures of an inverter are called: those of the main one are the job's vitals, others have theirs by its id. */
export function inverterFigures({ device, isMain }: Pick<SizedInverter, 'device' | 'isMain'>): InverterFigures {
  if (isMain) return MAIN;
  return Object.fromEntries(INVERTER_KEYS.map((key) => [key, `inverter[${device.id}].${key}`])) as InverterFigures;
}
