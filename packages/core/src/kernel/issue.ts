/**
 * Codes of everything core can find wrong. The words are made at the face (contract/messages), one for each code; a
 * test holds this list, the words and docs/issues.md together.
 */
export const ISSUE_CODES = [
  'flow.cycle',
  'flow.duplicate-step',
  'flow.missing-input',
  'flow.no-end',
  'flow.unused-step',
  'flow.yield-not-positive',
  'flow.usage-not-positive',
  'flow.spoilage-too-high',
  'flow.negative',
  'flow.not-a-number',
  'flow.split-not-declared',
  'flow.split-not-whole',
  'flow.too-large',
  'flow.no-demand',
  'job.duplicate-component',
  'job.unknown-component',
  'job.unknown-machine',
  'job.machine-cannot',
  'job.unknown-stock',
  'job.unknown-norm',
  'job.norm-out-of-range',
  'job.no-press-step',
  'job.size-missing',
  'job.pages-not-multiple-of-four',
  'job.page-sum',
  'layout.does-not-fit',
  'layout.section-not-whole',
  'layout.several-up-not-cut',
  'layout.style-needs-equal-rows',
  'layout.turn-needs-even-rows',
  'layout.tumble-needs-even-rows',
  'press.sheet-too-large',
  'press.sheet-too-small',
  'press.caliper-out-of-range',
  'press.too-few-units',
  'press.cannot-perfect',
  'press.back-without-work-style',
  'press.passes-do-not-match',
  'bind.too-thick-for-saddle',
  'fold.score-first',
  'fold.line-outside',
  'fold.not-one-packet',
  'fold.no-spine',
  'fold.scheme-not-for-pages',
  'paper.bought-too-small',
  'paper.roll-too-narrow',
  'die.measure',
  'die.width-over-length',
  'die.flap-too-wide',
  'die.no-outline',
  'die.no-part',
  'die.open-outline',
  'die.self-crossing',
  'die.unknown-units',
  'die.too-large',
  'die.too-many',
  'die.unreadable',
  'die.gap-closed',
  'die.duplicate-lines',
  'die.unmapped-layer',
  'gang.no-items',
  'gang.item-too-large',
  'gang.quantity',
  'gang.forms',
  'gang.too-few-forms',
  'gang.unknown-item',
  'gang.not-carried',
  'gang.form-too-full',
  'gang.sum',
  'gang.ends',
  'gang.split',
  'gang.section-apart',
  'web.page-too-large',
  'web.copy-too-thick',
  'web.pages-left-over',
  'web.cut-off',
  'web.no-cylinder',
  'web.grain',
  'web.style',
  'web.grain-across-spine',
  'register.too-few-marks',
  'register.offset-too-large',
  'register.marks-on-a-line',
  'ink.recipe-empty',
  'ink.recipe-part',
  'ink.recipe-sum',
  'ink.quantity',
  'order.above-limit',
  'ways.no-plain-lane',
  'ways.web-apart',
] as const;

export type IssueCode = (typeof ISSUE_CODES)[number];

/** Something wrong, as data. `path` is the field's path in the job file, e.g. `route[3].running`. */
export interface Issue {
  readonly code: IssueCode;
  readonly severity: 'error' | 'warning';
  readonly path: string;
  /** Values for the message: step names, limits, what was found. */
  readonly params: Readonly<Record<string, string | number>>;
}

export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issues: readonly Issue[] };

export const error = (code: IssueCode, path: string, params: Issue['params'] = {}): Issue => ({
  code,
  severity: 'error',
  path,
  params,
});
export const warning = (code: IssueCode, path: string, params: Issue['params'] = {}): Issue => ({
  code,
  severity: 'warning',
  path,
  params,
});
