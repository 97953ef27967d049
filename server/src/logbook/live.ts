/** What is recorded into logs, told to whoever watches. */
export type LiveReadings = readonly {
  readonly t: number;
  readonly instrument: string;
  readonly values: Readonly<Record<string, number>>;
}[];

export class Live {
  readonly #watchers = new Map<number, Set<(readings: LiveReadings) => void>>();

  /** @returns how to stop watching */
  watch(log: number, tell: (readings: LiveReadings) => void): () => void {
    const those = this.#watchers.get(log) ?? new Set();
    this.#watchers.set(log, those.add(tell));
    return () => {
      those.delete(tell);
      if (those.size === 0) this.#watchers.delete(log);
    };
  }

  tell(log: number, readings: LiveReadings): void {
    for (const tell of this.#watchers.get(log) ?? []) tell(readings);
  }
}
