import { ElementRef, Injectable, effect, inject } from '@angular/core';
import { JobView } from './job-view';

/** Walks the figures of the page by key; the open working follows, and is left to the figure that it was opened from. */
@Injectable()
export class FigureWalk {
  private readonly view = inject(JobView);
  private readonly page = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** The figure whose working is open. */
  private opener: HTMLElement | null = null;

  constructor() {
    effect(() => {
      if (this.view.working()) this.opener = this.focused();
    });
  }

  private focused(): HTMLElement | null {
    return document.activeElement instanceof HTMLElement ? document.activeElement : null;
  }

  /** Goes to the next figure in sight, or to the one before. */
  go(by: 1 | -1): void {
    const figures = [...this.page.querySelectorAll<HTMLElement>('dk-figure button')].filter(
      (figure) => !figure.closest('.working') && figure.offsetParent !== null,
    );
    const here = figures.findIndex((figure) => figure === this.focused());
    const at = here >= 0 ? here : figures.findIndex((figure) => figure === this.opener);
    const next = figures[(at + by + figures.length) % figures.length];
    next?.focus();
    if (next && this.view.working()) {
      this.opener = next;
      next.click();
    }
  }

  /** Puts the working away; the focus goes back if it was in there. */
  close(): void {
    if (!this.view.working()) return;
    const inside = Boolean(this.focused()?.closest('.working'));
    this.view.closeWorking();
    if (inside) this.opener?.focus();
  }
}
