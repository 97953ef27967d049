import sharp from 'sharp';
import { Problem } from './errors.ts';

/** The longer side of a stored photo, px: enough to read a nameplate. */
const LONGEST_PX = 1600;
const MOST_BYTES = 1_048_576;

/**
 * Decodes a photo and encodes it anew as JPEG: turned upright, no larger than needed, and without any metadata,
 * so that neither place nor time nor the phone's name stay with it.
 */
export async function reencode(bytes: Buffer): Promise<{ jpeg: Buffer; width: number; height: number }> {
  for (const quality of [82, 60, 40]) {
    const { data, info } = await sharp(bytes, { limitInputPixels: 100_000_000, failOn: 'error' })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality })
      .toBuffer({ resolveWithObject: true })
      .catch(() => {
        throw new Problem('not-a-photo', 'Send a JPEG, PNG or WebP of at most 100 megapixels.');
      });
    if (data.length <= MOST_BYTES) return { jpeg: data, width: info.width, height: info.height };
  }
  throw new Problem('not-a-photo', 'The photo cannot be made smaller than 1 MB.');
}
