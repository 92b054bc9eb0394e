export * from './job.js';
export {
  type Plan,
  type PlanEdge,
  type PlanOutcome,
  type PlanStep,
  type PlannedUse,
  type Totals,
  flowOf,
  plan,
} from './plan.js';
export { type Settled } from './settle.js';
export { rollSpec, runRolls } from './roll-figures.js';
export * from './delivery.js';
export {
  insertAfter,
  insertBefore,
  mayInsertAfter,
  mayMoveBefore,
  mayRemove,
  moveBefore,
  neighboursOf,
  plainOperations,
  removeStep,
} from './edit-route.js';
export * from './edit-lanes.js';
export { splitSection } from './split-section.js';
export { outermostSections, withEndpapers } from './endpapers.js';
export * from './split-run.js';
export { chanceOf } from './own-units.js';
export { drawLimit, drawsForEach } from './sure-limit.js';
export { type ComponentLayout, sharingLayouts, trimmedAreaMm2, withPattern } from './component-layout.js';
export { type LaidPiece, type SheetArrangement, type SheetPattern } from './sheet-pattern.js';
export { blankPattern, blankRequest, dieOf } from './blank-layout.js';
export { pressArea } from './press-area.js';
export { webIssues, webOf } from './web-layout.js';
export {
  type LooseCover,
  type Material,
  type Shell,
  type Taken,
  type Wet,
  blockAndCover,
  coverageOf,
  gramsOf,
  paperMaterial,
  stacked,
  takenBy,
  wantedHours,
} from './material/index.js';
export { type FamilyAnswers } from './families/answers.js';
export { makeJob } from './new-job.js';
export { pressesFor, stocksFor } from './families/offers.js';
export { sectionPages } from './families/bound.js';
export { type GangJobLike, gangJob } from './gang-job.js';
export { shareInPairs, shareSheet, sharesWith, withAllOwnSheets, withOwnSheets } from './share-sheet.js';
export { type FieldPath, setField } from './set-field.js';
export { cutSheetFirst, printSteps, sectionLane, withStock, withWorkStyle } from './edit-job.js';
export { layComponent } from './component-layout.js';
export { type LayContext, type LaySection } from './lay-kinds.js';
export { pressIssues } from './check-job.js';
export { type WantedSize, spineOf, wantedSizes } from './fit-parts.js';
export { isLeaf } from './leaf.js';
export { foldKindOf, panelsOf } from './fold-panels.js';
export { foldsOf, partsSheet, pressUnit } from './material/index.js';
export {
  handNorm,
  isPlateless,
  isPlatelessPress,
  machineOf,
  platesHung,
  giveNorm,
  isPass,
  layoutAt,
  scopeOf,
  sidesOf,
} from './step-norms.js';
export { incidentsOf, spoilageOf } from './step-spoilage.js';
export { carriersPerColour, isInLine, machinesFor, passColours } from './step-norms.js';
export { laySection, sectionPositions } from './section-layout.js';
export { type CostKind, COST_KINDS } from './cost.js';
export { type CostLine, MORE, costLines, costOfNext } from './cost-lines.js';
export { figureOf, valueAt } from './figure-of.js';
export { type ComponentField, type StepField, figureId } from './figure-id.js';
export { type Packing } from './packing.js';
export { type Use, type UseAt, STITCHES, dieSide, quantityOf, strikingDie, usesOf } from './uses/use.js';
export { adhesiveAt } from './adhesive.js';
export * from './machine-time.js';
export { curveShare, fluteShare } from './speed-curve.js';
export { type Through, counterOf, countsOf, hourly, runHours } from './throughput.js';
export { type CutWork, cutWork } from './cutting.js';
export { type FieldChange, type FigureChange, diffFigures, diffJobs } from './diff.js';
export { type ExplainedFigure, explain } from './explain.js';
export { type Box, type DrawnPiece, type LayoutDrawing, drawLayout } from './layout-drawing.js';
export { type DrawnPage, type SheetSide, SHEET_SIDES } from './layout-drawing.js';
export { type PlacedPage, type SectionLayout, assemblyOf, oddPlaceOf } from './section-layout.js';
export { type Supply, isWeb, onTheCorrugator, webFor } from './supply.js';
export { type PressSheet, sheetCandidates } from './press-sheet.js';
export { type LayoutReport, reportLayout } from './layout-report.js';
export { type Pile, listPiles } from './piles.js';
export {
  type PassInks,
  type UnitInk,
  filmOf,
  inkNames,
  inkOf,
  inkSchoolOf,
  notCleared,
  plateZones,
  unitsOf,
  wantsTrial,
} from './inks.js';
export { fillKey, inkPlaces } from './fills.js';
export * from './register-plan.js';
export * from './place-art.js';
export { type Carrier } from './carrier.js';
export { TEST_PLATE, listCarriers } from './carriers.js';
export { carrierPrice } from './carrier-norms.js';
export { TOOL_NAMES, type ToolSet, toolSets } from './tools.js';
export { numberPlanOf, numberingOf } from './number-plan.js';
export { type CylinderStop, cylinderRoute, hoursAgain } from './cylinder-route.js';
export {
  type AskedFamily,
  type Closure,
  type CoverWork,
  type FamilyRule,
  type PressKind,
  type Question,
} from './families/answers.js';
export { checkProduct } from './families/impossible.js';
export { COVER_WORKS } from './families/answers.js';
export { FAMILY_RULES } from './families/family-rules.js';
