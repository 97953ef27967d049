import { type ChildProcess, fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** ms after which an idle helper is let go. */
const IDLE_MS = 60_000;
/** ms in which the program must say that it is ready: starting is no part of the work, and slow on a busy machine. */
const START_MS = 60_000;

/**
 * A process of its own for one kind of work, one piece after the other: what takes too long, hangs or breaks there is
 * ended there, and the server goes on. Started when first needed, let go when idle. It gets none of the server's
 * secrets.
 */
export class Helper<Ask extends object, Answer extends object> {
  readonly #file: string;
  readonly #longestMs: number;
  #child: ChildProcess | null = null;
  /** Whether the program came up. */
  #ready: Promise<boolean> = Promise.resolve(false);
  #queue: Promise<unknown> = Promise.resolve();
  #waiting = 0;
  #idle: NodeJS.Timeout | undefined;

  /** @param file the program: it says `ready` once, then answers each message with one */
  constructor(file: URL, longestMs: number) {
    this.#file = fileURLToPath(file);
    this.#longestMs = longestMs;
  }

  /** Pieces of work that wait or are under way. */
  get waiting(): number {
    return this.#waiting;
  }

  /** The answer; null when it was lost or took too long. */
  async ask(question: Ask): Promise<Answer | null> {
    this.#waiting += 1;
    const turn = this.#queue.then(() => this.#run(question));
    this.#queue = turn
      .catch(() => undefined)
      .finally(() => {
        this.#waiting -= 1;
      });
    return turn;
  }

  close(): void {
    clearTimeout(this.#idle);
    this.#child?.kill('SIGKILL');
    this.#child = null;
  }

  async #run(question: Ask): Promise<Answer | null> {
    clearTimeout(this.#idle);
    const child = this.#child ?? this.#start();
    if (!(await this.#ready)) return null;
    return new Promise((resolve) => {
      const settle = (answer: Answer | null): void => {
        clearTimeout(late);
        child.off('message', settle);
        child.off('exit', lost);
        this.#idle = setTimeout(() => this.close(), IDLE_MS).unref();
        resolve(answer);
      };
      const lost = () => {
        if (this.#child === child) this.#child = null;
        settle(null);
      };
      const late = setTimeout(() => this.close(), this.#longestMs);
      child.once('message', settle);
      child.once('exit', lost);
      child.send(question, (error) => error && this.close());
    });
  }

  #start(): ChildProcess {
    const child = fork(this.#file, [], {
      execArgv: ['--import', 'tsx', '--max-old-space-size=256'],
      serialization: 'advanced',
      stdio: 'ignore',
      env: { PATH: process.env.PATH },
    });
    child.unref();
    child.channel?.unref();
    this.#child = child;
    this.#ready = new Promise((resolve) => {
      const settle = (isUp: boolean): void => {
        clearTimeout(late);
        if (!isUp && this.#child === child) this.#child = null;
        resolve(isUp);
      };
      const late = setTimeout(() => child.kill('SIGKILL'), START_MS).unref();
      child.once('message', () => settle(true));
      child.once('exit', () => settle(false));
    });
    return child;
  }
}
