import type { Job } from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import { type SettledDay, settleDay } from '../settle/day.ts';
import { sparedWh } from '../sources/spared.ts';
import { applyMoves, type Move } from './move.ts';

/** What a job with some moves made costs the store a day, Wh. */
export interface Cost {
  /** Given to the store, as if all passed through it: the figure that everything is sized by. */
  readonly needWh: number;
  /** Storage loss spared, on a day with sun, by what was shifted into it. */
  readonly sunWh: number;
  /** needWh − sunWh: what the moves are ranked by. */
  readonly totalWh: number;
  /** Rating of all inverters together, W, and the minutes a day that they are on, added up. */
  readonly invertersW: number;
  readonly inverterOnMin: number;
  /** Copper of the runs that are laid, kg. */
  readonly copperKg: number;
}

/**
 * Reckons sets of moves on one job. Everything else stays as it is: sizes chosen stay chosen, sizes left to the
 * program follow the loads; the array is the one of the job as it stands. A set once reckoned is remembered.
 */
export class MoveCosts {
  readonly job: Job;
  readonly optionId: string;
  readonly #arrayW: Float64Array;
  readonly #effort: number;
  readonly #known = new Map<string, Cost>();
  readonly #spared = new Map<string, number>();
  readonly #days = new Map<string, SettledDay>();

  /**
   * @param arrayW W that the array gives in each minute of the day
   * @param effort what the searches of each day may cost
   */
  constructor(job: Job, optionId: string, arrayW: Float64Array, effort = Number.POSITIVE_INFINITY) {
    this.job = job;
    this.optionId = optionId;
    this.#arrayW = arrayW;
    this.#effort = effort;
  }

  of(moves: readonly Move[]): Cost {
    const key = keyOf(moves);
    const known = this.#known.get(key);
    if (known) return known;
    const settled = this.settled(moves);
    const needWh = batteryWh(settled);
    const still = moves.filter(({ kind }) => kind !== 'into-sun');
    const sunWh = still.length === moves.length ? 0 : this.#sparedWh(settled) - this.#sparedWithoutShift(still);
    const cost = {
      needWh,
      sunWh,
      totalWh: needWh - sunWh,
      invertersW: settled.inverters.reduce((sum, { ratingW }) => sum + ratingW, 0),
      inverterOnMin: settled.bus.devices.reduce(
        (sum, { onMin, feed }) => sum + (feed.device.kind === 'inverter' ? onMin : 0),
        0,
      ),
      copperKg: settled.leads?.kg ?? 0,
    };
    this.#known.set(key, cost);
    return cost;
  }

  /** The whole day with these moves; remembered only for a single one, since a day is large. */
  settled(moves: readonly Move[]): SettledDay {
    const only = moves.length < 2 ? (moves[0]?.id ?? '') : null;
    const known = only === null ? undefined : this.#days.get(only);
    if (known) return known;
    const made = settleDay(applyMoves(this.job, this.optionId, moves), this.optionId, new Effort(this.#effort));
    if (only !== null) this.#days.set(only, made);
    return made;
  }

  /** Storage loss that demand under the sun does not have, Wh/day. */
  #sparedWh({ bus, roundTripEfficiency }: SettledDay): number {
    return sparedWh(bus.busW, this.#arrayW, roundTripEfficiency);
  }

  /** The same without what is shifted, remembered: many shifts are reckoned beside the same ticked moves. */
  #sparedWithoutShift(still: readonly Move[]): number {
    const key = keyOf(still);
    const known = this.#spared.get(key);
    if (known !== undefined) return known;
    const made = this.#sparedWh(this.settled(still));
    this.#spared.set(key, made);
    return made;
  }
}

const keyOf = (moves: readonly Move[]): string =>
  moves
    .map(({ id }) => id)
    .sort()
    .join('\n');

function batteryWh({ bus, roundTripEfficiency }: SettledDay): number {
  let wattMinutes = 0;
  for (const w of bus.busW) wattMinutes += w;
  return wattMinutes / 60 / roundTripEfficiency;
}
