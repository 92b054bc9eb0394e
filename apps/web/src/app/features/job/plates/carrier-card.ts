import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import {
  type Carrier,
  type CarrierLife,
  type CarrierState,
  CARRIER_CAUTIONS,
  CAUTION_RULE,
  CHECKLISTS,
  cylinderRoute,
  hoursAgain,
  normsOf,
  hoursText,
} from '@druckerei/core';
import type { KeptCarrier } from '@druckerei/contract';
import { count, timeText } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { RoomStore } from '../record/room.store';
import { LayoutView } from '../../../ui/layout-view';
import { WordPipe } from '../../../ui/word';

type Settable = Exclude<CarrierState, 'wanted' | 'inspected'>;
/** Where a carrier can go without letting it go, and what the button says. */
const NEXT: Readonly<Partial<Record<CarrierState, readonly (readonly [Settable, string])[]>>> = {
  wanted: [['made', $localize`It is made`]],
  inspected: [
    ['on-press', $localize`Put on press`],
    ['held', $localize`Hold`],
  ],
  'on-press': [['held', $localize`Hold`]],
  held: [['on-press', $localize`Put on press`]],
};
const LET_GO: readonly (readonly [Settable, string])[] = [
  ['kept', $localize`Keep`],
  ['recycled', $localize`Recycle`],
  ['destroyed', $localize`Destroy`],
];

/** One carrier in hand: its form as drawn, its checklist, where it can go next, and what the store keeps in its place. */
@Component({
  selector: 'dk-carrier-card',
  imports: [
    LayoutView,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './carrier-card.html',
  styleUrl: '../parts/bench.scss',
})
export class CarrierCard {
  protected readonly room = inject(RoomStore);
  private readonly editor = inject(JobEditor);
  readonly carrier = input.required<Carrier>();
  readonly life = input.required<CarrierLife>();
  readonly faults = input.required<readonly string[]>();
  readonly ticked = output<string>();
  /** The inspection is to be recorded, with a note. */
  readonly inspected = output<string>();
  protected readonly count = count;
  protected readonly time = timeText;
  protected readonly cautionRule = CAUTION_RULE;
  protected readonly cautions = computed(() => CARRIER_CAUTIONS[this.carrier().kind]);
  protected readonly checks = computed(() => CHECKLISTS[this.carrier().kind]);
  protected readonly next = computed(() => NEXT[this.life().state] ?? []);
  /** What is not there, or gone, cannot be let go; what is kept may go later. */
  protected readonly letGo = computed(() => {
    const { state } = this.life();
    return ['wanted', 'recycled', 'destroyed'].includes(state) ? [] : LET_GO.filter(([to]) => to !== state);
  });
  protected readonly layout = computed(() => {
    const { component, ink } = this.carrier();
    return ink === undefined ? undefined : this.editor.plan()?.layouts[component];
  });
  protected readonly side = computed(() => (this.carrier().side === 'back' ? 'back' : 'front'));
  /** The same image, kept by an earlier job. */
  protected readonly kept = computed(() => {
    const { key } = this.carrier();
    return this.life().state === 'wanted' ? this.room.room().kept.filter((one) => one.key === key) : [];
  });
  /** Stations of a gravure cylinder with their hours, and what a fault at the proof costs. */
  protected readonly route = computed(() => {
    const [layout, job, works] = [this.layout(), this.editor.job(), this.editor.works()];
    if (this.carrier().kind !== 'cylinder' || !layout || !job || !works) return '';
    const stops = cylinderRoute(layout, normsOf(works, job.norms));
    const said = stops.map(({ station, hours }) => `${station} ${hoursText(hours)}`).join(', ');
    return $localize`${said}; engraved again after a fault at the proof, ${hoursText(hoursAgain(stops))} more`;
  });

  protected to(state: Settable, place: string, reason: string): void {
    const [where, why] = [place.trim(), reason.trim()];
    this.room.enter({
      kind: 'carrier',
      carrier: this.carrier().id,
      state,
      ...(where === '' ? {} : { place: where }),
      ...(why === '' ? {} : { reason: why }),
    });
  }

  protected take({ job, used, place }: KeptCarrier): void {
    this.room.enter({
      kind: 'carrier',
      carrier: this.carrier().id,
      state: 'made',
      from: { job, used },
      ...(place === null ? {} : { place }),
    });
  }
}
