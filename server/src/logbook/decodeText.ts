import { isUtf8 } from 'node:buffer';
import { Transform } from 'node:stream';

/** What a file without a declared character set is read as when it is not UTF-8: what Western spreadsheets write. */
const OTHER = 'windows-1252';
/** Bytes of a character that may be cut off at the end of a piece. */
const LONGEST_TAIL = 3;

/**
 * Bytes as text. A file whose beginning is not UTF-8 is read as Windows-1252, and said to be; one that is UTF-8 at its
 * beginning and not later is an error.
 * @param onOther told the character set when it is not UTF-8
 */
export function decodeText(onOther: (charset: string) => void): Transform {
  let decoder: InstanceType<typeof TextDecoder> | null = null;
  const begin = (piece: Buffer) => {
    const isFit = Array.from({ length: LONGEST_TAIL + 1 }, (_, cut) => piece.subarray(0, piece.length - cut)).some(
      (part) => isUtf8(part),
    );
    if (isFit) return new TextDecoder('utf-8', { fatal: true });
    onOther(OTHER);
    return new TextDecoder(OTHER);
  };
  return new Transform({
    readableObjectMode: true,
    transform(piece: Buffer, _encoding, done) {
      try {
        decoder ??= begin(piece);
        done(null, decoder.decode(piece, { stream: true }));
      } catch {
        done(new Error('it is UTF-8 at its beginning and something else further down'));
      }
    },
    flush(done) {
      try {
        done(null, decoder?.decode() ?? '');
      } catch {
        done(new Error('it breaks off in the middle of a character'));
      }
    },
  });
}
