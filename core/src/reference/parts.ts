import type { Part, PartOf } from '../job/partFields.ts';

/**
 * Generic parts to begin with: usual sizes, electrical figures of their kind from memory, masses by common practice,
 * prices invented. A firm puts its own beside them.
 */

const battery = (
  name: string,
  chemistry: PartOf<'battery'>['chemistry'],
  unitV: number,
  capacityAh: number,
  [chargeA, dischargeA]: readonly [number, number],
  resistanceMohm: number,
  kg: number,
  price: number,
): PartOf<'battery'> => ({
  kind: 'battery',
  name,
  chemistry,
  unitV,
  capacityAh,
  chargeA,
  dischargeA,
  shortA: null,
  shortS: null,
  resistanceMohm,
  kg,
  price,
});

const panel = (
  name: string,
  ratingW: number,
  [vmpV, impA, vocV, iscA]: readonly [number, number, number, number],
  areaM2: number,
  kg: number,
  price: number,
): PartOf<'panel'> => ({ kind: 'panel', name, ratingW, vmpV, impA, vocV, iscA, noctC: 45, areaM2, kg, price });

const controller = (
  name: string,
  type: 'mppt' | 'pwm',
  maxA: number,
  maxV: number,
  kg: number,
  price: number,
): PartOf<'controller'> => ({
  kind: 'controller',
  name,
  type,
  maxA,
  maxV,
  maxW: null,
  maxInputA: null,
  minV: null,
  efficiency: null,
  idleW: null,
  kg,
  price,
});

const inverter = (ratingW: number, idleW: number, kg: number, price: number): PartOf<'inverter'> => ({
  kind: 'inverter',
  name: `Sine inverter ${ratingW} W`,
  ratingW,
  ratingVa: null,
  surgeW: 2 * ratingW,
  surgeSeconds: 1,
  idleW,
  peakEfficiency: 0.92,
  kg,
  price,
});

/** In one box: the idle of all that is in it, counted once. */
const allInOne = (
  busV: number,
  ratingW: number,
  idleW: number,
  solar: Pick<PartOf<'all-in-one'>, 'maxA' | 'maxW' | 'maxV' | 'minV'>,
  [chargerA, chargeA]: readonly [number, number],
  kg: number,
  price: number,
): PartOf<'all-in-one'> => ({
  kind: 'all-in-one',
  name: `All in one ${busV} V ${ratingW} W`,
  busV,
  ratingW,
  ratingVa: null,
  surgeW: 2 * ratingW,
  surgeSeconds: 1,
  idleW,
  peakEfficiency: 0.93,
  solarInputs: 1,
  ...solar,
  maxInputA: null,
  efficiency: 0.96,
  chargerA,
  chargeA,
  kg,
  price,
});

export const PARTS: readonly Part[] = [
  battery('LFP 12.8 V 50 Ah', 'lfp', 12.8, 50, [25, 50], 8, 6, 260),
  battery('LFP 12.8 V 100 Ah', 'lfp', 12.8, 100, [50, 100], 4, 11.5, 430),
  battery('LFP 12.8 V 200 Ah', 'lfp', 12.8, 200, [100, 150], 2.5, 22, 810),
  battery('LFP 25.6 V 100 Ah', 'lfp', 25.6, 100, [50, 100], 8, 22, 840),
  battery('LFP 51.2 V 100 Ah', 'lfp', 51.2, 100, [50, 100], 14, 44, 1600),
  battery('AGM 12 V 105 Ah', 'agm', 12, 105, [20, 26], 6, 31, 230),
  battery('Gel 12 V 110 Ah', 'gel', 12, 110, [20, 26], 7, 34, 290),
  battery('Flooded 6 V 225 Ah', 'flooded', 6, 225, [34, 56], 2, 29, 190),
  panel('Panel 100 W, 36 cells', 100, [18, 5.56, 21.6, 5.95], 0.55, 6.2, 90),
  panel('Panel 175 W, 40 cells', 175, [19.8, 8.84, 24, 9.35], 0.86, 9.8, 150),
  panel('Panel 200 W, 36 cells', 200, [18.6, 10.75, 22.3, 11.4], 1, 11, 170),
  panel('Panel 320 W, 60 cells', 320, [33.4, 9.58, 40.3, 10.1], 1.65, 18.5, 220),
  panel('Panel 415 W, 54 cells', 415, [31.3, 13.26, 37.6, 13.95], 1.95, 21, 260),
  controller('MPPT 75 V 15 A', 'mppt', 15, 75, 0.6, 70),
  controller('MPPT 100 V 20 A', 'mppt', 20, 100, 0.7, 110),
  controller('MPPT 100 V 30 A', 'mppt', 30, 100, 1.3, 160),
  controller('MPPT 100 V 50 A', 'mppt', 50, 100, 1.3, 230),
  controller('MPPT 150 V 70 A', 'mppt', 70, 150, 3, 480),
  controller('PWM 20 A', 'pwm', 20, 50, 0.2, 25),
  ...(
    [
      [20, 1.1, 160],
      [30, 1.4, 220],
      [40, 2, 290],
      [60, 3.2, 420],
    ] as const
  ).map(
    ([ratingA, kg, price]): PartOf<'dc-dc'> => ({
      kind: 'dc-dc',
      name: `DC-DC ${ratingA} A`,
      ratingA,
      idleW: null,
      kg,
      price,
    }),
  ),
  ...(
    [
      [20, 1.6, 130],
      [30, 2, 170],
      [50, 3.4, 290],
      [80, 5.5, 450],
    ] as const
  ).map(
    ([ratingA, kg, price]): PartOf<'charger'> => ({
      kind: 'charger',
      name: `Mains charger ${ratingA} A`,
      ratingA,
      leastA: Math.round(ratingA / 5),
      efficiency: 0.9,
      powerFactor: 0.98,
      idleW: null,
      kg,
      price,
    }),
  ),
  inverter(300, 4, 1.2, 60),
  inverter(600, 7, 1.9, 110),
  inverter(1000, 10, 2.8, 190),
  inverter(1500, 13, 3.9, 260),
  inverter(2000, 18, 5.4, 340),
  inverter(3000, 25, 8.8, 520),
  inverter(5000, 40, 19, 950),
  allInOne(12, 2000, 26, { maxA: 60, maxW: 900, maxV: 120, minV: 30 }, [60, 80], 11, 690),
  allInOne(12, 3000, 36, { maxA: 80, maxW: 1200, maxV: 145, minV: 30 }, [80, 100], 16, 890),
  allInOne(24, 3000, 34, { maxA: 80, maxW: 2400, maxV: 145, minV: 60 }, [60, 100], 14, 820),
  allInOne(48, 3000, 38, { maxA: 80, maxW: 4000, maxV: 450, minV: 120 }, [60, 80], 12, 780),
  allInOne(48, 5000, 52, { maxA: 100, maxW: 5500, maxV: 450, minV: 120 }, [80, 100], 15, 990),
];
