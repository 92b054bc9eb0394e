import { PDFDict, PDFName, type PDFObject, PDFRawStream, PDFStream } from '@cantoo/pdf-lib';
import { type ColourSpace, type Paint, BLACK, CMYK, GREY, RED_GREEN_BLUE, colourSpace } from './colour-space.js';
import { type Operand, ContentReader } from './content-reader.js';
import { Refused } from './refused.js';
import { unpack } from './unpack.js';

/** What a page is painted with. */
export interface PageInks {
  readonly inks: Set<string>;
  rgb: boolean;
  /** Most of all inks that one colour of the page has; pictures are not in it. */
  totalInk: number;
  /** It has pictures or shadings, whose colours are not told one by one. */
  pictures: boolean;
}

/** Forms within forms, at most. Source: common practice, no source. */
const DEEPEST = 24;
/** Operators of one page; more is no page but an attack on its reader. Source: common practice, no source. */
const MOST_OPERATORS = 20_000_000;

interface Pen {
  readonly space: ColourSpace;
  readonly paint: Paint;
  /** A pattern in place of a colour. */
  readonly pattern?: PDFObject | undefined;
}
interface State {
  fill: Pen;
  stroke: Pen;
  textMode: number;
}

const BLACK_PEN: Pen = { space: GREY, paint: BLACK };
/** Ways of setting text that fill it, and that draw its outline. */
const FILLED_TEXT = [0, 2, 4, 6];
const OUTLINED_TEXT = [1, 2, 5, 6];

const FILLS = new Set(['f', 'F', 'f*', 'B', 'B*', 'b', 'b*']);
const STROKES = new Set(['S', 's', 'B', 'B*', 'b', 'b*']);
const TEXTS = new Set(['Tj', 'TJ', "'", '"']);
const PLAIN_COLOURS: Readonly<Record<string, ColourSpace>> = { g: GREY, rg: RED_GREEN_BLUE, k: CMYK };

const numbers = (operands: readonly Operand[]): number[] =>
  operands.filter((one): one is number => typeof one === 'number');
const nameOf = (operand: Operand | undefined): PDFName | undefined =>
  typeof operand === 'string' ? PDFName.of(operand.slice(1)) : undefined;

/** Reads what pages are painted with: fills, outlines, text, pictures, shadings and patterns, in nested forms as well. */
export class InkReader {
  private readonly found: PageInks = { inks: new Set(), rgb: false, totalInk: 0, pictures: false };
  /** Forms that were gone through with the colours that they came with. */
  private readonly done = new Set<string>();
  private operators = 0;
  private readonly ids = new Map<PDFObject, number>();

  /** @throws Refused where the page is made to keep its reader busy. */
  static read(content: readonly Uint8Array[], resources: PDFDict | undefined): PageInks {
    const reader = new InkReader();
    const state = { fill: BLACK_PEN, stroke: BLACK_PEN, textMode: 0 };
    reader.run(joined(content), resources, state, 0);
    return reader.found;
  }

  private run(bytes: Uint8Array, resources: PDFDict | undefined, from: State, depth: number): void {
    const reader = new ContentReader(bytes);
    const kept: State[] = [];
    let state = { ...from };
    for (let operator = reader.next(); operator !== undefined; operator = reader.next()) {
      if (++this.operators > MOST_OPERATORS) throw new Refused('artwork.too-much', { most: MOST_OPERATORS });
      const { operands } = reader;
      if (operator === 'q') {
        // What is never taken back is not kept for ever.
        if (kept.length < 1000) kept.push({ ...state });
      } else if (operator === 'Q') state = kept.pop() ?? state;
      else if (operator === 'Tr') state.textMode = numbers(operands)[0] ?? 0;
      else if (operator === 'BI') this.inlinePicture(reader.picture(), resources, state);
      else if (operator === 'Do') this.object(nameOf(operands[0]), resources, state, depth);
      else if (operator === 'sh') this.shading(lookup(resources, 'Shading', nameOf(operands[0])), resources);
      else if (!this.colour(operator, operands, resources, state)) this.painted(operator, resources, state, depth);
    }
  }

  /** Whether an operator tells a colour. */
  private colour(
    operator: string,
    operands: readonly Operand[],
    resources: PDFDict | undefined,
    state: State,
  ): boolean {
    const lower = operator.toLowerCase();
    const pen = operator === lower ? 'fill' : 'stroke';
    const plain = PLAIN_COLOURS[lower];
    if (plain) {
      state[pen] = { space: plain, paint: plain.paint(numbers(operands)) };
      return true;
    }
    if (lower === 'cs') {
      const space = colourSpace(nameOf(operands[0]), group(resources, 'ColorSpace'));
      state[pen] = { space, paint: space.first };
      return true;
    }
    if (lower !== 'sc' && lower !== 'scn') return false;
    const { space } = state[pen];
    const pattern = lookup(resources, 'Pattern', nameOf(operands.at(-1)));
    state[pen] = { space, paint: space.paint(numbers(operands)), pattern };
    return true;
  }

