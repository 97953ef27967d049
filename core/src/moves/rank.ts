import type { Job } from '../job/schema.ts';
import { settledWithin } from '../settle/settle.ts';
import { averageSavingWh } from './average.ts';
import { movesOf } from './candidates.ts';
import { MoveCosts } from './cost.ts';
import { excludes, type Move } from './move.ts';
import { type MoveWords, wordsOfMove } from './words.ts';
import { type Saved, type Worth, worthOf } from './worth.ts';

/** A move with what it saves in this very job. */
export interface RankedMove {
  readonly move: Move;
  readonly words: MoveWords;
  /** Wh/day it saves alone, everything else unchanged; below 0 it costs. */
  readonly savedWh: number;
  /** Wh/day it saves beside the ticked ones; of a ticked one, what would be lost again without it. */
  readonly besideWh: number;
  /** Wh/day by the average efficiency of its chain, the way it is usually reckoned; null when there is no such figure. */
  readonly averageWh: number | null;
  /** Hours a day that inverters are on less because of it. */
  readonly onLessH: number;
  /** What `besideWh` is worth. */
  readonly worth: Worth;
}

export interface Sequence {
  /** The best first, each re-evaluated after the ones before; as long as another saves something. */
  readonly steps: readonly { readonly id: string; readonly savedWh: number; readonly needWh: number }[];
}

export interface Ranking {
  readonly needWh: number;
  /** Wh/day the ticked moves save together. */
  readonly tickedWh: number;
  readonly tickedWorth: Worth;
  /** How many moves were reckoned; those that save nothing are not listed. */
  readonly reckoned: number;
  readonly moves: readonly RankedMove[];
}

/** Wh/day below which a move is not worth a line. */
const WORTH_A_LINE_WH = 0.5;

/** What the questions about one option's moves go on from; sets once reckoned are remembered in it. */
export type Prepared = ReturnType<typeof prepareMoves>;

/** The moves of one option and their costs, with the array it has. @param effort what the searches of each day may cost */
export function prepareMoves(job: Job, optionId: string, effort = Number.POSITIVE_INFINITY) {
  const settled = settledWithin(job, optionId, effort);
  const arrayW = settled.brings.sunW;
  const costs = new MoveCosts(job, optionId, arrayW, effort);
  return { job, settled, costs, moves: onlyBestOf(movesOf(settled), costs) };
}

/** Of the ways to cut the list for a second inverter only the one that saves most stays. */
function onlyBestOf(moves: readonly Move[], costs: MoveCosts): Move[] {
  const cuts = moves.filter(({ kind }) => kind === 'second-inverter');
  const best = cuts.reduce<Move | null>(
    (found, cut) => (found && costs.of([found]).totalWh <= costs.of([cut]).totalWh ? found : cut),
    null,
  );
  return moves.filter((move) => move.kind !== 'second-inverter' || move === best);
}

/** Every move alone and beside the ticked ones, the best first. */
export function rankMoves({ job, settled, costs, moves }: Prepared, tickedIds: readonly string[]): Ranking {
  const ticked = moves.filter(({ id }) => tickedIds.includes(id));
  const base = costs.of([]);
  const now = costs.of(ticked);
  const ranked = moves.map((move): RankedMove => {
    const alone = costs.of([move]);
    const savedWh = base.totalWh - alone.totalWh;
    const others = ticked.filter(({ id }) => id !== move.id);
    const compatible = others.filter((other) => !excludes(other, move));
    // Of a ticked move, what would be lost again without it; of another, what it adds to them.
    const [without, withIt] = others.length < ticked.length ? [others, ticked] : [ticked, [...compatible, move]];
    const beside = difference(costs, without, withIt);
    const averageWh = averageSavingWh(settled, costs.settled([move]), move);
    const onLessH = (base.inverterOnMin - alone.inverterOnMin) / 60;
    return {
      move,
      savedWh,
      besideWh: beside.totalWh,
      averageWh,
      onLessH,
      words: wordsOfMove(move, job, { savedWh, averageWh, onLessH }),
      worth: worthOf(settled, job, beside, move.id),
    };
  });
  const tickedWh = base.totalWh - now.totalWh;
  return {
    needWh: base.totalWh,
    tickedWh,
    tickedWorth: worthOf(settled, job, difference(costs, [], ticked), null),
    reckoned: moves.length,
    moves: ranked
      .filter(({ savedWh, move }) => savedWh > WORTH_A_LINE_WH || tickedIds.includes(move.id))
      .sort((a, b) => b.savedWh - a.savedWh),
  };
}

