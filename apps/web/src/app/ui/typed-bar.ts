import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Standing, type StandingRow } from './standing';
import { WordPipe } from './word';

/** What is typed and not entered: entering or leaving it, why it was not taken, what somebody else has made of it meanwhile. */
@Component({
  selector: 'dk-typed-bar',
  imports: [MatButtonModule, Standing, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (mayEdit() && changed()) {
      <b i18n>Typed and not entered</b>
      <ng-content select="[progress]" />
      <button matButton="filled" (click)="entered.emit()" [disabled]="busy()">{{ enter() }}</button>
      <button i18n matButton (click)="left.emit()">Leave it as it was</button>
    } @else if (said()) {
      <span role="status">{{ said() }}</span>
    } @else {
      <span class="quiet">{{ mayEdit() ? ('What you change is entered when you say so.' | word) : others() }}</span>
    }
    @if (failed(); as message) {
      <p role="alert">{{ message }}</p>
    }
    @if (contested(); as why) {
      <dk-standing [why]="why" [rows]="rows()" />
    }
    <ng-content />
  `,
  styles: `
    :host {
      position: sticky;
      top: 0;
      z-index: 2;
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 12px;
      min-height: 40px;
      margin: 8px 0 12px;
      padding: 4px 12px;
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 6px;
      background: var(--mat-sys-surface-container);
    }
    p,
    dk-standing {
      flex-basis: 100%;
      margin: 2px 0;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
  host: { role: 'group', '[attr.aria-label]': 'label' },
})
export class TypedBar {
  protected readonly label = $localize`What is typed`;
  readonly mayEdit = input.required<boolean>();
  readonly changed = input.required<boolean>();
  /** What the button says that enters it, and whether it cannot be pressed yet. */
  readonly enter = input($localize`Enter it`);
  readonly busy = input(false);
  /** Who changes it, told to those who may not. */
  readonly others = input.required<string>();
  /** What came of entering it, and why it was not taken. */
  readonly said = input('');
  readonly failed = input('');
  /** Who was faster; what stands then stands beside what is typed. */
  readonly contested = input('');
  readonly rows = input<readonly StandingRow[]>([]);
  readonly entered = output();
  readonly left = output();
}
