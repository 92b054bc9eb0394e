import type { School } from '../flow/index.js';
import type { SupplyId } from '../works/index.js';

/** Figures of a station that others read. */
export type StepField =
  | 'carriers'
  | 'cuts'
  | 'fullPallet'
  | 'hours'
  | 'incidents'
  | 'lag'
  | 'lead'
  | 'lifts'
  | 'massG'
  | 'needsOut'
  | 'platesHung'
  | 'processUnits'
  | 'rate'
  | 'setupHours'
  | 'through'
  | 'turns'
  | 'wait'
  | `units.${School}`
  | `use.${SupplyId}`;

/** Figures of a component that others read. */
export type ComponentField =
  | 'boughtSheets'
  | 'caliper'
  | 'impressionsPerSheet'
  | 'paperKg'
  | 'plates'
  | 'pressSheets'
  | 'rollNeed'
  | 'rolls'
  | `ink.${'front' | 'back'}.${number}`
  | `ink.${'front' | 'back'}.${number}.drawn`;

/** Ids of a plan's figures. */
export const figureId = {
  step: (id: string, field: StepField): string => `step.${id}.${field}`,
  component: (id: string, field: ComponentField): string => `component.${id}.${field}`,
  ink: (name: string, field: 'kg' | 'pails'): string => `ink.${name}.${field}`,
  part: (id: string, field: 'count' | 'kg'): string => `part.${id}.${field}`,
};
