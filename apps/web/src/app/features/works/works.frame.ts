import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectMay } from '../../platform/session.state';
import { SetUp } from './set-up';

/** What belongs to the works, side by side. */
@Component({
  selector: 'dk-works-frame',
  imports: [RouterLink, RouterLinkActive, RouterOutlet, SetUp],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav aria-label="The works">
      <a
        routerLink="/works"
        routerLinkActive="here"
        [routerLinkActiveOptions]="{ exact: true }"
        ariaCurrentWhenActive="page"
        >Settings</a
      >
      <a routerLink="/works/machines" routerLinkActive="here" ariaCurrentWhenActive="page">Machines</a>
      <a routerLink="/works/papers" routerLinkActive="here" ariaCurrentWhenActive="page">Papers</a>
      @if (mayPeople()) {
        <a routerLink="/works/people" routerLinkActive="here" ariaCurrentWhenActive="page">People</a>
      }
    </nav>
    @if (mayEdit()) {
      <dk-set-up />
    }
    <router-outlet />
  `,
  styles: `
    nav {
      display: flex;
      gap: 4px;
      padding: 8px 24px 0;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    a {
      padding: 6px 12px;
      color: var(--mat-sys-on-surface-variant);
      text-decoration: none;
    }
    .here {
      color: var(--mat-sys-on-surface);
      font-weight: 650;
      box-shadow: inset 0 -2px var(--mat-sys-primary);
    }
  `,
})
export class WorksFrame {
  private readonly store = inject(Store);
  protected readonly mayEdit = this.store.selectSignal(selectMay('machines'));
  protected readonly mayPeople = this.store.selectSignal(selectMay('people'));
}
