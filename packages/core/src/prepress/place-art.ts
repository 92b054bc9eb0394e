import { type PlacedArt, type ToneProfile, STYLE_RULES, zoneCoverages } from '../press/index.js';
import { type ComponentLayout, type SheetSide, drawLayout } from '../press-sheet/index.js';

/** What an artwork is of: the whole form as it is plated, or one piece, which lies at every up. */
export type ArtScope = 'sheet' | 'piece';

type Quarters = PlacedArt['quarters'];

/**
 * Where an artwork of a side lies on its plate: once as the sheet, or at every up as the piece is turned. Where one set of
 * plates prints both sides, each half of the form takes the artwork of its own.
 * Source: identity (a sheet turned over mirrors; work-and-tumble backs up head to foot).
 */
export function placeArt(layout: ComponentLayout, side: SheetSide, scope: ArtScope): PlacedArt[] {
  const { workStyle } = layout.component;
  const { samePlates } = STYLE_RULES[workStyle];
  const { sheet, pieces } = drawLayout(layout, samePlates ? 'front' : side);
  if (scope === 'sheet') return [{ xMm: 0, widthMm: sheet.width, heightMm: sheet.height, quarters: 0 }];
  const isBack = side === 'back';
  return pieces.flatMap((piece, i): PlacedArt[] => {
    if (piece.side && piece.side !== side) return [];
    const laid = layout.pattern.pieces[i];
    const turned = laid?.quarters ?? (piece.turned ? 1 : 0);
    const onSide = isBack && !samePlates ? 4 - turned : turned;
    const tumbled = isBack && workStyle === 'work-and-tumble' ? 2 : 0;
    const quarters = ((onSide + tumbled) % 4) as Quarters;
    return [{ xMm: piece.x, widthMm: piece.width, heightMm: piece.height, quarters }];
  });
}

const MM2_PER_M2 = 1e6;
const MM2_PER_CM2 = 100;

const areaMm2 = (placed: readonly PlacedArt[]): number =>
  placed.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);

/** Area of one side of the sheet whose total coverage is over the limit that the profile was counted with, cm2. Source: identity. */
export const overLimitCm2 = ({ overLimit }: ToneProfile, placed: readonly PlacedArt[]): number =>
  (overLimit * areaMm2(placed)) / MM2_PER_CM2;

/** What one separation of an artwork lays on a plate. */
export interface SeparationInk {
  /** Coverage of each zone, the left of the sheet first; empty where the press has no zones. */
  readonly zones: readonly number[];
  /** Share 0..1 of the printed area. */
  readonly coverage: number;
}

/** Coverage of one separation over the zones and the printed area of a layout. Source: identity, handbook chapter 5. */
export function separationInk(
  layout: ComponentLayout,
  profile: ToneProfile,
  channel: number,
  placed: readonly PlacedArt[],
): SeparationInk {
  const { sheet } = drawLayout(layout);
  const row = layout.machine.press?.zones;
  const inkedM2 = (areaMm2(placed) * (profile.means[channel] ?? 0)) / MM2_PER_M2;
  return {
    zones: row ? zoneCoverages(profile, channel, placed, row, sheet.width, sheet.height) : [],
    coverage: layout.printedAreaM2 > 0 ? Math.min(1, inkedM2 / layout.printedAreaM2) : 0,
  };
}
