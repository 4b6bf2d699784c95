/** A photograph made small enough to send from the wheel: longest side 1600 px, JPEG. */
import { PHOTO_TYPES } from '@zephyrcombe/contract';

const LONGEST_px = 1600;
const QUALITY = 0.85;

/** Width and height that keep the picture's shape within the longest side; small pictures stay as they are. */
export function fitted(
  width_px: number,
  height_px: number,
  longest_px = LONGEST_px,
): readonly [number, number] {
  const scale = Math.min(1, longest_px / Math.max(width_px, height_px));
  return [Math.max(1, Math.round(width_px * scale)), Math.max(1, Math.round(height_px * scale))];
}

/** The bytes to send. Throws with a sentence when the file is no picture that this browser can read. */
export async function shrunk(file: Blob): Promise<Blob> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error('That file is not a picture this device can open. Take a JPEG or PNG.');
  }
  const [width, height] = fitted(bitmap.width, bitmap.height);
  const isSmall = width === bitmap.width && file.size < 700_000;
  if (isSmall && (PHOTO_TYPES as readonly string[]).includes(file.type)) {
    bitmap.close();
    return file;
  }
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return new Promise((resolve, reject) => {
    canvas.toBlob(
      (blob) =>
        blob ? resolve(blob) : reject(new Error('The picture could not be made smaller. Try another one.')),
      'image/jpeg',
      QUALITY,
    );
  });
}
