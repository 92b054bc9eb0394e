import {
  MOST_FILE_BYTES,
  assembleDie,
  boundsOf,
  makeStructure,
  measureDie,
  signedArea,
  STRUCTURES,
} from '@druckerei/core';
// @ts-expect-error the other reader brings no types
import * as untyped from 'dxf';
import { dieDxf, dieSvg } from '../drawing/die-files.js';
import { MOST_ENTITIES, readDxf } from './read-dxf.js';
import { readSvg } from './read-svg.js';
import { writeDxf } from './write-dxf.js';

/** The part of the other reader that is used. */
const otherReader = untyped as {
  parseString(text: string): unknown;
  toPolylines(parsed: unknown): { polylines: { vertices: [number, number][] }[] };
};

const drawing = (id: (typeof STRUCTURES)[number] = 'straight-tuck') => {
  const made = makeStructure(id, { lengthMm: 90, widthMm: 60, depthMm: 120, caliperMm: 0.5 }).parts[0];
  if (!made) throw new Error(id);
  return made.drawing;
};
const round = (value: number): number => Math.round(value * 1000) / 1000;
const measured = (of: Parameters<typeof measureDie>[0]) => {
  const { areaMm2, ruleMm, glueMm2 } = measureDie(of);
  return { area: round(areaMm2), cut: round(ruleMm.cut), crease: round(ruleMm.crease), glue: round(glueMm2) };
};
const codes = (issues: readonly { code: string }[]): string[] => issues.map(({ code }) => code);

/** A DXF by hand: sections with groups, as programs write them. */
const dxf = (entities: string, units = 4, blocks = ''): string =>
  `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n${units}\n0\nENDSEC\n${blocks}0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`;
const line = (x1: number, y1: number, x2: number, y2: number, layer = 'CUT'): string =>
  `0\nLINE\n8\n${layer}\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`;
const square = line(0, 0, 100, 0) + line(100, 0, 100, 50) + line(100, 50, 0, 50) + line(0, 50, 0, 0);
const assembled = (text: string, gapMm = 0.1) => {
  const { lines, areas, issues } = readDxf(text, {}, undefined);
  const made = assembleDie('read', lines, areas, gapMm, 'drawing');
  return { drawing: made.drawing, codes: codes([...issues, ...made.issues]) };
};

describe('a die written and read again', () => {
  it.each(STRUCTURES)('%s has the same outline, area and rule lengths by DXF (round trip)', (id) => {
    const written = drawing(id);
    const { lines, areas, issues } = readDxf(dieDxf(written), {}, undefined);
    const read = assembleDie('read', lines, areas, 0.05, 'drawing');
    expect(codes([...issues, ...read.issues])).toEqual([]);
    expect(read.drawing && measured(read.drawing)).toEqual(measured(written));
  });

  it('has the same geometry by SVG (round trip)', () => {
    const written = drawing();
    const { lines, areas, issues } = readSvg(dieSvg(written), {}, 'mm');
    expect(issues).toEqual([]);
    const read = assembleDie('read', lines, areas, 0.05, 'drawing').drawing;
    expect(read && measured(read)).toEqual(measured(written));
  });

  it('is read alike by another reader, dxf (general-purpose library)', () => {
    const written = drawing();
    const { polylines } = otherReader.toPolylines(otherReader.parseString(dieDxf(written)));
    const points = polylines.flatMap(({ vertices }) => vertices.map(([x, y]) => ({ x, y })));
    const box = (of: typeof points) => Object.values(boundsOf(of)).map(round);
    expect(box(points)).toEqual(box([...written.outline]));
  });
});

