import { say } from './say.mjs';

/** ms before something that died is started again: doubled each time, up to the longest. */
const FIRST_MS = 500;
const LONGEST_MS = 30_000;
/** ms it must have lived for the next death to count as the first again. */
const HEALTHY_MS = 60_000;

/** ms between two questions whether it still answers, and how many in a row it may leave unanswered. */
const ASK_MS = 10_000;
const MOST_UNANSWERED = 3;

/**
 * Keeps one process running: starts it again when it dies, after a wait that grows, saying so in one line. One that
 * hangs is ended, and so dies.
 * @template {{ exited: Promise<number>, stop: () => Promise<void>, kill?: () => void }} T
 * @param {string} name what is said to have died
 * @param {T} first running already
 * @param {() => Promise<T>} start
 * @param {{ answers?: (running: T) => Promise<boolean>, askMs?: number }} [watch] how to tell that it hangs
 * @returns {{ stop: () => Promise<void>, lost: Promise<string> }} `lost` resolves with the reason when trying again
 *   would not help
 */
export function supervise(name, first, start, { answers, askMs = ASK_MS } = {}) {
  let current = first;
  let stopping = false;
  let wake = () => {};
  const pause = (ms) =>
    new Promise((resolve) => {
      const timer = setTimeout(resolve, ms);
      wake = () => {
        clearTimeout(timer);
        resolve(undefined);
      };
    });
  const watch = async () => {
    let wait = FIRST_MS;
    for (;;) {
      const began = Date.now();
      const code = await current.exited;
      if (stopping) return '';
      if (Date.now() - began > HEALTHY_MS) wait = FIRST_MS;
      let why = `ended (code ${code})`;
      for (let running = false; !running; ) {
        say(`${name} ${why}; started again in ${wait / 1000} s`);
        await pause(wait);
        if (stopping) return '';
        wait = Math.min(LONGEST_MS, wait * 2);
        try {
          current = await start();
          running = true;
        } catch (error) {
          if (error.hopeless) return error.message;
          why = `did not start: ${error.message.split('\n')[0]}`;
        }
        if (stopping) return '';
      }
      say(`${name} runs again`);
    }
  };
  const watching = watch();
  if (answers) void listen();
  async function listen() {
    let unanswered = 0;
    let asked = current;
    while (!stopping) {
      await new Promise((resolve) => setTimeout(resolve, askMs).unref());
      if (asked !== current) [asked, unanswered] = [current, 0];
      const answered = await answers(asked).catch(() => false);
      if (stopping || asked !== current) continue;
      unanswered = answered ? 0 : unanswered + 1;
      if (unanswered < MOST_UNANSWERED) continue;
      say(`${name} does not answer; it is ended`);
      unanswered = 0;
      asked.kill?.();
      // The next one has its own three.
      while (!stopping && asked === current) await new Promise((resolve) => setTimeout(resolve, askMs).unref());
    }
  }
  return {
    lost: watching.then((reason) => (reason === '' ? new Promise(() => {}) : reason)),
    stop: async () => {
      stopping = true;
      wake();
      await current.stop();
      await watching;
      await current.stop();
    },
  };
}
