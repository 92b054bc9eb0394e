import { DestroyRef, inject, signal } from '@angular/core';
import type { Answer } from '../workers/messages';
import { ask } from '../workers/client';

export type RunState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly share: number | undefined }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'failed' };

/** One piece of work in a worker: started anew, watched and stopped. Ends with the page that asked. */
export class Run {
  private stopWorker: () => void = () => undefined;
  readonly state = signal<RunState>({ kind: 'idle' });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stopWorker());
  }

  start(question: Parameters<typeof ask>[0], answered: (answer: Answer) => void): void {
    this.stopWorker();
    this.state.set({ kind: 'running', share: undefined });
    this.stopWorker = ask(
      question,
      (answer) => {
        if (answer.kind === 'progress') this.state.set({ kind: 'running', share: answer.share });
        else {
          if (answer.kind !== 'gang' || answer.done) this.state.set({ kind: 'idle' });
          answered(answer);
        }
      },
      () => this.state.set({ kind: 'failed' }),
    );
  }

  stop(): void {
    this.stopWorker();
    this.state.set({ kind: 'stopped' });
  }
}
