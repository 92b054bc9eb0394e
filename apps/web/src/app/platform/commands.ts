import { Injectable, signal } from '@angular/core';

/** Something that can be done from the palette or by a key. */
export interface Command {
  readonly id: string;
  readonly name: string;
  /** As tinykeys has it, e.g. `$mod+z`; absent where the palette alone offers it. */
  readonly key?: string;
  /** By its key also while a dialog is open. */
  readonly inDialogs?: true;
  readonly run: () => void;
}

/** What can be chosen by typing a few letters of its name. */
export interface Offer {
  readonly label: string;
  readonly commands: readonly Command[];
}

/** Commands on offer now: those of the shell, and those of the page that is open. */
@Injectable({ providedIn: 'root' })
export class Commands {
  private readonly shell = signal<readonly Command[]>([]);
  private readonly page = signal<readonly Command[]>([]);

  all(): readonly Command[] {
    return [...this.page(), ...this.shell()];
  }
  offerShell(commands: readonly Command[]): void {
    this.shell.set(commands);
  }
  /** A page offers its commands while it is open; returns what takes them back. */
  offerPage(commands: readonly Command[]): () => void {
    this.page.set(commands);
    return () => this.page.update((now) => (now === commands ? [] : now));
  }
}

/** `$mod+Shift+z` as people write it. */
export const keyText = (key: string): string =>
  key
    .split('+')
    .map(
      (part) =>
        ({ $mod: $localize`Ctrl`, ArrowLeft: '←', ArrowRight: '→', Escape: 'Esc' })[part] ??
        (part.length === 1 ? part.toUpperCase() : part),
    )
    .join(' + ');
