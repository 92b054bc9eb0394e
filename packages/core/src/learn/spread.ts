import { normsOf, scopedId } from '../norms/index.js';
import type { Works } from '../works/index.js';
import type { ClosedStep, Evidence, LearnWeights } from './evidence.js';
import { type Posterior, type Said, posteriorMean } from './posterior.js';
import type { NormProposal } from './proposal.js';
import type { NormUse } from './step-norms.js';

/** A norm of the sureness school, what the log says of it, and what norm and log come to. */
export interface SpreadProposal {
  readonly norm: string;
  readonly now: number;
  readonly evidence: readonly Evidence[];
  readonly posterior: (open: readonly Evidence[]) => Posterior;
}

/** What is further off than so many times counts as so many times: a norm never jumps on one run. Source: common practice, no source. */
const MOST = 3;
/** Runs are never quite alike, and none is set up by nothing. */
const LEAST = 1e-6;

/** What a closed station was expected to spoil by what is proposed or in force today, and otherwise as it was planned. */
function expected(
  { outcome: { norms, machine } }: ClosedStep,
  today: ReadonlyMap<string, number>,
): { readonly share: number; readonly setUp: number } {
  const moved = (use: NormUse | undefined): number => {
    if (!use) return 0;
    const now = today.get(scopedId(use.norm, `machine=${machine ?? ''}`)) ?? today.get(use.norm) ?? use.value;
    return Math.max(0, use.planned + (now - use.value) / use.each);
  };
  const told = moved(norms.running);
  return { share: norms.ofNet ? told / (1 + told) : told, setUp: moved(norms.setUp) };
}

/**
 * How unlike runs are, by the log: kappa by the spread of shares beyond that of counting (moments of the beta-binomial), best and
 * worst set-up by the mean of what is under and over the usual one, a third of a triangle's side. Each is a weighted mean of norm
 * and log. Source: literature (moments of the beta-binomial), identity (mean of half a triangle).
 */
export function spreadOf(
  works: Works,
  closed: readonly ClosedStep[],
  proposed: readonly NormProposal[],
  weights: LearnWeights,
): SpreadProposal[] {
  const norms = normsOf(works, {});
  const [kappa, best, worst] = [norms('sure.kappa').value, norms('sure.best').value, norms('sure.worst').value];
  const today = new Map([
    ...Object.entries(works.norms).map(([norm, { value }]) => [norm, value] as const),
    ...proposed.map(({ norm, value }) => [norm, value] as const),
  ]);
  const likeness = 1 / (kappa + 1);
  const of = (norm: string, say: (one: ClosedStep) => number | undefined): readonly Evidence[] =>
    closed.flatMap((from): Evidence[] => {
      const value = say(from);
      return value === undefined ? [] : [{ kind: 'spread', norm, from, value, amount: 1, weight: 1 }];
    });
  const runs = of('sure.kappa', (one) => {
    const { happened } = one.outcome;
    const { share } = expected(one, today);
    const n = Math.round(happened.units);
    if (!happened.balanced || n < 2 || share <= 0 || share >= 1) return undefined;
    const usual = share * (1 - share);
    const off = ((happened.runSpoils / happened.units - share) ** 2 - usual / n) / (usual * (1 - 1 / n));
    return Math.min(off, MOST ** 2 * likeness);
  });
  const ratio = (one: ClosedStep): number | undefined => {
    const { setUp } = expected(one, today);
    const { happened } = one.outcome;
    return happened.balanced && happened.units > 0 && setUp > 0 ? happened.setUpSpoils / setUp : undefined;
  };
  const under = (one: ClosedStep): number | undefined => {
    const used = ratio(one) ?? 1;
    return used < 1 ? 1 - used : undefined;
  };
  const over = (one: ClosedStep): number | undefined => {
    const used = ratio(one) ?? 1;
    return used > 1 ? Math.min(used - 1, MOST * (worst - 1)) : undefined;
  };
  const mean = (value: number, deviation: number, open: readonly Said[]): Posterior =>
    posteriorMean({ value, weight: weights.setUps, deviation, cap: 1 }, open);
  return [
    {
      norm: 'sure.kappa',
      now: kappa,
      evidence: runs,
      posterior: (open) => {
        // The deviation of a squared normal number is the root of two times its mean.
        const alike = mean(likeness, Math.SQRT2 * likeness, open);
        const at = (value: number): number => 1 / Math.max(value, LEAST) - 1;
        return { value: at(alike.value), low: at(alike.high), high: at(alike.low) };
      },
    },
    {
      norm: 'sure.best',
      now: best,
      evidence: of('sure.best', under),
      posterior: (open) => {
        const side = mean((1 - best) / 3, (1 - best) / Math.sqrt(18), open);
        const at = (value: number): number => Math.max(LEAST, 1 - 3 * value);
        return { value: at(side.value), low: at(side.high), high: at(side.low) };
      },
    },
    {
      norm: 'sure.worst',
      now: worst,
      evidence: of('sure.worst', over),
      posterior: (open) => {
        const side = mean((worst - 1) / 3, (worst - 1) / Math.sqrt(18), open);
        return { value: 1 + 3 * side.value, low: 1 + 3 * side.low, high: 1 + 3 * side.high };
      },
    },
  ];
}
