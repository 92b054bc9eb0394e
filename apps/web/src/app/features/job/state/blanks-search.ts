import { DestroyRef, computed, inject, signal } from '@angular/core';
import { type BlankRequest, type SheetPattern, blankPattern } from '@druckerei/core';
import { askBlanks } from '../../../platform/blanks-client';

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly share: number | undefined }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'failed' };

/** The search for a better way to lay a component's blanks, in a worker; ends with the bench that asked. */
export class BlanksSearch {
  private stopWorker: () => void = () => undefined;
  readonly state = signal<State>({ kind: 'idle' });
  private readonly found = signal<{ readonly request: string; readonly patterns: readonly SheetPattern[] } | null>(
    null,
  );

  /** @param request what the layout is now; what was found for another is not offered. */
  constructor(private readonly request: () => BlankRequest | undefined) {
    inject(DestroyRef).onDestroy(() => this.stopWorker());
  }

  readonly patterns = computed((): readonly SheetPattern[] => {
    const [found, request] = [this.found(), this.request()];
    return request && found?.request === JSON.stringify(request) ? found.patterns : [];
  });

  start(): void {
    const request = this.request();
    if (!request) return;
    this.stopWorker();
    this.state.set({ kind: 'running', share: undefined });
    this.stopWorker = askBlanks(
      { kind: 'blanks', request },
      (answer) => {
        if (answer.kind === 'progress') {
          this.state.set({ kind: 'running', share: answer.share });
          return;
        }
        this.state.set({ kind: 'idle' });
        const patterns = answer.layouts.proposals.map(blankPattern);
        this.found.set({ request: JSON.stringify(request), patterns });
      },
      () => this.state.set({ kind: 'failed' }),
    );
  }

  stop(): void {
    this.stopWorker();
    this.state.set({ kind: 'stopped' });
  }
}
