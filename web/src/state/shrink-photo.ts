import { MOST_PHOTO_BYTES } from '@apple-cart/contracts';

/** Longest edge at first, px, and the qualities that are tried before it is made smaller. */
const EDGE = 1920;
const QUALITIES = [0.85, 0.75, 0.65, 0.55] as const;
const SMALLER = 0.8;
const LEAST_EDGE = 320;

/** A size that fits an edge, in the same proportion. */
export function fitted(width: number, height: number, edge: number): readonly [number, number] {
  const scale = Math.min(1, edge / Math.max(width, height));
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
}

/**
 * Draws a picture anew as a JPEG of at most 400 kB: turned as it was taken, without the camera's data and the place in it.
 * @throws Error in words where the file is no picture that this browser can read
 */
export async function shrunk(file: Blob): Promise<Blob> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error('This file is no picture that this browser can read.');
  }
  try {
    for (let edge = EDGE; edge >= LEAST_EDGE; edge *= SMALLER) {
      const [width, height] = fitted(bitmap.width, bitmap.height, edge);
      const canvas = new OffscreenCanvas(width, height);
      canvas.getContext('2d')?.drawImage(bitmap, 0, 0, width, height);
      for (const quality of QUALITIES) {
        const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality });
        if (blob.size <= MOST_PHOTO_BYTES) return blob;
      }
    }
  } finally {
    bitmap.close();
  }
  throw new Error('This picture does not become small enough.');
}
