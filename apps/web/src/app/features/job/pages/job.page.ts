import {
  ChangeDetectionStrategy,
  Component,
  type OnDestroy,
  computed,
  effect,
  inject,
  input,
  numberAttribute,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTabsModule } from '@angular/material/tabs';
import { Title } from '@angular/platform-browser';
import { RouterLink } from '@angular/router';
import {
  type Figures,
  type Job,
  type Plan,
  neighboursOf,
  partMaterial,
  costLines,
  costOfNext,
  materialBalance,
  paperLosses,
  figureOf,
  figureId,
} from '@druckerei/core';
import { issueText, statusOf } from '@druckerei/contract';
import { Commands } from '../../../platform/commands';
import { count, dateText } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { StatusMark } from '../../../ui/status-mark';
import { UndoButtons } from '../../../ui/undo-buttons';
import { Buying } from '../buying/buying';
import { NormField } from '../parts/norm-field';
import { OrderBench } from '../order/order-bench';
import { StepBench } from '../station/step-bench';
import { Sureness } from '../sureness/sureness';
import { JobEditor } from '../state/job-editor';
import { JobView, type Panel } from '../state/job-view';
import { OtherTabs } from '../state/other-tabs';
import { RoomStore } from '../record/room.store';
import { StationSheets } from '../station/station-sheets';
import { Balance } from '../figures/balance';
import { Findings } from '../figures/findings';
import { BalanceSheet } from '../figures/balance-sheet';
import { CostTable } from '../figures/cost-table';
import { Losses } from '../figures/losses';
import { Schools } from '../figures/schools';
import { stepNames } from '../ui/step-names';
import { Stream } from '../stream/stream';
import { streamModel } from '../stream/stream-model';
import { type FigureAt, Working } from '../ui/working';
import { Conflict } from './conflict';
import { ReleaseDialog } from './release.dialog';
import { Revisions } from './revisions';
import { SaveMark } from './save-mark';

/** Letters that an end of the stream has room for. */
const NAME_ROOM = 13;

/** Letters of a line under a name there. */
const LINE_ROOM = 15;
const shorten = (text: string, room: number): string => (text.length > room ? `${text.slice(0, room - 1)}…` : text);

/** What an end of the stream is called: the item that it delivers, or the job. */
function productName({ items = [], title }: Job, figure: string): string {
  const item = items.find(({ id }) => figure === `item.${id}.quantity`)?.name;
  if (item !== undefined) return shorten(item, NAME_ROOM);
  return title.length > NAME_ROOM ? 'Product' : title;
}

const PANELS: readonly Panel[] = ['working', 'schools', 'paper', 'balance', 'cost', 'buying', 'revisions'];