  private painted(operator: string, resources: PDFDict | undefined, state: State, depth: number): void {
    const text = TEXTS.has(operator);
    if (FILLS.has(operator) || (text && FILLED_TEXT.includes(state.textMode))) this.mark(state.fill, resources, depth);
    if (STROKES.has(operator) || (text && OUTLINED_TEXT.includes(state.textMode)))
      this.mark(state.stroke, resources, depth);
  }

  private mark({ paint, pattern }: Pen, resources: PDFDict | undefined, depth: number): void {
    this.add(paint);
    if (pattern === undefined) return;
    const dict = pattern instanceof PDFStream ? pattern.dict : pattern;
    if (!(dict instanceof PDFDict)) return;
    const shading = dict.lookup(PDFName.of('Shading'));
    if (shading !== undefined) this.shading(shading, resources);
    else if (pattern instanceof PDFRawStream) this.form(pattern, resources, undefined, depth);
  }

  private add({ inks, rgb }: Paint): void {
    let total = 0;
    for (const [ink, share] of inks) {
      this.found.inks.add(ink);
      total += share;
    }
    this.found.totalInk = Math.max(this.found.totalInk, total);
    this.found.rgb ||= rgb;
  }

  /** All that a space may hold: of a picture or a shading it is not told what it does. */
  private addAll({ all }: ColourSpace): void {
    for (const ink of all.inks.keys()) this.found.inks.add(ink);
    this.found.rgb ||= all.rgb;
    this.found.pictures = true;
  }

  private shading(told: PDFObject | undefined, resources: PDFDict | undefined): void {
    const dict = told instanceof PDFStream ? told.dict : told;
    if (dict instanceof PDFDict)
      this.addAll(colourSpace(dict.lookup(PDFName.of('ColorSpace')), group(resources, 'ColorSpace')));
  }

  private inlinePicture(told: Operand | undefined, resources: PDFDict | undefined, state: State): void {
    const space = nameOf(told);
    if (space) this.addAll(colourSpace(space, group(resources, 'ColorSpace')));
    // A mask has no space of its own.
    else this.add(state.fill.paint);
  }

  private object(name: PDFName | undefined, resources: PDFDict | undefined, state: State, depth: number): void {
    const object = lookup(resources, 'XObject', name);
    if (!(object instanceof PDFRawStream)) return;
    const { dict } = object;
    if (dict.lookup(PDFName.of('Subtype')) === PDFName.of('Form')) {
      this.form(object, resources, state, depth);
      return;
    }
    if (String(dict.lookup(PDFName.of('ImageMask'))) === 'true') this.mark(state.fill, resources, depth);
    else this.addAll(colourSpace(dict.lookup(PDFName.of('ColorSpace')), group(resources, 'ColorSpace')));
  }

  /** A form, or the tile of a pattern; once with the colours that it comes with. */
  private form(form: PDFRawStream, outer: PDFDict | undefined, state: State | undefined, depth: number): void {
    const key = `${this.idOf(form)} ${state ? `${paintKey(state.fill)} ${paintKey(state.stroke)} ${state.textMode}` : ''}`;
    if (depth >= DEEPEST || this.done.has(key)) return;
    this.done.add(key);
    const own = form.dict.lookup(PDFName.of('Resources'));
    const plain = { fill: BLACK_PEN, stroke: BLACK_PEN, textMode: 0 };
    this.run(unpack(form), own instanceof PDFDict ? own : outer, state ?? plain, depth + 1);
  }

  private idOf(object: PDFObject): number {
    const id = this.ids.get(object) ?? this.ids.size;
    this.ids.set(object, id);
    return id;
  }
}

const paintKey = ({ paint: { inks, rgb } }: Pen): string => `${[...inks].join()}${rgb ? ' rgb' : ''}`;

function group(resources: PDFDict | undefined, kind: string): PDFDict | undefined {
  const found = resources?.lookup(PDFName.of(kind));
  return found instanceof PDFDict ? found : undefined;
}
const lookup = (resources: PDFDict | undefined, kind: string, name: PDFName | undefined): PDFObject | undefined =>
  name && group(resources, kind)?.lookup(name);

/** Parts of a content are one: an operator may stand in two of them. */
function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length + 1, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
    whole[at++] = 10;
  }
  return whole;
}
