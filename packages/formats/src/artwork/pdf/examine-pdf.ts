import {
  EncryptedPDFError,
  ParseSpeeds,
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFName,
  PDFNumber,
  type PDFPage,
  PDFRawStream,
} from '@cantoo/pdf-lib';
import { type ArtworkPages, type Outcome, inchToMm } from '@druckerei/core';
import { InkReader } from './page-inks.js';
import { Refused } from './refused.js';
import { refuseBombs, unpack } from './unpack.js';

/** Larger files and more pages are not read. Source: common practice, no source. */
const MOST_BYTES = 1 << 30;
const MOST_PAGES = 10_000;

const POINTS_PER_INCH = 72;
/** What a job keeps of a page at most: bleed, and inks. Source: common practice, no source. */
const MOST_BLEED_MM = 100;
const MOST_INKS = 64;

/** A page of a file as it was found. */
export interface ExaminedPage extends Omit<ArtworkPages, 'count' | 'totalInk'> {
  /** Most of all inks that a colour of the page has, its pictures left out. */
  readonly totalInk: number;
  readonly pictures: boolean;
}

interface Box {
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
  readonly top: number;
}
const boxOf = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }): Box => ({
  left: Math.min(x, x + width),
  bottom: Math.min(y, y + height),
  right: Math.max(x, x + width),
  top: Math.max(y, y + height),
});
const within = (box: Box, outer: Box): Box => ({
  left: Math.max(box.left, outer.left),
  bottom: Math.max(box.bottom, outer.bottom),
  right: Math.min(box.right, outer.right),
  top: Math.min(box.top, outer.top),
});

/** Trim and bleed of a page as it is read: the boxes lie in one another, whatever the file says. */
function sizeOf(
  page: PDFPage,
  number: number,
): Pick<ArtworkPages, 'widthMm' | 'heightMm' | 'bleedMm' | 'boundBleedMm'> {
  const unit = page.node.lookup(PDFName.of('UserUnit'));
  const mm = inchToMm((unit instanceof PDFNumber ? unit.asNumber() : 1) / POINTS_PER_INCH);
  const media = boxOf(page.getMediaBox());
  const trim = within(boxOf(page.getTrimBox()), media);
  const bleed = within(boxOf(page.getBleedBox()), media);
  const rounded = (value: number): number => Math.max(0, Math.round(value * 100) / 100);
  const [width, height] = [rounded((trim.right - trim.left) * mm), rounded((trim.top - trim.bottom) * mm)];
  if (!(width > 0 && height > 0)) throw new Refused('artwork.no-size', { page: number });
  const beyond = {
    left: trim.left - bleed.left,
    right: bleed.right - trim.right,
    bottom: trim.bottom - bleed.bottom,
    top: bleed.top - trim.top,
  };
  const turned = Math.abs(page.getRotation().angle % 180) === 90;
  const [upright, level] = turned
    ? [
        [beyond.top, beyond.bottom],
        [beyond.left, beyond.right],
      ]
    : [
        [beyond.left, beyond.right],
        [beyond.top, beyond.bottom],
      ];
  // A sheet with room for marks has no more bleed for that than anybody cuts.
  const beyondMm = (points: number): number => Math.min(MOST_BLEED_MM, rounded(points * mm));
  return {
    widthMm: turned ? height : width,
    heightMm: turned ? width : height,
    bleedMm: beyondMm(Math.min(...upright, ...level)),
    boundBleedMm: beyondMm(Math.min(Math.max(...upright), ...level)),
  };
}

function contentOf(page: PDFPage): Uint8Array[] {
  const told = page.node.Contents();
  const parts = told instanceof PDFArray ? told.asArray().map((one) => page.doc.context.lookup(one)) : [told];
  return parts.flatMap((part) => (part instanceof PDFRawStream ? [unpack(part)] : []));
}

function examinePage(page: PDFPage, number: number): ExaminedPage {
  const size = sizeOf(page, number);
  const resources = page.node.Resources();
  const { inks, rgb, totalInk, pictures } = InkReader.read(
    contentOf(page),
    resources instanceof PDFDict ? resources : undefined,
  );
  return { ...size, inks: [...inks].sort().slice(0, MOST_INKS), rgb, totalInk, pictures };
}

/** The marks of a PDF stand within so many bytes of its beginning and of its end. Source: common practice, no source. */
const EDGE = 1024;

/**
 * The pages of a PDF: trimmed size and bleed in millimetres, by their boxes, turn and unit, and the inks that they are
 * painted with. @param progress told a share 0..1. Issues: `artwork.*`. Source: ISO 32000 (standard).
 */
export const examinePdf = (file: File, progress?: (share: number) => void): Promise<Outcome<readonly ExaminedPage[]>> =>
  guarded(async () => {
    if (file.size > MOST_BYTES) throw new Refused('artwork.too-long', { megabytes: MOST_BYTES >> 20 });
    if (!(await file.slice(0, EDGE).text()).includes('%PDF-'))
      throw new Refused('artwork.pdf-wanted', { name: file.name });
    // Its reader would put together what is left, and tell of fewer pages than the file had.
    if (!(await file.slice(-EDGE).text()).includes('%%EOF')) throw new Refused('artwork.cut-off');
    const bytes = new Uint8Array(await file.arrayBuffer());
    refuseBombs(bytes);
    const options = { parseSpeed: ParseSpeeds.Fastest, updateMetadata: false };
    const pages = (await PDFDocument.load(bytes, options)).getPages();
    if (pages.length === 0) throw new Refused('artwork.no-pages');
    if (pages.length > MOST_PAGES)
      throw new Refused('artwork.too-many-pages', { pages: pages.length, most: MOST_PAGES });
    return pages.map((page, i) => {
      progress?.(i / pages.length);
      return examinePage(page, i + 1);
    });
  });

async function guarded<T>(read: () => Promise<T>): Promise<Outcome<T>> {
  try {
    return { ok: true, value: await read() };
  } catch (thrown) {
    if (thrown instanceof Refused) return { ok: false, issues: [thrown.issue] };
    if (thrown instanceof EncryptedPDFError) return { ok: false, issues: [new Refused('artwork.encrypted').issue] };
    const why = thrown instanceof Error ? thrown.message : String(thrown);
    return { ok: false, issues: [new Refused('artwork.unreadable', { why: why.slice(0, 120) }).issue] };
  }
}
