/** Something that is switched on: what it then draws, and what it draws more while it starts, in one unit. */
export interface Starter {
  readonly id: string;
  readonly size: number;
  readonly startExtra: number;
}

export interface StartStep {
  readonly id: string;
  readonly before: number;
  readonly peak: number;
  readonly after: number;
}

export interface StartOrder {
  readonly steps: readonly StartStep[];
  readonly peak: number;
  /**
   * Why no order peaks lower: whichever of these starts last has all the others running and a start at least as
   * large as the smallest of theirs.
   */
  readonly because: readonly string[];
}

/**
 * The order in which to switch things on so that the highest moment is as low as it can be: largest
 * (start − run) first. Exchange argument: of two neighbours, starting the larger extra second is never lower.
 */
export function bestStartOrder(starters: readonly Starter[]): StartOrder {
  const { steps, peak } = staircase([...starters].sort((a, b) => b.startExtra - a.startExtra));
  const at = steps.findIndex((step) => step.peak === peak);
  return { steps, peak, because: steps.slice(0, at + 1).map(({ id }) => id) };
}

/** What each start reaches when they are switched on in the order given. */
export function staircase(order: readonly Starter[]): { readonly steps: readonly StartStep[]; readonly peak: number } {
  let running = 0;
  let peak = 0;
  const steps = order.map(({ id, size, startExtra }) => {
    const before = running;
    running += size;
    peak = Math.max(peak, running + startExtra);
    return { id, before, peak: running + startExtra, after: running };
  });
  return { steps, peak };
}

/** The highest moment of the worst order: the largest start last, on top of all the rest. */
export function worstOrderPeak(starters: readonly Starter[]): number {
  const all = starters.reduce((sum, { size }) => sum + size, 0);
  return all + Math.max(0, ...starters.map(({ startExtra }) => startExtra));
}

/** What they reach if all start in the same instant, as when the power comes back. */
export function allAtOnce(starters: readonly Starter[]): number {
  return starters.reduce((sum, { size, startExtra }) => sum + size + startExtra, 0);
}
