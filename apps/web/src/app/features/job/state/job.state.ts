import { type Finding, type Job, type Plan, type Outcome, type Works, checkRoute } from '@druckerei/core';
import { type Revision, pathOf } from '@druckerei/contract';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import { type JobCommand, isSameEdit } from './commands';
import { keepVersions, planned } from './versions';

/** Text in a field that cannot be used yet, kept until it can. */
export interface PendingText {
  readonly text: string;
  readonly message: string;
}

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'conflict'; readonly theirs: Revision };

export type JobRequest =
  { readonly kind: 'loading' } | { readonly kind: 'loaded' } | { readonly kind: 'failed'; readonly message: string };

/** What this computer keeps of a draft until the server has it. */
export interface LocalDraft {
  readonly version: number;
  readonly base: Job;
  readonly commands: readonly JobCommand[];
  readonly cursor: number;
  readonly pending: Readonly<Record<string, PendingText>>;
  /** Whether the server lacks an edit; false where only unusable text is kept. */
  readonly unsaved: boolean;
}

export interface OpenJobState {
  readonly request: JobRequest;
  /** The revision as the server last told it. */
  readonly revision: Revision | null;
  /** Where the commands begin. */
  readonly base: Job | null;
  readonly commands: readonly JobCommand[];
  /** Commands in force; those after it have been undone. */
  readonly cursor: number;
  /** Counts edits, so that it is known whether the server has the latest. */
  readonly edit: number;
  readonly savedEdit: number;
  readonly pending: Readonly<Record<string, PendingText>>;
  readonly save: SaveState;
}

const initial: OpenJobState = {
  request: { kind: 'loading' },
  revision: null,
  base: null,
  commands: [],
  cursor: 0,
  edit: 0,
  savedEdit: 0,
  pending: {},
  save: { kind: 'saved' },
};

export const JobActions = createActionGroup({
  source: 'Job',
  events: {
    Open: props<{ id: number; revision?: number }>(),
    /** Another tab has saved the job: it is loaded again, unless something is typed here meanwhile. */
    'Look again': props<{ id: number; revision?: number }>(),
    Loaded: props<{ revision: Revision; local: LocalDraft | null }>(),
    'Not loaded': props<{ message: string }>(),
    Edit: props<{ command: JobCommand }>(),
    Type: props<{ path: string; pending: PendingText }>(),
    Undo: emptyProps(),
    Redo: emptyProps(),
    'Save now': emptyProps(),
    Saving: emptyProps(),
    Saved: props<{ revision: Revision; edit: number }>(),
    'Not saved': props<{ message: string; retry: boolean }>(),
    Refused: props<{ theirs: Revision }>(),
    'Keep mine': emptyProps(),
    'Take theirs': emptyProps(),
    Release: emptyProps(),
    Released: props<{ revision: Revision }>(),
  },
});

const edited = (state: OpenJobState, change: Partial<OpenJobState>): OpenJobState => ({
  ...state,
  ...change,
  edit: state.edit + 1,
  save: state.save.kind === 'conflict' ? state.save : { kind: 'waiting' },
});

/** A field that has been set has no unusable text any more. */
function withoutField(pending: OpenJobState['pending'], command: JobCommand): OpenJobState['pending'] {
  if (command.kind !== 'set') return pending;
  const { [pathOf(command.path)]: _set, ...left } = pending;
  return left;
}

const begin = (revision: Revision): OpenJobState => ({
  ...initial,
  request: { kind: 'loaded' },
  revision,
  base: revision.job,
});

function restore(revision: Revision, local: LocalDraft): OpenJobState {
  const { base, commands, cursor, pending, unsaved } = local;
  if (!unsaved) return { ...begin(revision), pending };
  const mine: OpenJobState = {
    ...begin(revision),
    base,
    commands,
    cursor,
    pending,
    edit: 1,
    save: { kind: 'waiting' },
  };
  return local.version === revision.version ? mine : { ...mine, save: { kind: 'conflict', theirs: revision } };
}

