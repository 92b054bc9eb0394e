import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatTabsModule } from '@angular/material/tabs';
import { costLines, costOfNext } from '@druckerei/core';
import { ArtworkRoom } from '../artwork/artwork-room';
import { BestRoom } from '../best/best-room';
import { Beside } from '../best/beside';
import { BestStore } from '../best/best.store';
import { LadderRoom } from '../best/ladder-room';
import { WhatIf } from '../best/what-if';
import { Buying } from '../buying/buying';
import { BalanceSheet } from '../figures/balance-sheet';
import { CostTable } from '../figures/cost-table';
import { Losses } from '../figures/losses';
import { OpenFigures } from '../state/open-figures';
import { Schools } from '../figures/schools';
import { OrderBench } from '../order/order-bench';
import { JobEditor } from '../state/job-editor';
import { JobView, PRICED_ROOMS, ROOMS } from '../state/job-view';
import { Names } from '../state/names';
import { StepBench } from '../station/step-bench';
import { Sureness } from '../sureness/sureness';
import { Revisions } from './revisions';
import { WordPipe } from '../../../ui/word';

/** Below the stream: the bench of what is chosen, and the rooms about the whole job, each as wide as the page lets it. */
@Component({
  selector: 'dk-rooms',
  imports: [
    ArtworkRoom,
    BalanceSheet,
    BestRoom,
    Buying,
    CostTable,
    LadderRoom,
    Losses,
    MatTabsModule,
    OrderBench,
    Revisions,
    Schools,
    StepBench,
    Sureness,
    WhatIf,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [Beside, BestStore],
  templateUrl: './rooms.html',
  styleUrl: './rooms.scss',
})
export class Rooms {
  protected readonly editor = inject(JobEditor);
  protected readonly view = inject(JobView);
  protected readonly figures = inject(OpenFigures);
  protected readonly names = inject(Names);
  /** The station whose bench is open; null is the order. */
  readonly chosen = input.required<string | null>();
  /** In the order of the tabs. */
  private readonly rooms = computed(() =>
    this.editor.pricesHidden() ? ROOMS.filter((room) => !PRICED_ROOMS.includes(room)) : ROOMS,
  );
  protected readonly index = computed(() => Math.max(0, this.rooms().indexOf(this.view.room())));
  protected readonly components = computed(() => this.editor.job()?.components ?? []);
  protected readonly costLines = computed(() => {
    const [job, plan] = [this.editor.job(), this.editor.plan()];
    return job && plan ? costLines(job, plan) : [];
  });
  /** Looked at only while the cost is shown: it plans once more. */
  protected readonly costOfNext = computed(() => {
    const [job, plan, works] = [this.editor.job(), this.editor.plan(), this.editor.works()];
    return job && plan && works && this.view.room() === 'cost' ? costOfNext(job, works, plan) : undefined;
  });

  protected show(index: number): void {
    const room = this.rooms()[index];
    if (room) this.view.show(room);
  }
}
