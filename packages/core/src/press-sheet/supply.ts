import { type Issue, UM, ceilRatio, error, floorRatio } from '../kernel/index.js';
import { type GrainedSheet, type OutOfBought, alongTheWeb, outOfBought } from '../layout/index.js';
import { sheeterLanes } from '../paper/index.js';
import type { Component } from '../job/index.js';

/** Where a component's press sheets come from. */
export type Supply =
  | { readonly kind: 'press sheet' }
  | ({ readonly kind: 'bought sheet'; readonly sheet: GrainedSheet } & OutOfBought)
  | {
      readonly kind: 'roll';
      readonly webMm: number;
      /** Sheets beside each other on the web. */
      readonly lanes: number;
      readonly cutLengthMm: number;
      readonly edgeTrimMm: number;
    }
  /** Slit and cut off at the corrugator: lanes beside each other on its web, each sheet's flutes across it. */
  | {
      readonly kind: 'deckle';
      readonly webMm: number;
      readonly lanes: number;
      readonly cutLengthMm: number;
    };

/** What sheets are cut off: a roll at the press or the sheeter, or the board of a corrugator. */
export type WebSupply = Extract<Supply, { readonly kind: 'roll' | 'deckle' }>;
/** Whether paper comes as a web: from a roll, or slit at the corrugator. */
export const isWeb = (supply: Supply): supply is WebSupply => supply.kind === 'roll' || supply.kind === 'deckle';

/** Length of web that so many sheets take, several beside each other, and what it weighs. Source: identity. */
export function webFor(
  { lanes, cutLengthMm, webMm }: WebSupply,
  sheets: number,
  gsm: number,
): { metres: number; kg: number } {
  const metres = (ceilRatio(sheets, lanes) * cutLengthMm) / UM;
  return { metres, kg: (metres * (webMm / UM) * gsm) / UM };
}

/** Edge trims by norm: at the sheeter and at the corrugator, each side. */
export interface EdgeTrims {
  readonly sheeterMm: number;
  readonly corrugatorMm: number;
}

/** A corrugated sheet on its web: flutes lie across it, and its grain is told along them. Source: identity. */
export function onTheCorrugator({ widthMm, heightMm, grain }: GrainedSheet): { acrossMm: number; lengthMm: number } {
  return grain === 'width' ? { acrossMm: widthMm, lengthMm: heightMm } : { acrossMm: heightMm, lengthMm: widthMm };
}

/** What a component's press sheets are cut from; a web press takes the roll itself. Issues: `paper.bought-too-small`, `paper.roll-too-narrow`. */
export function supplyOf(
  { bought, sheet, name }: Component,
  path: string,
  { sheeterMm: edgeTrimMm, corrugatorMm }: EdgeTrims,
  onWeb: boolean,
): { supply?: Supply; issues: Issue[] } {
  if (onWeb) {
    const { widthMm, heightMm } = sheet;
    return {
      supply: { kind: 'roll', webMm: widthMm, lanes: 1, cutLengthMm: heightMm, edgeTrimMm: 0 },
      issues: [],
    };
  }
  if (!bought) return { supply: { kind: 'press sheet' }, issues: [] };
  if (bought.kind === 'roll') {
    const { acrossMm, lengthMm } = alongTheWeb(sheet);
    const cut = { webWidthMm: bought.widthMm, edgeTrimMm, sheetAcrossMm: acrossMm, cutLengthMm: lengthMm };
    const lanes = sheeterLanes(cut);
    if (lanes === 0) {
      const params = { component: name, rollWidth: bought.widthMm, across: acrossMm };
      return { issues: [error('paper.roll-too-narrow', `${path}.bought.widthMm`, params)] };
    }
    return {
      supply: { kind: 'roll', webMm: bought.widthMm, lanes, cutLengthMm: lengthMm, edgeTrimMm },
      issues: [],
    };
  }
  if (bought.kind === 'deckle') {
    const { acrossMm, lengthMm } = onTheCorrugator(sheet);
    const lanes = Math.max(0, floorRatio(bought.widthMm - 2 * corrugatorMm, acrossMm));
    if (lanes > 0)
      return { supply: { kind: 'deckle', webMm: bought.widthMm, lanes, cutLengthMm: lengthMm }, issues: [] };
    const params = { component: name, rollWidth: bought.widthMm, across: acrossMm };
    return { issues: [error('paper.roll-too-narrow', `${path}.bought.widthMm`, params)] };
  }
  const cut = outOfBought(bought, sheet, 0);
  if (cut.out === 0) {
    const params = {
      component: name,
      width: sheet.widthMm,
      height: sheet.heightMm,
      boughtWidth: bought.widthMm,
      boughtHeight: bought.heightMm,
    };
    return { issues: [error('paper.bought-too-small', `${path}.bought`, params)] };
  }
  return { supply: { kind: 'bought sheet', sheet: bought, ...cut }, issues: [] };
}
