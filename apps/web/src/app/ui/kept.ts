import { type WritableSignal, effect, signal } from '@angular/core';

/** A signal that this computer remembers under a name, so that nothing typed is lost over a reload. */
export function kept<T extends object>(name: string, initial: T): WritableSignal<T> {
  const key = `druckerei.${name}`;
  const read = (): T => {
    try {
      const text = localStorage.getItem(key);
      return text === null ? initial : { ...initial, ...(JSON.parse(text) as Partial<T>) };
    } catch {
      return initial; // not ours, or cut short
    }
  };
  const state = signal(read());
  effect(() => localStorage.setItem(key, JSON.stringify(state())));
  return state;
}
