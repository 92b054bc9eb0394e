import { computed, signal } from '@angular/core';
import { type BlankRequest, type SheetPattern, blankPattern } from '@druckerei/core';
import { type BlanksAnswer, type BlanksQuestion, askBlanks } from '../../../platform/blanks-client';
import { Run } from '../../../platform/run';

/** The search for a better way to lay a component's blanks, in a worker; ends with the bench that asked. */
export class BlanksSearch {
  private readonly run = new Run<BlanksQuestion, BlanksAnswer>(askBlanks, ({ kind }) => kind === 'blanks');
  readonly state = this.run.state;
  private readonly found = signal<{ readonly request: string; readonly patterns: readonly SheetPattern[] } | null>(
    null,
  );

  /** @param request what the layout is now; what was found for another is not offered. */
  constructor(private readonly request: () => BlankRequest | undefined) {}

  readonly patterns = computed((): readonly SheetPattern[] => {
    const [found, request] = [this.found(), this.request()];
    return request && found?.request === JSON.stringify(request) ? found.patterns : [];
  });

  start(): void {
    const request = this.request();
    if (!request) return;
    this.run.start({ kind: 'blanks', request }, (answer) => {
      if (answer.kind === 'blanks')
        this.found.set({ request: JSON.stringify(request), patterns: answer.layouts.proposals.map(blankPattern) });
    });
  }

  stop(): void {
    this.run.stop();
  }
}
