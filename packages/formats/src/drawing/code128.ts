import bwipjs from 'bwip-js';

/** A Code 128 bar code as SVG (ISO/IEC 15417), readable text left to the document. Text is printable ASCII. */
export const code128Svg = (text: string): string =>
  bwipjs.toSVG({ bcid: 'code128', text, height: 10, includetext: false });

/** Whether a bar code can hold the text: printable ASCII, at most 48 characters (longer ones do not fit the paper). */
export const isCodable = (text: string): boolean => /^[\x20-\x7e]{1,48}$/.test(text);
