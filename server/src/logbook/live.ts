/** What is recorded into a log, told to whoever watches it, or all logs of its workspace. */
export interface LiveReadings {
  readonly workspace: string;
  /** Its id. */
  readonly log: string;
  readonly readings: readonly {
    readonly t: number;
    readonly instrument: string;
    readonly values: Readonly<Record<string, number>>;
  }[];
}

export class Live {
  readonly #watchers = new Set<(told: LiveReadings) => void>();

  /** @returns how to stop watching */
  watch(tell: (told: LiveReadings) => void): () => void {
    this.#watchers.add(tell);
    return () => this.#watchers.delete(tell);
  }

  tell(told: LiveReadings): void {
    for (const tell of this.#watchers) tell(told);
  }
}
