import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { AIM_SETS, type Lab, type RoomEvent, judgeTrial, standInDensitometer } from '@druckerei/core';
import { count, timeText } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { RoomStore } from '../record/room.store';
import { WordPipe } from '../../../ui/word';

const CHANNELS = [
  { key: 'l', name: 'L*' },
  { key: 'a', name: 'a*' },
  { key: 'b', name: 'b*' },
] as const;
const SEED = 5;

/** The trial of an ink, drawn down on the job's own stock: measured, judged against the aim, accepted or refused; and its log. */
@Component({
  selector: 'dk-ink-trial',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, NumberBox, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ink-trial.html',
  styleUrl: './ink-trial.scss',
})
export class InkTrial {
  protected readonly room = inject(RoomStore);
  readonly name = input.required<string>();
  readonly aim = input.required<Lab | undefined>();
  readonly tolerance = input.required<number>();
  protected readonly count = count;
  protected readonly time = timeText;
  protected readonly channels = CHANNELS;
  /** The draw-down in hand; another ink or aim starts anew. */
  protected readonly measured = linkedSignal((): Lab => {
    this.name();
    return this.aim() ?? { l: 50, a: 0, b: 0 };
  });
  private readonly log = computed(() => this.room.state().trials.get(this.name()) ?? []);
  protected readonly trials = computed(() =>
    this.log()
      .map(({ record, event }) => ({
        record,
        event,
        difference: judgeTrial(event.aim, event.measured, event.tolerance).difference,
      }))
      .reverse(),
  );
  protected readonly verdict = computed(() => {
    const aim = this.aim();
    return aim && judgeTrial(aim, this.measured(), this.tolerance());
  });

  protected set(channel: keyof Lab, value: number): void {
    this.measured.set({ ...this.measured(), [channel]: value });
  }
  /** A made-up reading about the aim, another for each trial, to practise on. */
  protected read(): void {
    const [aim, set] = [this.aim(), AIM_SETS[0]];
    if (!aim || !set) return;
    const source = standInDensitometer(SEED, [this.name()], { ...set, solids: { [this.name()]: aim } });
    const lab = source.read(this.log().length)[0]?.lab;
    const rounded = (value: number): number => Math.round(value * 10) / 10;
    if (lab) this.measured.set({ l: rounded(lab.l), a: rounded(lab.a), b: rounded(lab.b) });
  }
  protected enter(accepted: boolean, field: HTMLInputElement): void {
    const aim = this.aim();
    if (!aim) return;
    const text = field.value.trim();
    const event: RoomEvent = {
      kind: 'trial',
      ink: this.name(),
      aim,
      measured: this.measured(),
      tolerance: this.tolerance(),
      accepted,
      ...(text === '' ? {} : { note: text }),
    };
    this.room.enter(event, () => (field.value = ''));
  }
}
