import { type Entry, IDENTITY, rule } from '../../kernel/index.js';
import type { Machine, Stock } from '../../works/index.js';
import { type SpeedCurve, SPEED_CURVES, hasSpeedCurves, giveNorm } from '../../norms/index.js';
import type { Step } from '../../job/index.js';
import type { Prepared, Station } from '../prepared.js';

const CURVES = Object.keys(SPEED_CURVES) as SpeedCurve[];

interface Between {
  readonly from: number;
  readonly to: number;
}

/** The points that a value lies between; the same one twice beyond the ends. */
function between(points: readonly number[], at: number): Between {
  const to = points.find((point) => at <= point) ?? points.at(-1) ?? at;
  const from = [...points].reverse().find((point) => at >= point) ?? points[0] ?? at;
  return at > to ? { from: to, to } : { from, to };
}

/** Share of its rated speed that a machine runs at, along a line from point to point. @returns 1 where it has no curve. */
export function curveShare(norm: (id: string) => number, machine: Machine, curve: SpeedCurve, at: number): number {
  if (!hasSpeedCurves(machine) || at <= 0) return 1;
  const { from, to } = between(SPEED_CURVES[curve].points, at);
  const [low, high] = [from, to].map((point) => norm(`machine.${machine.id}.${curve}.${point}`)) as [number, number];
  return from === to ? low : low + ((high - low) * (at - from)) / (to - from);
}

/** Norms of the flutes that a corrugator makes, and of two walls at once; none at another station. */
const fluteNorms = (
  machine: Machine,
  { operation }: Step,
  { flutes = [] }: Pick<Stock, 'flutes'>,
): readonly string[] =>
  operation !== 'corrugate'
    ? []
    : [
        ...flutes.map((id) => `machine.${machine.id}.flute.${id}`),
        ...(flutes.length > 1 ? [`machine.${machine.id}.doubleWall`] : []),
      ];

/** Share of its speed that a corrugator runs a board at: each flute takes its own, double wall one more. @returns 1 elsewhere. */
export const fluteShare = (norm: (id: string) => number, machine: Machine, step: Step, stock: Stock): number =>
  fluteNorms(machine, step, stock).reduce((share, id) => share * norm(id), 1);

/** The same as figures: the norms that slow the corrugator. */
export const fluteFigures = (
  { ledger, norms }: Prepared,
  { step, layout }: Station,
  machine: Machine,
): readonly Entry[] =>
  layout
    ? fluteNorms(machine, step, layout.stock)
        .filter((id) => norms(id).value !== 1)
        .map((id) => giveNorm(ledger, norms, id))
    : [];

const SHARE = $localize`Share of the rated speed`;
const AT_POINT = rule(SHARE, 'share', 'point');
const ON_LINE = rule(SHARE, 'share', 'low + (high - low) * (at - from) / (to - from)');

/** Share of the rated speed at the stock that comes, as figures where the works tells any other than 1. */
export function curveFigures(context: Prepared, { at, incoming }: Station, machine: Machine): readonly Entry[] {
  const { ledger, norms } = context;
  if (!incoming || !hasSpeedCurves(machine)) return [];
  const values = { caliper: incoming.caliperUm, format: Math.max(incoming.widthMm, incoming.heightMm) };
  return CURVES.flatMap((curve) => {
    const { points, name, unit } = SPEED_CURVES[curve];
    const here = values[curve];
    if (curveShare((norm) => norms(norm).value, machine, curve, here) === 1) return [];
    const { from, to } = between(points, here);
    const point = (mm: number): Entry => giveNorm(ledger, norms, `machine.${machine.id}.${curve}.${mm}`);
    const given = (key: string, value: number): Entry =>
      at.give(`${curve}.${key}`, `${name} …: ${key}`, value, unit, IDENTITY);
    if (from === to) return [at.reckon(`${curve}Share`, AT_POINT, { point: point(to) })];
    const inputs = {
      low: point(from),
      high: point(to),
      at: given('at', here),
      from: given('from', from),
      to: given('to', to),
    };
    return [at.reckon(`${curve}Share`, ON_LINE, inputs)];
  });
}
