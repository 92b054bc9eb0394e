import type { LayerUse } from '@druckerei/formats/drawings';
import type { BlankLayouts, DieDrawing, GangAnswer, GangRequest, Issue } from '@druckerei/core';
import type { BlanksAnswer } from '../../../platform/blanks-client';

/** Questions to the workers; each worker answers one and is ended to stop it. */
export interface GangQuestion {
  readonly kind: 'gang';
  readonly request: GangRequest;
  /** Where the solver's program lies. */
  readonly wasm: string;
}
export interface ReadQuestion {
  readonly kind: 'read';
  readonly format: 'dxf' | 'svg';
  readonly text: string;
  readonly name: string;
  readonly unit: 'mm' | 'cm' | 'm' | 'inch' | undefined;
  readonly gapMm: number;
  readonly mapping: Readonly<Record<string, LayerUse>>;
}
export interface WriteQuestion {
  readonly kind: 'write';
  readonly format: 'dxf' | 'svg';
  readonly drawing: DieDrawing;
  /** Laid on a sheet: the sheet's size and the blanks; the one-up where absent. */
  readonly laid?: { readonly widthMm: number; readonly heightMm: number; readonly layouts: BlankLayouts };
  readonly arrangement?: string;
}

export interface ReadLayer {
  readonly layer: string;
  readonly count: number;
  readonly kind: LayerUse | undefined;
}

export type Answer =
  | BlanksAnswer
  | {
      readonly kind: 'gang';
      readonly answer: GangAnswer | undefined;
      readonly issues: readonly Issue[];
      readonly done: boolean;
    }
  | {
      readonly kind: 'read';
      readonly drawing: DieDrawing | undefined;
      readonly layers: readonly ReadLayer[];
      readonly issues: readonly Issue[];
    }
  | { readonly kind: 'written'; readonly text: string };

export const isDone = (answer: Answer): boolean =>
  answer.kind !== 'progress' && (answer.kind !== 'gang' || answer.done);
