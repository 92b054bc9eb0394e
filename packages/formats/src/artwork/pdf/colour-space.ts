import {
  PDFArray,
  type PDFDict,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFRawStream,
  PDFStream,
  PDFString,
} from '@cantoo/pdf-lib';
import { unpack } from './unpack.js';

/** What is painted with: shares of inks by name, and whether it is told in colours that are no inks. */
export interface Paint {
  readonly inks: ReadonlyMap<string, number>;
  readonly rgb: boolean;
}

export const BLACK: Paint = { inks: new Map([['K', 1]]), rgb: false };
export const NOTHING: Paint = { inks: new Map(), rgb: false };
const RGB: Paint = { inks: new Map(), rgb: true };

/** Where colours come from: how many figures tell one, and what these come to. */
export interface ColourSpace {
  readonly figures: number;
  /** Before anything is told. */
  readonly first: Paint;
  paint(figures: readonly number[]): Paint;
  /** What a picture of it may hold. */
  readonly all: Paint;
}

/** How the process inks are called in a file. */
const PROCESS: Readonly<Record<string, string>> = { Cyan: 'C', Magenta: 'M', Yellow: 'Y', Black: 'K' };
/** No inks: marks on every plate, and what is on none. */
const NO_INKS = ['All', 'None'];
/** A job knows inks by so many signs. */
const LONGEST = 40;

/** The name of an ink as a job can hold it. */
export function inkName(name: PDFName): string {
  const bytes = name.asBytes();
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    text = new TextDecoder('latin1').decode(bytes);
  }
  const clean = text
    .replaceAll(/[\p{C}\s]+/gu, ' ')
    .trim()
    .slice(0, LONGEST)
    .trim();
  return PROCESS[clean] ?? (clean === '' ? 'without a name' : clean);
}

const inked = (names: readonly string[], shares: readonly number[]): Paint => {
  const inks = new Map<string, number>();
  names.forEach((name, i) => {
    const share = Math.min(1, Math.max(0, shares[i] ?? 0));
    if (share > 0 && !NO_INKS.includes(name)) inks.set(name, share);
  });
  return { inks, rgb: false };
};

/** Colours told as shares of inks. @param first share of each before anything is told */
const ofInks = (names: readonly string[], first: readonly number[]): ColourSpace => ({
  figures: names.length,
  first: inked(names, first),
  paint: (figures) => inked(names, figures),
  all: inked(
    names,
    names.map(() => 1),
  ),
});

export const CMYK = ofInks(['C', 'M', 'Y', 'K'], [0, 0, 0, 1]);
export const GREY: ColourSpace = {
  figures: 1,
  first: BLACK,
  paint: ([light = 0]) => inked(['K'], [1 - light]),
  all: BLACK,
};
/** White is bare paper however it is told; any other of these colours is separated on the way. */
const tristimulus = (isWhite: (figures: readonly number[]) => boolean): ColourSpace => ({
  figures: 3,
  first: RGB,
  paint: (figures) => (isWhite(figures) ? NOTHING : RGB),
  all: RGB,
});
export const RED_GREEN_BLUE = tristimulus((figures) => figures.every((one) => one >= 1));
const LAB = tristimulus(([light = 0]) => light >= 100);
/** A pattern brings its own colours. */
export const PATTERN: ColourSpace = { figures: 0, first: NOTHING, paint: () => NOTHING, all: NOTHING };

const PLAIN: Readonly<Record<string, ColourSpace>> = {
  DeviceGray: GREY,
  G: GREY,
  CalGray: GREY,
  DeviceCMYK: CMYK,
  CMYK,
  DeviceRGB: RED_GREEN_BLUE,
  RGB: RED_GREEN_BLUE,
  CalRGB: RED_GREEN_BLUE,
  Lab: LAB,
  Pattern: PATTERN,
};

const bytesOf = (table: PDFObject | undefined): Uint8Array => {
  if (table instanceof PDFString || table instanceof PDFHexString) return table.asBytes();
  return table instanceof PDFRawStream ? unpack(table) : new Uint8Array();
};

/** A table of colours: each figure stands for one of them. */
function indexed(base: ColourSpace, table: Uint8Array): ColourSpace {
  const size = Math.max(1, base.figures);
  const entry = (i: number): Paint =>
    base.paint(Array.from(table.subarray(i * size, (i + 1) * size), (byte) => byte / 255));
  const entries = Array.from({ length: Math.floor(table.length / size) }, (_, i) => entry(i));
  return {
    figures: 1,
    first: entries[0] ?? NOTHING,
    paint: ([i = 0]) => entries[Math.round(i)] ?? NOTHING,
    all: {
      inks: new Map(entries.flatMap(({ inks }) => [...inks])),
      rgb: entries.some(({ rgb }) => rgb),
    },
  };
}

const byFigures = (figures: number): ColourSpace => (figures === 4 ? CMYK : figures === 1 ? GREY : RED_GREEN_BLUE);
/** Spaces within spaces, at most. Source: common practice, no source. */
const DEEPEST = 8;

/**
 * A colour space by its name or its definition; what cannot be made out counts as colours that are no inks.
 * @param named spaces of the page, by name
 */
export function colourSpace(told: PDFObject | undefined, named: PDFDict | undefined, depth = 0): ColourSpace {
  if (depth > DEEPEST) return RED_GREEN_BLUE;
  if (told instanceof PDFName) {
    const name = told.decodeText();
    const own = named?.lookup(told);
    if (own !== undefined && own !== told) return colourSpace(own, named, depth + 1);
    return PLAIN[name] ?? RED_GREEN_BLUE;
  }
  if (!(told instanceof PDFArray)) return RED_GREEN_BLUE;
  const kind = told.lookup(0);
  const name = kind instanceof PDFName ? kind.decodeText() : '';
  const second = told.size() > 1 ? told.lookup(1) : undefined;
  switch (name) {
    case 'Separation':
      return second instanceof PDFName ? ofInks([inkName(second)], [1]) : RED_GREEN_BLUE;
    case 'DeviceN': {
      const names = second instanceof PDFArray ? second.asArray().filter((one) => one instanceof PDFName) : [];
      return ofInks(
        names.map(inkName),
        names.map(() => 1),
      );
    }
    case 'ICCBased': {
      const figures = second instanceof PDFStream ? second.dict.lookup(PDFName.of('N')) : undefined;
      return byFigures(figures instanceof PDFNumber ? figures.asNumber() : 3);
    }
    case 'Indexed':
    case 'I':
      return indexed(colourSpace(second, named, depth + 1), bytesOf(told.size() > 3 ? told.lookup(3) : undefined));
    case 'Pattern':
      return second === undefined ? PATTERN : colourSpace(second, named, depth + 1);
    default:
      return PLAIN[name] ?? RED_GREEN_BLUE;
  }
}