@Component({
  selector: 'dk-job-page',
  imports: [
    Balance,
    Buying,
    Conflict,
    Findings,
    BalanceSheet,
    CostTable,
    Losses,
    MatButtonModule,
    MatIconModule,
    MatMenuModule,
    MatProgressBarModule,
    MatTabsModule,
    NormField,
    OrderBench,
    Revisions,
    RouterLink,
    SaveMark,
    Schools,
    StatusMark,
    StepBench,
    Stream,
    Sureness,
    UndoButtons,
    Working,
  ],
  providers: [JobView, RoomStore, OtherTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './job.page.html',
  styleUrl: './job.page.scss',
})
export class JobPage implements OnDestroy {
  protected readonly editor = inject(JobEditor);
  protected readonly view = inject(JobView);
  private readonly dialog = inject(MatDialog);
  private readonly measures = inject(Measures);
  private readonly sheets = inject(StationSheets);
  readonly id = input.required({ transform: numberAttribute });
  readonly revision = input<number | undefined, unknown>(undefined, {
    transform: (value) => (value === undefined ? undefined : numberAttribute(value)),
  });
  protected readonly issueText = issueText;
  protected readonly dateText = dateText;
  protected readonly count = count;

  protected readonly status = computed(() => {
    const revision = this.editor.revision();
    return revision ? statusOf(revision) : 'draft';
  });
  protected readonly problems = computed(() => {
    const outcome = this.editor.outcome();
    return outcome && !outcome.ok ? outcome.issues : [];
  });
  protected readonly advice = computed(() => this.editor.plan()?.advice ?? []);
  protected readonly stream = computed(() => {
    const [job, plan, works] = [this.editor.job(), this.editor.plan(), this.editor.works()];
    if (!job || !plan || !works) return undefined;
    const paper = new Map(
      job.components.map(({ id, stock, sheet }) => [
        id,
        [
          shorten(
            works.stocks
              .find((s) => s.id === stock)
              ?.name.replace(' coated', '')
              .replace('Uncoated ', '') ?? stock,
            LINE_ROOM,
          ),
          this.measures.size(sheet.widthMm, sheet.heightMm),
        ],
      ]),
    );
    return streamModel(
      plan,
      job.components,
      (end) => ({ title: productName(job, end.figure), lines: this.endLines(end.count, plan) }),
      paper,
      this.counts(),
      new Map(this.editor.findings().map(({ step, weight }) => [step, weight])),
      new Map((job.parts ?? []).map(({ id, name }) => [partMaterial(id), name])),
    );
  });
  private readonly room = inject(RoomStore);
  protected readonly tabs = inject(OtherTabs);
  /** Last good count of each step. */
  private readonly counts = computed(
    () => new Map([...this.room.state().counts].map(([step, { event }]) => [step, event.good])),
  );
  protected readonly balance = computed(() => {
    const [job, plan, works] = [this.editor.job(), this.editor.plan(), this.editor.works()];
    return job && plan && works ? materialBalance(job, plan, works) : undefined;
  });
  protected readonly costLines = computed(() => {
    const [job, plan] = [this.editor.job(), this.editor.plan()];
    return job && plan ? costLines(job, plan) : [];
  });
  /** Looked at only while the cost is shown: it plans once more. */
  protected readonly costOfNext = computed(() => {
    const [job, plan, works] = [this.editor.job(), this.editor.plan(), this.editor.works()];
    return job && plan && works && this.view.panel() === 'cost' ? costOfNext(job, works, plan) : undefined;
  });
  protected readonly componentNames = computed(
    () => new Map((this.editor.job()?.components ?? []).map(({ id, name }) => [id, name])),
  );
  protected readonly losses = computed(() => {
    const plan = this.editor.plan();
    return plan ? paperLosses(plan) : { losses: [], boughtKg: 0, figures: {} };
  });
  /** Opens a figure of the plan, of a station's sheet, or of where its paper goes. */
  protected readonly figureAt = computed((): FigureAt => {
    const plan = this.editor.plan();
    const [first] = this.view.trail();
    // What a sheet or the balance stands on is beside the plan too.
    const beside = first === undefined || figureOf(plan, first) ? {} : this.figuresBeside(first);
    return (id) => figureOf(plan, id) ?? beside[id];
  });

  /** Figures that are not the plan's own: a station's sheet, the balance, or where the paper goes. */
  private figuresBeside(id: string): Figures {
    const step = /^station\.([^.]+)\./.exec(id)?.[1];
    const sheet = step === undefined ? undefined : this.sheets.of(step);
    return sheet?.figures ?? this.balance()?.figures ?? this.losses().figures;
  }

  protected readonly stepNames = computed(() => {
    const [plan, job] = [this.editor.plan(), this.editor.job()];
    return plan && job ? stepNames(plan, job.components) : new Map<string, string>();
  });

  /** Stations, machines and operations by what a finding or a mend calls them. */
  protected readonly names = computed(
    () =>
      new Map([
        ...(this.editor.works()?.machines ?? []).map(({ id, name }) => [id, name] as const),
        ...this.stepNames(),
      ]),
  );
  /** The plan itself went wrong. */
  protected readonly failed = computed(() => this.problems().some(({ code }) => code === 'plan.failed'));
  protected readonly allFindings = signal(false);

  /** What an end of the stream says: what is ordered, and what the counts so far promise of it. */
  private endLines(ordered: number, plan: Plan): string[] {
    const forecast = this.room.forecast();
    const ends = plan.edges.filter(({ to }) => to === null).length;
    return forecast?.ok && ends === 1
      ? [`${count(ordered)} ordered`, `${count(forecast.value.expected)} expected`]
      : [count(ordered), 'ordered'];
  }
  /** The step chosen, while the route still has it. */
  protected readonly chosen = computed(() => {
    const step = this.view.step();
    return this.editor.job()?.route.some(({ id }) => id === step) ? step : null;
  });
  protected readonly panelIndex = computed(() => PANELS.indexOf(this.view.panel()));
  protected readonly documents = computed(() => {
    const revision = this.editor.revision();
    const at = `/api/jobs/${revision?.id}/revisions/${revision?.revision}`;
    return { ticket: `${at}/ticket.pdf`, pileTags: `${at}/pile-tags.pdf`, jobFile: `${at}/job.json` };
  });

  private readonly takeBack = inject(Commands).offerPage([
    { id: 'undo', name: 'Undo', key: '$mod+z', run: () => this.editor.undo() },
    { id: 'redo', name: 'Redo', key: '$mod+Shift+z', run: () => this.editor.redo() },
    { id: 'redo-y', name: 'Redo (other key)', key: '$mod+y', run: () => this.editor.redo() },
    { id: 'save', name: 'Save now', key: '$mod+s', run: () => this.editor.saveNow() },
    { id: 'next', name: 'Next operation', key: 'ArrowRight', run: () => this.walk(1) },
    { id: 'previous', name: 'Previous operation', key: 'ArrowLeft', run: () => this.walk(-1) },
    { id: 'earlier', name: 'Move the operation one earlier', key: 'Alt+ArrowLeft', run: () => this.move('before') },
    { id: 'later', name: 'Move the operation one later', key: 'Alt+ArrowRight', run: () => this.move('behind') },
    { id: 'order', name: 'Open the order', key: 'o', run: () => this.view.choose(null) },
    { id: 'working', name: 'Show the working of the chosen operation', key: 'w', run: () => this.openWorking() },
    {
      id: 'schools',
      name: 'Compare the schools, and see how sure it is',
      key: 'c',
      run: () => this.view.show('schools'),
    },
    { id: 'paper', name: 'Show where the paper goes', key: 'p', run: () => this.view.show('paper') },
    { id: 'buying', name: 'Show what is to be bought', key: 'b', run: () => this.view.show('buying') },
    { id: 'revisions', name: 'Show revisions', key: 'r', run: () => this.view.show('revisions') },
    { id: 'release', name: 'Release this revision', run: () => this.release() },
    {
      id: 'ticket',
      name: 'Open the job ticket',
      key: 't',
      run: () => window.open(this.documents().ticket, '_blank', 'noopener'),
    },
    { id: 'tags', name: 'Open the pile tags', run: () => window.open(this.documents().pileTags, '_blank', 'noopener') },
  ]);

  constructor() {
    const title = inject(Title);
    effect(() => this.editor.open(this.id(), this.revision()));
    effect(() => {
      const id = this.id();
      untracked(() => this.room.load(id));
    });
    effect(() => {
      const job = this.editor.job();
      if (job) title.setTitle(`${job.number} ${job.title} - Druckerei`);
    });
  }

  ngOnDestroy(): void {
    this.takeBack();
  }

  protected showPanel(index: number): void {
    const panel = PANELS[index];
    if (panel) this.view.show(panel);
  }

  protected release(): void {
    if (!this.canRelease()) return;
    this.dialog
      .open(ReleaseDialog, { data: this.editor.job(), width: '440px' })
      .afterClosed()
      .subscribe((yes) => {
        if (yes === true) this.editor.release();
      });
  }

  protected readonly canRelease = computed(
    () =>
      this.editor.editable() &&
      this.editor.revision()?.state === 'draft' &&
      this.problems().length === 0 &&
      this.editor.findings().every(({ weight }) => weight !== 'hard') &&
      !this.editor.unsaved() &&
      this.editor.save().kind === 'saved' &&
      Object.keys(this.editor.pending()).length === 0,
  );

  /** Changes places with the station before or behind in the lane, where the route lets it. */
  private move(where: 'before' | 'behind'): void {
    const [job, step] = [this.editor.job(), this.chosen()];
    if (!job || step === null) return;
    const { before, behind } = neighboursOf(job, step);
    if (where === 'before' && before) this.editor.moveBefore(step, before);
    if (where === 'behind' && behind) this.editor.moveBefore(behind, step);
  }

  private walk(by: number): void {
    const steps = this.editor.job()?.route ?? [];
    const at = steps.findIndex(({ id }) => id === this.chosen());
    const next = steps[at === -1 && by < 0 ? steps.length - 1 : Math.min(steps.length - 1, Math.max(0, at + by))];
    if (next) this.view.choose(next.id);
  }

  private openWorking(): void {
    const step = this.chosen();
    this.view.openFigure(
      step === null
        ? 'total.pressSheets'
        : figureOf(this.editor.plan(), figureId.step(step, 'lag'))
          ? figureId.step(step, 'lag')
          : figureId.step(step, 'processUnits'),
    );
  }
}
