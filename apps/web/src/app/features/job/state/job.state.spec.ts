import { applyCommand } from './commands';
import { JobActions, jobFeature, type LocalDraft, type OpenJobState } from './job.state';
import { example, revisionOf } from '../job.fixture';
import type { Revision } from '@druckerei/contract';
import { SHIPPED_WORKS } from '@druckerei/core';

const job = example('trail-map');
const quantity = (value: number, burst = 1) =>
  JobActions.edit({ command: { kind: 'set', path: ['order', 'quantity'], value, burst } });
const reduce = (actions: Parameters<typeof jobFeature.reducer>[1][], from?: OpenJobState): OpenJobState =>
  actions.reduce<OpenJobState>(
    (state, action) => jobFeature.reducer(state, action),
    from ?? jobFeature.reducer(undefined, JobActions.loaded({ revision: revisionOf(job), local: null })),
  );
const quantityOf = (state: OpenJobState) => jobFeature.selectJob({ job: state })?.order.quantity;
const sheetsOf = (state: OpenJobState) => jobFeature.selectPlan({ job: state })?.totals.pressSheets['map'];

describe('the open job', () => {
  it('plans what the commands make of it', () => {
    expect(sheetsOf(reduce([]))).toBe(5484);
    expect(sheetsOf(reduce([quantity(12_000)]))).toBe(6522);
  });

  it('undoes all strokes of one visit to a field at once, and redoes them', () => {
    const typed = reduce([quantity(1), quantity(12), quantity(12_000)]);
    expect(typed.commands).toHaveLength(1);
    const undone = reduce([JobActions.undo()], typed);
    expect(quantityOf(undone)).toBe(10_000);
    expect(quantityOf(reduce([JobActions.redo()], undone))).toBe(12_000);
    expect(reduce([quantity(12_000, 1), quantity(13_000, 2)]).commands).toHaveLength(2);
  });

  it('forgets what was undone once something else is done', () => {
    const state = reduce([quantity(12_000, 1), JobActions.undo(), quantity(9_000, 2)]);
    expect(state.commands).toHaveLength(1);
    expect(quantityOf(state)).toBe(9_000);
    expect(jobFeature.selectCanRedo({ job: state })).toBe(false);
  });

  it('keeps the last figures while a change cannot be planned', () => {
    const state = reduce([
      JobActions.edit({ command: { kind: 'set', path: ['components', 0, 'stock'], value: 'velvet' } }),
    ]);
    expect(jobFeature.selectOutcome({ job: state })?.ok).toBe(false);
    expect(sheetsOf(state)).toBe(5484);
  });

  it('stays open where the plan itself goes wrong: it says so, and the job may be mended', () => {
    const broken = revisionOf(job, { works: { norms: {} } as unknown as Revision['works'] });
    const state = jobFeature.reducer(undefined, JobActions.loaded({ revision: broken, local: null }));
    const outcome = jobFeature.selectOutcome({ job: state });
    expect(outcome?.ok === false ? outcome.issues.map(({ code }) => code) : []).toEqual(['plan.failed']);
    expect([jobFeature.selectPlan({ job: state }), jobFeature.selectJob({ job: state })]).toEqual([null, job]);
  });

  it('is not loaded over what is typed when another tab has saved it', () => {
    const typed = reduce([quantity(12_000)]);
    const theirs = JobActions.loaded({ revision: revisionOf(job, { version: 2 }), local: null });
    expect(reduce([theirs], typed)).toBe(typed);
    const saved = reduce([JobActions.saved({ revision: revisionOf(job, { version: 2 }), edit: typed.edit })], typed);
    expect(quantityOf(reduce([theirs], saved))).toBe(10_000);
  });

  it('knows whether the server has the latest edit', () => {
    const edited = reduce([quantity(12_000)]);
    expect(jobFeature.selectUnsaved({ job: edited })).toBe(true);
    const saved = reduce([JobActions.saved({ revision: revisionOf(job, { version: 2 }), edit: edited.edit })], edited);
    expect(saved.save.kind).toBe('saved');
    const overtaken = reduce(
      [quantity(13_000, 2), JobActions.saved({ revision: revisionOf(job, { version: 2 }), edit: edited.edit })],
      edited,
    );
    expect(overtaken.save.kind).toBe('waiting');
    expect(jobFeature.selectUnsaved({ job: overtaken })).toBe(true);
  });

  it('keeps unusable text until the field is set', () => {
    const typed = reduce([
      JobActions.type({ path: 'order.quantity', pending: { text: 'many', message: 'no number' } }),
    ]);
    expect(typed.pending).toEqual({ 'order.quantity': { text: 'many', message: 'no number' } });
    expect(reduce([quantity(5)], typed).pending).toEqual({});
  });

  describe('draft of this computer', () => {
    const local: LocalDraft = {
      version: 1,
      base: job,
      commands: [{ kind: 'set', path: ['order', 'quantity'], value: 77 }],
      cursor: 1,
      pending: {},
      unsaved: true,
    };
    const load = (version: number, draft: LocalDraft) =>
      jobFeature.reducer(undefined, JobActions.loaded({ revision: revisionOf(job, { version }), local: draft }));

    it('goes on where it was', () => {
      expect(quantityOf(load(1, local))).toBe(77);
      expect(load(1, local).save.kind).toBe('waiting');
    });

    it('is held against what somebody else saved meanwhile', () => {
      const state = load(5, local);
      expect(state.save).toMatchObject({ kind: 'conflict', theirs: { version: 5 } });
      expect(reduce([JobActions.keepMine()], state).revision?.version).toBe(5);
      expect(quantityOf(reduce([JobActions.keepMine()], state))).toBe(77);
      expect(quantityOf(reduce([JobActions.takeTheirs()], state))).toBe(10_000);
    });

    it('that is nothing but unusable text does not hide a newer version', () => {
      const state = load(5, { ...local, unsaved: false, pending: { x: { text: 'y', message: 'z' } } });
      expect(quantityOf(state)).toBe(10_000);
      expect(Object.keys(state.pending)).toEqual(['x']);
    });
  });
});

describe('commands', () => {
  it('leave the job alone where a stock is not known', () => {
    expect(applyCommand(job, { kind: 'stock', component: 'map', stock: 'velvet' }, SHIPPED_WORKS)).toBe(job);
    expect(
      applyCommand(job, { kind: 'stock', component: 'map', stock: 'offset-80' }, SHIPPED_WORKS).components[0]?.stock,
    ).toBe('offset-80');
  });
});
