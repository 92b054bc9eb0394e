import type { Content } from 'pdfmake/interfaces.js';
import { pictureSize } from '../pdf/picture-size.js';
import { renderPdf } from '../pdf/render.js';

/** What stands at the head of a paper that leaves the works. */
export interface Letterhead {
  readonly name: string;
  readonly place?: string | undefined;
  /** Lines under the name: address, bank, numbers of the register. */
  readonly letterhead?: string | undefined;
  /** A picture as a data URL: PNG or JPEG, looked at by {@link pictureOf} before it was kept. */
  readonly logo?: string | undefined;
}

/** Room of a logo on paper, points. */
const LOGO_FIT: [number, number] = [170, 64];
/** Most pixels of a side: a sheet of a logo's room at a thousand dots an inch has fewer. */
export const MOST_LOGO_SIDE = 3_000;
const MEDIA: Readonly<Record<string, string>> = { png: 'image/png', jpg: 'image/jpeg' };

/** The head itself. */
export const letterhead = ({ name, place, letterhead: lines, logo }: Letterhead): Content => ({
  columns: [
    {
      stack: [
        { text: [name, place].filter(Boolean).join('  |  '), style: 'quiet' },
        ...(lines ? [{ text: lines, style: 'small', preserveLeadingSpaces: true }] : []),
      ],
    },
    ...(logo ? [{ image: logo, fit: LOGO_FIT, alignment: 'right' as const, width: LOGO_FIT[0] }] : []),
  ],
});

/**
 * What a picture is, by its own bytes: a data URL of a PNG or JPEG, or why it cannot stand on a letterhead, in words. Whether the
 * rest of it can be drawn is seen by {@link letterheadPdf}.
 */
export function pictureOf(bytes: Uint8Array): { readonly logo: string } | { readonly wrong: string } {
  const size = pictureSize(bytes);
  const media = MEDIA[size?.type ?? ''];
  if (size === undefined || media === undefined) return { wrong: $localize`This is neither a PNG nor a JPEG.` };
  if (Math.max(size.width, size.height) > MOST_LOGO_SIDE)
    return {
      wrong: $localize`It has ${size.width} × ${size.height} pixels; make it no larger than ${MOST_LOGO_SIDE} either way.`,
    };
  return { logo: `data:${media};base64,${Buffer.from(bytes).toString('base64')}` };
}

/** A page with the head alone: throws where the logo cannot be drawn. */
export const letterheadPdf = (works: Letterhead): Promise<Buffer> =>
  renderPdf({ info: { title: $localize`Letterhead` }, content: [letterhead(works)] }, new Date(0));
