import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import {
  type ArtScope,
  type ComponentLayout,
  type InkUse,
  type SheetSide,
  STYLE_RULES,
  normsOf,
  overLimitCm2,
  placeArt,
  separationInk,
  own,
} from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import type { ReadArtwork } from '@druckerei/formats/artwork';
import { Run } from '../../../platform/run';
import { count, percent } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { FileChooser } from '../parts/file-chooser';
import { JobEditor } from '../state/job-editor';
import { askZones } from './zones.client';
import type { ZonesAnswer, ZonesQuestion } from './zones.messages';
import { WordPipe } from '../../../ui/word';

/** An artwork for the ink zones: chosen, read in a worker, laid on the plate, and taken into the job as one edit. */
@Component({
  selector: 'dk-zone-art',
  imports: [
    FileChooser,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatProgressBarModule,
    MatSelectModule,
    NumberBox,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './zone-art.html',
  styleUrl: './zone-art.scss',
})
export class ZoneArt {
  protected readonly editor = inject(JobEditor);
  readonly layout = input.required<ComponentLayout>();
  protected readonly count = count;
  protected readonly percent = percent;
  private readonly run = new Run<ZonesQuestion, ZonesAnswer>(askZones, ({ kind }) => kind === 'read');
  protected readonly state = this.run.state;
  protected readonly progress = computed(() => {
    const state = this.state();
    return state.kind === 'running' ? state : undefined;
  });
  private readonly wantedSide = signal<SheetSide>('front');
  private readonly wantedScope = signal<ArtScope>('piece');
  protected readonly page = signal(1);
  private readonly file = signal<File | null>(null);
  protected readonly fileName = computed(() => this.file()?.name ?? '');
  protected readonly art = signal<ReadArtwork | null>(null);
  protected readonly problem = signal('');
  /** Ink of each separation where it is not the one of its name; '' for none. */
  private readonly mapping = signal<Readonly<Record<string, string>>>({});

  protected readonly sides = computed((): readonly SheetSide[] => {
    const { front, back, workStyle } = this.layout().component;
    const { samePlates } = STYLE_RULES[workStyle];
    // One set of plates: as a whole sheet there is only one artwork.
    return back.length === 0 || front.length === 0 || (samePlates && this.scope() === 'sheet')
      ? ['front']
      : ['front', 'back'];
  });
  /** A folded section's pages do not lie as one piece; its form is read as a whole. */
  protected readonly canBePiece = computed(() => this.layout().section === undefined);
  protected readonly scope = computed((): ArtScope => (this.canBePiece() ? this.wantedScope() : 'sheet'));
  protected readonly side = computed(() => (this.sides().includes(this.wantedSide()) ? this.wantedSide() : 'front'));
  protected readonly isPdf = computed(() => /\.pdf$/i.test(this.fileName()));
  protected readonly limit = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? normsOf(works, job.norms)('ink.totalLimit').value : 3;
  });
  protected readonly inks = computed((): readonly InkUse[] => this.layout().component[this.side()]);
  private readonly placed = computed(() => placeArt(this.layout(), this.side(), this.scope()));
  /** What each separation comes to, and the ink that it is of. */
  protected readonly separations = computed(() => {
    const art = this.art();
    if (!art) return [];
    return art.profile.channels.map((channel, i) => {
      const usual = this.inks().some(({ name }) => name === channel) ? channel : '';
      return {
        channel,
        ink: own(this.mapping(), channel) ?? usual,
        ...separationInk(this.layout(), art.profile, i, this.placed()),
      };
    });
  });
  protected readonly sizeText = computed(() => {
    const art = this.art();
    if (!art) return '';
    const { widthPx, heightPx, widthMm, heightMm } = art;
    const pixels = $localize`${count(widthPx)} x ${count(heightPx)} pixels`;
    return widthMm === undefined || heightMm === undefined
      ? pixels
      : $localize`${pixels}, ${count(widthMm, 1)} x ${count(heightMm, 1)} mm by its resolution`;
  });
  protected readonly overText = computed(() => {
    const art = this.art();
    if (!art) return '';
    const { overLimit, highestTotal } = art.profile;
    const most = $localize`The heaviest place has ${percent(Math.round(highestTotal * 1000) / 1000)}`;
    if (overLimit === 0) return $localize`${most}; none is over ${percent(this.limit())}.`;
    return $localize`${most}; ${count(overLimitCm2(art.profile, this.placed()), 1)} cm² of the sheet (${percent(Math.round(overLimit * 1e4) / 1e4)} of the artwork) are over ${percent(this.limit())}\: they set off and dry slowly.`;
  });

  protected choose(file: File): void {
    this.file.set(file);
    this.read();
  }
  protected readPage(page: number): void {
    this.page.set(Math.max(1, Math.round(page)));
    this.read();
  }
  private read(): void {
    const file = this.file();
    if (!file) return;
    this.art.set(null);
    this.problem.set('');
    const fonts = new URL('pdf-fonts/', document.baseURI).href;
    this.run.start({ file, page: this.page(), limit: this.limit(), fonts }, (answer) => {
      if (answer.kind !== 'read') return;
      if (answer.outcome.ok) this.art.set(answer.outcome.value);
      else this.problem.set(answer.outcome.issues.map(issueText).join(' '));
    });
  }
  protected stop(): void {
    this.run.stop();
  }
  protected setSide(side: SheetSide): void {
    this.wantedSide.set(side);
  }
  protected setScope(scope: ArtScope): void {
    this.wantedScope.set(scope);
  }
  protected map(channel: string, ink: string): void {
    this.mapping.set({ ...this.mapping(), [channel]: ink });
  }

  /** Puts zones and coverage of the side's inks into the job, all in one edit. */
  protected take(): void {
    const { component } = this.layout();
    const index = this.editor.job()?.components.findIndex(({ id }) => id === component.id) ?? -1;
    const tidy = (share: number): number => Math.min(1, Math.round(share * 1e6) / 1e6);
    const uses = this.inks().map((use): InkUse => {
      const found = this.separations().find(({ ink }) => ink === use.name);
      if (!found) return use;
      const zones = found.zones.length > 0 ? { zones: found.zones.map(tidy) } : {};
      return { ...use, ...zones, coverage: tidy(found.coverage) };
    });
    this.editor.set(['components', index, this.side()], uses);
  }
}
