import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { type TabMessage, Tab } from '../../../platform/tab';
import { sessionFeature } from '../../../platform/session.state';
import { JobEditor } from './job-editor';

type What = Extract<TabMessage, { kind: 'job' }>['what'];

/** Other tabs of this browser that have the open job too: whether they type, and what they have saved. */
@Injectable()
export class OtherTabs {
  private readonly tab = inject(Tab);
  private readonly editor = inject(JobEditor);
  private readonly account = inject(Store).selectSignal(sessionFeature.selectAccount);
  private readonly here = computed(() => this.editor.revision()?.id);
  private readonly others = signal<ReadonlyMap<string, 'open' | 'typing'>>(new Map());
  /** Whether another tab has it open, or is being typed into. */
  readonly elsewhere = computed(() => {
    const states = [...this.others().values()];
    return states.includes('typing') ? 'typing' : states[0];
  });

  constructor() {
    this.tab.messages.pipe(takeUntilDestroyed()).subscribe((message) => {
      if (message.kind === 'job' && message.job === this.here() && message.account === this.account()?.id)
        this.hear(message.tab, message.what);
    });
    effect((onCleanup) => {
      const [job, account] = [this.here(), this.account()?.id];
      if (job === undefined || account === undefined) return;
      this.others.set(new Map());
      this.tab.say({ kind: 'job', what: 'opened', tab: this.tab.id, account, job });
      onCleanup(() => this.tab.say({ kind: 'job', what: 'left', tab: this.tab.id, account, job }));
    });
    let before = false;
    effect(() => {
      const unsaved = this.editor.unsaved();
      if (unsaved !== before) untracked(() => this.say(unsaved ? 'typing' : 'saved'));
      before = unsaved;
    });
    const leave = (): void => this.say('left');
    window.addEventListener('pagehide', leave);
    inject(DestroyRef).onDestroy(() => window.removeEventListener('pagehide', leave));
  }

  /** Whether a tab is of this browser, and tells by itself what it does. */
  isHere(tab: string | undefined): boolean {
    return tab !== undefined && this.others().has(tab);
  }

  private say(what: What): void {
    const [job, account] = [this.here(), this.account()?.id];
    if (job !== undefined && account !== undefined) this.tab.say({ kind: 'job', what, tab: this.tab.id, account, job });
  }

  private hear(tab: string, what: What): void {
    if (what === 'opened') this.say(this.editor.unsaved() ? 'typing' : 'open');
    // What it saved is shown here at once, unless something was typed here: then both are shown when this is saved.
    if (what === 'saved' && !this.editor.unsaved() && this.editor.isNewest()) {
      const job = this.here();
      if (job !== undefined) this.editor.lookAgain(job);
    }
    this.others.update((others) => {
      const now = new Map(others);
      if (what === 'left') now.delete(tab);
      else now.set(tab, what === 'typing' ? 'typing' : 'open');
      return now;
    });
  }
}
