import type { ItemKind } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { ItemBar } from './item-bar';
import type { AnyEdit } from './item-edit';
import { ItemHead } from './item-head';
import { WorksStore } from './works.store';
import { WordPipe } from '../../ui/word';

/** What a kind of item is called, and where and under which name its list stands. */
const KINDS: Readonly<Record<ItemKind, { readonly name: string; readonly list: string; readonly listName: string }>> = {
  machine: { name: 'machine', list: '/works/machines', listName: $localize`Machines` },
  stock: { name: 'paper', list: '/works/papers', listName: $localize`Papers` },
  ink: { name: 'ink', list: '/works/inks', listName: $localize`Inks and supplies` },
  supply: { name: 'supply', list: '/works/inks', listName: $localize`Inks and supplies` },
};

/** What stands around the fields of an item of the works: that it is being loaded, its head, what is typed, and that there is none. */
@Component({
  selector: 'dk-item-page',
  imports: [ItemBar, ItemHead, MatButtonModule, MatProgressBarModule, RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @switch (works.request().kind) {
      @case ('loading') {
        <mat-progress-bar mode="indeterminate" [attr.aria-label]="'Loading the {0}' | word: of().name" />
      }
      @case ('failed') {
        <p role="alert">
          <ng-container i18n>The {{ of().name }} cannot be shown. </ng-container
          ><button i18n matButton (click)="works.load()">Try again</button>
        </p>
      }
    }
    @if (edit().item()) {
      <dk-item-head
        [edit]="edit()"
        [mayEdit]="mayEdit()"
        [kind]="kind()"
        [list]="of().list"
        [listName]="of().listName"
        [words]="words()"
      />
      <dk-item-bar [edit]="edit()" [mayEdit]="mayEdit()" />
      <ng-content />
    } @else if (works.works()) {
      <p i18n class="empty">
        This works has no such {{ of().name }}. Go to <a [routerLink]="of().list">{{ of().listName }}</a>
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    a {
      color: var(--mat-sys-primary);
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
    .empty {
      padding: 32px 12px;
    }
  `,
})
export class ItemPage {
  protected readonly works = inject(WorksStore);
  readonly edit = input.required<AnyEdit>();
  readonly mayEdit = input.required<boolean>();
  readonly kind = input.required<ItemKind>();
  /** What it is, in a few words. */
  readonly words = input.required<string>();
  protected readonly of = computed(() => KINDS[this.kind()]);
}
