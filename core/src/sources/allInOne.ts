import type { AllInOne, System } from '../job/schema.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { type Source, withWatts } from './source.ts';

/** What one all-in-one unit lets into the store at most, W, and which share of each source comes through it. */
export interface BoxLimit {
  readonly unit: AllInOne;
  readonly mostW: number;
  /** 0…1 by the place of the source: an array that is in it 1, of what supplies charge what its charger gives. */
  readonly through: (source: Pick<Source, 'id' | 'kind'>) => number;
}

/** Units that hold back what sun and mains charge with together. */
export function boxLimits({ allInOnes, chargers, busVoltageV }: System): BoxLimit[] {
  const allA = chargers.reduce((sum, { ratingA }) => sum + ratingA, 0);
  return allInOnes.flatMap((unit): BoxLimit[] => {
    if (unit.chargeA === null) return [];
    const ownA = chargers.find(({ id }) => id === unit.charger)?.ratingA ?? 0;
    const ofSupplies = allA > 0 ? ownA / allA : 0;
    const arrays = new Set(unit.arrays);
    return [
      {
        unit,
        mostW: unit.chargeA * chargingVoltageV(busVoltageV),
        through: ({ id, kind }) => (kind === 'sun' ? Number(arrays.has(id)) : kind === 'supply' ? ofSupplies : 0),
      },
    ];
  });
}

/** Sources held to what the units they come through let in: the sun first, then the mains. */
export function throughBoxes(sources: readonly Source[], system: System): readonly Source[] {
  return boxLimits(system).reduce<readonly Source[]>((now, { mostW, through }) => {
    const shares = now.map(through);
    if (shares.every((share) => share === 0)) return now;
    const left = new Float64Array(now[0]?.watts.length ?? 0).fill(mostW);
    return now.map((source, i) => {
      const share = shares[i] as number;
      if (share === 0) return source;
      let isHeld = false;
      const watts = source.watts.map((w, m) => {
        const inBox = w * share;
        const room = left[m] as number;
        const taken = inBox < room ? inBox : room;
        left[m] = room - taken;
        if (taken === inBox) return w;
        isHeld = true;
        return w - inBox + taken;
      });
      return isHeld ? withWatts(source, watts) : source;
    });
  }, sources);
}
