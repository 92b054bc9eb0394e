import { computed, inject, signal } from '@angular/core';
import {
  type ItemKind,
  type HouseSupply,
  type Issue,
  type KeptInk,
  type Machine,
  type Norm,
  type Stock,
  fieldAt,
  idOf,
  isPrice,
  normsOfItem,
  withField,
} from '@druckerei/core';
import { type Items, issueText } from '@druckerei/contract';
import { type Observable, EMPTY, map } from 'rxjs';
import { Api } from '../../platform/api';
import { Contested } from '../../platform/contested';
import { DraftEffect } from '../../platform/draft-effect';
import { Measures } from '../../ui/measures';
import { normValue, typedNorm } from '../../ui/norm-text';
import { Undo } from '../../ui/undo';
import { NO_ITEMS, WorksStore } from './works.store';

/** What a works has one by one. */
export type Item = Machine | Stock | KeptInk | HouseSupply;

/** What is typed: the item, where it was changed, and its norms as text by id. */
interface Typed<T> {
  readonly item: T | undefined;
  readonly norms: Readonly<Record<string, string>>;
}

/** What differs between two states, in words. */
export interface Differing {
  readonly what: string;
  readonly now: string;
  readonly yours: string;
}

/**
 * A machine, a paper, an ink or a supply being corrected with the norms that are its own: what is typed, what is wrong with it,
 * what it would do to open jobs, and entering it where nobody else has changed it meanwhile.
 */
export abstract class ItemEdit<T extends Item> {
  protected readonly works = inject(WorksStore);
  private readonly api = inject(Api);
  private readonly measures = inject(Measures);
  private readonly typed = signal<Typed<T>>({ item: undefined, norms: {} });
  protected readonly id = signal('');
  readonly undo = new Undo(this.typed);
  readonly sending = new Contested(() => this.works.refresh());
  readonly effect = new DraftEffect();
  readonly said = signal('');

  protected abstract all(): readonly T[];
  protected abstract check(item: T): readonly Issue[];
  protected abstract readonly kind: ItemKind;
  /** Whether a norm of it is told beside its fields. */
  protected isShown(_norm: Norm): boolean {
    return true;
  }
  /** It, among what is entered. */
  protected abstract entered(items: readonly T[]): Partial<Items>;
  /** Fields in which two states of it differ, in words. */
  abstract readonly differences: (before: unknown, after: unknown) => Differing[];

  /** As it stands. */
  readonly stands = computed(() => this.all().find(({ id }) => id === this.id()));
  /** As it is typed. */
  readonly item = computed(() => this.typed().item ?? this.stands());
  private readonly isItemChanged = computed(
    () => this.typed().item !== undefined && JSON.stringify(this.item()) !== JSON.stringify(this.stands()),
  );
  readonly isChanged = computed(() => this.isItemChanged() || this.normEdits().length > 0);
  private readonly wrong = computed(() => {
    const item = this.item();
    return new Map(item ? this.check(item).map((issue) => [issue.path, issueText(issue)]) : []);
  });
  readonly errorAt = (path: string): string => this.wrong().get(path) ?? '';
  readonly firstError = computed(
    () => [...this.wrong().values()][0] ?? this.normEdits().find(({ wrong }) => wrong)?.wrong ?? '',
  );
  readonly valueAt = (path: string): unknown => fieldAt(this.item(), path);

  /** Its norms: what else is reckoned with at it. */
  readonly norms = computed((): readonly Norm[] => {
    const works = this.works.works();
    if (!works) return [];
    const seen = (norm: Norm): boolean => !works.pricesHidden || !isPrice(works, norm);
    return normsOfItem(works, this.kind, this.id()).filter((norm) => this.isShown(norm) && seen(norm));
  });
  private standing(norm: Norm): number {
    return this.works.works()?.norms[norm.id]?.value ?? norm.value;
  }
  readonly normText = (norm: Norm): string =>
    this.typed().norms[norm.id] ?? normValue(norm, this.standing(norm), this.measures.system());
  readonly isSet = (norm: Norm): boolean => this.works.works()?.norms[norm.id] !== undefined;
  readonly normWrong = (norm: Norm): string => this.normEdits().find(({ id }) => id === norm.id)?.wrong ?? '';

