export {
  type AskedFamily,
  type Closure,
  type CoverWork,
  type FamilyAnswers,
  type FamilyRule,
  type PressKind,
  type Question,
  COVER_WORKS,
} from './answers.js';
export { sectionPages } from './bound.js';
export { FAMILY_RULES } from './family-rules.js';
export { cartonGrainOf, usualIn } from './house.js';
export { type WantedSize, spineOf, wantedSizes } from './fit-parts.js';
export { type GangJobLike, gangJob, withGang } from './gang-job.js';
export { checkProduct, foursIssue } from './impossible.js';
export { makeJob } from './new-job.js';
export { pressesFor, stocksFor } from './offers.js';
export { withColours } from './colours.js';
export { nextJobNumber, numberAfter, numberEnds, wrongNumberPattern } from './job-number.js';
export { type ReadOrder, quantityIn, readOrder } from './read-order.js';
export { type ToldPaper, type ToldProduct, readProduct } from './read-product.js';
