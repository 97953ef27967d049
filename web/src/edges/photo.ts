/** The longer side of a photo on its way to the server, px: a weak signal carries no more than it must. */
const LONGEST_PX = 1600;

/**
 * The photo no larger than is sent. It is redrawn here, which also drops the place it was taken at; what the browser
 * cannot draw stays as it is, and the server encodes it again in any case.
 */
export async function smaller(file: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
  if (!bitmap) return file;
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((resolve) => canvas.toBlob((drawn) => resolve(drawn ?? file), 'image/jpeg', 0.82));
}
