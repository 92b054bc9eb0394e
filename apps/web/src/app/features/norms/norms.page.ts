import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatListModule } from '@angular/material/list';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { type Norm, type NormGroup, NORM_GROUPS, ROUTE_RULES, RULE_IDS, normCatalogue } from '@druckerei/core';
import { Store } from '@ngrx/store';
import { sessionFeature } from '../../platform/session.state';
import { timeText } from '../../ui/format';
import { Measures } from '../../ui/measures';
import { normUnit, normValue } from './norm-text';
import { HouseRuleDialog } from './house-rule.dialog';
import { NormDialog } from './norm.dialog';
import { type NormRow, NormsStore } from './norms.store';

const GROUP_NAMES: Readonly<Record<NormGroup, string>> = {
  spoilage: 'Spoilage',
  table: 'Spoilage table',
  machines: 'Machines',
  'press room': 'Press room',
  finishing: 'Finishing',
  rules: 'Route rules',
  paper: 'Paper and rolls',
  drying: 'Drying',
  prices: 'Prices',
};

const REASONS = new Map(RULE_IDS.map((id) => [`rule.${id}`, ROUTE_RULES[id].reason]));

@Component({
  selector: 'dk-norms-page',
  imports: [MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, MatListModule, MatProgressBarModule],
  providers: [NormsStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './norms.page.html',
  styleUrl: './norms.page.scss',
})
export class NormsPage {
  protected readonly norms = inject(NormsStore);
  private readonly dialog = inject(MatDialog);
  protected readonly mayEdit = inject(Store).selectSignal(sessionFeature.selectMayEdit);
  protected readonly groups = NORM_GROUPS.map((id) => ({ id, name: GROUP_NAMES[id] }));
  private readonly measures = inject(Measures);
  protected readonly text = (norm: Norm, value: number): string => normValue(norm, value, this.measures.system());
  protected readonly time = timeText;
  protected readonly unit = (row: NormRow): string => normUnit(row.norm, this.measures.system());
  /** Rows under their headings: an operation, a machine, a band. */
  protected readonly sections = computed(() => {
    const sections: { subject: string; rows: NormRow[] }[] = [];
    for (const row of this.norms.rows()) {
      const last = sections.at(-1);
      if (last?.subject === row.norm.subject) last.rows.push(row);
      else sections.push({ subject: row.norm.subject, rows: [row] });
    }
    return sections;
  });
  protected readonly history = computed(() => {
    const works = this.norms.works();
    if (!works) return [];
    const catalogue = normCatalogue(works);
    return this.norms.history().flatMap((entry) => {
      const norm = catalogue.get(entry.norm);
      return norm
        ? [
            {
              ...entry,
              name: `${norm.subject}: ${norm.name.toLowerCase()}`,
              before: this.text(norm, entry.before),
              after: this.text(norm, entry.after),
              unit: normUnit(norm, this.measures.system()),
            },
          ]
        : [];
    });
  });

  constructor() {
    this.norms.load();
  }

  /** Why a rule of the route is there. */
  protected readonly why = ({ norm }: NormRow): string => REASONS.get(norm.id) ?? '';

  protected addRule(): void {
    this.dialog.open(HouseRuleDialog, { data: this.norms, width: '440px' });
  }
  protected edit(row: NormRow): void {
    this.dialog.open(NormDialog, { data: { row, norms: this.norms }, width: '440px' });
  }
}
