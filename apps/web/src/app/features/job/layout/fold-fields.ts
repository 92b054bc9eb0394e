import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { type HouseFold, type Works, foldsText, schemesFor, webOf } from '@druckerei/core';
import type { Observable } from 'rxjs';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { JobEditor } from '../state/job-editor';
import { Field } from '../parts/field';

/** Choice of a scheme: folds listed by hand. */
const OWN = 'own';
/** Before the name of folds that the works keeps. */
const HOUSE = 'house ';

/** How a section is folded: a scheme that ships, folds that the works keeps, or a list of the job's own. */
@Component({
  selector: 'dk-fold-fields',
  imports: [Field, MatButtonModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label i18n>Fold scheme</mat-label>
      <mat-select [value]="chosen()" (selectionChange)="choose($event.value)" [disabled]="!editor.editable()">
        @for (scheme of schemes(); track scheme.id) {
          <mat-option [value]="scheme.id">{{ scheme.name }}</mat-option>
        }
        @if (house().length > 0) {
          <mat-optgroup i18n-label label="Kept by the works">
            @for (fold of house(); track fold.name) {
              <mat-option [value]="prefix + fold.name">{{ fold.name }}</mat-option>
            }
          </mat-optgroup>
        }
        <mat-option i18n [value]="own">Folds of our own</mat-option>
      </mat-select>
    </mat-form-field>
    @if (component()?.folding) {
      <dk-field
        i18n-label
        label="Folds, first to last"
        [path]="['components', index(), 'folding', 'folds']"
        kind="text"
      />
      <div class="pair">
        <dk-field i18n-label label="Pages across" [path]="['components', index(), 'folding', 'columns']" />
        <dk-field i18n-label label="Pages up" [path]="['components', index(), 'folding', 'rows']" />
      </div>
      @if (kept(); as fold) {
        <button i18n matButton type="button" [disabled]="busy()" (click)="drop(fold.name)">
          No longer kept by the works
        </button>
      } @else {
        <form class="keep" (submit)="keep(name.value); $event.preventDefault()">
          <mat-form-field>
            <mat-label i18n>Keep for the works as</mat-label>
            <input matInput #name maxlength="60" required />
          </mat-form-field>
          <button i18n matButton="outlined" type="submit" [disabled]="busy() || !layout()?.section">Keep</button>
        </form>
      }
      @if (failure(); as text) {
        <p class="wrong" role="alert">{{ text }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
    }
    .pair {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    .keep {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 8px;
      align-items: baseline;
    }
    .wrong {
      color: var(--mat-sys-error);
      margin: 0;
    }
  `,
})
export class FoldFields {
  protected readonly editor = inject(JobEditor);
  private readonly api = inject(Api);
  readonly componentId = input.required<string>();
  protected readonly own = OWN;
  protected readonly prefix = HOUSE;
  protected readonly busy = signal(false);
  protected readonly failure = signal('');
  /** Folds as the works keeps them since the page was opened; the revision's works until then. */
  private readonly changed = signal<readonly HouseFold[] | undefined>(undefined);
  private readonly folds = computed(() => this.changed() ?? this.editor.works()?.folds ?? []);
  protected readonly index = computed(
    () => this.editor.job()?.components.findIndex(({ id }) => id === this.componentId()) ?? -1,
  );
  protected readonly component = computed(() => this.editor.job()?.components[this.index()]);
  protected readonly layout = computed(() => this.editor.plan()?.layouts[this.componentId()]);
  protected readonly schemes = computed(() => {
    const layout = this.layout();
    return schemesFor(this.component()?.pages ?? 0, layout && webOf(layout.machine) ? 'web' : 'sheet');
  });
  protected readonly house = computed(() =>
    this.folds().filter(({ columns, rows }) => 2 * columns * rows === this.component()?.pages),
  );
  /** Folds of the works that the component's own are. */
  protected readonly kept = computed(() => {
    const now = this.component()?.folding;
    return this.folds().find(
      ({ columns, rows, folds }) => now?.columns === columns && now.rows === rows && now.folds === folds,
    );
  });
  protected readonly chosen = computed(() => {
    const kept = this.kept();
    if (kept) return HOUSE + kept.name;
    return this.component()?.folding ? OWN : (this.layout()?.section?.scheme.id ?? null);
  });

  protected choose(id: string): void {
    const component = this.component();
    if (!component) return;
    const { folding: _folding, scheme: _scheme, ...rest } = component;
    this.editor.set(['components', this.index()], { ...rest, ...this.asked(id) });
  }

  /** A scheme that ships, folds that the works keeps, or the job's own begun from those in force. */
  private asked(id: string): object {
    const house = this.folds().find(({ name }) => HOUSE + name === id);
    if (house) {
      const { name: _name, ...folding } = house;
      return { folding };
    }
    if (id !== OWN) return { scheme: id };
    const { columns = 2, rows = 1, folds = [] } = this.layout()?.section?.scheme ?? {};
    return { folding: { columns, rows, folds: foldsText(folds) } };
  }

  protected keep(name: string): void {
    const folding = this.component()?.folding;
    if (folding && name.trim() !== '') this.take(this.api.addFold({ name, ...folding }));
  }
  protected drop(name: string): void {
    this.take(this.api.dropFold(name));
  }
  private take(works: Observable<Works>): void {
    this.busy.set(true);
    this.failure.set('');
    works.subscribe({
      next: ({ folds = [] }) => {
        this.changed.set(folds);
        this.busy.set(false);
      },
      error: (error: unknown) => {
        this.failure.set(failureOf(error).text);
        this.busy.set(false);
      },
    });
  }
}
