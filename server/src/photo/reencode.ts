import { Problem } from '../errors.ts';
import { Helper } from '../helper.ts';
import type { Decoded, ToDecode } from './decoder.ts';

/** A photo as it is stored: JPEG, upright, without metadata. */
export interface Reencoded {
  readonly jpeg: Buffer;
  readonly width: number;
  readonly height: number;
}

/** ms a photo may take to decode; a phone's takes under one second. */
const DECODE_MS = 10_000;
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

/** Decodes photos in a process of its own, one after the other. */
export class PhotoDecoder {
  readonly #helper = new Helper<ToDecode, Decoded>(new URL('./decoder.ts', import.meta.url), DECODE_MS);

  async reencode(bytes: Buffer): Promise<Reencoded> {
    if (!isPhoto(bytes)) throw notAPhoto();
    if (this.#helper.waiting >= MOST_WAITING)
      throw new Problem('too-many-requests', 'Other photos are being read; send this one again in a moment.');
    const answer = await this.#helper.ask({ bytes });
    if (answer && 'jpeg' in answer) return { ...answer, jpeg: Buffer.from(answer.jpeg) };
    throw answer?.tooLarge ? tooLarge() : notAPhoto();
  }

  close(): void {
    this.#helper.close();
  }
}

const notAPhoto = () =>
  new Problem('not-a-photo', 'Send a JPEG, PNG or WebP of at most 100 megapixels that opens in a viewer.');
const tooLarge = () => new Problem('not-a-photo', 'The photo cannot be made smaller than 1 MB.');
