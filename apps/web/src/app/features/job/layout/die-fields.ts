import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { STRUCTURES, type StructureId } from '@druckerei/core';
import { STRUCTURE_NAMES } from '../../../ui/structure-names';
import { JobEditor } from '../state/job-editor';
import { Field } from '../parts/field';

/** The shape of a blank: its structure and inner measures, or the name of the drawing that it has. */
@Component({
  selector: 'dk-die-fields',
  imports: [Field, MatFormFieldModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (structure(); as die) {
      <div class="fields">
        <mat-form-field class="wide">
          <mat-label i18n>Structure</mat-label>
          <mat-select [value]="die.structure" (selectionChange)="choose($event.value)" [disabled]="!editor.editable()">
            @for (one of structures; track one.id) {
              <mat-option [value]="one.id">{{ one.name }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <dk-field i18n-label label="Length, inside" [path]="['components', index(), 'widthMm']" unit="mm" />
        <dk-field i18n-label label="Width, inside" [path]="['components', index(), 'heightMm']" unit="mm" />
        <dk-field i18n-label label="Depth, inside" [path]="['components', index(), 'die', 'depthMm']" unit="mm" />
        <dk-field
          i18n-label
          label="Glue flap"
          [path]="['components', index(), 'die', 'flapMm']"
          unit="mm"
          [optional]="true"
        />
      </div>
    } @else {
      <p i18n class="quiet">By the drawing {{ drawing() }}. Read another at the die bench.</p>
    }
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(126px, 1fr));
      gap: 12px;
      margin-block: 12px;
    }
    .wide {
      grid-column: 1 / -1;
    }
    .quiet {
      color: var(--mat-sys-on-surface-variant);
    }
  `,
})
export class DieFields {
  protected readonly editor = inject(JobEditor);
  /** Place of the component in the job. */
  readonly index = input.required<number>();
  protected readonly structures = STRUCTURES.map((id) => ({ id, name: STRUCTURE_NAMES[id] }));
  private readonly die = computed(() => this.editor.job()?.components[this.index()]?.die);
  protected readonly structure = computed(() => {
    const die = this.die();
    return die?.kind === 'structure' ? die : undefined;
  });
  protected readonly drawing = computed(() => {
    const die = this.die();
    return die?.kind === 'drawing' ? die.name : '';
  });

  /** Another structure starts from its own flap and its first part. */
  protected choose(structure: StructureId): void {
    const die = this.structure();
    if (die)
      this.editor.set(['components', this.index(), 'die'], { kind: 'structure', structure, depthMm: die.depthMm });
  }
}
