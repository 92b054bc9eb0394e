import { Injectable } from '@angular/core';
import { type HouseSupply, SUPPLY_FIELDS, checkSupply } from '@druckerei/core';
import { ItemEdit, fieldDifferences, valueWords } from '../item-edit';

/** One coating, glue or film being corrected. */
@Injectable()
export class SupplyEdit extends ItemEdit<HouseSupply> {
  protected readonly all = () => this.works.supplies();
  protected readonly check = checkSupply;
  protected readonly kind = 'supply';
  protected readonly entered = (supplies: readonly HouseSupply[]) => ({ supplies });
  readonly differences = (before: unknown, after: unknown) =>
    fieldDifferences(
      [...SUPPLY_FIELDS, { path: 'cleared', name: $localize`Cleared to touch` }].map((field) => ({
        ...field,
        words: valueWords,
      })),
      before,
      after,
    );
}
