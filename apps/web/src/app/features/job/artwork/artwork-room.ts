import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import {
  type Artwork,
  ESTIMATE_WORDS,
  artworkComponents,
  likePages,
  likelyArtwork,
  pagesWanted,
  placePagesOf,
  wordOf,
} from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import type { ExaminedPage } from '@druckerei/formats/pdf-artwork';
import { Run } from '../../../platform/run';
import { count, many } from '../../../ui/format';
import { FileChooser } from '../parts/file-chooser';
import { JobEditor } from '../state/job-editor';
import { Names } from '../state/names';
import { askArtwork } from './artwork.client';
import type { ArtworkAnswer, ArtworkQuestion } from './artwork.messages';
import { ArtworkPagesTable } from './artwork-pages';
import { WordPipe } from '../../../ui/word';

/** Names of files as a job holds them. */
const LONGEST_NAME = 200;

/** The files of artwork: examined here, laid beside what is printed, and kept with the job as what they say. */
@Component({
  selector: 'dk-artwork-room',
  imports: [
    ArtworkPagesTable,
    FileChooser,
    MatButtonModule,
    MatCheckboxModule,
    MatIconModule,
    MatProgressBarModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './artwork-room.html',
  styleUrl: './artwork-room.scss',
})
export class ArtworkRoom {
  protected readonly editor = inject(JobEditor);
  protected readonly names = inject(Names);
  protected readonly count = count;
  protected readonly many = many;
  protected readonly estimate = ESTIMATE_WORDS;
  private readonly run = new Run<ArtworkQuestion, ArtworkAnswer>(askArtwork, ({ kind }) => kind === 'done');
  protected readonly state = this.run.state;
  protected readonly share = computed(() => {
    const state = this.state();
    return state.kind === 'running' ? state.share : undefined;
  });
  protected readonly file = signal('');
  protected readonly problem = signal('');
  private readonly examined = signal<readonly ExaminedPage[] | null>(null);
  /** Most ink of the pages that were drawn. */
  private readonly drawn = signal<readonly number[]>([]);
  /** Components that the new file is of, where somebody chose them. */
  private readonly chosen = signal<readonly string[] | null>(null);

  protected readonly components = computed(() => {
    const job = this.editor.job();
    return job ? artworkComponents(job) : [];
  });
  private readonly layouts = computed(() => new Map(Object.entries(this.editor.plan()?.layouts ?? {})));
  protected readonly findings = computed(
    () => this.editor.findings().filter(({ artwork }) => artwork !== undefined).length,
  );
  /** The file that was examined, as the job would keep it. */
  protected readonly fresh = computed((): Artwork | null => {
    const [pages, job] = [this.examined(), this.editor.job()];
    if (!pages || !job) return null;
    const drawn = this.drawn();
    const like = likePages(pages.map((one, i) => ({ ...one, totalInk: Math.max(one.totalInk, drawn[i] ?? 0) })));
    return { name: this.file(), of: this.chosen() ?? likelyArtwork(job, like, this.layouts()), pages: like };
  });
  protected readonly files = computed(() => this.editor.job()?.artwork ?? []);

  /** How many pages a file has of those that its components want. */
  protected told(artwork: Artwork): string {
    const job = this.editor.job();
    if (!job) return '';
    const wanted = pagesWanted(job, artwork.of, this.layouts());
    const { has } = placePagesOf(artwork, wanted);
    const pages = many(
      artwork.pages.reduce((sum, one) => sum + one.count, 0),
      'page',
    );
    return $localize`${pages}, ${has === wanted.length ? wordOf('all') : count(has)} of ${count(wanted.length)} that are printed`;
  }
  protected ofText({ of }: Artwork): string {
    return of.map((id) => this.names.components().get(id) ?? $localize`${id} (gone)`).join(', ');
  }

  protected choose(file: File): void {
    this.file.set(file.name.replaceAll(/\p{C}/gu, ' ').slice(0, LONGEST_NAME));
    this.examined.set(null);
    this.drawn.set([]);
    this.chosen.set(null);
    this.problem.set('');
    const fonts = new URL('pdf-fonts/', document.baseURI).href;
    this.run.start({ file, fonts }, (answer) => this.hear(answer));
  }
  private hear(answer: ArtworkAnswer): void {
    if (answer.kind === 'examined') {
      if (answer.outcome.ok) this.examined.set(answer.outcome.value);
      else this.problem.set(answer.outcome.issues.map(issueText).join(' '));
    } else if (answer.kind === 'drawn') {
      const drawn = [...this.drawn()];
      drawn[answer.page] = answer.totalInk;
      this.drawn.set(drawn);
    }
  }
  protected stop(): void {
    this.run.stop();
  }

  protected pick(component: string, picked: boolean): void {
    const before = this.fresh()?.of ?? [];
    this.chosen.set(
      this.components()
        .map(({ id }) => id)
        .filter((id) => (id === component ? picked : before.includes(id))),
    );
  }

  /** Keeps the file with the job; it takes the place of one of the same name. */
  protected take(artwork: Artwork): void {
    const others = this.files().filter(({ name }) => name !== artwork.name);
    this.editor.set(['artwork'], [...others, artwork]);
    this.run.stop();
    this.examined.set(null);
    this.file.set('');
  }
  protected remove(artwork: Artwork): void {
    const others = this.files().filter((one) => one !== artwork);
    this.editor.set(['artwork'], others.length > 0 ? others : undefined);
  }
}
