import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  type Reading,
  type RoomEntry,
  type SamplingRules,
  type StationIncident,
  type StationTally,
  INCIDENTS,
  READINGS,
  nextPile,
} from '@druckerei/core';
import { readNumber } from '../../ui/format';
import { LotEntry } from './lot-entry';
import { PhotoEntry } from './photo-entry';
import { Chips } from './ui/chips';

const KINDS = ['incident', 'fault', 'reading', 'lot', 'pile', 'check', 'note', 'photo'] as const;
type Kind = (typeof KINDS)[number];
const WORDS: Readonly<Record<Kind, string>> = {
  incident: $localize`Incident`,
  fault: $localize`Fault seen`,
  reading: $localize`Reading`,
  lot: $localize`Lot`,
  pile: $localize`Pile handed on`,
  check: $localize`Check done`,
  note: $localize`Note`,
  photo: $localize`Photograph`,
};
const UNITS: Readonly<Record<Reading, string>> = {
  register: 'mm',
  density: 'D',
  colour: 'ΔE00',
  length: 'mm',
  weight: 'g',
};

/** Faults of a file that are told at once, and letters of what a reading is of. */
const MOST_TOLD = 3;
const MOST_NAME = 60;

/** What is entered less often: incidents, faults, readings, checks, notes, photographs. */
@Component({
  selector: 'dk-more-entries',
  imports: [Chips, LotEntry, MatButtonModule, PhotoEntry],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kinds" role="group" i18n-aria-label aria-label="Other entries">
      @for (kind of kinds; track kind) {
        <button
          [matButton]="kind === shown() ? 'tonal' : 'outlined'"
          [attr.aria-expanded]="kind === shown()"
          [disabled]="busy()"
          (click)="choose(kind)"
        >
          {{ words[kind] }}
        </button>
      }
    </div>
    @switch (shown()) {
      @case ('incident') {
        <dk-chips i18n-aria-label aria-label="What" [of]="incidents" [(chosen)]="what" />
        <label><span i18n>Lost by it, of what goes through</span><input #lost inputmode="numeric" value="0" /></label>
        <button i18n matButton="filled" class="wide" [disabled]="!what() || busy()" (click)="incident(lost.value)">
          Enter the incident
        </button>
      }
      @case ('fault') {
        <dk-chips i18n-aria-label aria-label="Fault" [of]="reasons()" [(chosen)]="what" />
        <label><span i18n>At sheet on the counter</span><input #sheet inputmode="numeric" /></label>
        <label><span i18n>Where on it, how much</span><input #text maxlength="300" /></label>
        <button
          i18n
          matButton="filled"
          class="wide"
          [disabled]="!what() || busy()"
          (click)="fault(sheet.value, text.value)"
        >
          Enter the fault
        </button>
      }
      @case ('reading') {
        <dk-chips i18n-aria-label aria-label="Of what" [of]="readings" [(chosen)]="what" />
        <label><span i18n>Ink, mark or place</span><input #name maxlength="60" /></label>
        <label
          ><span i18n>Value {{ unit() }}</span
          ><input #value inputmode="decimal"
        /></label>
        <label><span i18n>At sheet on the counter</span><input #at inputmode="numeric" /></label>
        <button
          i18n
          matButton="filled"
          class="wide"
          [disabled]="!what() || busy()"
          (click)="reading(name.value, value.value, at.value)"
        >
          Enter the reading
        </button>
        <label
          ><span i18n>Or those of a file of measurements (CGATS)</span
          ><input #file type="file" accept=".txt,.cgats,text/plain" (change)="readFile(file)"
        /></label>
      }
      @case ('lot') {
        <dk-lot-entry
          [step]="step()"
          [rules]="rules()"
          [tally]="tally()"
          [busy]="busy()"
          (entered)="enter($event)"
          (wrong)="wrong.set($event)"
        />
      }
      @case ('pile') {
        <label><span i18n>Tag of the pile</span><input #tag maxlength="120" [value]="nextTag()" /></label>
        <label><span i18n>Good ones in it</span><input #pieces inputmode="numeric" [value]="inPile()" /></label>
        <button i18n matButton="filled" class="wide" [disabled]="busy()" (click)="handOn(tag.value, pieces.value)">
          Close the pile and hand it on
        </button>
      }
      @case ('check') {
        <label><span i18n>What was checked</span><input #check maxlength="120" /></label>
        <div class="two">
          <button i18n matButton="filled" [disabled]="busy()" (click)="checked(check.value, true)">Passed</button>
          <button i18n matButton="outlined" [disabled]="busy()" (click)="checked(check.value, false)">
            Not passed
          </button>
        </div>
      }
      @case ('photo') {
        <dk-photo-entry
          [step]="step()"
          [busy]="busy()"
          (entered)="enter($event.entry, $event.picture)"
          (wrong)="wrong.set($event)"
        />
      }
      @case ('note') {
        <label><span i18n>Note</span><textarea #note rows="3" maxlength="600"></textarea></label>
        <button i18n matButton="filled" class="wide" [disabled]="busy()" (click)="noted(note.value)">
          Enter the note
        </button>
      }
    }
    @if (wrong(); as text) {
      <p class="wrong" role="alert">{{ text }}</p>
    }
  `,
  styleUrl: './entry-form.scss',
  styles: `
    .kinds {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 12px 0;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class MoreEntries {
  readonly step = input.required<string>();
  readonly reasons = input.required<readonly string[]>();
  /** What lots are looked at by, and what was entered here. */
  readonly rules = input.required<SamplingRules>();
  readonly tally = input.required<StationTally>();
  /** Number of the job: tags begin with it. */
  readonly number = input.required<string>();
  readonly busy = input(false);
  /** Pieces of a pile where the job is accountable. */
  readonly pile = input<number>();
  /** @param picture of a photograph: JPEG, base64. @returns whether it was taken. */
  readonly send = input.required<(entry: RoomEntry, picture?: string) => Promise<boolean>>();
  protected readonly kinds = KINDS;
  protected readonly words = WORDS;
  protected readonly incidents = INCIDENTS;
  protected readonly readings = READINGS;
  protected readonly shown = signal<Kind | undefined>(undefined);
  protected readonly what = signal('');
  protected readonly wrong = signal('');
  protected readonly unit = (): string => {
    const unit = UNITS[this.what() as Reading] as string | undefined;
    return unit === undefined ? '' : $localize`in ${unit}`;
  };

  protected choose(kind: Kind): void {
    this.what.set('');
    this.wrong.set('');
    this.shown.set(this.shown() === kind ? undefined : kind);
  }

  /** A whole number, nothing typed (undefined), or what is wrong with it. */
  private whole(text: string): number | undefined | false {
    if (text.trim() === '') return undefined;
    const value = readNumber(text);
    if (value !== undefined && Number.isInteger(value) && value >= 0) return value;
    this.wrong.set($localize`A whole number is wanted, like 250.`);
    return false;
  }
  protected async enter(entry: RoomEntry, picture?: string): Promise<void> {
    this.wrong.set('');
    if (await this.send()(entry, picture)) this.shown.set(undefined);
  }

  protected async incident(text: string): Promise<void> {
    const lost = this.whole(text);
    if (lost === false) return;
    await this.enter({ kind: 'incident', step: this.step(), what: this.what() as StationIncident, lost: lost ?? 0 });
  }
  protected async fault(at: string, text: string): Promise<void> {
    const sheet = this.whole(at);
    if (sheet === false) return;
    const note = text.trim();
    await this.enter({
      kind: 'fault',
      step: this.step(),
      fault: this.what(),
      ...(sheet === undefined ? {} : { sheet }),
      ...(note === '' ? {} : { note }),
    });
  }
  protected async reading(of: string, text: string, at: string): Promise<void> {
    const value = readNumber(text);
    const sheet = this.whole(at);
    if (value === undefined) this.wrong.set($localize`A number is wanted, like 1.35.`);
    if (value === undefined || sheet === false) return;
    const name = of.trim();
    await this.enter({
      kind: 'reading',
      step: this.step(),
      of: this.what() as Reading,
      value,
      ...(name === '' ? {} : { name }),
      ...(sheet === undefined ? {} : { sheet }),
    });
  }
  /** Enters the readings of a file, one after another; none where anything in it is wrong. */
  protected async readFile(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    const { decodeText, readCgats, readingsOf } = await import('@druckerei/formats/tables');
    const { readings, faults } = readingsOf(readCgats(decodeText(new Uint8Array(await file.arrayBuffer()))));
    const unknown = readings.find(({ of }) => !(READINGS as readonly string[]).includes(of));
    const told = faults.slice(0, MOST_TOLD).map(({ line, message }) => $localize`Line ${line}\: ${message}`);
    if (unknown) told.push($localize`${unknown.of} is nothing that is read here: ${READINGS.join(', ')}.`);
    this.wrong.set(told.join(' '));
    if (told.length > 0) return;
    for (const { of, name, sheet, value } of readings) {
      const entry = { kind: 'reading', step: this.step(), of: of as Reading, value } as const;
      const called = name.trim().slice(0, MOST_NAME);
      const taken = await this.send()({
        ...entry,
        ...(called === '' ? {} : { name: called }),
        ...(sheet === undefined ? {} : { sheet }),
      });
      if (!taken) return;
    }
    this.shown.set(undefined);
  }
  /** Pieces of the next pile of accountable work: a full one, or what is left. */
  protected readonly inPile = computed(() => {
    const pile = this.pile();
    return (pile === undefined ? 0 : nextPile(pile, this.tally())) || '';
  });
  /** The tag behind the last one that was handed on here. */
  protected readonly nextTag = computed(() => `${this.number()}/${this.step()}/${this.tally().pilesOut.size + 1}`);
  protected async handOn(tag: string, text: string): Promise<void> {
    const [pile, pieces] = [tag.trim(), this.whole(text)];
    if (pile === '') this.wrong.set($localize`Say which pile: its tag.`);
    else if (pieces === undefined || pieces === 0) this.wrong.set($localize`Say how many good ones are in it.`);
    if (pile === '' || !pieces) return;
    await this.enter({ kind: 'handed-on', step: this.step(), pile, count: pieces });
  }
  protected async checked(text: string, passed: boolean): Promise<void> {
    const check = text.trim();
    if (check === '') this.wrong.set($localize`Say what was checked.`);
    else await this.enter({ kind: 'check', step: this.step(), check, passed });
  }
  protected async noted(typed: string): Promise<void> {
    const text = typed.trim();
    if (text === '') this.wrong.set($localize`Say something.`);
    else await this.enter({ kind: 'note', step: this.step(), text });
  }
}