/** What one set of moves saves over another. */
function difference(costs: MoveCosts, without: readonly Move[], withThem: readonly Move[]): Saved {
  const before = costs.of(without);
  const after = costs.of(withThem);
  return {
    totalWh: before.totalWh - after.totalWh,
    needWh: before.needWh - after.needWh,
    invertersW: before.invertersW - after.invertersW,
    copperKg: before.copperKg - after.copperKg,
  };
}

/** Greedy: the best move first, then the best beside it, and so on. */
export const bestSequence = ({ costs, moves }: Prepared): Sequence => greedy(costs, moves);

function greedy(costs: MoveCosts, moves: readonly Move[]): Sequence {
  const steps: { id: string; savedWh: number; needWh: number }[] = [];
  let made: Move[] = [];
  for (;;) {
    const before = costs.of(made).totalWh;
    const open = moves.filter((move) => !made.includes(move) && !made.some((other) => excludes(other, move)));
    const best = open.reduce<{ move: Move; needWh: number } | null>((found, move) => {
      const needWh = costs.of([...made, move]).totalWh;
      return found && found.needWh <= needWh ? found : { move, needWh };
    }, null);
    if (!best || before - best.needWh <= WORTH_A_LINE_WH) return { steps };
    made = [...made, best.move];
    steps.push({ id: best.move.id, savedWh: before - best.needWh, needWh: best.needWh });
  }
}

/** The most moves of which every subset is tried. */
export const EXACT_LIMIT = 12;

export interface BestSets {
  /** Ids that were combined: the best alone, at most `EXACT_LIMIT`. */
  readonly candidates: readonly string[];
  /** For one move, two, three …: the set that saves most, of all sets of that size, Wh/day. */
  readonly bySize: readonly { readonly ids: readonly string[]; readonly savedWh: number }[];
}

/** How many subsets are reckoned between two looks at whether anyone still wants to know. */
const SUBSETS_A_STEP = 32;

/**
 * The exactly best set of each size among the most promising moves: every subset is reckoned. Shows whether the
 * greedy order is the best. Yields the share done, 0…1, so that a worker can be interrupted.
 */
export function* bestSetsInSteps({ costs, moves }: Prepared): Generator<number, BestSets> {
  const baseWh = costs.of([]).totalWh;
  const saving = (move: Move) => baseWh - costs.of([move]).totalWh;
  // What the greedy order takes, which some moves enter only beside others, then the best alone.
  const taken = greedy(costs, moves).steps.map(({ id }) => id);
  const rank = ({ id }: Move) => (taken.includes(id) ? taken.indexOf(id) : taken.length);
  const candidates = moves
    .filter((move) => taken.includes(move.id) || saving(move) > WORTH_A_LINE_WH)
    .sort((a, b) => rank(a) - rank(b) || saving(b) - saving(a))
    .slice(0, EXACT_LIMIT);
  const best: { ids: readonly string[]; savedWh: number }[] = [];
  const subsets = 2 ** candidates.length;
  for (let mask = 1; mask < subsets; mask++) {
    if (mask % SUBSETS_A_STEP === 0) yield mask / subsets;
    const set = candidates.filter((_, i) => mask & (1 << i));
    if (set.some((a, i) => set.slice(i + 1).some((b) => excludes(a, b)))) continue;
    const savedWh = baseWh - costs.of(set).totalWh;
    const found = best[set.length - 1];
    if (!found || savedWh > found.savedWh) best[set.length - 1] = { ids: set.map(({ id }) => id), savedWh };
  }
  return { candidates: candidates.map(({ id }) => id), bySize: best };
}
