import { type NormDecision, type NormProposal, proposeNorms, unitText } from '@druckerei/core';
import type { Account, Learning, NormDecisions, NormProposalLine } from '@druckerei/contract';
import type { Database } from '../../db/database.js';
import { ProblemError, invalid } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { lockKind } from '../changes/changes.js';
import type { Bench } from '../jobs/bench.js';
import { changeNorms } from '../works/change-norms.js';
import { currentWorks } from '../works/works.js';
import { closedSteps, keepOutcomes, readOutcomes } from './outcomes.js';
import { readHappened } from './happened.js';

/** What the log proposes, and how many stations it goes by. */
export interface Proposed {
  readonly proposals: readonly NormProposal[];
  readonly closed: number;
}

/** What was proposed last, as long as nothing that it hangs on changes. */
const kept = new WeakMap<Database, Proposed & { readonly stamp: string }>();

/** What the log proposes today; of jobs that nobody has looked at since they were entered, some seconds' worth at a time. */
export async function readProposals(bench: Bench): Promise<Proposed & { readonly waiting: number }> {
  const { database } = bench;
  const waiting = await keepOutcomes(bench);
  const { stamp, outcomes } = await readOutcomes(database);
  const before = kept.get(database);
  if (before?.stamp === stamp) return { ...before, waiting };
  const closed = closedSteps(outcomes);
  const decisions = await database.many<NormDecision & Record<string, unknown>>('learning/decisions');
  const proposals = proposeNorms(await currentWorks(database), closed, decisions);
  const made = { stamp, proposals, closed: closed.length };
  kept.set(database, made);
  return { ...made, waiting };
}

function lineOf({ evidence, ...proposal }: NormProposal): NormProposalLine {
  return {
    ...proposal,
    // The newest first: the last runs are what somebody remembers.
    evidence: evidence.toReversed().map(({ from, value, amount, weight }) => ({
      ...{ entry: from.entry, job: from.job, number: from.number, closed: from.closed, value, amount, weight },
      ...{ step: from.outcome.step, title: from.outcome.title, machine: from.outcome.machineName },
    })),
  };
}

async function readLearning(bench: Bench): Promise<Learning> {
  const { database } = bench;
  // Read first: what is changed meanwhile is refused, not overwritten.
  const { mark: seen = 0 } = await currentWorks(database);
  const { proposals, closed, waiting } = await readProposals(bench);
  const decided = await database.many<Learning['decided'][number] & Record<string, unknown>>('learning/decided');
  return { seen, closed, waiting, proposals: proposals.map(lineOf), decided };
}

/** The proposal that a decision is of; refused where the log says something else by now. */
function proposalOf(
  proposals: readonly NormProposal[],
  { norm, value, upTo }: NormDecisions['decisions'][number],
  i: number,
): NormProposal {
  const found = proposals.find((one) => one.norm === norm);
  if (!found)
    throw invalid([
      { path: `decisions[${i}].norm`, message: $localize`Nothing is proposed for ${norm} any more. Load anew.` },
    ]);
  if (found.value !== value || found.upTo !== upTo)
    throw new ProblemError(409, $localize`The log says more by now`, {
      detail: $localize`${found.subject}, ${found.name}\: ${found.value} is proposed now, you saw ${value}. Load anew, and look again.`,
    });
  return found;
}

async function decide(
  bench: Bench,
  { decisions, seen, reason }: NormDecisions,
  account: Pick<Account, 'id'>,
): Promise<void> {
  const { proposals } = await readProposals(bench);
  const decided = decisions.map((decision, i) => ({ ...decision, proposal: proposalOf(proposals, decision, i) }));
  const changes = decided
    .filter(({ taken }) => taken)
    .map(({ norm, value, proposal }) => ({ norm, value, expected: proposal.now }));
  const runs = Math.max(...decided.map(({ proposal }) => proposal.evidence.length));
  await bench.database.transaction(async (queries) => {
    await lockKind(queries, 'norm');
    if (changes.length > 0) {
      const why = $localize`from the log, ${runs} ${unitText('run', runs)}${reason === '' ? '' : `: ${reason}`}`;
      await changeNorms(
        queries,
        await currentWorks(queries),
        { changes, seen, reason: why.slice(0, 300) },
        account,
        (i) => `decisions[${i}].`,
      );
    }
    await queries.one(
      'learning/decide',
      JSON.stringify(decided.map(({ proposal, ...decision }) => ({ ...decision, before: proposal.now }))),
      reason,
      account.id,
    );
  });
}

export const learningHandlers = (
  bench: Bench,
  changed: () => void,
): Pick<Handlers, 'learning' | 'decideNorms' | 'happened'> => ({
  learning: () => readLearning(bench),
  decideNorms: async ({ account, body }) => {
    await decide(bench, body, account);
    changed();
    return readLearning(bench);
  },
  happened: ({ query }) => readHappened(bench, query.month),
});
