import { type Norm, baseId, isWithin, normById, normsOf } from '../norms/index.js';
import { group } from '../kernel/index.js';
import type { Works } from '../works/index.js';
import {
  type ClosedStep,
  type Evidence,
  type LearnWeights,
  type Learned,
  evidenceOf,
  learnWeights,
} from './evidence.js';
import { type Posterior, type Said, posteriorMean, posteriorShare } from './posterior.js';
import type { NormProposal } from './proposal.js';
import { spreadOf } from './spread.js';

/** What somebody decided of a norm: up to which entry its evidence was taken in, or refused. */
export interface NormDecision {
  readonly norm: string;
  readonly taken: boolean;
  /** Last entry of the book that it went by. */
  readonly upTo: number;
}

/** Steps that a proposal is rounded to: nobody sets a norm finer. Source: common practice, no source. */
const STEPS: Readonly<Record<Learned, number>> = {
  running: 1e-4,
  'set-up': 1,
  'set-up time': 0.01,
  efficiency: 0.001,
  spread: 0.01,
};
/** Usual deviation of a machine's pace from run to run, a share of it. Source: common practice, no source. */
const PACE_DEVIATION = 0.1;

const rounded = (value: number, step: number): number => Number((Math.round(value / step) * step).toPrecision(12));

/** What a norm stands at: its own, that of the house where it is not told apart, or as shipped. */
const inForce = ({ norms }: Works, norm: Norm): number =>
  norms[norm.id]?.value ?? norms[baseId(norm.id)]?.value ?? norm.value;

/** Deviation of a triangle with its peak at 1. Source: identity. */
const triangleDeviation = (low: number, high: number): number =>
  Math.sqrt((low ** 2 + 1 + high ** 2 - low - low * high - high) / 18);

function posteriorOf(
  works: Works,
  kind: Learned,
  now: number,
  said: readonly Said[],
  weights: LearnWeights,
): Posterior {
  if (kind === 'running') return posteriorShare({ value: now, weight: weights.units }, said);
  if (kind === 'efficiency') {
    // Hours add up, not shares of them: the mean is that of the time that an hour's work takes.
    const took = posteriorMean(
      { value: 1 / now, weight: weights.hours, deviation: PACE_DEVIATION / now, cap: weights.hoursCap },
      said.map(({ value, weight }) => ({ value: 1 / value, weight })),
    );
    return { value: 1 / took.value, low: 1 / took.high, high: took.low > 0 ? 1 / took.low : Infinity };
  }
  const norms = normsOf(works, {});
  const deviation = now * triangleDeviation(norms('sure.best').value, norms('sure.worst').value);
  return posteriorMean({ value: now, weight: weights.setUps, deviation, cap: 1 }, said);
}

/** What the norm counts for beside the log. */
const weightOf = (kind: Learned, { units, hours, setUps }: LearnWeights): number =>
  kind === 'running' ? units : kind === 'efficiency' ? hours : setUps;

/** A value that a norm may have, as near as it may be. */
const within = ({ min, max, below }: Norm, value: number): number =>
  Math.min(Math.max(value, min), below ? max * (1 - 1e-6) : max);

/** Evidence of a norm that nobody has taken in yet; none where all of it was refused before. */
function fresh(evidence: readonly Evidence[], decisions: readonly NormDecision[]): readonly Evidence[] {
  const last = (taken: boolean): number =>
    Math.max(0, ...decisions.filter((one) => one.taken === taken).map(({ upTo }) => upTo));
  const open = evidence.filter(({ from }) => from.entry > last(true));
  return open.some(({ from }) => from.entry > last(false)) ? open : [];
}

/**
 * What the log of the floor proposes: by norm, what norm and log come to together, where that is another value than today's. Nothing
 * is changed by it. Source: handbook chapter 9 "Learning the norms".
 * @param closed stations that are through, in any order. @param decisions what was taken and refused before.
 */
export function proposeNorms(
  works: Works,
  closed: readonly ClosedStep[],
  decisions: readonly NormDecision[],
): NormProposal[] {
  const weights = learnWeights(normsOf(works, {}));
  const oldest = [...closed].sort((a, b) => a.entry - b.entry);
  const byNorm = new Map<string, Evidence[]>();
  for (const one of oldest) for (const said of evidenceOf(works, one, weights)) group(byNorm, said.norm, said);
  const all = [...byNorm].flatMap(([id, evidence]) => {
    const norm = normById(works, id);
    const open = fresh(
      evidence,
      decisions.filter((one) => one.norm === id),
    );
    const [first] = open;
    if (!norm || !first) return [];
    const now = inForce(works, norm);
    const posterior = posteriorOf(works, first.kind, now, open, weights);
    return proposal(norm, { kind: first.kind, now, weight: weightOf(first.kind, weights), evidence: open }, posterior);
  });
  const spread = spreadOf(works, oldest, all, weights).flatMap(({ norm: id, evidence, ...rest }) => {
    const norm = normById(works, id);
    const open = fresh(
      evidence,
      decisions.filter((one) => one.norm === id),
    );
    return norm && open.length > 0
      ? proposal(norm, { kind: 'spread', now: rest.now, weight: weights.setUps, evidence: open }, rest.posterior(open))
      : [];
  });
  return [...all, ...spread].filter((one) => differs(one, weights.least));
}

/** Worth a decision. */
const differs = ({ value, now }: NormProposal, least: number): boolean =>
  value !== now && Math.abs(value - now) >= least * Math.abs(now) - 1e-12;

function proposal(
  norm: Norm,
  told: Pick<NormProposal, 'kind' | 'now' | 'weight' | 'evidence'>,
  posterior: Posterior,
): NormProposal[] {
  const step = norm.whole ? 1 : STEPS[told.kind];
  const value = rounded(within(norm, posterior.value), step);
  if (!isWithin(norm, value)) return [];
  const { id, subject, name, unit } = norm;
  return [
    {
      ...told,
      ...{ norm: id, subject, name, unit, value },
      low: within(norm, posterior.low),
      high: within(norm, posterior.high),
      logged: told.evidence.reduce((sum, { weight }) => sum + weight, 0),
      upTo: Math.max(...told.evidence.map(({ from }) => from.entry)),
    },
  ];
}
