import '../../../platform/speak-in-worker';
import { type Outcome, error } from '@druckerei/core';
import { type ReadArtwork, blobSource, readTiff } from '@druckerei/formats/artwork';
import { readPdf } from './read-pdf';
import { readPicture } from './read-picture';
import type { ZonesAnswer, ZonesQuestion } from './zones.messages';

const KINDS: readonly (readonly [kind: 'tiff' | 'picture' | 'pdf', starts: readonly number[]])[] = [
  ['tiff', [0x49, 0x49, 42, 0]],
  ['tiff', [0x4d, 0x4d, 0, 42]],
  ['picture', [0x89, 0x50, 0x4e, 0x47]],
  ['picture', [0xff, 0xd8, 0xff]],
  ['pdf', [0x25, 0x50, 0x44, 0x46]],
];

/** Reads by what the file is, whatever it is called. */
async function read({ file, page, limit, fonts }: ZonesQuestion): Promise<Outcome<ReadArtwork>> {
  const progress = (share: number): void => postMessage({ kind: 'progress', share } satisfies ZonesAnswer);
  const head = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  const kind = KINDS.find(([, starts]) => starts.every((byte, i) => head[i] === byte))?.[0];
  if (kind === 'tiff') return readTiff(blobSource(file), { limit, progress });
  if (kind === 'picture') return readPicture(file, { limit, progress });
  if (kind === 'pdf') return readPdf(file, page, fonts, { limit, progress });
  return { ok: false, issues: [error('artwork.kind', 'artwork', { name: file.name })] };
}

addEventListener('message', ({ data }: MessageEvent<ZonesQuestion>) => {
  void read(data).then((outcome) => postMessage({ kind: 'read', outcome } satisfies ZonesAnswer));
});
