import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, Router, convertToParamMap } from '@angular/router';
import { EXERCISES, makeExercise, roundAs } from '@druckerei/core';
import { WRONG_WORDS, docketOf, docketText } from '@druckerei/contract';
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
  async function open(query: Record<string, string>) {
    TestBed.configureTestingModule({
      providers: [
        { provide: Router, useValue: { navigate: () => Promise.resolve(true) } },
        { provide: ActivatedRoute, useValue: { snapshot: { queryParamMap: convertToParamMap(query) } } },
      ],
    });
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
  beforeEach(() => localStorage.clear());

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
  });

  it('helps by steps: a hint, then the solution with its working, which counts for nothing', async () => {
    const { text, press } = await open({ kind: 'spine', seed: '3', grade: '1' });
    await press('Hint');
    expect(text()).toContain('pages / 2 × caliper / 1000');
    await press('Show the solution');
    expect(localStorage.getItem('druckerei.practice') ?? '').not.toContain('times');
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
