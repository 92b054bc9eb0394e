import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { isWithin, limitsInWords, mayScope, scopedId, scopesOf, wordOf } from '@druckerei/core';
import { Contested } from '../../platform/contested';
import { Measures } from '../../ui/measures';
import { Standing, type StandingRow } from '../../ui/standing';
import { normUnit, normValue, readNorm } from '../../ui/norm-text';
import type { NormRow, NormsStore } from './norms.store';
import { WordPipe } from '../../ui/word';

/** Changes one norm, with the reason that goes into its history. */
@Component({
  selector: 'dk-norm-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, MatSelectModule, Standing, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ row.norm.subject }}: {{ row.norm.name }}</h2>
    <form (submit)="$event.preventDefault(); change(reason.value)">
      <mat-dialog-content>
        @if (row.norm.choices; as choices) {
          <mat-form-field>
            <mat-label i18n>Value</mat-label>
            <mat-select [value]="choice()" (selectionChange)="choice.set($event.value)">
              @for (words of choices; track words; let i = $index) {
                <mat-option [value]="i">{{ words | word }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
        } @else {
          <mat-form-field>
            <mat-label i18n>Value</mat-label>
            <input
              matInput
              #value
              inputmode="decimal"
              cdkFocusInitial
              [value]="typed()"
              (input)="typed.set(value.value)"
            />
            <span matTextSuffix>&nbsp;{{ unit }}</span>
            <mat-hint i18n>{{ limits }}; shipped {{ text(row.norm.value) }}</mat-hint>
          </mat-form-field>
        }
        @if (scopes.length > 0) {
          <mat-form-field>
            <mat-label i18n>Told for</mat-label>
            <mat-select [value]="scope()" (selectionChange)="scope.set($event.value)">
              <mat-option i18n value="">everything</mat-option>
              @for (one of scopes; track one.scope) {
                <mat-option [value]="one.scope">{{ one.name }}</mat-option>
              }
            </mat-select>
            <mat-hint i18n>A machine comes before a run length, that before a surface, all before the house.</mat-hint>
          </mat-form-field>
        }
        <mat-form-field><mat-label i18n>Why</mat-label><input matInput #reason maxlength="300" /></mat-form-field>
        @if (sending.changed(); as why) {
          <dk-standing [why]="why" [rows]="standing()" />
        }
        @if (sending.failed(); as message) {
          <p role="alert">{{ message }}</p>
        }
        <p i18n class="quiet">
          Drafts are planned anew with it. Released revisions keep the norms they were planned with.
        </p>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        @if (isSet()) {
          <button matButton type="button" (click)="send(null, reason.value)">{{ withdraw() }}</button>
        }
        <button i18n matButton="filled" type="submit">Set the norm</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin: 6px 0 10px;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class NormDialog {
  private readonly data = inject<{ row: NormRow; norms: InstanceType<typeof NormsStore> }>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<NormDialog>>(MatDialogRef);
  protected readonly row = this.data.row;
  private readonly system = inject(Measures).system();
  protected readonly text = (value: number): string => normValue(this.row.norm, value, this.system);
  protected readonly unit = normUnit(this.row.norm, this.system);
  protected readonly limits = limitsInWords(this.row.norm);
  /** Places that this norm may be told for by itself. */
  protected readonly scopes = this.placesOf();
  protected readonly scope = signal('');
  protected readonly choice = signal(this.row.value);
  protected readonly typed = signal(this.text(this.row.value));
  protected readonly sending = new Contested(() => this.data.norms.refresh());

  private placesOf(): ReturnType<typeof scopesOf> {
    const works = this.data.norms.works();
    return works && mayScope(this.row.norm) ? scopesOf(works, this.row.norm) : [];
  }

  /** The value chosen or typed; what was not touched stays to the last digit. Undefined where it is no number. */
  private read(text: string): number | undefined {
    const { norm, value } = this.row;
    if (norm.choices) return this.choice();
    return text === this.text(value) ? value : readNorm(norm, text, this.system);
  }

  protected change(reason: string): void {
    const text = this.typed();
    const { norm } = this.row;
    const value = this.read(text);
    if (value === undefined || !isWithin(norm, value)) {
      this.sending.refuse(
        value === undefined
          ? $localize`“${text}” is no number; write it like 1,200 or 0.5`
          : $localize`${norm.name} goes ${this.limits}`,
      );
      return;
    }
    this.send(value, reason);
  }

  /** @param value null: no longer set by the works */
  protected send(value: number | null, reason: string): void {
    const call = this.data.norms.change(this.normId(), { value, expected: this.now(), reason });
    this.sending.send(call, () => this.dialog.close());
  }

  protected readonly isSet = (): boolean => this.data.norms.works()?.norms[this.normId()] !== undefined;
  protected readonly withdraw = (): string =>
    this.scope() === '' ? $localize`As shipped again` : $localize`As for everything again`;

  /** The norm, or what is told of it for one place. */
  private readonly normId = (): string =>
    this.scope() === '' ? this.row.norm.id : scopedId(this.row.norm.id, this.scope());
  /** What stands, as far as is known here. */
  private readonly now = (): number => {
    const works = this.data.norms.works();
    return works?.norms[this.normId()]?.value ?? works?.norms[this.row.norm.id]?.value ?? this.row.norm.value;
  };

  protected standing(): StandingRow[] {
    const { choices } = this.row.norm;
    const words = (value: number): string => wordOf(choices?.[value] ?? '') || this.text(value);
    return [{ what: $localize`Value`, now: words(this.now()), yours: choices ? words(this.choice()) : this.typed() }];
  }
}
