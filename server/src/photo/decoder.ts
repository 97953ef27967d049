import sharp from 'sharp';

/**
 * The process that decodes photos: bytes in, a small upright JPEG without any metadata out, so that neither place
 * nor time nor the phone's name stay with it.
 */
export interface ToDecode {
  readonly bytes: Uint8Array;
}
export type Decoded =
  | { readonly jpeg: Uint8Array; readonly width: number; readonly height: number }
  | { readonly tooLarge: boolean };

/** The longer side of a stored photo, px: enough to read a nameplate. */
const LONGEST_PX = 1600;
const MOST_BYTES = 1_048_576;
const MOST_PIXELS = 100_000_000;
const DECODE_S = 8;

// Of all that the library can open, three formats are left: the others' parsers are never reached, whatever a file says it is.
sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({ operation: ['VipsForeignLoadJpegBuffer', 'VipsForeignLoadPngBuffer', 'VipsForeignLoadWebpBuffer'] });
sharp.cache(false);
sharp.concurrency(1);

async function decode(bytes: Uint8Array): Promise<Decoded> {
  for (const quality of [82, 60, 40]) {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .timeout({ seconds: DECODE_S })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality })
      .toBuffer({ resolveWithObject: true });
    if (data.length <= MOST_BYTES) return { jpeg: data, width: info.width, height: info.height };
  }
  return { tooLarge: true };
}

process.on('message', ({ bytes }: ToDecode) => {
  decode(bytes)
    .catch((): Decoded => ({ tooLarge: false }))
    .then((answer) => process.send?.(answer));
});
process.on('disconnect', () => process.exit(0));
process.send?.('ready');
