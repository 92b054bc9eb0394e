import { Injectable, computed } from '@angular/core';
import { kept } from '../../../ui/kept';

/** Panes of the job page that fold; the bench takes the room that the others leave. */
export type Pane = 'stream' | 'bench';

interface PaneSizes {
  /** Height of the stream; undefined as it comes, by how much there is to draw. */
  readonly streamPx: number | null;
  /** Of the width beside the bench, or of the height below it, per cent. */
  readonly workingShare: number;
  /** Of stream and bench one always stays. */
  readonly folded: Pane | null;
  /** The whole stream fitted into its pane, instead of lanes at full size. */
  readonly fitted: boolean;
}

const WORKING_SHARE = 29;
/** Below this a pane shows nothing that could be used: it is folded instead. */
const LEAST_PX = 48;

const initial: PaneSizes = { streamPx: null, workingShare: WORKING_SHARE, folded: null, fitted: false };

/** Sizes of the job page's panes, remembered on this computer. */
@Injectable()
export class Panes {
  private readonly sizes = kept<PaneSizes>('panes', initial);
  readonly streamPx = computed(() => this.sizes().streamPx);
  readonly workingShare = computed(() => this.sizes().workingShare);
  readonly fitted = computed(() => this.sizes().fitted);
  isOpen(pane: Pane): boolean {
    return this.sizes().folded !== pane;
  }

  /** Folds a pane away, or brings it back. */
  toggle(pane: Pane): void {
    this.sizes.update((now) => ({ ...now, folded: this.isOpen(pane) ? pane : null }));
  }

  open(pane: Pane): void {
    if (!this.isOpen(pane)) this.toggle(pane);
  }

  /** Takes the height that the stream was dragged to; dragged to nothing it is folded, and comes back as high as it was. */
  sizeStream(px: number): void {
    if (px < LEAST_PX) this.toggle('stream');
    else this.sizes.update((now) => ({ ...now, streamPx: Math.round(px) }));
  }

  sizeWorking(share: number): void {
    this.sizes.update((now) => ({ ...now, workingShare: Math.round(share) }));
  }

  fit(fitted: boolean): void {
    this.sizes.update((now) => ({ ...now, fitted }));
  }
}
