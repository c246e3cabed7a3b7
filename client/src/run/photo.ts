import { MAX_PHOTO_BYTES } from '@lintrel/core';

/** The longer side of a photo as it is kept, px: enough to see a bleed of a hair's width from a hand away. */
const LONGEST_SIDE = 1600;
const QUALITIES = [0.85, 0.7, 0.5, 0.3];

/** Asks for a photo, from the camera where there is one; null: none was taken. */
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
 * A photo as it is kept: a JPEG of a size that is sent in a moment. What a camera writes beside the picture, its place above all, is left out.
 * @returns null where the file is no picture
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
