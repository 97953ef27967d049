import { say } from './say.mjs';

/** ms before something that died is started again: doubled each time, up to the longest. */
const FIRST_MS = 500;
const LONGEST_MS = 30_000;
/** ms it must have lived for the next death to count as the first again. */
const HEALTHY_MS = 60_000;

/**
 * Keeps one process running: starts it again when it dies, after a wait that grows, saying so in one line.
 * @template {{ exited: Promise<number>, stop: () => Promise<void> }} T
 * @param {string} name what is said to have died
 * @param {T} first running already
 * @param {() => Promise<T>} start
 * @returns {{ stop: () => Promise<void>, lost: Promise<string> }} `lost` resolves with the reason when trying again
 *   would not help
 */
export function supervise(name, first, start) {
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
