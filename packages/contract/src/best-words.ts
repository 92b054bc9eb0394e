import { type BestPlan, type Proposal, type Sums, type Works, sayQuantity, wordOf } from '@druckerei/core';

const SAME = 1e-6;

/** What of the sums one plan has more or less than another, cost first: "93 EUR less, 8 plates fewer". */
export function differenceWords(one: Sums, other: Sums, currency: string): string {
  const parts = (
    [
      [one.cost - other.cost, currency, 'less', 'more'],
      [one.paperKg - other.paperKg, 'kg', $localize`less paper`, $localize`more paper`],
      [one.hours - other.hours, 'h', 'less', 'more'],
      [one.plates - other.plates, 'plates', 'fewer', 'more'],
    ] as const
  ).flatMap(([by, unit, less, more]) =>
    Math.abs(by) < SAME ? [] : [`${sayQuantity(Math.abs(by), unit)} ${wordOf(by < 0 ? less : more)}`],
  );
  return parts.length === 0 ? $localize`the same` : parts.join(', ');
}

/** What a proposal changes: "Cover on the B2 press, 4 up, work and turn, 720 x 510 mm". */
export function changesWords({ changes }: Proposal, works: Works): string {
  const press = (id: string): string => works.machines.find((machine) => machine.id === id)?.name ?? id;
  return changes
    .map(({ name, way }) =>
      [
        $localize`${name} on ${press(way.press)}`,
        $localize`${way.up} up`,
        way.workStyle === 'single' ? $localize`one side` : wordOf(way.workStyle).replaceAll('-', ' '),
        `${way.sheet.widthMm} x ${way.sheet.heightMm} mm`,
        ...(way.sections ? [$localize`sections of ${way.sections.join(' + ')} pages`] : []),
        ...(way.shared ? [$localize`sections on shared forms`] : []),
      ].join(', '),
    )
    .join('; ');
}

/** Why the plan is as it is, in one sentence. */
export function bestWords({ best, now, bound, exact, weighed }: BestPlan, works: Works): string {
  const { currency } = works;
  const known = exact
    ? $localize`the cheapest of ${weighed} ways that keeps every rule and lock`
    : $localize`the best found of ${weighed} ways; none that keeps the rules costs less than ${sayQuantity(bound, currency)}`;
  if (best.changes.length === 0) return $localize`As it is planned now: ${known}.`;
  return $localize`${changesWords(best, works)}\: ${known}, ${differenceWords(best.sums, now, currency)} than now.`;
}
