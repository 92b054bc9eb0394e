import { Injectable, computed, inject, signal } from '@angular/core';
import { type Norm, listedNorm, wordOf } from '@druckerei/core';
import type { NormChanges } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { Contested } from '../../platform/contested';
import { DraftEffect } from '../../platform/draft-effect';
import { Measures } from '../../ui/measures';
import { Undo } from '../../ui/undo';
import { normValue, typedNorm } from '../../ui/norm-text';
import { type NormRow, NormsStore } from './norms.store';

/** Norms that are typed and not set yet, by id: what stands in their fields. */
type Typed = Readonly<Record<string, string>>;

type Change = NormChanges['changes'][number];

interface Edit {
  readonly norm: Norm;
  readonly text: string;
  readonly change: Change & { readonly value: number };
  /** Why it cannot be set; nothing where it can. */
  readonly wrong: string;
}

/** Several norms typed in place: taken back and brought again, held against the open jobs, and set together. */
@Injectable()
export class NormEdits {
  private readonly api = inject(Api);
  private readonly norms = inject(NormsStore);
  private readonly measures = inject(Measures);
  private readonly typed = signal<Typed>({});
  readonly undo = new Undo(this.typed);
  readonly sending = new Contested(() => this.norms.refresh());
  /** What takes back the change that was set last. */
  readonly back = signal<readonly Change[]>([]);

  readonly effect = new DraftEffect();

  /** What is typed and differs from what stands. */
  readonly edits = computed((): readonly Edit[] => {
    const works = this.norms.works();
    if (!works) return [];
    return Object.entries(this.typed()).flatMap(([id, text]) => {
      const norm = listedNorm(works, id);
      const expected = works.norms[id]?.value ?? norm?.value;
      return norm && expected !== undefined && text !== this.text(norm, expected)
        ? [this.editOf(norm, text, expected)]
        : [];
    });
  });
  readonly wrong = computed(() => this.edits().find(({ wrong }) => wrong !== '')?.wrong ?? '');
  private readonly byNorm = computed(() => new Map(this.edits().map((edit) => [edit.norm.id, edit])));

  constructor() {
    this.sending.follow(
      ['works'],
      () => this.expected(),
      () => this.edits().length > 0,
    );
  }
  /** What stands of what is typed. */
  private expected(): string {
    return JSON.stringify(this.edits().map(({ change }) => [change.norm, change.expected]));
  }

  private text(norm: Norm, value: number): string {
    return norm.choices ? String(value) : normValue(norm, value, this.measures.system());
  }

  private editOf(norm: Norm, text: string, expected: number): Edit {
    const { value, wrong } = typedNorm(norm, text, this.measures.system(), `${norm.subject}: ${norm.name}`);
    return { norm, text, wrong, change: { norm: norm.id, value, expected } };
  }

  /** What stands in a norm's field. */
  shown({ norm, value }: NormRow): string {
    return this.typed()[norm.id] ?? this.text(norm, value);
  }
  readonly isEdited = (id: string): boolean => this.byNorm().has(id);
  readonly isWrong = (id: string): boolean => (this.byNorm().get(id)?.wrong ?? '') !== '';

  /** Takes what is typed in fields, by norm. */
  type(texts: Typed): void {
    this.typed.update((typed) => ({ ...typed, ...texts }));
    this.forget();
  }

  drop(): void {
    this.typed.set({});
    this.forget();
  }

  private forget(): void {
    this.effect.forget();
    this.sending.refuse('');
  }

  /** Plans the drafts in hand with what is typed, some at a time. */
  lookAt(): void {
    const changes = this.edits().map(({ change: { norm, value } }) => ({ norm, value }));
    this.effect.start((skip) => this.api.normEffect(changes, skip));
  }

  set(reason: string): void {
    const changes = this.edits().map(({ change }) => change);
    const back = changes.map((change) => this.inverse(change));
    if (this.wrong() !== '') this.sending.refuse(this.wrong());
    else this.sending.send(this.norms.changeAll(changes, reason), () => this.taken(back));
  }

  /** What brings back what stands now; a norm that the works did not set is not set by it again. */
  private inverse({ norm, value, expected }: Edit['change']): Change {
    const isSet = this.norms.works()?.norms[norm] !== undefined;
    return { norm, value: isSet ? expected : null, expected: value };
  }

  private taken(back: readonly Change[]): void {
    this.drop();
    this.back.set(back);
  }

  /** Brings back what stood before what was set last. */
  takeBack(): void {
    this.sending.send(this.norms.changeAll([...this.back()], $localize`taken back`), () => this.back.set([]));
  }

  /** What stands beside what is typed, where somebody else was faster. */
  standing(): { what: string; now: string; yours: string }[] {
    return this.edits().map(({ norm, text, change }) => ({
      what: `${norm.subject}: ${norm.name}`,
      now: wordOf(norm.choices?.[change.expected] ?? '') || this.text(norm, change.expected),
      yours: wordOf(norm.choices?.[change.value] ?? '') || text,
    }));
  }
}
