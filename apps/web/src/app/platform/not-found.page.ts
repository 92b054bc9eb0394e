import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'dk-not-found-page',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h1 i18n>Nothing is here</h1>
    <p i18n>The address leads nowhere. <a routerLink="/jobs">Go to the jobs</a></p>`,
  styles: `
    :host {
      padding: 48px;
    }
    a {
      color: var(--mat-sys-primary);
    }
  `,
})
export class NotFoundPage {}
