import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  afterRenderEffect,
  computed,
  inject,
  input,
  output,
  resource,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { marked } from 'marked';
import { type GuideHit, searchGuide, slugOf } from '../../ui/guide-text';
import { failureOf } from '../problem';
import { GUIDE_PAGES, GuidePages, isGuidePage, pictureAt } from './guide-pages';
import type { GuideAt } from './guide-place';
import { WordPipe } from '../../ui/word';

/** The guide: its pages and a search on the left, the page that is open on the right. */
@Component({
  selector: 'dk-guide-reader',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, MatProgressBarModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './guide-reader.html',
  styleUrl: './guide-reader.scss',
})
export class GuideReader {
  private readonly guide = inject(GuidePages);
  readonly at = input.required<GuideAt>();
  readonly went = output<GuideAt>();

  protected readonly pages = GUIDE_PAGES;
  protected readonly typed = signal('');
  protected readonly text = resource({
    params: () => this.at().page,
    loader: async ({ params }) => ({ page: params, html: await this.rendered(await this.guide.text(params)) }),
  });
  /** Read when somebody begins to search. */
  private readonly sections = resource({
    params: () => (this.typed().trim() === '' ? undefined : true),
    loader: () => this.guide.sections(),
  });
  protected readonly hits = computed(() =>
    this.sections.hasValue() ? searchGuide(this.sections.value(), this.typed()) : undefined,
  );
  protected readonly failure = computed(() => {
    const error = this.text.error() ?? this.sections.error();
    return error === undefined ? '' : failureOf(error.cause ?? error).text;
  });
  private readonly article = viewChild<ElementRef<HTMLElement>>('article');

  constructor() {
    afterRenderEffect(() => {
      const [article, { heading }] = [this.article()?.nativeElement, this.at()];
      if (!article || !this.text.hasValue() || this.text.value().page !== this.at().page) return;
      const headings = [...article.querySelectorAll<HTMLElement>('h2, h3')];
      const found = headings.find(({ textContent }) => slugOf(textContent) === heading);
      if (found) found.scrollIntoView();
      else article.scrollTop = 0;
    });
  }

  /** Markdown as HTML; Angular takes out what could run. */
  private async rendered(text: string): Promise<string> {
    // Above the title of a page stands the one of the place where it is shown.
    const placed = text.replace(/\]\((\S+\.png)\)/g, (_, place: string) => `](${pictureAt(place)})`);
    return marked.parse(placed.replace(/^#/gm, '##'), { async: true });
  }
  protected title(page: string): string {
    return GUIDE_PAGES.find(({ id }) => id === page)?.title ?? '';
  }
  protected go({ page, heading }: GuideHit): void {
    if (!isGuidePage(page)) return;
    this.typed.set('');
    this.went.emit({ page, heading: slugOf(heading) });
  }
  protected again(): void {
    this.text.reload();
  }
}
