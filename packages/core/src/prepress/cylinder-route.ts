import { type CylinderStation, AGAIN_ON_FAULT, CYLINDER_ROUTE, engravingHours } from '../press/index.js';
import type { NormLookup } from '../norms/index.js';
import type { ComponentLayout } from '../press-sheet/index.js';

/** Face of a gravure cylinder beyond the web at each side, mm. Source: common practice, no source. */
export const FACE_ALLOWANCE_MM = 50;

/** A station of a cylinder's way through the works' cylinder shop, or the one outside. */
export interface CylinderStop {
  readonly station: CylinderStation;
  readonly hours: number;
}

/** Hours of engraving: by stylus from the cylinder's area, by laser and by etching as the norm says. */
function engraved({ component: { sheet, carriers } }: ComponentLayout, norms: NormLookup): number {
  const value = (id: string): number => norms(`carrier.cylinder.${id}`).value;
  const engraving = carriers?.engraving ?? 'stylus';
  if (engraving !== 'stylus') return value(engraving);
  const face = sheet.widthMm + 2 * FACE_ALLOWANCE_MM;
  return engravingHours(face, sheet.heightMm, value('lines'), value('cells'), value('heads'));
}

/** The stations of one cylinder with their hours. Source: handbook chapter 4; hours are norms. */
export const cylinderRoute = (layout: ComponentLayout, norms: NormLookup): CylinderStop[] =>
  CYLINDER_ROUTE.map((station) => ({
    station,
    hours: station === 'engrave' ? engraved(layout, norms) : norms(`carrier.cylinder.${station}`).value,
  }));

/** Hours that a fault at the proof costs: all that the cylinder has to pass again. */
export const hoursAgain = (route: readonly CylinderStop[]): number =>
  route.reduce((sum, { station, hours }) => sum + (AGAIN_ON_FAULT.includes(station) ? hours : 0), 0);
