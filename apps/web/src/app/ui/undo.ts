import { type WritableSignal, effect, signal, untracked } from '@angular/core';

/** Changes that follow each other faster than this are one edit. */
const ONE_EDIT_MS = 700;
const MOST_STEPS = 200;

/** Takes back and brings again what was changed in a signal; to be made where effects may be. */
export class Undo<T> {
  private readonly past = signal<readonly T[]>([]);
  private readonly future = signal<readonly T[]>([]);
  private now: T;
  private changedAt = 0;

  constructor(private readonly state: WritableSignal<T>) {
    this.now = state();
    effect(() => {
      const next = state();
      if (next !== this.now) untracked(() => this.took(next));
    });
  }

  private took(next: T): void {
    const at = Date.now();
    const isNew = at - this.changedAt > ONE_EDIT_MS || this.past().length === 0;
    if (isNew) this.past.set([...this.past().slice(-MOST_STEPS), this.now]);
    this.future.set([]);
    this.changedAt = at;
    this.now = next;
  }

  private go(from: WritableSignal<readonly T[]>, to: WritableSignal<readonly T[]>): void {
    const target = from().at(-1);
    if (target === undefined) return;
    from.set(from().slice(0, -1));
    to.set([...to(), this.now]);
    this.changedAt = 0;
    this.now = target;
    this.state.set(target);
  }

  readonly canUndo = (): boolean => this.past().length > 0;
  readonly canRedo = (): boolean => this.future().length > 0;
  undo(): void {
    this.go(this.past, this.future);
  }
  redo(): void {
    this.go(this.future, this.past);
  }
}
