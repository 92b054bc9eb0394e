import type { WorkStyle } from '../press/index.js';
import type { FieldPath } from '../job/index.js';
import type { Mm } from '../kernel/index.js';
import type { SheetSide } from '../press-sheet/index.js';
import type { Operation, RuleId, RuleWeight } from '../route/index.js';

/** What puts a finding right, as one action. */
export type Mend =
  | { readonly kind: 'insert'; readonly operation: Operation; readonly before: string }
  | { readonly kind: 'insert-after'; readonly operation: Operation; readonly after: string }
  | { readonly kind: 'split-section'; readonly component: string }
  /** Prints an ink on sides of a component, or leaves it off them. */
  | {
      readonly kind: 'ink';
      readonly component: string;
      readonly sides: readonly SheetSide[];
      readonly ink: string;
      readonly prints: boolean;
    }
  | { readonly kind: 'trim'; readonly components: readonly string[]; readonly widthMm: Mm; readonly heightMm: Mm }
  | { readonly kind: 'style'; readonly component: string; readonly style: WorkStyle }
  | { readonly kind: 'move'; readonly step: string; readonly before: string }
  | { readonly kind: 'set'; readonly path: FieldPath; readonly value: string | number | boolean | readonly string[] };

/** What a predicate finds: where, with the values that it saw, and what would mend it. */
export interface Found {
  readonly step: string;
  readonly value?: number | undefined;
  readonly limit?: number | undefined;
  readonly unit?: string | undefined;
  /** Of artwork: the file, its first page where that is, and the ink that it is about. */
  readonly artwork?: { readonly file: string; readonly page?: number; readonly ink?: string } | undefined;
  readonly mend?: Mend | undefined;
}

/** A rule that a route breaks. */
export interface Finding extends Found {
  /** Of the shipped rules, or `order.<first>.<then>` of a house rule. */
  readonly rule: RuleId | `order.${string}`;
  readonly name: string;
  readonly reason: string;
  readonly weight: Exclude<RuleWeight, 'off'>;
  /** Where the step stands in the job file. */
  readonly path: string;
}