export const jobFeature = createFeature({
  name: 'job',
  reducer: createReducer<OpenJobState>(
    initial,
    on(JobActions.open, (): OpenJobState => initial),
    on(JobActions.loaded, (state, { revision, local }): OpenJobState => {
      if (state.edit !== state.savedEdit) return state;
      return local ? restore(revision, local) : begin(revision);
    }),
    on(JobActions.notLoaded, (state, { message }): OpenJobState => ({
      ...state,
      request: { kind: 'failed', message },
    })),
    on(JobActions.edit, (state, { command }): OpenJobState => {
      const kept = state.commands.slice(0, state.cursor);
      const commands = isSameEdit(kept.at(-1), command) ? [...kept.slice(0, -1), command] : [...kept, command];
      return edited(state, { commands, cursor: commands.length, pending: withoutField(state.pending, command) });
    }),
    on(JobActions.type, (state, { path, pending }): OpenJobState => ({
      ...state,
      pending: { ...state.pending, [path]: pending },
    })),
    on(JobActions.undo, (state): OpenJobState =>
      state.cursor === 0 ? state : edited(state, { cursor: state.cursor - 1, pending: {} }),
    ),
    on(JobActions.redo, (state): OpenJobState =>
      state.cursor === state.commands.length ? state : edited(state, { cursor: state.cursor + 1, pending: {} }),
    ),
    on(JobActions.saving, (state): OpenJobState => ({ ...state, save: { kind: 'saving' } })),
    on(JobActions.saved, (state, { revision, edit }): OpenJobState => ({
      ...state,
      revision,
      savedEdit: edit,
      save: edit === state.edit ? { kind: 'saved' } : { kind: 'waiting' },
    })),
    on(JobActions.notSaved, (state, { message }): OpenJobState => ({ ...state, save: { kind: 'failed', message } })),
    on(JobActions.refused, (state, { theirs }): OpenJobState => ({ ...state, save: { kind: 'conflict', theirs } })),
    // Mine is saved over theirs, knowingly: the version is theirs, the content mine.
    on(JobActions.keepMine, (state): OpenJobState =>
      state.save.kind === 'conflict' ? { ...state, revision: state.save.theirs, save: { kind: 'waiting' } } : state,
    ),
    on(JobActions.takeTheirs, (state): OpenJobState =>
      state.save.kind === 'conflict' ? begin(state.save.theirs) : state,
    ),
    on(JobActions.released, (_state, { revision }): OpenJobState => begin(revision)),
  ),
  extraSelectors: ({
    selectJobState,
    selectBase,
    selectCommands,
    selectCursor,
    selectRevision,
    selectEdit,
    selectSavedEdit,
  }) => {
    const selectWorks = createSelector(selectRevision, (revision) => (revision ? (revision.works as Works) : null));
    const versionsOf = keepVersions();
    /** The job after so many commands, newest first, down to the base. */
    const selectVersions = createSelector(
      selectBase,
      selectCommands,
      selectCursor,
      selectWorks,
      (base, commands, cursor, works): readonly Job[] =>
        base && works ? versionsOf(base, commands.slice(0, cursor), works) : [],
    );
    const selectJob = createSelector(selectVersions, (versions): Job | null => versions[0] ?? null);
    const selectOutcome = createSelector(selectJob, selectWorks, (job, works): Outcome<Plan> | null =>
      job && works ? planned(job, works) : null,
    );
    /** The plan of the job, or of its last version that could be planned. */
    const selectPlan = createSelector(
      selectOutcome,
      selectVersions,
      selectWorks,
      (outcome, versions, works): Plan | null => {
        if (outcome?.ok) return outcome.value;
        for (const version of versions.slice(1)) {
          const before = works ? planned(version, works) : null;
          if (before?.ok) return before.value;
        }
        return null;
      },
    );
    /** The plan before the last change, to say what that did. */
    const selectPlanBefore = createSelector(selectVersions, selectWorks, ([, before], works): Plan | null => {
      const outcome = before && works ? planned(before, works) : null;
      return outcome?.ok ? outcome.value : null;
    });
    /** What the route breaks, of the job as it is planned now. */
    const selectFindings = createSelector(
      selectJob,
      selectOutcome,
      selectWorks,
      (job, outcome, works): readonly Finding[] =>
        job && works && outcome?.ok ? checkRoute(job, outcome.value, works) : [],
    );
    return {
      selectFindings,
      selectWorks,
      selectJob,
      selectOutcome,
      selectPlan,
      selectPlanBefore,
      selectUnsaved: createSelector(selectEdit, selectSavedEdit, (edit, savedEdit) => edit !== savedEdit),
      selectCanUndo: createSelector(selectCursor, (cursor) => cursor > 0),
      selectCanRedo: createSelector(selectJobState, ({ cursor, commands }) => cursor < commands.length),
      selectIsNewest: createSelector(
        selectRevision,
        (revision) => revision !== null && revision.revisions[0]?.revision === revision.revision,
      ),
    };
  },
});
