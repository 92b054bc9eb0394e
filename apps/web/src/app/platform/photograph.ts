import { MOST_PHOTO_BYTES, MOST_PHOTO_SIDE } from '@druckerei/core';
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex } from '@noble/hashes/utils';

/** A picture as the book takes it. */
export interface Photograph {
  readonly sha256: string;
  /** JPEG, base64. */
  readonly picture: string;
}

/** Qualities that a picture is tried with, the best first. */
const QUALITIES = [0.85, 0.7, 0.5, 0.3];
const MEDIA = 'image/jpeg';

const jpegOf = (canvas: HTMLCanvasElement, quality: number): Promise<Blob | null> =>
  new Promise((resolve) => canvas.toBlob(resolve, MEDIA, quality));

/** Bytes in base64; in parts, since so many cannot be told at once. */
function base64(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(text);
}

/**
 * A picture of the camera or a file, made as small as the book takes it: no side longer than it may be, saved as JPEG. What the camera
 * wrote beside it, such as where it was, is left out. Undefined where it is no picture, or cannot be made so small.
 */
export async function photographOf(file: Blob): Promise<Photograph | undefined> {
  const image = await createImageBitmap(file).catch(() => undefined);
  if (!image) return undefined;
  const scale = Math.min(1, MOST_PHOTO_SIDE / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  const drawing = canvas.getContext('2d');
  if (!drawing) return undefined;
  // What is see-through lies on paper.
  drawing.fillStyle = '#fff';
  drawing.fillRect(0, 0, canvas.width, canvas.height);
  drawing.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  for (const quality of QUALITIES) {
    const jpeg = await jpegOf(canvas, quality);
    if (jpeg?.type !== MEDIA) return undefined;
    if (jpeg.size > MOST_PHOTO_BYTES) continue;
    const bytes = new Uint8Array(await jpeg.arrayBuffer());
    return { sha256: bytesToHex(sha256(bytes)), picture: base64(bytes) };
  }
  return undefined;
}

/** A picture that is still on this device, as an image shows it. */
export const pictureUrl = (picture: string): string => `data:${MEDIA};base64,${picture}`;
