export { type Artwork, type ArtworkPages, likePages } from './artwork.js';
export { type Binding, type SpineKind, SPINE_KINDS } from './binding.js';
export { type CarrierSpec, type Tool } from './carrier-spec.js';
export {
  type Bought,
  type Carried,
  type Component,
  type Die,
  type Lay,
  type SectionTrims,
  type SheetPlace,
  type LockedChoice,
  COMPONENT_KINDS,
  LOCKED_CHOICES,
  isUnprinted,
  paperOf,
} from './component.js';
export {
  type Completion,
  type DeliveryState,
  type Outcomes,
  completionOf,
  coveredDeliveries,
  goodOf,
  isFinished,
  outcomesOf,
} from './delivery.js';
export { type FieldChange, type FigureChange, diffFigures, diffJobs } from './diff.js';
export { type ComponentField, type StepField, figureId } from './figure-id.js';
export {
  type Adhesive,
  type FilmBond,
  type Finish,
  type FoldKind,
  ADHESIVES,
  FILM_BONDS,
  FOLDS_OF,
  foldUnitsOf,
  FOLD_KINDS,
  bookGlue,
} from './finish.js';
export { type InkSpec, type InkUse, type Versions } from './ink.js';
export { type Item, itemMaterial } from './item.js';
export { isAssorted, itemsBehind } from './items-behind.js';
export { type Family, type ForeignElement, type Job, type Unordered, FAMILIES, itemsTotal } from './job.js';
export { type OfferPrice, MOST_MARGIN, offerPrice, offerWorking } from './offer.js';
export { type Delivery, type Order, type OversPolicy, orderLimits } from './order.js';
export { type Part, partMaterial } from './part.js';
export { type FieldPath, setField, valueAtPath } from './set-field.js';
export { type Step } from './step.js';
export { drawLimit, drawsForEach } from './sure-limit.js';
