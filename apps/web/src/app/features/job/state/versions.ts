import { type Job, type Outcome, type Plan, type Works, error, plan } from '@druckerei/core';
import { type JobCommand, applyCommand } from './commands';

interface Kept {
  readonly base: Job;
  readonly works: Works;
  readonly commands: readonly JobCommand[];
  /** The base first, then the job after each command. */
  readonly versions: readonly Job[];
}

/**
 * Versions of a job beside the commands that made them, newest first: a new command is carried out, those before it are
 * not carried out again.
 */
export function keepVersions(): (base: Job, commands: readonly JobCommand[], works: Works) => readonly Job[] {
  let kept: Kept | undefined;
  return (base, commands, works) => {
    const before = kept?.base === base && kept.works === works ? kept : undefined;
    let same = 0;
    while (same < commands.length && before && before.commands[same] === commands[same]) same++;
    const versions = before ? before.versions.slice(0, same + 1) : [base];
    for (const command of commands.slice(same)) versions.push(applyCommand(versions.at(-1) ?? base, command, works));
    kept = { base, works, commands, versions };
    return [...versions].reverse();
  };
}

const outcomes = new WeakMap<Works, WeakMap<Job, Outcome<Plan>>>();

/**
 * The plan of a version of a job, reckoned once. Whatever goes wrong in it, the page stays: the job can be mended or put
 * aside in its plain view.
 */
export function planned(job: Job, works: Works): Outcome<Plan> {
  const known = outcomes.get(works) ?? new WeakMap<Job, Outcome<Plan>>();
  outcomes.set(works, known);
  const before = known.get(job);
  if (before) return before;
  const outcome = tried(job, works);
  known.set(job, outcome);
  return outcome;
}

function tried(job: Job, works: Works): Outcome<Plan> {
  try {
    return plan(job, works);
  } catch (thrown) {
    return { ok: false, issues: [error('plan.failed', '', { why: String(thrown).slice(0, 120) })] };
  }
}
