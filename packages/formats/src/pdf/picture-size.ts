import { imageSize } from 'image-size';

/** Pixels and kind of a picture by its own bytes; undefined where it is none. */
export function pictureSize(
  bytes: Uint8Array,
): { readonly width: number; readonly height: number; readonly type?: string | undefined } | undefined {
  try {
    return imageSize(bytes);
  } catch {
    // Bytes that are no picture of any kind it knows.
    return undefined;
  }
}
