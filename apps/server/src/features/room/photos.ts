import { createHash } from 'node:crypto';
import { MOST_PHOTO_SIDE } from '@druckerei/core';
import type { SentEntries } from '@druckerei/contract';
import { pictureSize } from '@druckerei/formats';
import { notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Bench } from '../jobs/bench.js';

/** A photograph as it is kept: under the hash that its entry says. */
export interface Photo {
  readonly sha256: string;
  /** JPEG, base64. */
  readonly data: string;
}

type Sent = SentEntries['entries'][number];
const wrong = (message: string): { path: string; message: string }[] => [{ path: 'picture', message }];

/** What is wrong with what comes with an entry: a photograph with its picture, every other entry with none. */
export function photoFaults({ event, picture }: Sent): { path: string; message: string }[] {
  if (event.kind !== 'photo')
    return picture === undefined
      ? []
      : wrong($localize`This entry has no picture: only a photograph has one. Leave it away.`);
  if (picture === undefined) return wrong($localize`The picture is missing. Take it again.`);
  const bytes = Buffer.from(picture, 'base64');
  const size = pictureSize(bytes);
  if (size?.type !== 'jpg')
    return wrong($localize`This is no JPEG. Take the picture with the station, or save it as JPEG.`);
  if (Math.max(size.width, size.height) > MOST_PHOTO_SIDE)
    return wrong(
      $localize`It has ${size.width} × ${size.height} pixels; make it no larger than ${MOST_PHOTO_SIDE} either way.`,
    );
  return createHash('sha256').update(bytes).digest('hex') === event.sha256
    ? []
    : wrong($localize`The picture is not the one that its entry names: it was damaged on the way. Take it again.`);
}

/** The photograph of an entry that has passed {@link photoFaults}. */
export const photoOf = ({ event, picture }: Sent): Photo | undefined =>
  event.kind === 'photo' && picture !== undefined ? { sha256: event.sha256, data: picture } : undefined;

export const photoHandlers = ({ database }: Bench): Pick<Handlers, 'photo'> => ({
  photo: async ({ params }) => {
    const row = await database.one<{ data: string }>('room/photo', params.id, params.sha256);
    if (!row) throw notFound($localize`This photograph`);
    return Buffer.from(row.data, 'base64');
  },
});
