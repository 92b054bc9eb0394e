import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, Router, convertToParamMap } from '@angular/router';
import { EXERCISES, makeExercise, roundAs } from '@druckerei/core';
import { type FilledExercise, type Right, WRONG_WORDS, docketOf, docketText } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { of, throwError } from 'rxjs';
import { testAccount } from '../../../platform/account.fixture';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { dateText } from '../../../ui/format';
import { ClassDialog } from '../parts/class.dialog';
import { PracticeApi } from '../state/practice.api';
import { PracticePage } from './practice.page';

describe('dockets', () => {
  it('are there for every kind, and leave no field open', () => {
    for (const { id } of EXERCISES) {
      const made = makeExercise(id, 5, 1);
      expect(docketOf(id)).toBeDefined();
      const text = made.ok ? docketText(made.value) : '';
      expect(text).not.toMatch(/[{}]|undefined|NaN/);
      // All that is drawn and told apart is said.
      const fields = docketOf(id)?.match(/\{(\w+)\}/g)?.length ?? 0;
      expect(fields).toBeGreaterThan(0);
    }
  });
});

describe('practice', () => {
  const filled: FilledExercise[] = [];
  const at = '2026-12-01T10:00:00Z';
  const kept: PracticeApi['fill'] = (exercise) => {
    filled.push(exercise);
    return of([{ kind: exercise.kind, times: filled.length, best: 1, last: at }]);
  };
  async function open(query: Record<string, string>, fillExercise = kept, rights: Right[] = []) {
    filled.length = 0;
    TestBed.configureTestingModule({
      providers: [
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        { provide: PracticeApi, useValue: { reached: () => of([]), fill: fillExercise } },
        { provide: Router, useValue: { navigate: () => Promise.resolve(true) } },
        { provide: ActivatedRoute, useValue: { snapshot: { queryParamMap: convertToParamMap(query) } } },
      ],
    });
    TestBed.inject(Store).dispatch(SessionActions.found({ account: testAccount(rights), demo: false, first: false }));
    const fixture = TestBed.createComponent(PracticePage);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const text = (): string => (host.textContent ?? '').replace(/\s+/g, ' ');
    const fill = async (row: string, value: number): Promise<void> => {
      const input = host.querySelector<HTMLInputElement>(`[data-row="${row}"] input`);
      if (!input) throw new Error(`no row ${row}`);
      input.value = String(value);
      input.dispatchEvent(new Event('change'));
      await fixture.whenStable();
    };
    const press = async (name: string): Promise<void> => {
      [...host.querySelectorAll('button')].find((one) => one.textContent.trim() === name)?.click();
      await fixture.whenStable();
    };
    const said = (row: string): string =>
      (host.querySelector(`[data-row="${row}"] .said`)?.textContent ?? '').replace(/\s+/g, ' ');
    return { text, fill, press, said };
  }
  const spine = () => {
    const made = makeExercise('spine', 3, 1);
    if (!made.ok) throw new Error('no spine');
    return made.value;
  };
  it('names the wrong way, gives marks for what follows from it, and remembers the best', async () => {
    const [block, whole] = spine().rows;
    const { cover = 0 } = spine().values as { cover?: number };
    const { text, fill, press, said } = await open({ kind: 'spine', seed: '3', grade: '1' });
    expect(text()).toContain(docketText(spine()));
    await fill('block', (block?.value ?? 0) * 2);
    await fill('spine', (block?.value ?? 0) * 2 + (2 * cover) / 1000);
    await press('Check');
    expect(said('block')).toContain(WRONG_WORDS['leaf-is-two-pages']);
    expect(said('spine')).toContain('Right by your own rows above');
    expect(text()).toContain('50 % of the marks');
    await fill('block', roundAs(block?.value ?? 0, 'mm'));
    await fill('spine', roundAs(whole?.value ?? 0, 'mm'));
    await press('Check');
    expect(said('spine')).toContain('Right.');
    expect(text()).toContain('100 %, 2 ×');
    // As it was filled each time: it is marked where it is kept.
    expect(filled[0]).toMatchObject({ kind: 'spine', seed: 3, grade: 1 });
    expect(filled[0]?.answers[0]).toEqual({ row: 'block', value: (block?.value ?? 0) * 2 });
  });

  it('says where a result is not kept, and shows the class to whoever oversees it', async () => {
    const [block, whole] = spine().rows;
    const away = () => throwError(() => new HttpErrorResponse({ status: 0 }));
    const { text, fill, press } = await open({ kind: 'spine', seed: '3', grade: '1' }, away);
    expect(text()).not.toContain('The class');
    await fill('block', block?.value ?? 0);
    await fill('spine', whole?.value ?? 0);
    await press('Check');
    expect(text()).toContain('100 % of the marks');
    expect(text()).toContain('Your results are not kept just now.');
    TestBed.resetTestingModule();
    const overseer = await open({ kind: 'spine', seed: '3', grade: '1' }, kept, ['people']);
    expect(overseer.text()).toContain('The class');
  });

  it('of a class are laid out by person', async () => {
    const line = { person: 1, name: 'Anna', kind: 'spine', times: 2, best: 1, last: at };
    const lines = [line, { ...line, kind: 'gone', best: 0.5 }, { ...line, person: 2, best: 0.25 }];
    TestBed.configureTestingModule({ providers: [{ provide: PracticeApi, useValue: { class: () => of(lines) } }] });
    const fixture = TestBed.createComponent(ClassDialog);
    await fixture.whenStable();
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr')];
    expect(rows.map(({ textContent }) => textContent.replace(/\s+/g, ' ').trim())).toEqual([
      `Anna1 of ${EXERCISES.length + 1}Spine100 %2${dateText(at)}`,
      `Anna1 of ${EXERCISES.length + 1}gone50 %2${dateText(at)}`,
      `Anna0 of ${EXERCISES.length + 1}Spine25 %2${dateText(at)}`,
    ]);
  });

  it('helps by steps: a hint, then the solution with its working, which counts for nothing', async () => {
    const { text, press } = await open({ kind: 'spine', seed: '3', grade: '1' });
    await press('Hint');
    expect(text()).toContain('pages / 2 × caliper / 1000');
    await press('Show the solution');
    expect(filled).toEqual([]);
    expect(text()).toContain('0 % of the marks');
  });

  it('asks for the last result alone where it is to be hard, and says what there is not', async () => {
    const { text } = await open({ kind: 'spine', seed: '3', grade: '3' });
    expect(text()).not.toContain('Block mm');
    TestBed.resetTestingModule();
    const other = await open({ kind: 'nothing', seed: '3', grade: '1' });
    expect(other.text()).toContain('There is no exercise nothing.');
  });
});
