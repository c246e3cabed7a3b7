import { MAX_PHOTO_BYTES } from '@lintrel/core';

/** Longer side of a stored photo, px: enough to see a hair-wide bleed at arm's length. */
const LONGEST_SIDE = 1600;
const QUALITIES = [0.85, 0.7, 0.5, 0.3];

/** Asks for a photo, from the camera if there is one; null if cancelled. */
export function askForPhoto(): Promise<File | null> {
  return new Promise((taken) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = 'image/*';
    input.setAttribute('capture', 'environment');
    input.style.display = 'none';
    const end = (file: File | null) => {
      input.remove();
      taken(file);
    };
    input.addEventListener('change', () => end(input.files?.[0] ?? null));
    input.addEventListener('cancel', () => end(null));
    document.body.append(input);
    input.click();
  });
}

/**
 * Converts a photo to a JPEG that is sent quickly. Metadata, above all the location, is removed.
 * @returns null if the file is no image
 */
export async function asKept(file: Blob): Promise<Blob | null> {
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap) return null;
  const share = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * share));
  canvas.height = Math.max(1, Math.round(bitmap.height * share));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  for (const quality of QUALITIES) {
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', quality));
    if (blob && blob.size <= MAX_PHOTO_BYTES) return blob;
  }
  return null;
}
