import { BreakpointObserver } from '@angular/cdk/layout';
import {
  ChangeDetectionStrategy,
  Component,
  type OnDestroy,
  computed,
  effect,
  inject,
  input,
  numberAttribute,
  untracked,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { OPERATION_RULES, figureId, figureOf, neighboursOf, productPicture } from '@druckerei/core';
import { statusOf } from '@druckerei/contract';
import { SplitAreaComponent, SplitComponent, type SplitGutterInteractionEvent } from 'angular-split';
import { map } from 'rxjs';
import { type Command, Commands } from '../../../platform/commands';
import { Titles } from '../../../platform/titles';
import { guideAt, stationPlace } from '../../../platform/guide/guide-place';
import { openPalette } from '../../../platform/open-palette';
import { dateText } from '../../../ui/format';
import { StatusMark } from '../../../ui/status-mark';
import { UndoButtons } from '../../../ui/undo-buttons';
import { Balance } from '../figures/balance';
import { ReadyOn } from './ready-on';
import { hardFirst } from '../figures/findings';
import { OpenFigures } from '../state/open-figures';
import { NormField } from '../parts/norm-field';
import { RoomStore } from '../record/room.store';
import { JobClock } from '../state/job-clock';
import { JobEditor } from '../state/job-editor';
import { JobView, PRICED_ROOMS } from '../state/job-view';
import { Names } from '../state/names';
import { ChangedElsewhere } from '../state/changed-elsewhere';
import { OtherTabs } from '../state/other-tabs';
import { FigureWalk } from '../state/figure-walk';
import { Panes } from '../state/panes';
import { LABELS, SIZES } from './labels';
import { StreamPane } from './stream-pane';
import { ProductPicture } from '../../../ui/product-picture';
import { Working } from '../../../ui/working';
import { ReleaseDialog } from './release.dialog';
import { Rooms } from './rooms';
import { Said } from './said';
import { SaveMark } from './save-mark';
import { Tour } from './tour';
import { Store } from '@ngrx/store';
import { selectMay } from '../../../platform/session.state';
import { WordPipe } from '../../../ui/word';

/** Height of the stream where nobody dragged it: one lane, or as much of the window as several may take. */
const ONE_LANE_PX = 172;
const LANES_SHARE = 0.34;
/** A working narrower than this, per cent, is put away. */
const LEAST_WORKING_SHARE = 8;

@Component({
  selector: 'dk-job-page',
  imports: [
    Balance,
    ReadyOn,
    MatButtonModule,
    MatIconModule,
    MatMenuModule,
    MatProgressBarModule,
    MatTooltipModule,
    NormField,
    ProductPicture,
    Rooms,
    RouterLink,
    Said,
    SaveMark,
    SplitAreaComponent,
    SplitComponent,
    StatusMark,
    StreamPane,
    Tour,
    UndoButtons,
    Working,
    WordPipe,
  ],
  providers: [JobClock, JobView, RoomStore, OtherTabs, ChangedElsewhere, OpenFigures, Names, Panes, FigureWalk],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './job.page.html',
  styleUrl: './job.page.scss',
})
export class JobPage implements OnDestroy {
  protected readonly editor = inject(JobEditor);
  protected readonly view = inject(JobView);
  private readonly dialog = inject(MatDialog);
  protected readonly figures = inject(OpenFigures);
  protected readonly names = inject(Names);
  protected readonly panes = inject(Panes);
  protected readonly walk = inject(FigureWalk);
  private readonly streamPane = viewChild(StreamPane);
  readonly id = input.required({ transform: numberAttribute });
  readonly revision = input<number | undefined, unknown>(undefined, {
    transform: (value) => (value === undefined ? undefined : numberAttribute(value)),
  });
  protected readonly dateText = dateText;

  protected readonly status = computed(() => {
    const revision = this.editor.revision();
    return revision ? statusOf(revision) : 'draft';
  });
  protected readonly picture = computed(() => {
    const [job, plan] = [this.editor.job(), this.editor.plan()];
    return job && plan ? productPicture(job, plan) : undefined;
  });
  private readonly room = inject(RoomStore);
  /** The step chosen, while the route still has it. */
  protected readonly chosen = computed(() => {
    const step = this.view.step();
    return this.editor.job()?.route.some(({ id }) => id === step) ? step : null;
  });
  /** Below the bench the working has room, beside it no more. */
  protected readonly narrow = toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 900px)')
      .pipe(map(({ matches }) => matches)),
    { initialValue: false },
  );
  protected readonly streamOpen = computed(() => this.panes.isOpen('stream') && this.editor.plan() !== null);
  protected readonly streamPx = computed(
    () =>
      this.panes.streamPx() ??
      (this.editor.job()?.components.length === 1 ? ONE_LANE_PX : Math.round(innerHeight * LANES_SHARE)),
  );
  protected readonly documents = computed(() => {
    const revision = this.editor.revision();
    const at = `/api/jobs/${revision?.id}/revisions/${revision?.revision}`;
    return {
      at,
      ticket: `${at}/ticket.pdf`,
      pileTags: `${at}/pile-tags.pdf`,
      jobFile: `${at}/job.json`,
      xjdf: `${at}/job.xjdf`,
    };
  });
  protected readonly labels = LABELS;
  protected readonly labelSizes = SIZES;
  protected readonly labelsAt = (of: string, size: string): string =>
    `${this.documents().at}/labels.pdf?of=${of}&size=${size}`;

  private readonly commands: readonly Command[] = [
    { id: 'undo', name: $localize`Undo`, key: '$mod+z', run: () => this.editor.undo() },
    { id: 'redo', name: $localize`Redo`, key: '$mod+Shift+z', run: () => this.editor.redo() },
    { id: 'redo-y', name: $localize`Redo (other key)`, key: '$mod+y', run: () => this.editor.redo() },
    { id: 'save', name: $localize`Save now`, key: '$mod+s', run: () => this.editor.saveNow() },
    { id: 'next', name: $localize`Next operation`, key: 'ArrowRight', run: () => this.step(1) },
    { id: 'previous', name: $localize`Previous operation`, key: 'ArrowLeft', run: () => this.step(-1) },
    {
      id: 'earlier',
      name: $localize`Move the operation one earlier`,
      key: 'Alt+ArrowLeft',
      run: () => this.move('before'),
    },
    {
      id: 'later',
      name: $localize`Move the operation one later`,
      key: 'Alt+ArrowRight',
      run: () => this.move('behind'),
    },
    { id: 'order', name: $localize`Open the order`, key: 'o', run: () => this.view.choose(null) },
    { id: 'station', name: $localize`Choose a station by its name`, key: '/', run: () => this.findStation() },
    {
      id: 'working',
      name: $localize`Show the working of the chosen operation`,
      key: 'w',
      run: () => this.openWorking(),
    },
    { id: 'next-figure', name: $localize`Next figure`, key: 'n', run: () => this.walk.go(1) },
    { id: 'previous-figure', name: $localize`Figure before`, key: 'Shift+N', run: () => this.walk.go(-1) },
    { id: 'close', name: $localize`Put the working away`, key: 'Escape', run: () => this.walk.close() },
    { id: 'mend', name: $localize`Take the first mend`, key: 'm', run: () => this.takeMend() },
    {
      id: 'fit',
      name: $localize`Whole stream, or full size`,
      key: 'z',
      run: () => this.panes.fit(!this.panes.fitted()),
    },
    {
      id: 'fold-stream',
      name: $localize`Fold the stream away, or bring it back`,
      key: '1',
      run: () => this.panes.toggle('stream'),
    },
    {
      id: 'fold-bench',
      name: $localize`Fold the bench away, or bring it back`,
      key: '2',
      run: () => this.panes.toggle('bench'),
    },
    {
      id: 'fold-working',
      name: $localize`Fold the working away, or bring it back`,
      key: '3',
      run: () => this.foldWorking(),
    },
    {
      id: 'schools',
      name: $localize`Compare the schools, and see how sure it is`,
      key: 'c',
      run: () => this.view.show('schools'),
    },
    { id: 'best', name: $localize`Plan for me: the cheapest way`, key: 'f', run: () => this.view.show('best') },
    { id: 'quantities', name: $localize`Compare quantities`, key: 'q', run: () => this.view.show('quantities') },
    {
      id: 'what-if',
      name: $localize`What if: keep this beside and try another`,
      key: 'v',
      run: () => this.view.show('what if'),
    },
    { id: 'artwork', name: $localize`Show the artwork`, key: 'a', run: () => this.view.show('artwork') },
    { id: 'paper', name: $localize`Show where the paper goes`, key: 'p', run: () => this.view.show('paper') },
    {
      id: 'balance',
      name: $localize`Show the balance of the material`,
      key: 'l',
      run: () => this.view.show('balance'),
    },
    { id: 'cost', name: $localize`Show the cost`, key: 'k', run: () => this.view.show('cost') },
    { id: 'buying', name: $localize`Show what is to be bought`, key: 'b', run: () => this.view.show('buying') },
    { id: 'revisions', name: $localize`Show revisions`, key: 'r', run: () => this.view.show('revisions') },
    { id: 'release', name: $localize`Release this revision`, run: () => this.release() },
    {
      id: 'ticket',
      name: $localize`Open the job ticket`,
      key: 't',
      run: () => window.open(this.documents().ticket, '_blank', 'noopener'),
    },
    {
      id: 'tags',
      name: $localize`Open the pile tags`,
      run: () => window.open(this.documents().pileTags, '_blank', 'noopener'),
    },
  ];
  private takeBack = inject(Commands).offerPage(this.commands);

  constructor() {
    const offered = inject(Commands);
    effect(() => {
      if (!this.editor.pricesHidden()) return;
      const priced = new Set<string>(PRICED_ROOMS.map((room) => room.replace(' ', '-')));
      this.takeBack = offered.offerPage(this.commands.filter(({ id }) => !priced.has(id)));
    });
    guideAt(() => {
      if (this.view.room() === 'schools') return { page: 'schools' };
      const step = this.editor.job()?.route.find(({ id }) => id === this.chosen());
      return step && this.view.room() === 'bench' ? stationPlace(OPERATION_RULES[step.operation].name) : undefined;
    });
    const title = inject(Titles);
    effect(() => this.editor.open(this.id(), this.revision()));
    effect(() => {
      const id = this.id();
      untracked(() => this.room.load(id));
    });
    // What somebody chose is seen, folded or not.
    effect(() => {
      if (this.view.step() !== null) untracked(() => this.panes.open('bench'));
    });
    effect(() => {
      const job = this.editor.job();
      if (job) title.say(`${job.number} ${job.title}`);
    });
  }

  ngOnDestroy(): void {
    this.takeBack();
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

  private readonly mayRelease = inject(Store).selectSignal(selectMay('release'));
  protected readonly canRelease = computed(
    () =>
      this.mayRelease() &&
      this.editor.editable() &&
      this.editor.revision()?.state === 'draft' &&
      this.editor.problems().length === 0 &&
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

  /** The next station that the stream draws. */
  private step(by: number): void {
    const steps = this.streamPane()?.shownSteps() ?? [];
    const at = steps.indexOf(this.chosen() ?? '');
    const next = steps[at === -1 && by < 0 ? steps.length - 1 : Math.min(steps.length - 1, Math.max(0, at + by))];
    if (next !== undefined) this.view.choose(next);
  }

  protected findStation(): void {
    const commands = (this.editor.plan()?.steps ?? []).map(({ id }, i) => ({
      id,
      name: `${i + 1} ${this.names.steps().get(id) ?? id}`,
      run: () => this.view.choose(id),
    }));
    void openPalette(this.dialog, { label: $localize`Which station?`, commands });
  }

  /** Takes the first mend on offer. */
  private takeMend(): void {
    const mend = hardFirst(this.editor.findings()).find((finding) => finding.mend)?.mend;
    if (mend && this.editor.editable()) this.editor.mend(mend);
  }

  private foldWorking(): void {
    if (this.view.working()) this.walk.close();
    else this.openWorking();
  }

  /** A divider was dragged. */
  protected sized(pane: 'stream' | 'working', { sizes }: SplitGutterInteractionEvent): void {
    const size = pane === 'stream' ? sizes[0] : sizes.at(-1);
    if (typeof size !== 'number') return;
    if (pane === 'stream') this.panes.sizeStream(size);
    else if (size < LEAST_WORKING_SHARE) this.walk.close();
    else this.panes.sizeWorking(size);
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
