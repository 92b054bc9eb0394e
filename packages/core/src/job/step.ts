import type { Incident } from '../flow/index.js';
import type { Mm } from '../kernel/index.js';
import type { PrintSide } from '../press/index.js';
import type { Operation } from '../route/index.js';
import type { InkUse } from './ink.js';

/** One station of the route. Norms that are absent come from the works. */
export interface Step {
  readonly id: string;
  readonly operation: Operation;
  /** Component that the step belongs to; absent once components have joined. */
  readonly component?: string | undefined;
  readonly machine?: string | undefined;
  /** Materials taken in: ids of earlier steps (or what these say they make); absent: the component's paper. */
  readonly from?: readonly { readonly material: string; readonly usage?: number | undefined }[] | undefined;
  /** Materials made, where it is not one material under the step's own id. */
  readonly makes?:
    | readonly { readonly material: string; readonly yield?: number | undefined; readonly share?: number | undefined }[]
    | undefined;
  /** Good outputs from one good process unit; absent: from the layout at the guillotine, else 1. */
  readonly yield?: number | undefined;
  readonly samples?: number | undefined;
  readonly setup?: number | undefined;
  /** Earlier step whose spoils serve for the set-up, before good material does. */
  readonly setupFrom?: string | undefined;
  /** Running spoilage, told as the works tells it: of what runs or of the net. */
  readonly running?: number | undefined;
  readonly incidents?: readonly Incident[] | undefined;
  /** Print: the side or sides of this pass. */
  readonly side?: PrintSide | undefined;
  /** Fold: number of folds; absent: by the pages of the section. */
  readonly folds?: number | undefined;
  /** Band and box: pieces in a pack. */
  readonly perPack?: number | undefined;
  /** Cut: sheets in a lift, where piles are counted exactly: accountable work. */
  readonly perLift?: number | undefined;
  /** Pieces in an hour, instead of the norm of the machine or of hand work. */
  readonly perHour?: number | undefined;
  /** Dry: hours instead of the norm. */
  readonly hours?: number | undefined;
  /** Hand work: size of what leaves, where it is closed or put up. */
  readonly leavesMm?: { readonly widthMm: Mm; readonly heightMm: Mm; readonly thicknessMm: Mm } | undefined;
  /** Outside work: hours on the road each way, and the price of one piece that is sent. */
  readonly transitHours?: number | undefined;
  readonly price?: number | undefined;
  /** Printed again on another press: the inks of this pass, one carrier each. */
  readonly inks?: readonly InkUse[] | undefined;
  /** Print: anti-set-off powder is dusted on. */
  readonly powder?: boolean | undefined;
  /** Instruction for the station, printed on the ticket. */
  readonly note?: string | undefined;
}
