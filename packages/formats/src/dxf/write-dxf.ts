import { Colors, DxfWriter, LWPolylineFlags, Units, point2d, point3d } from '@tarikjabiri/dxf';

/** A run of straight pieces on a layer; millimetres, y up. */
export interface DxfShape {
  readonly layer: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly closed: boolean;
}

export interface DxfText {
  readonly layer: string;
  readonly x: number;
  readonly y: number;
  readonly heightMm: number;
  readonly text: string;
}

/** Line types by what a layer's lines do: dashes of a crease, dots of a perforation. Lengths in millimetres. */
const LINE_TYPES = { DASHED: [6, -3], DOTTED: [1, -3] } as const;
export type DxfLineType = 'CONTINUOUS' | keyof typeof LINE_TYPES;

/**
 * A DXF drawing in millimetres: polylines and texts on named layers. Layers keep the reader's own colour; what a line
 * does is said by its layer's name and line type.
 * Source: the open DXF reference, ASCII, through a general-purpose writer.
 */
export function writeDxf(
  layers: Readonly<Record<string, DxfLineType>>,
  shapes: readonly DxfShape[],
  texts: readonly DxfText[] = [],
): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [name, elements] of Object.entries(LINE_TYPES)) dxf.addLType(name, name.toLowerCase(), [...elements]);
  for (const [name, lineType] of Object.entries(layers)) dxf.addLayer(name, Colors.White, lineType);
  for (const { layer, points, closed } of shapes)
    dxf.addLWPolyline(
      points.map(({ x, y }) => ({ point: point2d(x, y) })),
      { layerName: layer, flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
    );
  for (const { layer, x, y, heightMm, text } of texts) dxf.addText(point3d(x, y), heightMm, text, { layerName: layer });
  return dxf.stringify();
}
