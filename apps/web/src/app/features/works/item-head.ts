import type { ItemKind } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import { failureOf } from '../../platform/problem';
import { UndoBar } from '../../platform/undo-bar';
import { ItemHistoryDialog } from './item-history.dialog';
import type { AnyEdit } from './item-edit';
import { WordPipe } from '../../ui/word';

/** The head of an item of the works: the way back, its name, undo, a copy of it, and how it came to be. */
@Component({
  selector: 'dk-item-head',
  imports: [MatButtonModule, MatIconModule, RouterLink, UndoBar, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <a [routerLink]="list()">{{ listName() }}</a>
    <h1>{{ edit().item()?.name || ('Without a name' | word) }}</h1>
    <span class="quiet">{{ words() }}</span>
    <span class="gap"></span>
    @if (mayEdit()) {
      <dk-undo-bar [of]="edit().undo" />
      <button matButton (click)="copy()" [disabled]="edit().isChanged()">
        <mat-icon>content_copy</mat-icon><ng-container i18n>Copy it</ng-container>
      </button>
    }
    <button matButton (click)="history()"><mat-icon>history</mat-icon><ng-container i18n>History</ng-container></button>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 14px;
    }
    h1 {
      margin: 0;
    }
    a {
      color: var(--mat-sys-primary);
    }
    a::after {
      content: '  ›';
    }
    .gap {
      flex: 1;
    }
  `,
})
export class ItemHead {
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  readonly edit = input.required<AnyEdit>();
  readonly mayEdit = input.required<boolean>();
  readonly kind = input.required<ItemKind>();
  /** Address and name of the list that it stands in. */
  readonly list = input.required<string>();
  readonly listName = input.required<string>();
  /** What it is, in a few words. */
  readonly words = input.required<string>();

  protected history(): void {
    const { id = '', name = 'it' } = this.edit().stands() ?? {};
    const data = {
      title: $localize`How ${name} changed`,
      kind: this.kind(),
      subject: id,
      differences: this.edit().differences,
    };
    this.dialog.open(ItemHistoryDialog, { data, width: '560px' });
  }

  /** Another one like this, which is opened. */
  protected copy(): void {
    this.edit()
      .copy()
      .subscribe({
        next: (id) => void this.router.navigate([this.list(), id]),
        error: (error: unknown) => this.edit().sending.refuse(failureOf(error).text),
      });
  }
}
