import { DestroyRef, inject, signal } from '@angular/core';

export type RunState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly share: number | undefined }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'failed' };

/** What a worker tells: how far it is, with what it has so far where it has something, or that it is done. */
type Told = { readonly kind: string; readonly share: number } | { readonly kind: string };

/** One piece of work in a worker: started anew, watched and stopped. Ends with the page that asked. */
export class Run<Question, Answer extends Told> {
  private stopWorker: () => void = () => undefined;
  readonly state = signal<RunState>({ kind: 'idle' });

  /** @param isDone tells the last answer from those on the way. */
  constructor(
    private readonly ask: (question: Question, answered: (answer: Answer) => void, failed: () => void) => () => void,
    private readonly isDone: (answer: Answer) => boolean,
  ) {
    inject(DestroyRef).onDestroy(() => this.stopWorker());
  }

  start(question: Question, answered: (answer: Answer) => void): void {
    this.stopWorker();
    this.state.set({ kind: 'running', share: undefined });
    this.stopWorker = this.ask(
      question,
      (answer) => {
        if (this.isDone(answer)) this.state.set({ kind: 'idle' });
        else if ('share' in answer) this.state.set({ kind: 'running', share: answer.share });
        answered(answer);
      },
      () => this.state.set({ kind: 'failed' }),
    );
  }

  stop(): void {
    this.stopWorker();
    this.state.set({ kind: 'stopped' });
  }
}
