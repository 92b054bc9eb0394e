import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  numberAttribute,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { type DestroyedBy, type IssuedOf, DESTROYED_BY, ISSUED_OF } from '@druckerei/core';
import { whenChanged } from '../../platform/live';
import { count, many, money, readNumber, timeText } from '../../ui/format';
import { AccountStore } from './account.store';
import { WordPipe } from '../../ui/word';

/** Numbers as somebody types them: parted by commas, semicolons or blanks. */
const typedNumbers = (text: string): string[] => text.split(/[\s,;]+/).filter((one) => one !== '');

/** Accountable work of a job: what is issued, where it is, what is bagged, destroyed under witness, voided and made again. */
@Component({
  selector: 'dk-account-page',
  imports: [MatButtonModule, MatCheckboxModule, MatIconModule, MatProgressBarModule, RouterLink, WordPipe],
  providers: [AccountStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './account.page.html',
  styleUrl: './account.page.scss',
})
export class AccountPage {
  readonly job = input.required({ transform: numberAttribute });
  protected readonly store = inject(AccountStore);
  protected readonly wrong = signal('');
  private readonly ticked = signal<ReadonlySet<string>>(new Set());
  protected readonly chosen = computed(() =>
    this.store
      .bags()
      .filter(({ bag, destroyed }) => destroyed === undefined && this.ticked().has(bag))
      .map(({ bag }) => bag),
  );
  protected readonly unmade = computed(() => this.store.voided().filter(({ remade }) => remade === undefined));

  protected readonly ofs = ISSUED_OF;
  protected readonly hows = DESTROYED_BY;
  protected readonly count = count;
  protected readonly many = many;
  protected readonly money = money;
  protected readonly time = timeText;

  constructor() {
    effect(() => this.store.load(this.job()));
    whenChanged(
      ['room'],
      () => this.store.load(this.job()),
      () => this.job(),
    );
  }

  protected isTicked = (bag: string): boolean => this.ticked().has(bag);
  protected tick(bag: string, on: boolean): void {
    const next = new Set(this.ticked());
    if (on) next.add(bag);
    else next.delete(bag);
    this.ticked.set(next);
  }

  /** A whole number above nothing, or undefined with what is wrong. */
  private whole(text: string): number | undefined {
    const value = readNumber(text);
    if (value !== undefined && Number.isInteger(value) && value > 0) return value;
    this.wrong.set($localize`A whole number is wanted, like 250.`);
    return undefined;
  }
  /** Texts without blanks around them; undefined with what is wrong where one is empty. */
  private filled(...texts: readonly string[]): string[] | undefined {
    const told = texts.map((text) => text.trim());
    if (told.every((text) => text !== '')) return told;
    this.wrong.set($localize`Every field of it wants something.`);
    return undefined;
  }

  protected issue(
    out: boolean,
    of: string,
    text: readonly [string, string, string],
    [places, step]: readonly [string, string],
    form: HTMLFormElement,
  ): void {
    this.wrong.set('');
    const [item, number, person] = text;
    const [amount, told] = [this.whole(number), this.filled(item, person)];
    if (amount === undefined || !told) return;
    const [name = '', who = ''] = told;
    const common = {
      ...{ of: of as IssuedOf, item: name, count: amount },
      ...(places.trim() === '' ? {} : { place: places.trim() }),
      ...(step === '' ? {} : { step }),
    };
    this.store.enter(out ? { kind: 'issued', ...common, to: who } : { kind: 'returned', ...common, from: who }, () => {
      form.reset();
    });
  }

  protected carry(what: string, from: string, to: string, form: HTMLFormElement): void {
    this.wrong.set('');
    const told = this.filled(what, from, to);
    const [thing = '', where = '', place = ''] = told ?? [];
    if (told) this.store.enter({ kind: 'carried', what: thing, from: where, to: place }, () => form.reset());
  }

  protected bagUp(step: string, texts: readonly [string, string, string, string], form: HTMLFormElement): void {
    this.wrong.set('');
    const [bag, number, seal, place] = texts;
    const [amount, told] = [this.whole(number), this.filled(bag, seal, place)];
    if (amount === undefined || !told) return;
    const [name = '', sealed = '', where = ''] = told;
    this.store.enter({ kind: 'bagged', step, bag: name, count: amount, seal: sealed, place: where }, () =>
      form.reset(),
    );
  }

  protected again(bag: string, text: string): void {
    this.wrong.set('');
    const amount = this.whole(text);
    if (amount !== undefined) this.store.enter({ kind: 'recounted', bag, count: amount });
  }

  protected destroy(how: string, place: string): void {
    this.wrong.set('');
    const told = this.filled(place);
    if (told)
      this.store.enter({ kind: 'destroyed', bags: this.chosen(), how: how as DestroyedBy, place: told[0] ?? '' }, () =>
        this.ticked.set(new Set()),
      );
  }
  protected witness(record: number): void {
    this.wrong.set('');
    this.store.enter({ kind: 'witnessed', record });
  }

  protected voidNumbers(step: string, typed: string, reason: string, form: HTMLFormElement): void {
    this.wrong.set('');
    const [numbers, told] = [typedNumbers(typed), this.filled(typed, reason)];
    if (told) this.store.enter({ kind: 'voided', step, numbers, reason: told[1] ?? '' }, () => form.reset());
  }
  protected remake(number: string, as: string): void {
    this.wrong.set('');
    this.store.enter({ kind: 'remade', numbers: [number], as: typedNumbers(as) });
  }
}
