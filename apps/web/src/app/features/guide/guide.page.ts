import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router } from '@angular/router';
import { isGuidePage } from '../../platform/guide/guide-pages';
import type { GuideAt } from '../../platform/guide/guide-place';
import { GuideReader } from '../../platform/guide/guide-reader';

/** The guide as a page with an address of its own. */
@Component({
  selector: 'dk-guide-page',
  imports: [GuideReader],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 i18n>Guide</h1>
    <dk-guide-reader [at]="at()" (went)="go($event)" />
  `,
  styles: `
    :host {
      display: grid;
      grid-template-rows: auto minmax(0, 1fr);
      height: calc(100vh - 48px);
      box-sizing: border-box;
      padding: 12px 20px 0;
    }
    h1 {
      margin: 0 0 8px;
    }
  `,
})
export class GuidePageComponent {
  private readonly router = inject(Router);
  private readonly fragment = toSignal(inject(ActivatedRoute).fragment);
  readonly page = input<string>();
  protected readonly at = computed((): GuideAt => {
    const page = this.page() ?? '';
    return { page: isGuidePage(page) ? page : 'first-job', heading: this.fragment() ?? undefined };
  });

  protected go({ page, heading }: GuideAt): void {
    void this.router.navigate(['/guide', page], heading === undefined ? {} : { fragment: heading });
  }
}
