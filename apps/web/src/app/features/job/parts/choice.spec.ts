import { TestBed } from '@angular/core/testing';
import { MatSelectHarness } from '@angular/material/select/testing';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import type { FieldPath, Job } from '@druckerei/core';
import { Store, provideStore } from '@ngrx/store';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import { Choice, type Option } from './choice';
import { testAccount } from '../../../platform/account.fixture';

const GLUES: readonly Option[] = [
  { id: '', name: 'by what comes' },
  { id: 'cold', name: 'cold glue' },
  { id: 'hot-melt', name: 'hot melt' },
];

async function open(
  path: FieldPath,
  usual: string,
  role: 'manager' | 'viewer' = 'manager',
  job: Job = example('tea-caddy'),
) {
  TestBed.configureTestingModule({
    providers: [provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer })],
  });
  const store = TestBed.inject(Store);
  store.dispatch(
    SessionActions.found({ account: testAccount(role === 'manager' ? undefined : []), demo: false, first: false }),
  );
  store.dispatch(JobActions.loaded({ revision: revisionOf(job), local: null }));
  const fixture = TestBed.createComponent(Choice);
  fixture.componentRef.setInput('label', 'Glue');
  fixture.componentRef.setInput('path', path);
  fixture.componentRef.setInput('options', GLUES);
  fixture.componentRef.setInput('usual', usual);
  const select = await TestbedHarnessEnvironment.loader(fixture).getHarness(MatSelectHarness);
  return { editor: TestBed.inject(JobEditor), select };
}

describe('a choice of the job', () => {
  it('is set at its path, taken out again with the choice of none, and undone', async () => {
    const { editor, select } = await open(['finish', 'adhesive'], '');
    const before = editor.job();
    expect(await select.getValueText()).toBe('by what comes');
    await select.open();
    await select.clickOptions({ text: 'hot melt' });
    expect(editor.job()?.finish?.adhesive).toBe('hot-melt');
    expect(await select.getValueText()).toBe('hot melt');
    await select.open();
    await select.clickOptions({ text: 'by what comes' });
    expect(editor.job()?.finish).not.toHaveProperty('adhesive');
    editor.undo();
    editor.undo();
    expect(editor.job()).toEqual(before);
  });

  it('shows what is usual where the job says nothing', async () => {
    const { editor, select } = await open(['finish', 'adhesive'], 'cold');
    expect(await select.getValueText()).toBe('cold glue');
    expect(editor.job()?.finish?.adhesive).toBeUndefined();
  });

  it('is only read by who may not change the job', async () => {
    const { select } = await open(['finish', 'adhesive'], '', 'viewer');
    expect(await select.isDisabled()).toBe(true);
  });
});
