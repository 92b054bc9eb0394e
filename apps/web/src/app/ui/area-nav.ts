import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** Pages of an area, side by side. */
@Component({
  selector: 'dk-area-nav',
  imports: [RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav [attr.aria-label]="label()">
      @for (place of places(); track place.to) {
        <a
          [routerLink]="place.to"
          routerLinkActive="here"
          [routerLinkActiveOptions]="{ exact: place.exact ?? false }"
          ariaCurrentWhenActive="page"
          >{{ place.name }}</a
        >
      }
    </nav>
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
export class AreaNav {
  readonly label = input.required<string>();
  /** What is exact is not where its own pages are. */
  readonly places = input.required<readonly { readonly name: string; readonly to: string; readonly exact?: true }[]>();
}
