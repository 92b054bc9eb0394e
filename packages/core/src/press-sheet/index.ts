export {
  type PagePlaced,
  type PageWanted,
  artworkComponents,
  pagesWanted,
  placePagesOf,
  artworkFits,
  likelyArtwork,
} from './artwork-places.js';
export { blankPattern, blankRequest, dieOf } from './blank-layout.js';
export { paperKeyOf, paperNeed, paperOfLayout } from './bought-paper.js';
export { type ComponentLayout, layComponent, sharingLayouts, trimmedAreaMm2, withPattern } from './component-layout.js';
export { type LayContext, type LaySection } from './lay-kinds.js';
export {
  type Box,
  type DrawnPage,
  type DrawnPiece,
  type LayoutDrawing,
  type SheetSide,
  SHEET_SIDES,
  drawLayout,
} from './layout-drawing.js';
export { type LayoutReport, reportLayout } from './layout-report.js';
export { isLeaf } from './leaf.js';
export {
  carriersPerColour,
  isInLine,
  isPass,
  isPlateless,
  isPlatelessPress,
  layoutAt,
  machineOf,
  machinesFor,
  passColours,
  platesHung,
  runsByMetres,
  scopeOf,
  sidesOf,
  spoilageKey,
  usesSamePlates,
} from './pass.js';
export { pressArea } from './press-area.js';
export { type PressSheet, sheetCandidates } from './press-sheet.js';
export { type PressUnit, partsSheet, pressUnit } from './press-unit.js';
export { cachedLayout } from './cached-layout.js';
export {
  type PlacedPage,
  type SectionLayout,
  assemblyOf,
  endPagesOf,
  laySection,
  oddPlaceOf,
  sectionPositions,
} from './section-layout.js';
export { type LaidPiece, type SheetArrangement, type SheetPattern } from './sheet-pattern.js';
export { type Supply, isWeb, onTheCorrugator, webFor } from './supply.js';
export { webIssues, webOf } from './web-layout.js';
