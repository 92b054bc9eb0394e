import { Injectable, effect, inject } from '@angular/core';
import { createKeybindingsHandler } from 'tinykeys';
import { Commands } from './commands';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Listens to keys for the commands on offer. Plain letters are left to whoever types in a field. */
@Injectable({ providedIn: 'root' })
export class Keys {
  private readonly commands = inject(Commands);

  constructor() {
    effect((onCleanup) => {
      const bindings = Object.fromEntries(
        this.commands.all().flatMap(({ key, run, inDialogs = false }) => {
          if (!key) return [];
          const act = (event: KeyboardEvent) => {
            const plain = !event.ctrlKey && !event.metaKey && !event.altKey && !/^F\d/.test(event.key);
            if ((plain && isTyping(event.target)) || (!inDialogs && document.querySelector('mat-dialog-container')))
              return;
            event.preventDefault();
            run();
          };
          return [[key, act]];
        }),
      );
      const handler = createKeybindingsHandler(bindings);
      window.addEventListener('keydown', handler);
      onCleanup(() => window.removeEventListener('keydown', handler));
    });
  }
}
