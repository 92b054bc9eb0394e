import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatMenuModule } from '@angular/material/menu';
import { MatSelectModule } from '@angular/material/select';
import {
  type Engraving,
  type InkUse,
  type Motif,
  type Tool,
  type Versions,
  CARRIER_OF,
  ENGRAVINGS,
  TOOL_NAMES,
  adviseEngraving,
  printingOf,
} from '@druckerei/core';
import { CARRIER_NAMES } from '@druckerei/contract';
import { JobEditor } from '../state/job-editor';
import { Choice, OWNERS } from '../parts/choice';
import { Field } from '../parts/field';
import { WordPipe } from '../../../ui/word';

const ENGRAVING_NAMES: Readonly<Record<Engraving, string>> = {
  stylus: $localize`by stylus`,
  laser: $localize`by laser on zinc`,
  etch: 'etched',
};
const MOTIFS = [
  { id: 'vignettes', name: $localize`soft vignettes` },
  { id: 'securityLines', name: $localize`security lines` },
  { id: 'foil', name: $localize`print on foil or film` },
] as const satisfies readonly { id: keyof Motif; name: string }[];
const TOOL_KINDS = Object.keys(TOOL_NAMES) as Tool['kind'][];
const MOST_NAME = 40;

/** How the carriers of a component are made: whose they are, screen, versions, and the dies and boxes beside them. */
@Component({
  selector: 'dk-carrier-fields',
  imports: [
    Choice,
    Field,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatMenuModule,
    MatSelectModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './carrier-fields.html',
  styleUrl: './carrier-fields.scss',
})
export class CarrierFields {
  protected readonly editor = inject(JobEditor);
  readonly componentId = input.required<string>();
  protected readonly owners = OWNERS;
  protected readonly counters = [
    { id: false, name: 'none' },
    { id: true, name: $localize`made with it` },
  ];
  protected readonly engravings = ENGRAVINGS.map((id) => ({ id, name: ENGRAVING_NAMES[id] }));
  protected readonly engravingNames = ENGRAVING_NAMES;
  protected readonly motifs = MOTIFS;
  protected readonly toolKinds = TOOL_KINDS;
  protected readonly names = CARRIER_NAMES;
  protected readonly index = computed(
    () => this.editor.job()?.components.findIndex(({ id }) => id === this.componentId()) ?? -1,
  );
  protected readonly component = computed(() => this.editor.job()?.components[this.index()]);
  /** What carries a colour on this press. */
  protected readonly kind = computed(() => {
    const machine = this.editor.works()?.machines.find(({ id }) => id === this.component()?.press);
    return machine && CARRIER_OF[printingOf(machine)];
  });
  protected readonly isScreened = computed(() => {
    const kind = this.kind();
    return kind !== undefined && ['plate', 'flexo-plate', 'form-plate', 'stencil'].includes(kind);
  });
  private readonly motif = computed<Motif>(() => this.component()?.carriers?.motif ?? {});
  protected readonly motifHolds = computed(() => MOTIFS.map(({ id }) => id).filter((id) => this.motif()[id]));
  /** What the motif asks for, and why. */
  protected readonly advice = computed(() => adviseEngraving(this.motif()));
  protected readonly inks = computed(() => {
    const { front = [], back = [] } = this.component() ?? {};
    return [...new Set([...front, ...back].map(({ name }: InkUse) => name))];
  });
  protected readonly versionNames = computed(() => this.component()?.versions?.names.join(', ') ?? '');

  protected set(path: readonly (string | number)[], value: unknown): void {
    this.editor.set(['components', this.index(), ...path], value);
  }

  protected setMotif(holds: readonly string[]): void {
    const { smallestPt, finestMm } = this.motif();
    const told = Object.fromEntries(holds.map((id) => [id, true]));
    this.set(['carriers', 'motif'], { ...told, ...(smallestPt && { smallestPt }), ...(finestMm && { finestMm }) });
  }

  /** Versions parted by commas; without any, or inks that change, the component has none. */
  protected setVersions(text: string): void {
    const names = [
      ...new Set(
        text
          .split(',')
          .map((name) => name.trim().slice(0, MOST_NAME))
          .filter((name) => name !== ''),
      ),
    ];
    const { versions } = this.component() ?? {};
    const inks = versions?.inks.length ? versions.inks : this.inks().filter((name) => name === 'K');
    const next: Versions | undefined = names.length > 0 ? { names, inks } : undefined;
    if (text.trim() !== this.versionNames()) this.set(['versions'], next);
  }
  protected setVersionInks(inks: readonly string[]): void {
    const names = this.component()?.versions?.names ?? [];
    this.set(['versions'], { names, inks });
  }

  protected addTool(kind: Tool['kind']): void {
    const tools = this.component()?.tools ?? [];
    let n = 1;
    while (tools.some(({ id }) => id === `${kind}-${n}`)) n++;
    this.set(['tools'], [...tools, { id: `${kind}-${n}`, kind, name: CARRIER_NAMES[kind] }]);
  }
  protected removeTool(id: string): void {
    const tools = (this.component()?.tools ?? []).filter((tool) => tool.id !== id);
    this.set(['tools'], tools.length > 0 ? tools : undefined);
  }
}
