import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import {
  type BlankArrangement,
  type BlankLayouts,
  type Die,
  type DieDrawing,
  type Issue,
  type StructureId,
  type StructureSize,
  LINE_KINDS,
  MOST_FILE_BYTES,
  STRUCTURES,
  blanksOf,
  checkStructure,
  makeStructure,
  measureDie,
  newJob,
  withBlank,
} from '@druckerei/core';
import { ARRANGEMENT_WORDS, issueText } from '@druckerei/contract';
import { count, percent } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { NumberBox } from '../../../ui/number-box';
import { STRUCTURE_NAMES } from '../../../ui/structure-names';
import { BenchForm } from '../state/bench-form';
import { MakeJob } from '../state/make-job';
import { benchRun } from '../state/run';
import { Bench } from '../parts/bench';
import { DieView } from '../ui/die-view';
import { RunBar } from '../../../ui/run-bar';
import type { LayerUse } from '@druckerei/formats/drawings';
import { saveText } from '../../../ui/save-text';
import type { ReadLayer, ReadQuestion, WriteQuestion } from '../workers/messages';
import { WordPipe } from '../../../ui/word';

interface DieInput extends StructureSize {
  readonly structure: StructureId;
  readonly part: number;
  readonly sheetWidthMm: number;
  readonly sheetHeightMm: number;
  readonly gapMm: number;
  readonly turns: 'upright' | 'turned' | 'either';
}

/** Pause in typing after which the blank is laid. */
const TYPING_MS = 200;

/** A tea caddy of the demo works. */
const START: DieInput = {
  structure: 'straight-tuck',
  part: 0,
  lengthMm: 85,
  widthMm: 60,
  depthMm: 130,
  caliperMm: 0.45,
  flapMm: 15,
  sheetWidthMm: 1010,
  sheetHeightMm: 700,
  gapMm: 4,
  turns: 'either',
};

