/** Readers and writers of drawings: text in, text out, fit for a browser's worker as well as for the server. */
export { dieDxf, dieSvg, laidDxf, laidSvg } from './drawing/die-files.js';
export {
  type DrawingUnit,
  type LayerMapping,
  type LayerUse,
  type ReadDrawing,
  DRAWING_UNITS,
  readDxf,
} from './dxf/read-dxf.js';
export { readSvg } from './dxf/read-svg.js';
