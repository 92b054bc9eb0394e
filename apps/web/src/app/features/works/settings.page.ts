import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import {
  type TicketPart,
  type WorksSettings,
  LABEL_SIZES,
  TICKET_PARTS,
  WORKS_SETTINGS,
  nextJobNumber,
  ticketWithout,
  toldSettings,
  wrongNumberPattern,
} from '@druckerei/core';
import { CURRENCIES, dayIn } from '@druckerei/contract';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { type Observable, map, tap } from 'rxjs';
import { Api } from '../../platform/api';
import { ChangesDialog, type ChangesData } from '../../platform/changes.dialog';
import { Contested } from '../../platform/contested';
import { failureOf } from '../../platform/problem';
import { selectMay } from '../../platform/session.state';
import { LOCALES, chosenLocale } from '../../ui/locale';
import { Standing, type StandingRow } from '../../ui/standing';
import { LogoBox } from './logo-box';
import { WorksStore } from './works.store';
import { WordPipe } from '../../ui/word';

/** Names of the settings, as the form and the history say them. */
const NAMES: Readonly<Record<keyof WorksSettings, string>> = {
  name: $localize`Name`,
  place: $localize`Place`,
  letterhead: $localize`Lines under the name`,
  currency: $localize`Currency`,
  locale: $localize`Language and dates`,
  timeZone: $localize`Time zone`,
  numberPattern: $localize`Pattern of job numbers`,
  secondFactor: $localize`Second factor`,
  measures: $localize`Measures`,
  labelSize: $localize`Size of labels`,
  ticketWithout: $localize`Tickets are printed without`,
};
/** Parts of a ticket, as the form names them. */
const PARTS: Readonly<Record<TicketPart, string>> = {
  stream: $localize`the stream of stations`,
  material: $localize`what becomes of the material`,
  gates: $localize`the gates to sign`,
  press: $localize`plate room, ink room and press`,
  finishing: $localize`cutting and folding`,
  bindery: $localize`the bindery`,
  boxes: $localize`the box shop`,
  packing: 'packing',
};
/** Entries of a list that is offered while somebody types. */
const MOST_OFFERED = 12;
const ZONES = Intl.supportedValuesOf('timeZone');

const holds = (text: string, typed: string): boolean => text.toLowerCase().includes(typed.trim().toLowerCase());

