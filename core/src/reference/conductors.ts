/** A conductor that can be bought: its name in the region's terms, its area, and what it carries. */
export interface Conductor {
  readonly awg: string;
  readonly areaMm2: number;
  readonly ampacityA: number;
}

/** Area of an AWG number, mm²: d = 0.127 mm · 92^((36 − n)/39), ASTM B258. 1/0 is 0, 2/0 is −1 and so on. */
const awgAreaMm2 = (n: number): number => (Math.PI / 4) * (0.127 * 92 ** ((36 - n) / 39)) ** 2;

/**
 * Single conductors in free air, 105 °C insulation, outside engine spaces: A (ABYC E-11, recalled; P·M). Where a
 * local code's table differs, that counts.
 */
export const CONDUCTORS: readonly Conductor[] = (
  [
    ['16', 16, 25],
    ['14', 14, 35],
    ['12', 12, 45],
    ['10', 10, 60],
    ['8', 8, 80],
    ['6', 6, 120],
    ['4', 4, 160],
    ['2', 2, 210],
    ['1', 1, 245],
    ['1/0', 0, 285],
    ['2/0', -1, 330],
    ['3/0', -2, 385],
    ['4/0', -3, 445],
  ] as const
).map(([awg, n, ampacityA]) => ({ awg, areaMm2: awgAreaMm2(n), ampacityA }));

/** Metric areas that are sold, mm² (IEC 60228). */
export const AREAS_MM2 = [1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120, 150] as const;

/** Fuse ratings that are sold, A. Common practice. */
export const FUSES_A = [
  1, 2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 500,
] as const;

/** A fuse is at least this much above the current it carries for hours. Common practice. */
export const FUSE_FACTOR = 1.25;

/** kg of copper in a conductor of 1 mm² and 1 m: 8,930 kg/m³. */
export const COPPER_KG_PER_MM2_M = 8930e-6;

/** Ω/km at 20 °C of finely stranded conductors by their area, mm² (IEC 60228 class 5, recalled; P·M). */
const CLASS_5: Readonly<Record<number, number>> = {
  0.75: 26.0,
  1: 19.5,
  1.5: 13.3,
  2.5: 7.98,
  4: 4.95,
  6: 3.3,
  10: 1.91,
  16: 1.21,
  25: 0.78,
  35: 0.554,
  50: 0.386,
  70: 0.272,
  95: 0.206,
  120: 0.161,
  150: 0.129,
};

/** Ω/m at 20 °C of a stranded conductor; of an area that is not in the table by copper's resistivity (IEC 60028). */
export const ohmPerM = (areaMm2: number): number => (CLASS_5[areaMm2] ?? 17.241 / areaMm2) / 1000;
