export { type WebLayout, type WebSetting, impressionsFor, layWeb, webMetres } from './commercial.js';
export {
  type CorrugatorPlan,
  type CorrugatorRun,
  type DeckleChoice,
  type DeckleRequest,
  type Flute,
  FLUTES,
  chooseDeckle,
  corrugatedKg,
  mediumMetres,
  planCorrugator,
} from './corrugated.js';
export {
  type RepeatChoice,
  type RepeatRequest,
  CIRCULAR_PITCH_MM,
  chooseRepeat,
  gravureCylinder,
  madeRepeats,
  repeatMm,
} from './repeat.js';
export { type RollSpec, type RunRoll, type StandingRolls, planRolls, rollsThatStand, usableLengthM } from './rolls.js';
