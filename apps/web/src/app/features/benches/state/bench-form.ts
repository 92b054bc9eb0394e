import { type WritableSignal, computed, untracked } from '@angular/core';
import { kept } from '../../../ui/kept';
import { Undo } from '../../../ui/undo';

/** What is typed at a bench: kept on this computer, taken back and brought again, begun anew. To be made where effects may be. */
export class BenchForm<T extends object> {
  readonly value: WritableSignal<T>;
  readonly undo: Undo<T>;
  readonly isTouched = computed(() => JSON.stringify(this.value()) !== JSON.stringify(this.start));

  /** @param name under which it is kept @param start what stands before anything is typed */
  constructor(
    name: string,
    private readonly start: T,
  ) {
    this.value = kept(name, start);
    this.undo = new Undo(this.value);
  }

  set(change: Partial<T>): void {
    this.value.update((value) => ({ ...value, ...change }));
  }

  anew(): void {
    untracked(() => this.value.set(this.start));
  }
}
