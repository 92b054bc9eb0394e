import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Router, RouterLink } from '@angular/router';
import { type Stock, SHIPPED_WORKS, caliperUm, idOf, inUse, normsOf, sayNumber } from '@druckerei/core';
import { stocksCsv } from '@druckerei/formats/tables';
import { Store } from '@ngrx/store';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { count, many } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { saveText } from '../../../ui/save-text';
import { freeName } from '../item-edit';
import { WorksStore } from '../works.store';
import { holdsWords } from '../../../ui/search';
import { WordPipe } from '../../../ui/word';

/** Papers that are shown at first; more when they are asked for. */
const AT_ONCE = 200;

/** A paper that is begun by hand. */
const BLANK: Omit<Stock, 'id'> = {
  name: $localize`New paper`,
  gsm: 100,
  bulk: 1.2,
  coated: false,
  sheets: [{ widthMm: 1000, heightMm: 700, grain: 'width' }],
};

/** The papers and boards of the works with their prices. */
@Component({
  selector: 'dk-papers-page',
  imports: [
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
  templateUrl: './papers.page.html',
  styleUrl: '../../../ui/list-page.scss',
})
export class PapersPage {
  protected readonly works = inject(WorksStore);
  private readonly router = inject(Router);
  private readonly measures = inject(Measures);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly search = signal('');
  protected readonly withRetired = signal(false);
  protected readonly most = signal(AT_ONCE);
  protected readonly said = signal('');
  protected readonly failed = signal('');
  protected readonly count = count;

  protected readonly seesPrices = computed(() => this.works.works()?.pricesHidden !== true);
  protected readonly retired = computed(() => this.works.stocks().filter(({ retired }) => retired).length);
  protected readonly found = computed(() => {
    const [all, holds] = [this.works.stocks(), holdsWords(this.search())];
    return (this.withRetired() ? all : inUse(all)).filter(({ name, gsm }) => holds(`${name} ${gsm}`));
  });
  private readonly priceOf = (id: string): number => {
    const works = this.works.works();
    return works ? normsOf(works, {})(`price.stock.${id}`).value : 0;
  };
  protected readonly rows = computed(() =>
    this.found()
      .slice(0, this.most())
      .map((stock) => ({
        stock,
        caliper: count(caliperUm(stock.gsm, stock.bulk)),
        sizes: this.sizes(stock),
        price: sayNumber(this.priceOf(stock.id), this.works.currency()),
        isOwn: this.works.works()?.norms[`price.stock.${stock.id}`] !== undefined,
      })),
  );

  constructor() {
    this.works.follow();
  }

  private sizes({ sheets, rollWidthsMm = [] }: Stock): string {
    const size = new Set(sheets.map(({ widthMm, heightMm }) => this.measures.size(widthMm, heightMm)));
    const rolls =
      rollWidthsMm.length === 0
        ? []
        : [$localize`rolls ${rollWidthsMm.map((mm) => count(this.measures.of('mm').show(mm), 2)).join(', ')}`];
    return [...size, ...rolls].join('; ');
  }

  private enter(stocks: readonly Stock[], done: () => void): void {
    this.failed.set('');
    this.works.enter({ stocks }).subscribe({
      next: done,
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  protected add(): void {
    const names = new Set(this.works.stocks().map(({ name }) => name.toLowerCase()));
    const name = freeName(BLANK.name, names);
    const id = idOf(name, new Set(this.works.stocks().map((stock) => stock.id)));
    this.enter([{ ...BLANK, id, name }], () => void this.router.navigate(['/works/papers', id]));
  }

  /** Papers as they are common, to begin from. */
  protected addCommon(): void {
    const known = new Set(this.works.stocks().flatMap(({ id, name }) => [id, name.toLowerCase()]));
    const common = SHIPPED_WORKS.stocks.filter(({ id, name }) => !known.has(id) && !known.has(name.toLowerCase()));
    this.enter(common, () =>
      this.said.set(
        $localize`${many(common.length, 'common paper')} entered. Correct their sizes and prices, and retire what you do not keep.`,
      ),
    );
  }

  protected export(): void {
    saveText('papers.csv', 'text/csv', stocksCsv(this.works.stocks(), this.priceOf, this.works.currency()));
  }
}
