import { Injectable, effect, signal } from '@angular/core';

const KEY = 'druckerei.theme';

/** Light or dark; as the system has it until somebody chooses. */
@Injectable({ providedIn: 'root' })
export class Theme {
  readonly dark = signal(
    localStorage.getItem(KEY) === null
      ? matchMedia('(prefers-color-scheme: dark)').matches
      : localStorage.getItem(KEY) === 'dark',
  );

  constructor() {
    effect(() => document.documentElement.classList.toggle('dark', this.dark()));
  }

  toggle(): void {
    this.dark.update((dark) => !dark);
    localStorage.setItem(KEY, this.dark() ? 'dark' : 'light');
  }
}
