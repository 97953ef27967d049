import type { Job } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type Settled, settle } from '../settle.ts';
import { applyMoves, type Move } from './move.ts';

/** What a job with some moves made costs the store a day, Wh. */
export interface Cost {
  /** Given to the store, as if all passed through it: the figure that everything is sized by. */
  readonly needWh: number;
  /** Storage loss spared, on a day with sun, by what was shifted into it. */
  readonly sunWh: number;
  /** needWh − sunWh: what the moves are ranked by. */
  readonly totalWh: number;
}

/**
 * Reckons sets of moves on one job. Everything else stays as it is: sizes chosen stay chosen, sizes left to the
 * program follow the loads; the array is the one of the job as it stands. A set once reckoned is remembered.
 */
export class MoveCosts {
  readonly job: Job;
  readonly optionId: string;
  readonly #arrayW: Float64Array;
  readonly #known = new Map<string, Cost>();

  /** @param arrayW W that the array gives in each minute of the day */
  constructor(job: Job, optionId: string, arrayW: Float64Array) {
    this.job = job;
    this.optionId = optionId;
    this.#arrayW = arrayW;
  }

  of(moves: readonly Move[]): Cost {
    const key = moves
      .map(({ id }) => id)
      .sort()
      .join('\n');
    const known = this.#known.get(key);
    if (known) return known;
    const settled = this.settled(moves);
    const needWh = batteryWh(settled);
    const still = moves.filter(({ kind }) => kind !== 'into-sun');
    const sunWh = still.length === moves.length ? 0 : this.#sparedWh(settled) - this.#sparedWh(this.settled(still));
    const cost = { needWh, sunWh, totalWh: needWh - sunWh };
    this.#known.set(key, cost);
    return cost;
  }

  settled(moves: readonly Move[]): Settled {
    return settle(applyMoves(this.job, this.optionId, moves), this.optionId);
  }

  /** Storage loss that demand under the sun does not have, Wh/day. */
  #sparedWh({ bus, roundTripEfficiency }: Settled): number {
    let wattMinutes = 0;
    for (let m = 0; m < MINUTES_PER_DAY; m++) {
      wattMinutes += Math.min(bus.busW[m] as number, this.#arrayW[m] as number);
    }
    return (wattMinutes / 60) * (1 / roundTripEfficiency - 1);
  }
}

function batteryWh({ bus, roundTripEfficiency }: Settled): number {
  let wattMinutes = 0;
  for (const w of bus.busW) wattMinutes += w;
  return wattMinutes / 60 / roundTripEfficiency;
}
