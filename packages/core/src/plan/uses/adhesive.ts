import type { ComponentLayout } from '../../press-sheet/index.js';
import type { Adhesive, Job } from '../../job/index.js';

/** The glue that holds on what a station glues, and why. Source: handbook chapter 7 "Gluing" (practice). */
export function adhesiveAt(
  { finish, contact }: Pick<Job, 'finish' | 'contact'>,
  layout: ComponentLayout | undefined,
): { readonly adhesive: Adhesive; readonly why: string } {
  const care = contact === undefined ? '' : $localize` It has to be cleared for ${contact}.`;
  const told = finish?.adhesive;
  if (told !== undefined) return { adhesive: told, why: $localize`Told in the job.${care}` };
  if (layout?.stock.waxed) return { adhesive: 'hot-melt', why: $localize`Wax takes no water.${care}` };
  if (layout?.stock.coated === true && finish?.glueFree !== true)
    return { adhesive: 'hot-melt', why: $localize`The board is coated and the flap is not kept free.${care}` };
  return { adhesive: 'cold', why: $localize`The glued area is open board.${care}` };
}
