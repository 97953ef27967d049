/** What is kept of each kind of part: the fields that a job holds of it, so that choosing one copies all that is said. */

interface Field {
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  /** What one of the shown unit is in the stored one; 1 when left out. */
  readonly factor?: number;
}

const field = (label: string, unit: string, min: number, max: number, factor = 1): Field => ({
  label,
  unit,
  min,
  max,
  factor,
});

/** Ranges in the stored unit, as in the job's schema. */
export const PART_FIELDS = {
  capacityAh: field('Capacity', 'Ah', 0.5, 20_000),
  unitV: field('Volts', 'V', 2, 60),
  chargeA: field('Charge', 'A', 0.1, 2000),
  dischargeA: field('Gives', 'A', 0.1, 5000),
  shortA: field('Gives briefly', 'A', 0.1, 20_000),
  shortS: field('For', 's', 0.1, 3600),
  resistanceMohm: field('Inside', 'mΩ', 0.01, 1000),
  kg: field('Mass', 'kg', 0.05, 2000),
  price: field('Price', '', 0, 1_000_000),
  ratingW: field('Rating', 'W', 1, 40_000),
  vmpV: field('Best point', 'V', 0.5, 500),
  impA: field('Best point', 'A', 0.05, 100),
  vocV: field('Open', 'V', 0.5, 600),
  iscA: field('Short-circuited', 'A', 0.05, 120),
  noctC: field('NOCT', '°C', 20, 80),
  areaM2: field('Covers', 'm²', 0.01, 10),
  maxA: field('Gives at most', 'A', 1, 1000),
  maxV: field('Bears', 'V', 5, 1500),
  maxW: field('Takes', 'W', 5, 50_000),
  maxInputA: field('Input bears', 'A', 0.5, 500),
  ratingA: field('Rating', 'A', 1, 500),
  leastA: field('Turned down to', 'A', 0, 500),
  efficiency: field('Out ÷ in', '%', 0.5, 1, 0.01),
  powerFactor: field('W ÷ VA', '', 0.4, 1),
  minV: field('Works from', 'V', 1, 1000),
  ratingVa: field('Rating', 'VA', 1, 50_000),
  surgeW: field('Holds at a start', 'W', 1, 80_000),
  surgeSeconds: field('For', 's', 0.01, 60),
  idleW: field('Idle', 'W', 0, 500),
  peakEfficiency: field('Best', '%', 0.5, 1, 0.01),
  busV: field('Bus', 'V', 12, 48),
  solarInputs: field('Solar inputs', '', 0, 8),
  chargerA: field('Mains charger', 'A', 0, 1000),
} as const satisfies Record<string, Field>;

export type PartField = keyof typeof PART_FIELDS;

/** Of each kind what must be known, the first by which sizes are told apart, and what may be. */
export const PART_KINDS = {
  battery: {
    name: 'Battery',
    must: ['capacityAh', 'unitV'],
    may: ['chargeA', 'dischargeA', 'shortA', 'shortS', 'resistanceMohm', 'kg', 'price'],
  },
  panel: {
    name: 'Solar panel',
    must: ['ratingW'],
    may: ['vmpV', 'impA', 'vocV', 'iscA', 'noctC', 'areaM2', 'kg', 'price'],
  },
  controller: {
    name: 'Solar controller',
    must: ['maxA'],
    may: ['maxV', 'maxW', 'maxInputA', 'minV', 'efficiency', 'idleW', 'kg', 'price'],
  },
  'dc-dc': { name: 'DC-DC charger', must: ['ratingA'], may: ['idleW', 'kg', 'price'] },
  charger: {
    name: 'Mains charger',
    must: ['ratingA'],
    may: ['leastA', 'efficiency', 'powerFactor', 'idleW', 'kg', 'price'],
  },
  inverter: {
    name: 'Inverter',
    must: ['ratingW'],
    may: ['ratingVa', 'surgeW', 'surgeSeconds', 'idleW', 'peakEfficiency', 'kg', 'price'],
  },
  'all-in-one': {
    name: 'All-in-one unit',
    must: ['ratingW', 'busV'],
    may: [
      'ratingVa',
      'surgeW',
      'surgeSeconds',
      'idleW',
      'peakEfficiency',
      'solarInputs',
      'maxA',
      'maxW',
      'maxV',
      'maxInputA',
      'minV',
      'efficiency',
      'chargerA',
      'chargeA',
      'kg',
      'price',
    ],
  },
} as const satisfies Record<string, { name: string; must: readonly PartField[]; may: readonly PartField[] }>;

export type PartKind = keyof typeof PART_KINDS;

type MustOf<K extends PartKind> = (typeof PART_KINDS)[K]['must'][number];
type MayOf<K extends PartKind> = (typeof PART_KINDS)[K]['may'][number];

/** A part that can be chosen for a job. */
export type PartOf<K extends PartKind> = {
  readonly kind: K;
  readonly name: string;
} & Readonly<Record<MustOf<K>, number>> &
  Readonly<Record<MayOf<K>, number | null>> &
  (K extends 'battery' ? { readonly chemistry: 'lfp' | 'agm' | 'gel' | 'flooded' | 'starter' } : unknown) &
  (K extends 'controller' ? { readonly type: 'mppt' | 'pwm' } : unknown);

export type Part = { [K in PartKind]: PartOf<K> }[PartKind];

/** A part as it was kept before more was asked of its kind: what is missing is not known. */
export function wholePart<P extends Part>(part: P): P {
  const unsaid = PART_KINDS[part.kind].may.map((key) => [key, null]);
  return { ...Object.fromEntries(unsaid), ...part };
}

export const fieldsOfKind = (kind: PartKind): readonly PartField[] => [
  ...PART_KINDS[kind].must,
  ...PART_KINDS[kind].may,
];
