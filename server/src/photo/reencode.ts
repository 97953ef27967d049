import { type ChildProcess, fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { Problem } from '../errors.ts';
import type { Decoded, ToDecode } from './decoder.ts';

/** A photo as it is stored: JPEG, upright, without metadata. */
export interface Reencoded {
  readonly jpeg: Buffer;
  readonly width: number;
  readonly height: number;
}

/** ms a photo may take to decode; a phone's takes under one second. */
const DECODE_MS = 10_000;
/** ms after which a decoder that nobody needs is let go. */
const IDLE_MS = 60_000;
/** Photos that may wait for the decoder; each is up to 15 MB. */
const MOST_WAITING = 8;

/** Where the formats that may reach a decoder say who they are. GIF, SVG and all others are refused unread. */
const SIGNATURES: readonly { readonly at: number; readonly bytes: string }[][] = [
  [{ at: 0, bytes: '\xff\xd8\xff' }],
  [{ at: 0, bytes: '\x89PNG\r\n\x1a\n' }],
  [
    { at: 0, bytes: 'RIFF' },
    { at: 8, bytes: 'WEBP' },
  ],
];

const isPhoto = (bytes: Buffer): boolean =>
  SIGNATURES.some((marks) =>
    marks.every(({ at, bytes: mark }) => bytes.toString('latin1', at, at + mark.length) === mark),
  );

/**
 * Decodes photos in a process of its own, one after the other: what hangs or breaks there is ended there, and the
 * server goes on. The process is started when first needed and let go when idle.
 */
export class PhotoDecoder {
  #child: ChildProcess | null = null;
  #queue: Promise<unknown> = Promise.resolve();
  #waiting = 0;
  #idle: NodeJS.Timeout | undefined;

  async reencode(bytes: Buffer): Promise<Reencoded> {
    if (!isPhoto(bytes)) throw notAPhoto();
    if (this.#waiting >= MOST_WAITING)
      throw new Problem('too-many-requests', 'Other photos are being read; send this one again in a moment.');
    this.#waiting += 1;
    const turn = this.#queue.then(() => this.#decode(bytes));
    this.#queue = turn.catch(() => undefined).finally(() => (this.#waiting -= 1));
    return turn;
  }

  close(): void {
    clearTimeout(this.#idle);
    this.#child?.kill('SIGKILL');
    this.#child = null;
  }

  #decode(bytes: Buffer): Promise<Reencoded> {
    clearTimeout(this.#idle);
    const child = this.#child ?? this.#start();
    return new Promise<Reencoded>((resolve, reject) => {
      const settle = (answer: Decoded | null): void => {
        clearTimeout(late);
        child.off('message', settle);
        child.off('exit', lost);
        if (answer && 'jpeg' in answer) resolve({ ...answer, jpeg: Buffer.from(answer.jpeg) });
        else reject(answer?.tooLarge ? tooLarge() : notAPhoto());
        this.#idle = setTimeout(() => this.close(), IDLE_MS).unref();
      };
      const lost = () => {
        if (this.#child === child) this.#child = null;
        settle(null);
      };
      const late = setTimeout(() => this.close(), DECODE_MS);
      child.once('message', settle);
      child.once('exit', lost);
      child.send({ bytes } satisfies ToDecode, (error) => error && this.close());
    });
  }

  #start(): ChildProcess {
    this.#child = fork(fileURLToPath(new URL('./decoder.ts', import.meta.url)), [], {
      execArgv: ['--import', 'tsx', '--max-old-space-size=256'],
      serialization: 'advanced',
      stdio: 'ignore',
      // Nothing of the server's secrets is needed to read a picture.
      env: { PATH: process.env.PATH },
    });
    this.#child.unref();
    this.#child.channel?.unref();
    return this.#child;
  }
}

const notAPhoto = () =>
  new Problem('not-a-photo', 'Send a JPEG, PNG or WebP of at most 100 megapixels that opens in a viewer.');
const tooLarge = () => new Problem('not-a-photo', 'The photo cannot be made smaller than 1 MB.');
