import { Injectable } from '@angular/core';
import { type KeptInk, type WorksField, AIM_FIELDS, INK_FIELDS, checkInk } from '@druckerei/core';
import { type Differing, ItemEdit, fieldDifferences, valueWords } from '../item-edit';

type Part = NonNullable<KeptInk['recipe']>[number];

/** One ink being corrected. */
@Injectable()
export class InkEdit extends ItemEdit<KeptInk> {
  protected readonly all = () => this.works.inks();
  protected readonly check = checkInk;
  protected readonly kind = 'ink';
  protected readonly entered = (inks: readonly KeptInk[]) => ({ inks });
  readonly differences = inkDifferences;

  /** A field; a colour of which nothing is told any more is none. */
  tell({ path }: WorksField, value: unknown): void {
    this.set(path, value);
    if (path.startsWith('aim.') && AIM_FIELDS.every((field) => this.valueAt(field.path) === undefined))
      this.set('aim', undefined);
  }
  setPart(at: number, change: Partial<Part>): void {
    this.set(
      'recipe',
      this.item()?.recipe?.map((part, i) => (i === at ? { ...part, ...change } : part)),
    );
  }
  /** The first base takes all parts, the next what is missing to 100. */
  addPart(): void {
    const recipe = this.item()?.recipe ?? [];
    const sum = recipe.reduce((total, { parts }) => total + parts, 0);
    this.set('recipe', [...recipe, { ink: $localize`Base ${recipe.length + 1}`, parts: Math.max(0, 100 - sum) }]);
  }
  dropPart(at: number): void {
    const left = (this.item()?.recipe ?? []).filter((_, i) => i !== at);
    this.set('recipe', left.length > 0 ? left : undefined);
  }
}

const recipeWords = (recipe: unknown): string =>
  ((recipe ?? []) as readonly Part[]).map(({ ink, parts }) => `${ink} ${parts}`).join(', ');

/** Fields in which two states of an ink differ, in words. */
function inkDifferences(before: unknown, after: unknown): Differing[] {
  return fieldDifferences(
    [
      ...[...INK_FIELDS, ...AIM_FIELDS].map((field) => ({ ...field, words: valueWords })),
      { path: 'cleared', name: $localize`Cleared to touch`, words: valueWords },
      { path: 'recipe', name: $localize`Recipe`, words: (recipe: unknown) => valueWords(recipeWords(recipe)) },
    ],
    before,
    after,
  );
}
