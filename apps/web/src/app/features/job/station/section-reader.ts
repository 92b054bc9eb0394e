import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type Scan, checkScans } from '@druckerei/core';
import { count, unitText } from '../../../ui/format';
import { SCAN_WORDS, readScan } from '../../../ui/scan-words';
import { JobEditor } from '../state/job-editor';
import { RoomStore } from '../record/room.store';
import { WordPipe } from '../../../ui/word';

/** Section codes at the gatherer, one by one as the reader gives them; it stops at the first error and puts it on record. */
@Component({
  selector: 'dk-section-reader',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (codes().length > 0 && room.ownSteps().has(stepId())) {
      <h3 i18n>Section reader</h3>
      <div class="line">
        <mat-form-field subscriptSizing="dynamic">
          <mat-label i18n>Code as read</mat-label>
          <input
            matInput
            #code
            maxlength="40"
            data-test="scan"
            [readonly]="stop() !== undefined"
            (keydown.enter)="take(code)"
          />
        </mat-form-field>
        <span i18n role="status" data-test="scanned">
          {{ count(books()) }} {{ unitText('books', books()) }} right{{
            inBook() > 0 ? ', ' + count(inBook()) + (' of ' | word) + codes().length : ''
          }}. Next: {{ codes()[inBook()] }}
        </span>
      </div>
      @if (stop(); as s) {
        <p role="alert" data-test="reader-stop">
          <ng-container i18n
            >Stopped at section {{ inBook() + 1 }}, {{ s.read === '' ? ('nothing' | word) : s.read }} read for
            {{ s.wanted }}. {{ words[s.fault] }} </ng-container
          ><button i18n matButton="outlined" (click)="goOn()">Put right, go on</button>
        </p>
      }
      @if (stops().length > 0) {
        <p i18n class="quiet">{{ count(stops().length) }} {{ unitText('stops', stops().length) }} on record.</p>
      }
    }
  `,
  styles: `
    h3 {
      margin: 14px 0 4px;
    }
    .line {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 12px;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class SectionReader {
  private readonly editor = inject(JobEditor);
  protected readonly room = inject(RoomStore);
  readonly stepId = input.required<string>();
  protected readonly count = count;
  protected readonly unitText = unitText;
  protected readonly words = SCAN_WORDS;
  protected readonly codes = computed(() =>
    Object.values(this.editor.plan()?.layouts ?? {})
      .flatMap(({ section }) => (section?.code === undefined ? [] : [{ at: section.order, code: section.code }]))
      .sort((a, b) => a.at - b.at)
      .map(({ code }) => code),
  );
  protected readonly books = signal(0);
  /** Scans of the book that is being gathered. */
  private readonly scans = signal<readonly Scan[]>([]);
  protected readonly inBook = computed(() => this.scans().length - (this.stop() ? 1 : 0));
  /** What the last scan is stopped for; a book that is not yet whole is none. */
  protected readonly stop = computed(() => {
    const scans = this.scans();
    const result = scans.length === 0 ? undefined : checkScans(this.codes(), scans);
    return result?.ok === false && result.at < scans.length ? result : undefined;
  });
  protected readonly stops = computed(() => this.room.state().stops.get(this.stepId()) ?? []);

  constructor() {
    // Another station or another set of sections begins anew.
    effect(() => {
      this.stepId();
      this.codes().join();
      untracked(() => {
        this.books.set(0);
        this.scans.set([]);
      });
    });
  }

  protected take(field: HTMLInputElement): void {
    const word = field.value.trim();
    if (word === '' || this.stop()) return;
    field.value = '';
    this.scans.update((before) => [...before, readScan(word)]);
    const stop = this.stop();
    if (stop)
      this.room.enter({
        kind: 'reader-stop',
        step: this.stepId(),
        place: stop.at + 1,
        fault: stop.fault,
        read: stop.read,
      });
    else if (this.scans().length === this.codes().length) {
      this.books.update((books) => books + 1);
      this.scans.set([]);
    }
  }

  /** The section is put right by hand: the scan that stopped is read again. */
  protected goOn(): void {
    this.scans.update((scans) => scans.slice(0, -1));
  }
}