describe('drawings of others', () => {
  it('reads lines into an outline, with area (identity)', () => {
    const { drawing: read, codes: found } = assembled(dxf(square + line(50, 0, 50, 50, 'CREASE')));
    expect(found).toEqual([]);
    expect(read && measured(read)).toEqual({ area: 5000, cut: 300, crease: 50, glue: 0 });
  });

  it('reads inches, and asks where nothing is said', () => {
    expect(
      round(assembled(dxf(square, 1)).drawing ? measureDie(assembled(dxf(square, 1)).drawing ?? drawing()).areaMm2 : 0),
    ).toBe(round(5000 * 25.4 ** 2));
    expect(codes(readDxf(dxf(square, 0), {}, undefined).issues)).toEqual(['die.unknown-units']);
    expect(readDxf(dxf(square, 0), {}, 'mm').issues).toEqual([]);
  });

  it('reads bulges, arcs, circles, ellipses and splines as the curves they are (identity)', () => {
    const area = (entities: string): number => {
      const { drawing: read, codes: found } = assembled(dxf(entities));
      expect(found).toEqual([]);
      return read ? Math.abs(signedArea(read.outline)) : 0;
    };
    const circle = Math.PI * 50 ** 2;
    expect(area('0\nCIRCLE\n8\nCUT\n10\n0\n20\n0\n40\n50\n') / circle).toBeCloseTo(1, 2);
    const bulged = '0\nLWPOLYLINE\n8\nCUT\n90\n2\n70\n1\n10\n-50\n20\n0\n42\n1\n10\n50\n20\n0\n42\n1\n';
    expect(area(bulged) / circle).toBeCloseTo(1, 2);
    const arcs =
      '0\nARC\n8\nCUT\n10\n0\n20\n0\n40\n50\n50\n0\n51\n180\n0\nARC\n8\nCUT\n10\n0\n20\n0\n40\n50\n50\n180\n51\n360\n';
    expect(area(arcs) / circle).toBeCloseTo(1, 2);
    const ellipse = '0\nELLIPSE\n8\nCUT\n10\n0\n20\n0\n11\n50\n21\n0\n40\n0.5\n41\n0\n42\n6.283185307179586\n';
    expect(area(ellipse) / (Math.PI * 50 * 25)).toBeCloseTo(1, 2);
    // A Bezier piece as a spline: 0,0 0,40 40,40 40,0 with its chord; area under it is 0.6 x 40 x 40 (identity)
    const knots = [0, 0, 0, 0, 1, 1, 1, 1].map((k) => `40\n${k}\n`).join('');
    const controls = [
      [0, 0],
      [0, 40],
      [40, 40],
      [40, 0],
    ]
      .map(([x, y]) => `10\n${x}\n20\n${y}\n30\n0\n`)
      .join('');
    const spline = `0\nSPLINE\n8\nCUT\n70\n8\n71\n3\n72\n8\n73\n4\n74\n0\n${knots}${controls}`;
    expect(area(spline + line(40, 0, 0, 0)) / (0.6 * 1600)).toBeCloseTo(1, 2);
  });

  it('expands blocks, turned and scaled', () => {
    const blocks = `0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n8\n0\n2\nB\n70\n0\n10\n0\n20\n0\n30\n0\n3\nB\n${square}0\nENDBLK\n8\n0\n0\nENDSEC\n`;
    const { drawing: read } = assembled(
      dxf('0\nINSERT\n8\n0\n2\nB\n10\n500\n20\n500\n41\n2\n42\n2\n50\n90\n', 4, blocks),
    );
    expect(read && measured(read)).toEqual({ area: 20_000, cut: 600, crease: 0, glue: 0 });
  });

  it('closes small gaps and drops doubled lines, and says so', () => {
    const gap = line(0, 0, 100, 0) + line(100.3, 0, 100.3, 50) + line(100, 50, 0, 50) + line(0, 50, 0, 0);
    const { drawing: read, codes: found } = assembled(dxf(gap + line(100, 0, 0, 0)), 0.5);
    expect(found).toEqual(['die.gap-closed', 'die.duplicate-lines']);
    expect(read).toBeDefined();
  });

  it('keeps slots that hang on the outline as cuts inside', () => {
    const { drawing: read } = assembled(dxf(square + line(100, 0, 60, 20)));
    expect(read?.outline).toHaveLength(4);
    expect(read?.lines).toHaveLength(1);
  });

  it.each<[string, string]>([
    ['die.open-outline', dxf(line(0, 0, 100, 0) + line(100, 0, 100, 50) + line(100, 50, 0, 50))],
    ['die.no-outline', dxf(line(0, 0, 100, 0, 'CREASE'))],
    ['die.self-crossing', dxf(line(0, 0, 100, 50) + line(100, 50, 100, 0) + line(100, 0, 0, 50) + line(0, 50, 0, 0))],
    ['die.too-large', dxf(line(0, 0, 9000, 0) + line(9000, 0, 9000, 50) + line(9000, 50, 0, 0))],
  ])('%s', (code, text) => {
    expect(assembled(text).codes).toEqual([code]);
  });

  it('says which layers it did not use', () => {
    const { issues, layers } = readDxf(dxf(square + line(1, 1, 2, 2, 'DIMENSIONS')), {}, undefined);
    expect(issues.map(({ params }) => params['layer'])).toEqual(['DIMENSIONS']);
    expect(layers).toContainEqual({ layer: 'DIMENSIONS', count: 1, kind: undefined });
    expect(readDxf(dxf(square), { CUT: 'perforation' }, undefined).lines[0]?.kind).toBe('perforation');
  });

  it('stops at what is too large or no drawing at all, without hanging', () => {
    expect(codes(readDxf('x'.repeat(MOST_FILE_BYTES + 1), {}, 'mm').issues)).toEqual(['die.too-many']);
    const many = dxf(Array.from({ length: MOST_ENTITIES + 1 }, () => '0\nPOINT\n8\n0\n10\n0\n20\n0\n').join(''));
    expect(codes(readDxf(many, {}, undefined).issues)).toEqual(['die.too-many']);
    expect(codes(readDxf('hello', {}, 'mm').issues)).toEqual(['die.unreadable']);
    expect(codes(readSvg('<svg/>', {}, 'mm').issues)).toEqual(['die.unreadable']);
    expect(codes(readSvg('<!DOCTYPE svg [<!ENTITY a "b">]><svg/>', {}, 'mm').issues)).toEqual(['die.unreadable']);
  });

  it('writes layers with the line types of what they do', () => {
    const text = writeDxf({ CREASE: 'DASHED' }, [
      {
        layer: 'CREASE',
        points: [
          { x: 0, y: 0 },
          { x: 1, y: 1 },
        ],
        closed: false,
      },
    ]);
    expect(text).toContain('DASHED');
  });
});
