/** A file that can be read in places, wherever it lies: a Blob in the browser, a file handle on disk, bytes in a test. */
export interface ByteSource {
  readonly size: number;
  /** Bytes from `offset` on; fewer where the file ends before. */
  read(offset: number, length: number): Promise<ArrayBuffer>;
}

export const blobSource = (blob: Blob): ByteSource => ({
  size: blob.size,
  read: (offset, length) => {
    const [from, to] = [offset, offset + length].map((place) => Math.max(0, Math.min(blob.size, place || 0)));
    return blob.slice(from, to).arrayBuffer();
  },
});
