import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Router, RouterLink } from '@angular/router';
import {
  type Contact,
  type HouseSupply,
  type KeptInk,
  SUPPLIES,
  idOf,
  inUse,
  inkKey,
  supplyKey,
} from '@druckerei/core';
import {
  type InkColumn,
  type InkLine,
  CONTACT_WORDS,
  DRYING_WORDS,
  INK_COLUMNS,
  INK_KIND_WORDS,
  MOST_INKS,
  guessInkColumns,
  readInkList,
} from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { many } from '../../../ui/format';
import { InkSpot } from '../../../ui/ink-spot';
import { ListFile, type ListKind } from '../../../ui/list-file';
import { holdsWords } from '../../../ui/search';
import { freeName } from '../item-edit';
import { type Entered, WorksStore } from '../works.store';
import { WordPipe } from '../../../ui/word';

/** An ink and a supply that are begun by hand. */
const BLANK_INK: Omit<KeptInk, 'id'> = { name: $localize`New ink`, kind: 'mixed', cleared: [] };
const BLANK_SUPPLY: Omit<HouseSupply, 'id'> = { name: $localize`New supply`, supply: 'glue', cleared: [] };

const clearedWords = (cleared: readonly Contact[]): string =>
  cleared.map((contact) => CONTACT_WORDS[contact]).join(', ');

/** An ink or a supply out of a line of a list. */
type Listed = Exclude<InkLine, { readonly why: string }>;

/** The inks of the works, and the coatings, glues and films that it keeps. */
@Component({
  selector: 'dk-inks-page',
  imports: [
    InkSpot,
    ListFile,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './inks.page.html',
  styleUrl: '../../../ui/list-page.scss',
})
export class InksPage {
  protected readonly works = inject(WorksStore);
  private readonly router = inject(Router);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly search = signal('');
  protected readonly withRetired = signal(false);
  protected readonly failed = signal('');
  protected readonly busy = signal(false);
  protected readonly entered = signal('');
  private readonly file = viewChild<ListFile<Listed>>(ListFile);
  /** A list of inks and supplies, beside what the works has. */
  protected readonly kind = computed((): ListKind<Listed> => {
    const known = { inks: this.works.inks(), supplies: this.works.supplies() };
    return {
      name: 'inks',
      columns: INK_COLUMNS,
      wanted: ['name', 'what'] satisfies InkColumn[],
      figures: ['film', 'solids', 'tolerance', 'l', 'a', 'b', 'recipe'] satisfies InkColumn[],
      dates: [],
      one: $localize`ink or supply`,
      several: $localize`inks and supplies`,
      most: MOST_INKS,
      guess: guessInkColumns,
      read: (rows, key, first) =>
        readInkList(rows, key, known, first).map((one) => ('why' in one ? one : { line: one.line, item: one })),
    };
  });

  protected readonly retired = computed(
    () => [...this.works.inks(), ...this.works.supplies()].filter(({ retired }) => retired).length,
  );
  protected readonly inks = computed(() =>
    this.found(this.works.inks(), ({ kind }) => INK_KIND_WORDS[kind]).map((ink) => ({
      ink,
      kind: INK_KIND_WORDS[ink.kind],
      drying: ink.drying ? DRYING_WORDS[ink.drying] : $localize`as is usual`,
      recipe: (ink.recipe ?? []).map(({ ink: base, parts }) => `${base} ${parts}`).join(', '),
      cleared: clearedWords(ink.cleared),
      sellers: this.sellers(inkKey(ink.name)),
    })),
  );
  protected readonly supplies = computed(() =>
    this.found(this.works.supplies(), ({ supply }) => SUPPLIES[supply].name).map((supply) => ({
      supply,
      kind: SUPPLIES[supply.supply].name,
      unit: SUPPLIES[supply.supply].unit,
      cleared: clearedWords(supply.cleared),
      sellers: this.sellers(supplyKey(supply.supply)),
    })),
  );

  constructor() {
    this.works.follow();
  }

  /** Who asks a price for it today. */
  private sellers(key: string): string {
    const { sellers = [] } = this.works.works()?.supplied ?? {};
    return sellers
      .filter(({ prices }) => prices.some(({ item }) => item === key))
      .map(({ name }) => name)
      .join(', ');
  }

  private found<T extends KeptInk | HouseSupply>(all: readonly T[], kind: (item: T) => string): readonly T[] {
    const holds = holdsWords(this.search());
    return (this.withRetired() ? all : inUse(all)).filter((item) => holds(`${item.name} ${kind(item)}`));
  }

  protected addInk(): void {
    const item = begun(BLANK_INK, this.works.inks());
    this.enter({ inks: [item] }, ['/works/inks', item.id]);
  }
  protected addSupply(): void {
    const item = begun(BLANK_SUPPLY, this.works.supplies());
    this.enter({ supplies: [item] }, ['/works/supplies', item.id]);
  }
  private enter(entered: Entered, opened: string[]): void {
    this.failed.set('');
    this.works.enter(entered).subscribe({
      next: () => void this.router.navigate(opened),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  /** Enters what a list tells, all or none of it. */
  protected take(listed: readonly Listed[]): void {
    const inks = listed.flatMap((one) => ('ink' in one ? [one.ink] : []));
    const supplies = listed.flatMap((one) => ('supply' in one ? [one.supply] : []));
    this.busy.set(true);
    this.failed.set('');
    this.entered.set('');
    this.works.enter({ inks, supplies, reason: $localize`out of a list` }).subscribe({
      next: () => {
        this.busy.set(false);
        this.entered.set(
          $localize`${many(inks.length, 'ink')} and ${many(supplies.length, 'supply', 'supplies')} came out of the list.`,
        );
        this.file()?.leave();
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.failed.set($localize`Nothing was taken. ${failureOf(error).text}`);
      },
    });
  }
}

/** A blank one under an id and a name that nobody has yet. */
function begun<T extends { readonly name: string }>(
  blank: T,
  all: readonly { readonly id: string; readonly name: string }[],
): T & { id: string } {
  const name = freeName(blank.name, new Set(all.map((one) => one.name.toLowerCase())));
  return { ...blank, name, id: idOf(name, new Set(all.map(({ id }) => id))) };
}
