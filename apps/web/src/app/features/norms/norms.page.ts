import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTooltipModule } from '@angular/material/tooltip';
import {
  type Norm,
  NORM_GROUP_NAMES,
  NORM_GROUPS,
  ROUTE_RULES,
  RULE_IDS,
  type SourceLabel,
  listedNorm,
  wordOf,
  withinSentence,
} from '@druckerei/core';
import { Store } from '@ngrx/store';
import { selectMay } from '../../platform/session.state';
import { timeText } from '../../ui/format';
import { firstRows } from '../../ui/first-rows';
import { Measures } from '../../ui/measures';
import { normUnit, normValue } from '../../ui/norm-text';
import { HouseRuleDialog } from './house-rule.dialog';
import { NormBar } from './norm-bar';
import { NormEdits } from './norm-edits';
import { NormDialog } from './norm.dialog';
import { type NormRow, NormsStore } from './norms.store';
import { WordPipe } from '../../ui/word';

/** A letter for each kind of source, read with the legend over the table. */
const MARKS: Readonly<Record<SourceLabel, { mark: string; words: string }>> = {
  standard: { mark: 'S', words: wordOf('standard') },
  literature: { mark: 'L', words: wordOf('literature') },
  identity: { mark: '=', words: wordOf('identity') },
  practice: { mark: 'P', words: $localize`common practice, no source` },
  memory: { mark: 'M', words: $localize`from memory` },
  'set by user': { mark: 'W', words: $localize`set by this works` },
};

/** Rows that the first screen has room for. */
const FIRST_ROWS = 16;

const REASONS = new Map(RULE_IDS.map((id) => [`rule.${id}`, ROUTE_RULES[id].reason]));

@Component({
  selector: 'dk-norms-page',
  imports: [
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    MatTooltipModule,
    NormBar,
    WordPipe,
  ],
  providers: [NormsStore, NormEdits],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './norms.page.html',
  styleUrl: './norms.page.scss',
})
export class NormsPage {
  protected readonly norms = inject(NormsStore);
  protected readonly edits = inject(NormEdits);
  protected readonly marks = Object.values(MARKS).map(({ mark, words }) => ({ mark, label: words }));
  protected readonly markOf = ({ source }: NormRow): string => MARKS[source.label].mark;
  protected readonly sourceText = ({ source }: NormRow): string =>
    `${MARKS[source.label].words}${source.note ? `: ${wordOf(source.note)}` : ''}`;
  private readonly dialog = inject(MatDialog);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('norms'));
  protected readonly groups = NORM_GROUPS.map((id) => ({ id, name: NORM_GROUP_NAMES[id] }));
  private readonly measures = inject(Measures);
  protected readonly text = (norm: Norm, value: number): string => normValue(norm, value, this.measures.system());
  protected readonly time = timeText;
  protected readonly unit = (row: NormRow): string => normUnit(row.norm, this.measures.system());
  private readonly rows = firstRows(this.norms.rows, () => `${this.norms.group()} ${this.norms.search()}`, FIRST_ROWS);
  /** Rows under their headings: an operation, a machine, a band. */
  protected readonly sections = computed(() => {
    const sections: { subject: string; rows: NormRow[] }[] = [];
    for (const row of this.rows()) {
      const last = sections.at(-1);
      if (last?.subject === row.norm.subject) last.rows.push(row);
      else sections.push({ subject: row.norm.subject, rows: [row] });
    }
    return sections;
  });
  private readonly entries = firstRows(this.norms.history, () => '', FIRST_ROWS);
  protected readonly history = computed(() => {
    const works = this.norms.works();
    if (!works) return [];
    return this.entries().flatMap((entry) => {
      const norm = listedNorm(works, entry.norm);
      return norm
        ? [
            {
              ...entry,
              name: `${norm.subject}: ${withinSentence(norm.name)}`,
              before: this.text(norm, entry.before),
              after: this.text(norm, entry.after),
              unit: normUnit(norm, this.measures.system()),
            },
          ]
        : [];
    });
  });

  /** Words of the address: what is looked for at first. */
  readonly find = input<string | undefined>('');

  constructor() {
    effect(() => this.norms.find(this.find() ?? ''));
    this.norms.load();
  }

  /** Why a rule of the route is there. */
  protected readonly why = ({ norm }: NormRow): string => REASONS.get(norm.id) ?? '';

  protected type({ norm }: NormRow, { target }: Event): void {
    if (target instanceof HTMLInputElement || target instanceof HTMLSelectElement)
      this.edits.type({ [norm.id]: target.value });
  }

  /** Fields of the table in their order, and the one that a key or a paste came to. */
  private fieldsAt({ target }: Event): { fields: HTMLInputElement[]; at: number } {
    if (!(target instanceof HTMLInputElement)) return { fields: [], at: -1 };
    const fields = [...(target.closest('table')?.querySelectorAll<HTMLInputElement>('td input') ?? [])];
    return { fields, at: fields.indexOf(target) };
  }

  /** Enter and the arrows go down and up, as in a sheet. */
  protected walk(event: KeyboardEvent): void {
    const down = event.key === 'Enter' || event.key === 'ArrowDown';
    if (!down && event.key !== 'ArrowUp') return;
    const { fields, at } = this.fieldsAt(event);
    if (at < 0) return;
    const next = fields[at + (down ? 1 : -1)];
    event.preventDefault();
    next?.focus();
    next?.select();
  }

  /** A column out of a sheet goes into the fields from here on, a line each. */
  protected paste(event: ClipboardEvent): void {
    const lines = (event.clipboardData?.getData('text') ?? '').trimEnd().split(/\r?\n/);
    const { fields: all, at } = this.fieldsAt(event);
    if (lines.length < 2 || at < 0) return;
    event.preventDefault();
    const fields = all.slice(at);
    const typed = lines.slice(0, fields.length).flatMap((line, i) => {
      const id = fields[i]?.closest<HTMLElement>('[data-norm]')?.dataset['norm'];
      return id === undefined ? [] : [[id, line.split('\t')[0]?.trim() ?? ''] as const];
    });
    this.edits.type(Object.fromEntries(typed));
  }

  protected addRule(): void {
    this.dialog.open(HouseRuleDialog, { data: this.norms, width: '440px' });
  }
  protected edit(row: NormRow): void {
    this.dialog.open(NormDialog, { data: { row, norms: this.norms }, width: '440px' });
  }
}