/** What the works says of itself: its name and place, its money, its dates, how it numbers jobs. */
@Component({
  selector: 'dk-settings-page',
  imports: [
    MatAutocompleteModule,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    LogoBox,
    MatSelectModule,
    ReactiveFormsModule,
    RouterLink,
    Standing,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings.page.html',
  styleUrl: './settings.page.scss',
})
export class SettingsPage {
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly works = inject(WorksStore);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('settings'));
  protected readonly now = signal<WorksSettings | undefined>(undefined);
  protected readonly failed = signal('');
  /** What stood before what was kept here last. */
  protected readonly before = signal<WorksSettings | undefined>(undefined);
  protected readonly locales = LOCALES;
  protected readonly labels = Object.entries(LABEL_SIZES).map(([id, [width, height]]) => ({
    id,
    name: `${width} × ${height} mm`,
  }));
  protected readonly form = inject(FormBuilder).nonNullable.group({
    name: '',
    place: '',
    letterhead: '',
    currency: '',
    locale: '',
    timeZone: '',
    numberPattern: '',
    secondFactor: '',
    measures: '',
    labelSize: '',
    ticketWithout: '',
  });
  private readonly typed = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  protected readonly parts = TICKET_PARTS.map((id) => ({ id, name: PARTS[id] }));
  protected readonly left = computed(() => ticketWithout({ ticketWithout: this.typed().ticketWithout ?? '' }));
  protected readonly sending = new Contested(() => this.look());
  private readonly names = new Intl.DisplayNames([chosenLocale()], { type: 'currency' });

  protected readonly currencies = computed(() =>
    [...CURRENCIES]
      .map((code) => ({ code, name: this.names.of(code) ?? code }))
      .filter(({ code, name }) => holds(`${code} ${name}`, this.typed().currency ?? ''))
      .slice(0, MOST_OFFERED),
  );
  protected readonly moneyName = computed(() => {
    const code = (this.typed().currency ?? '').toUpperCase();
    return CURRENCIES.has(code) ? (this.names.of(code) ?? '') : '';
  });
  protected readonly timeZones = computed(() =>
    ZONES.filter((zone) => holds(zone, this.typed().timeZone ?? '')).slice(0, MOST_OFFERED),
  );
  /** What the clock says in the zone that is typed. */
  protected readonly clock = computed(() => {
    const timeZone = this.typed().timeZone ?? '';
    if (timeZone === '') return $localize`That of the server, where none is told.`;
    return ZONES.includes(timeZone)
      ? $localize`It is ${new Date().toLocaleTimeString(chosenLocale(), { timeZone, hour: '2-digit', minute: '2-digit' })} there now.`
      : '';
  });
  /** What the pattern comes to, or what is wrong with it. */
  protected readonly number = computed(() => {
    const pattern = (this.typed().numberPattern ?? '').trim();
    if (pattern === '') return $localize`Without one, a job is numbered after the last.`;
    const wrong = wrongNumberPattern(pattern);
    return wrong === undefined
      ? $localize`The first of today would be ${nextJobNumber(pattern, [], dayIn(new Date()))}.`
      : $localize`This cannot be used: ${wrong}.`;
  });

  constructor() {
    this.load();
    this.sending.follow(
      ['works'],
      () => JSON.stringify(this.told(this.now() ?? {})),
      () => this.form.dirty,
    );
  }

  protected load(): void {
    this.failed.set('');
    this.look().subscribe({
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  private readonly look = (): Observable<void> =>
    this.api.works().pipe(
      tap((works) => {
        this.now.set(works);
        if (!this.form.dirty) this.leave();
      }),
      map(() => undefined),
    );

  protected leaveOut(chosen: readonly TicketPart[]): void {
    const control = this.form.controls.ticketWithout;
    control.setValue(TICKET_PARTS.filter((part) => chosen.includes(part)).join(','));
    control.markAsDirty();
  }

  /** Puts what stands into the fields. */
  protected leave(): void {
    const {
      name = '',
      place = '',
      letterhead = '',
      currency = '',
      locale = '',
      timeZone = '',
      numberPattern = '',
      secondFactor = '',
      measures = '',
      labelSize = '',
      ticketWithout = '',
    } = this.now() ?? {};
    const papers = { labelSize, ticketWithout };
    this.form.reset({
      name,
      place,
      letterhead,
      currency,
      locale,
      measures,
      timeZone,
      numberPattern,
      secondFactor,
      ...papers,
    });
    this.sending.refuse('');
    if (!this.mayEdit()) this.form.disable();
  }

  /** The fields as they are kept: what is empty is not told. */
  private readonly told = (from: Partial<Record<keyof WorksSettings, string | undefined>>): WorksSettings => {
    const { name = '', currency = '', ...others } = Object.fromEntries(toldSettings(from)) as Partial<WorksSettings>;
    return { ...others, name, currency: currency.toUpperCase() };
  };

  protected save(): void {
    const seen = this.now();
    if (seen) this.send(this.told(this.form.getRawValue()), seen, this.told(seen));
  }

  /** Sets what stood before the last change, in its place. */
  protected takeBack(): void {
    const [before, seen] = [this.before(), this.now()];
    if (before && seen) this.send(before, seen, undefined);
  }

  /** @param before what can be taken back to when it is kept. */
  private send(settings: WorksSettings, seen: WorksSettings, before: WorksSettings | undefined): void {
    const call = this.api.changeSettings(settings, this.told(seen)).pipe(
      tap((works) => {
        this.now.set(works);
        this.works.know(works);
      }),
      map(() => undefined),
    );
    this.sending.send(call, () => {
      this.before.set(before);
      this.leave();
    });
  }

  /** What differs between the works and the fields. */
  protected standing(): StandingRow[] {
    const [now, yours] = [this.told(this.now() ?? {}), this.told(this.form.getRawValue())];
    return WORKS_SETTINGS.filter((field) => now[field] !== yours[field]).map((field) => ({
      what: NAMES[field],
      now: now[field] ?? $localize`not told`,
      yours: yours[field] ?? $localize`not told`,
    }));
  }

  protected showChanges(): void {
    const data: ChangesData = {
      title: $localize`How the settings changed`,
      kind: 'works',
      subject: (field) => NAMES[field as keyof WorksSettings],
      value: (value) => (value === null ? $localize`not told` : String(value)),
    };
    this.dialog.open(ChangesDialog, { data, width: '520px' });
  }
}