  /** Norms whose text is not what stands. */
  private readonly normEdits = computed(() =>
    this.norms().flatMap((norm) => {
      const text = this.typed().norms[norm.id];
      if (text === undefined || text === normValue(norm, this.standing(norm), this.measures.system())) return [];
      return [{ id: norm.id, ...typedNorm(norm, text, this.measures.system(), norm.name) }];
    }),
  );

  constructor() {
    this.sending.follow(
      ['works'],
      () => this.asItStands(),
      () => this.isChanged(),
    );
  }
  private asItStands(): string {
    return JSON.stringify([this.stands(), this.norms().map((norm) => this.standing(norm))]);
  }

  open(id: string): void {
    this.id.set(id);
    this.leave();
  }
  leave(): void {
    if (this.isTyped()) this.typed.set({ item: undefined, norms: {} });
    this.forget();
  }
  private isTyped(): boolean {
    const { item, norms } = this.typed();
    return item !== undefined || Object.keys(norms).length > 0;
  }
  private forget(): void {
    this.effect.forget();
    this.sending.refuse('');
    this.said.set('');
  }
  set(path: string, value: unknown): void {
    const item = this.item();
    if (!item) return;
    this.typed.update((typed) => ({ ...typed, item: withField(item, path, value) }));
    this.forget();
  }
  typeNorm(id: string, text: string): void {
    this.typed.update((typed) => ({ ...typed, norms: { ...typed.norms, [id]: text } }));
    this.forget();
  }

  /** What it would do to the drafts in hand is looked at first; where it does nothing, it is entered at once. */
  enter(): void {
    const item = this.item();
    if (!item) return;
    if (this.firstError() !== '') {
      this.sending.refuse(this.firstError());
      return;
    }
    if (!this.isItemChanged() || this.effect.jobs() !== undefined) {
      this.send(item);
      return;
    }
    this.effect.start(
      (skip) => this.api.itemEffect({ ...NO_ITEMS, ...this.entered([item]) }, skip),
      () => {
        if (this.effect.jobs()?.length === 0) this.send(item);
      },
    );
  }

  private send(item: T): void {
    const norms = Object.fromEntries(this.normEdits().map(({ id, value }) => [id, value]));
    const items = this.entered(this.isItemChanged() ? [item] : []);
    this.sending.send(this.works.enter({ ...items, norms, reason: $localize`of ${item.name}` }), () => {
      this.leave();
      this.said.set(
        $localize`It is entered. Drafts are planned anew; released revisions keep what they were planned with.`,
      );
    });
  }

  /** Enters another one like it, under an id and a name that nobody has yet. @returns its id. */
  copy(): Observable<string> {
    const item = this.stands();
    if (!item) return EMPTY;
    const id = idOf(item.id, new Set(this.all().map((one) => one.id)));
    const name = freeName(item.name, new Set(this.all().map((one) => one.name.toLowerCase())));
    return this.works.enter(this.entered([{ ...item, id, name }])).pipe(map(() => id));
  }

  /** What differs between what stands and what is typed. */
  differing(): Differing[] {
    return this.differences(this.stands(), this.item());
  }
}

/** The editor of any of them. */
export type AnyEdit = ItemEdit<Machine> | ItemEdit<Stock> | ItemEdit<KeptInk> | ItemEdit<HouseSupply>;

/** A value in words, as a history tells it. */
export const valueWords = (value: unknown): string => {
  if (value === undefined || value === null || value === '') return $localize`not told`;
  if (typeof value === 'boolean') return value ? $localize`yes` : $localize`no`;
  if (Array.isArray(value)) return value.join(', ');
  return typeof value === 'number' || typeof value === 'string' ? String(value) : '';
};

/** A field as a history tells it. */
export interface ToldField {
  readonly path: string;
  readonly name: string;
  readonly words: (value: unknown) => string;
}

/** Fields in which two states of something differ, in words. */
export const fieldDifferences = (fields: readonly ToldField[], before: unknown, after: unknown): Differing[] =>
  fields
    .map(({ path, name, words }) => ({
      what: name,
      now: words(fieldAt(before, path)),
      yours: words(fieldAt(after, path)),
    }))
    .filter(({ now, yours }) => now !== yours);

/** A name that nobody has yet: itself, or with the next number behind it. */
export function freeName(name: string, taken: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const one = n === 1 ? name : `${name} ${n}`;
    if (!taken.has(one.toLowerCase())) return one;
  }
}