/** The die bench: a blank from a structure or a drawing, measured, laid on the sheet, written as DXF and SVG. */
@Component({
  selector: 'dk-die-page',
  imports: [
    Bench,
    DieView,
    MatButtonModule,
    MatButtonToggleModule,
    MatFormFieldModule,
    MatIconModule,
    MatProgressBarModule,
    MatSelectModule,
    NumberBox,
    RunBar,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './die.page.html',
  styleUrl: './bench-page.scss',
})
export class DiePage {
  protected readonly measures = inject(Measures);
  protected readonly bench = new BenchForm('die', START);
  protected readonly form = this.bench.value;
  protected readonly structures = STRUCTURES.map((id) => ({ id, name: STRUCTURE_NAMES[id] }));
  protected readonly uses: readonly LayerUse[] = [...LINE_KINDS, 'glue', 'keep-out', 'leave out'];
  protected readonly arrangements = ARRANGEMENT_WORDS;
  protected readonly count = count;
  protected readonly percent = percent;
  private readonly jobs = inject(MakeJob);
  protected readonly laying = benchRun();
  protected readonly reading = benchRun();
  private readonly writing = benchRun();
  protected readonly layouts = signal<BlankLayouts | null>(null);
  private readonly laidFor = signal<string>('');
  protected readonly arrangement = signal<BlankArrangement | null>(null);
  /** A drawing that was read stands in for the structure until it is put away. */
  protected readonly read = signal<DieDrawing | null>(null);
  protected readonly layers = signal<readonly ReadLayer[]>([]);
  protected readonly told = signal<readonly Issue[]>([]);
  protected readonly fileError = signal('');
  private readonly file = signal<Omit<ReadQuestion, 'mapping'> | null>(null);
  private readonly mapping = signal<Readonly<Record<string, LayerUse>>>({});
  protected readonly isReading = computed(() => this.file() !== null);

  protected readonly problems = computed(() => {
    const { structure, ...size } = this.form();
    return checkStructure(structure, size, 'structure').map(issueText);
  });
  protected readonly structure = computed(() => {
    const { structure, ...size } = this.form();
    return this.problems().length === 0 ? makeStructure(structure, size) : undefined;
  });
  protected readonly drawing = computed((): DieDrawing | undefined => {
    if (this.isReading()) return this.read() ?? undefined;
    const parts = this.structure()?.parts ?? [];
    return (parts[this.form().part] ?? parts[0])?.drawing;
  });
  protected readonly measured = computed(() => {
    const drawing = this.drawing();
    return drawing && measureDie(drawing);
  });
  private readonly request = computed(() => {
    const drawing = this.drawing();
    const { sheetWidthMm: widthMm, sheetHeightMm: heightMm, gapMm, turns } = this.form();
    return drawing && widthMm > 0 && heightMm > 0 && gapMm >= 0
      ? { outline: drawing.outline, widthMm, heightMm, gapMm, turns }
      : undefined;
  });
  protected readonly canLay = computed(() => this.request() !== undefined);
  protected readonly isOld = computed(
    () => this.layouts() !== null && this.laidFor() !== JSON.stringify(this.request()),
  );
  protected readonly shown = computed(() => {
    const { proposals = [] } = this.layouts() ?? {};
    return proposals.find(({ arrangement }) => arrangement === this.arrangement()) ?? proposals[0];
  });
  protected readonly usedShare = computed(() => percent(Math.round((this.shown()?.usedShare ?? 0) * 1000) / 1000));

  constructor() {
    // Laid anew when typing rests; what lay before stays in sight until then.
    effect((onCleanup) => {
      if (!this.request()) return;
      const timer = setTimeout(() => this.lay(), TYPING_MS);
      onCleanup(() => clearTimeout(timer));
    });
  }

  protected set(change: Partial<DieInput>): void {
    this.bench.set(change);
  }
  protected pathOf(points: readonly { x: number; y: number }[]): string {
    return `M${points.map(({ x, y }) => `${x} ${this.form().sheetHeightMm - y}`).join('L')}Z`;
  }
  /** Areas in square centimetres, as die makers tell them. */
  protected cm2(mm2: number): string {
    return `${count(mm2 / 100, 1)} cm²`;
  }

  protected lay(): void {
    const request = this.request();
    if (!request) return;
    this.laying.start({ kind: 'blanks', request }, (answer) => {
      if (answer.kind !== 'blanks') return;
      this.layouts.set(answer.layouts);
      this.laidFor.set(JSON.stringify(request));
    });
  }

  protected async choose(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const [file] = input.files ?? [];
    input.value = '';
    if (!file) return;
    this.fileError.set('');
    const format = /\.svg$/i.test(file.name) ? 'svg' : 'dxf';
    if (!/\.(dxf|svg)$/i.test(file.name)) {
      this.fileError.set($localize`${file.name} is neither DXF nor SVG. Save the drawing as one of both.`);
      return;
    }
    if (file.size > MOST_FILE_BYTES) {
      this.fileError.set(
        $localize`${file.name} has ${count(file.size / 1e6, 1)} MB; at most ${MOST_FILE_BYTES / 1e6} MB can be read. Take the drawing's other layers out.`,
      );
      return;
    }
    this.mapping.set({});
    this.file.set({ kind: 'read', format, text: await file.text(), name: file.name, unit: undefined, gapMm: 0.3 });
    this.readFile();
  }

  private readFile(): void {
    const file = this.file();
    if (!file) return;
    this.reading.start({ ...file, mapping: this.mapping() }, (answer) => {
      if (answer.kind !== 'read') return;
      this.read.set(answer.drawing ?? null);
      this.layers.set(answer.layers);
      this.told.set(answer.issues);
    });
  }
  protected mapLayer(layer: string, kind: LayerUse): void {
    this.mapping.update((now) => ({ ...now, [layer]: kind }));
    this.readFile();
  }
  protected readAs(change: Partial<Pick<ReadQuestion, 'unit' | 'gapMm'>>): void {
    this.file.update((now) => now && { ...now, ...change });
    this.readFile();
  }
  protected readonly readUnit = computed(() => this.file()?.unit);
  protected readonly readGap = computed(() => this.file()?.gapMm ?? 0);
  protected readonly issueText = issueText;
  protected putAway(): void {
    this.file.set(null);
    this.read.set(null);
    this.told.set([]);
    this.layers.set([]);
  }

  /** Makes a job of the blank: its structure or its drawing. */
  protected makeJob(): void {
    const drawing = this.drawing();
    if (!drawing) return;
    const shape = this.shapeOf(drawing);
    const rest = { pages: 0, folds: 0, coverStock: '' };
    this.jobs.start({
      asksQuantity: true,
      make: ({ sheet: _sheet, ...answers }, works) => newJob('carton', { ...answers, ...shape, ...rest }, works),
    });
  }

  /** Puts the blank in the place of one of a job. */
  protected takeInto(): void {
    const drawing = this.drawing();
    if (!drawing) return;
    const shape = this.shapeOf(drawing);
    this.jobs.takeInto({
      what: $localize`this blank`,
      parts: blanksOf,
      take: (job, component) => withBlank(job, component, shape),
    });
  }

  /** The blank as a job has it: size of the opening for a structure, of the drawing for one that was read. */
  private shapeOf(drawing: DieDrawing): { die: Die; widthMm: number; heightMm: number } {
    const { structure, lengthMm, widthMm, depthMm, flapMm, part } = this.form();
    if (!this.isReading())
      return { die: { kind: 'structure', structure, depthMm, flapMm, part }, widthMm: lengthMm, heightMm: widthMm };
    const { bounds } = measureDie(drawing);
    return {
      die: { ...drawing, kind: 'drawing', name: drawing.name.slice(0, 60) },
      widthMm: bounds.right - bounds.left,
      heightMm: bounds.top - bounds.bottom,
    };
  }

  /** Writes the blank or the laid sheet as a file of this computer. */
  protected save(format: 'dxf' | 'svg', what: 'blank' | 'sheet'): void {
    const drawing = this.drawing();
    const layouts = this.layouts();
    if (!drawing) return;
    const { sheetWidthMm: widthMm, sheetHeightMm: heightMm } = this.form();
    const question: WriteQuestion = {
      kind: 'write',
      format,
      drawing,
      ...(what === 'sheet' && layouts
        ? { laid: { widthMm, heightMm, layouts }, arrangement: this.shown()?.arrangement ?? '' }
        : {}),
    };
    this.writing.start(question, (answer) => {
      if (answer.kind !== 'written') return;
      saveText(`${what}.${format}`, format === 'svg' ? 'image/svg+xml' : 'image/vnd.dxf', answer.text);
    });
  }
}
