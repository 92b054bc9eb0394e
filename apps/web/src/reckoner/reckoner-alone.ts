import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { ReckonerPage } from '../app/features/benches/pages/reckoner.page';
import { Theme } from '../app/platform/theme';
import { Measures } from '../app/ui/measures';
import { WordPipe } from '../app/ui/word';

/** The reckoner without all else: there at once, on a telephone too, for whoever has no account as well. */
@Component({
  selector: 'dk-root',
  imports: [ReckonerPage, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <header>
      <img src="/mark.svg" alt="" width="22" height="22" />
      <h1 i18n>Reckoner</h1>
      <span class="gap"></span>
      <button type="button" (click)="measures.toggle()">
        {{ measures.system() === 'metric' ? ('Inch, pound' | word) : ('Metric' | word) }}
      </button>
      <button type="button" (click)="theme.toggle()">{{ theme.dark() ? ('Light' | word) : ('Dark' | word) }}</button>
      <a i18n href="/benches/reckoner">Druckerei</a>
    </header>
    <main><dk-reckoner-page /></main>
  `,
  styles: `
    header {
      display: flex;
      align-items: center;
      gap: 8px;
      box-sizing: border-box;
      min-height: var(--dk-head);
      padding: 0 16px;
      background: var(--mat-sys-surface-container);
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    h1 {
      font-size: 16px;
    }
    .gap {
      flex: 1;
    }
    button,
    a {
      display: inline-flex;
      align-items: center;
      min-height: 32px;
      padding: 0 8px;
      white-space: nowrap;
      font: inherit;
      color: var(--mat-sys-primary);
      background: none;
      border: 0;
      cursor: pointer;
    }
    main {
      padding: 16px 20px 32px;
    }
  `,
})
export class ReckonerAlone {
  protected readonly measures = inject(Measures);
  protected readonly theme = inject(Theme);
}
