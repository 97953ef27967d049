import type { AllInOne, System } from '../job/schema.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import type { Flow } from './source.ts';

/** What one all-in-one unit lets into the store at most, W, and which share of each source comes through it. */
export interface BoxLimit {
  readonly unit: AllInOne;
  readonly mostW: number;
  /** 0…1 by the place of the source: an array that is in it 1, of what supplies charge what its charger gives. */
  readonly through: (source: Pick<Flow, 'id' | 'kind'>) => number;
}

/** Units that hold back what sun and mains charge with together. */
export function boxLimits(system: System): BoxLimit[] {
  const { allInOnes, chargers } = system;
  const allA = chargers.reduce((sum, { ratingA }) => sum + ratingA, 0);
  return allInOnes.flatMap((unit): BoxLimit[] => {
    if (unit.chargeA === null) return [];
    const ownA = chargers.find(({ id }) => id === unit.charger)?.ratingA ?? 0;
    const ofSupplies = allA > 0 ? ownA / allA : 0;
    const arrays = new Set(unit.arrays);
    return [
      {
        unit,
        mostW: unit.chargeA * chargingVoltageV(system),
        through: ({ id, kind }) => (kind === 'sun' ? Number(arrays.has(id)) : kind === 'supply' ? ofSupplies : 0),
      },
    ];
  });
}

/** What a unit lets in of what comes through it: the sun first, then the mains. */
export function throughBox(flows: readonly Flow[], { mostW, through }: BoxLimit): void {
  const shares = flows.map(through);
  const steps = flows[0]?.watts.length ?? 0;
  for (let m = 0; m < steps; m++) {
    let left = mostW;
    for (let i = 0; i < flows.length; i++) {
      const share = shares[i] as number;
      if (share === 0) continue;
      const { watts } = flows[i] as Flow;
      const inBox = (watts[m] as number) * share;
      const taken = inBox < left ? inBox : left;
      left -= taken;
      if (taken < inBox) watts[m] = (watts[m] as number) - inBox + taken;
    }
  }
}
