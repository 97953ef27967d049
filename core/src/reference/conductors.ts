import type { Run } from '../job/schema.ts';
import { awgAreaMm2 } from '../quantity/awg.ts';
import { ORIGIN } from './origins.ts';

/** A conductor that can be bought: its name in the region's terms, its area, and what it carries. */
export interface Conductor {
  readonly awg: string;
  readonly areaMm2: number;
  readonly ampacityA: number;
}

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

/** kg of copper in a conductor of 1 mm² and 1 m: 8,930 kg/m³. Aluminium: 2,700 kg/m³. */
export const COPPER_KG_PER_MM2_M = 8930e-6;
export const ALUMINIUM_KG_PER_MM2_M = 2700e-6;

/** Ω/km at 20 °C of finely stranded conductors by their area, mm² (IEC 60228 class 5, recalled; P·M). */
const CLASS_5: readonly (readonly [areaMm2: number, ohmPerKm: number])[] = [
  [0.75, 26.0],
  [1, 19.5],
  [1.5, 13.3],
  [2.5, 7.98],
  [4, 4.95],
  [6, 3.3],
  [10, 1.91],
  [16, 1.21],
  [25, 0.78],
  [35, 0.554],
  [50, 0.386],
  [70, 0.272],
  [95, 0.206],
  [120, 0.161],
  [150, 0.129],
];

/** Ω·mm²/km at 20 °C: copper 1.7241·10⁻⁸ Ω·m (IEC 60028), aluminium 2.8264·10⁻⁸ Ω·m (IEC 60889, recalled). */
const COPPER = 17.241;
const ALUMINIUM = 28.264;
/** Share of its Ω at 20 °C that a metal gains for each K. */
const COPPER_PER_K = 0.00393;
const ALUMINIUM_PER_K = 0.00403;
/** What strands add to a conductor of an AWG size: the published tables are of stranded ones (NEC chapter 9 table 8). */
const STRANDED = 1.02;

/** How much more than ρ·L/A fine strands have, between the areas of the table as of its neighbours. */
function fineStrands(areaMm2: number): number {
  const above = CLASS_5.findIndex(([area]) => area >= areaMm2);
  const factorAt = (i: number): number => {
    const [area, ohm] = CLASS_5[i] as readonly [number, number];
    return (ohm * area) / COPPER;
  };
  if (above <= 0) return factorAt(above === 0 ? 0 : CLASS_5.length - 1);
  const [low] = CLASS_5[above - 1] as readonly [number, number];
  const [high] = CLASS_5[above] as readonly [number, number];
  const share = Math.log(areaMm2 / low) / Math.log(high / low);
  return factorAt(above - 1) * (1 - share) + factorAt(above) * share;
}

/**
 * Ω/m of one conductor.
 * @param areaMm2 above 0
 * @param kind strands and metal; fine strands by IEC 60228 class 5 when left out
 * @param atC °C of the metal
 */
export function ohmPerM(areaMm2: number, kind: Run['conductor'] = 'flexible', atC = 20): number {
  if (kind === 'aluminium') return (ALUMINIUM / areaMm2 / 1000) * (1 + ALUMINIUM_PER_K * (atC - 20));
  const strands = kind === 'flexible' ? fineStrands(areaMm2) : kind === 'awg' ? STRANDED : 1;
  return ((COPPER * strands) / areaMm2 / 1000) * (1 + COPPER_PER_K * (atC - 20));
}

/** kg of one conductor for each mm² and m. */
export const kgPerMm2M = (kind: Run['conductor']): number =>
  kind === 'aluminium' ? ALUMINIUM_KG_PER_MM2_M : COPPER_KG_PER_MM2_M;

/** °C of insulation and of the air that the table of `CONDUCTORS` is for. */
const TABLE_INSULATION_C = 105;
const TABLE_AMBIENT_C = 30;
/** °C of an engine space; of 105 °C insulation 0.85 is left there (ABYC E-11, recalled). */
const ENGINE_C = 50;
const ENGINE_FACTOR = 0.85;
/** What aluminium carries of what copper of the same area does: √(ρ_Cu ÷ ρ_Al). */
const ALUMINIUM_CARRIES = Math.sqrt(COPPER / ALUMINIUM);

/** How and where a conductor lies. */
export type Lying = Pick<Run, 'areaMm2' | 'conductor' | 'insulationC' | 'ambientC' | 'engine' | 'bundled'> & {
  readonly areaMm2: number;
};

/**
 * A that one conductor carries for hours. The table of `CONDUCTORS` by area between its rows (straight in the
 * logarithms), √((T_ins − T_amb)/(T_ins − 30)) for the air, as much for cooler insulation, less where many lie together.
 */
export function ampacityA(lying: Lying, bundling: 'marine' | 'building'): number {
  const { areaMm2, conductor, insulationC, ambientC, engine, bundled } = lying;
  const air = Math.max(ambientC ?? TABLE_AMBIENT_C, engine ? ENGINE_C : -273);
  if (air >= insulationC) return 0;
  const own = Math.sqrt((insulationC - TABLE_AMBIENT_C) / (TABLE_INSULATION_C - TABLE_AMBIENT_C));
  const heat = Math.sqrt((insulationC - air) / (insulationC - TABLE_AMBIENT_C));
  const warm = engine && insulationC <= TABLE_INSULATION_C ? Math.min(ENGINE_FACTOR, heat) : heat;
  const metal = conductor === 'aluminium' ? ALUMINIUM_CARRIES : 1;
  return tableA(areaMm2) * own * warm * metal * bundleFactor(bundled, bundling);
}

/** A of the table at an area, beyond its ends as its last two rows go on. */
function tableA(areaMm2: number): number {
  const above = CONDUCTORS.findIndex((row) => row.areaMm2 >= areaMm2 * (1 - 1e-9));
  const at = above < 0 ? CONDUCTORS.length - 1 : Math.max(1, above);
  const [low, high] = [CONDUCTORS[at - 1] as Conductor, CONDUCTORS[at] as Conductor];
  const slope = Math.log(high.ampacityA / low.ampacityA) / Math.log(high.areaMm2 / low.areaMm2);
  return low.ampacityA * (areaMm2 / low.areaMm2) ** slope;
}

/** Up to so many conductors that carry current side by side each carries this share. */
const BUNDLE = {
  /** Boats and vehicles (from memory). */
  marine: [
    [2, 1],
    [3, 0.7],
    [6, 0.6],
    [24, 0.5],
  ],
  /** Buildings: more than three conductors (NEC 310.15, recalled). */
  building: [
    [3, 1],
    [6, 0.8],
    [9, 0.7],
    [24, 0.5],
  ],
} as const;

export const bundleFactor = (bundled: number, bundling: 'marine' | 'building'): number =>
  BUNDLE[bundling].find(([most]) => bundled <= most)?.[1] ?? 0.5;

/** Share of the volts that may be lost between store and appliance, by school: chargers and what is critical, all else. */
export const DROP_LIMIT = {
  marine: {
    critical: 0.03,
    general: 0.1,
    name: '3 % and 10 %',
    says: '3 % for chargers and critical circuits, 10 % for the rest',
    origin: ORIGIN.abyc,
  },
  caravan: {
    critical: 0.05,
    general: 0.05,
    name: '5 %',
    says: '5 % for everything, a common limit for caravans',
    origin: ORIGIN.practice,
  },
  strict: { critical: 0.03, general: 0.03, name: '3 %', says: '3 % for everything', origin: ORIGIN.practice },
} as const;
