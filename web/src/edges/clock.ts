/** The one timer and the one clock of the interface, so that tests can replace them. */
export interface Clock {
  now(): Date;
  /** Calls back after `ms`; the returned function cancels. */
  after(ms: number, call: () => void): () => void;
}

export const browserClock: Clock = {
  now: () => new Date(),
  after(ms, call) {
    const timer = setTimeout(call, ms);
    return () => clearTimeout(timer);
  },
};
