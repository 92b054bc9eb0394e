import { type WritableSignal, effect, signal } from '@angular/core';

const keyOf = (name: string): string => `druckerei.${name}`;

/** Hands a value over to who keeps it under the name. */
export const keep = (name: string, value: object): void => localStorage.setItem(keyOf(name), JSON.stringify(value));

/** A signal that this computer remembers under a name, so that nothing typed is lost over a reload. */
export function kept<T extends object>(name: string, initial: T): WritableSignal<T> {
  const key = keyOf(name);
  const read = (): T => {
    try {
      const text = localStorage.getItem(key);
      return text === null ? initial : { ...initial, ...(JSON.parse(text) as Partial<T>) };
    } catch {
      return initial; // not ours, or cut short
    }
  };
  const state = signal(read());
  effect(() => keep(name, state()));
  return state;
}
