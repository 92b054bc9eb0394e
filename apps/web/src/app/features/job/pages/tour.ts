import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { kept } from '../../../ui/kept';

/** What is shown of the page, and in which of its parts; the first only asks. */
const STEPS = [
  { of: undefined, text: $localize`New here? This page in five steps, a minute in all.` },
  {
    of: 'dk-balance',
    text: $localize`The balance: what the whole job takes. Press any figure, here or below, and it opens to its working.`,
  },
  {
    of: 'dk-stream-pane',
    text: $localize`The stream: paper comes in on the left, each station takes what the one before it gives. Choose a station with the mouse, the arrow keys, or by typing after /.`,
  },
  {
    of: 'dk-rooms',
    text: $localize`The bench: what the station is told, and its drawing. The tabs look at the whole job: Plan for me finds the cheapest way to run it.`,
  },
  {
    of: '.head',
    text: $localize`Everything is saved as you type, and undone as far as you like. Release makes a revision for the floor; its ticket is under Documents.`,
  },
  { of: 'dk-root > header', text: $localize`F1 opens the guide at the place where you are, here and on every page.` },
] as const;
const SPOT = 'dk-spot';

/** A tour of the job page, offered until it was walked or put away. */
@Component({
  selector: 'dk-tour',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (!seen().ever) {
      <section i18n-aria-label aria-label="Tour of this page">
        @if (at() > 0) {
          <strong i18n>{{ at() }} of {{ last }}</strong>
        }
        <p role="status">{{ step().text }}</p>
        <button matButton="outlined" (click)="next()">{{ word() }}</button>
        @if (at() < last) {
          <button i18n matButton (click)="end()">Not again</button>
        }
      </section>
    }
  `,
  styles: `
    section {
      display: flex;
      align-items: center;
      gap: 12px;
      padding: 4px 20px;
      color: var(--mat-sys-on-secondary-container);
      background: var(--mat-sys-secondary-container);
    }
    p {
      flex: 1;
      margin: 0;
    }
    strong {
      white-space: nowrap;
    }
  `,
})
export class Tour {
  protected readonly seen = kept('tour.job', { ever: false });
  protected readonly at = signal(0);
  protected readonly last = STEPS.length - 1;
  protected readonly step = computed(() => STEPS[this.at()] ?? STEPS[0]);
  protected readonly word = computed(() =>
    this.at() === 0 ? $localize`Show me` : this.at() < this.last ? $localize`Next` : $localize`Done`,
  );

  constructor() {
    effect(() => this.light(this.seen().ever ? undefined : this.step().of));
    inject(DestroyRef).onDestroy(() => this.light(undefined));
  }

  protected next(): void {
    if (this.at() === this.last) this.end();
    else this.at.update((at) => at + 1);
  }
  protected end(): void {
    this.seen.set({ ever: true });
  }
  private light(part: string | undefined): void {
    for (const lit of document.querySelectorAll(`.${SPOT}`)) lit.classList.remove(SPOT);
    if (part !== undefined) document.querySelector(part)?.classList.add(SPOT);
  }
}
