import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { type KeptInk, type Works, SHIPPED_WORKS } from '@druckerei/core';
import type { ItemChanges } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { of } from 'rxjs';
import { testAccount } from '../../../platform/account.fixture';
import { Api } from '../../../platform/api';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { WorksStore } from '../works.store';
import { InkPage } from './ink.page';
import { InksPage } from './inks.page';

const BLUE: KeptInk = {
  id: 'blue',
  name: 'Night blue',
  kind: 'mixed',
  cleared: ['food'],
  aim: { l: 20, a: 5, b: -40 },
};
const WORKS: Works = {
  ...SHIPPED_WORKS,
  inks: [BLUE, { ...BLUE, id: 'old', name: 'Old blue', retired: true }],
  supplies: [{ id: 'cold', name: 'Dispersion 12', supply: 'glue', cleared: [] }],
  supplied: {
    day: '2026-12-01',
    sellers: [
      { id: 1, name: 'Ink maker', prices: [{ item: 'ink/Night blue', price: 20, per: 1, measure: 'unit' }] },
      { id: 2, name: 'Glue maker', prices: [{ item: 'supplies/glue', price: 3, per: 1, measure: 'unit' }] },
    ],
  },
};

describe('inks and supplies of the works', () => {
  let sent: ItemChanges[];
  const setUp = async (): Promise<void> => {
    sent = [];
    const api = {
      works: () => of(WORKS),
      itemEffect: () => of({ jobs: [], left: 0 }),
      changeItems: (changes: ItemChanges) => {
        sent.push(changes);
        return of({ ...WORKS, inks: [...changes.inks] });
      },
    };
    await TestBed.configureTestingModule({
      providers: [
        WorksStore,
        provideRouter([]),
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        { provide: Api, useValue: api },
      ],
    }).compileComponents();
    TestBed.inject(Store).dispatch(
      SessionActions.found({ account: testAccount(['machines']), demo: false, first: false }),
    );
  };

  it('are listed with who sells them; what is retired only where it is asked for', async () => {
    await setUp();
    const fixture = TestBed.createComponent(InksPage);
    fixture.detectChanges();
    const page = fixture.nativeElement as HTMLElement;
    const rows = (): string[] =>
      [...page.querySelectorAll('tbody tr')].map((row) => (row.textContent ?? '').replaceAll(/\s+/g, ' ').trim());
    expect(rows()).toEqual([
      expect.stringMatching(/^Night blue ?Mixed colour ?as is usual ?food ?Ink maker$/),
      expect.stringMatching(/^Dispersion 12 ?Cold glue ?kg ?Glue maker$/),
    ]);
    page.querySelector<HTMLInputElement>('mat-checkbox input')?.click();
    fixture.detectChanges();
    expect(rows()).toHaveLength(3);
  });

  it('are pasted out of a sheet: a wrong line is told, the others go in together', async () => {
    await setUp();
    const fixture = TestBed.createComponent(InksPage);
    fixture.detectChanges();
    const page = fixture.nativeElement as HTMLElement;
    const press = (label: string): void => {
      [...page.querySelectorAll('button')].find((one) => one.textContent.includes(label))?.click();
      fixture.detectChanges();
    };
    press('Paste lines');
    const area = page.querySelector('textarea');
    if (area) area.value = 'Name;What it is;Cleared for\nnight blue;special;\nLime;beer;\nCarton glue;Hot melt;food\n';
    area?.dispatchEvent(new Event('input'));
    fixture.detectChanges();
    expect(page.textContent).toContain('2 inks and supplies can be taken; 1 line cannot.');
    expect(page.textContent).toMatch(/Line 3:.*beer/s);
    press('Take 2');
    expect(sent).toMatchObject([
      {
        inks: [{ ...BLUE, kind: 'special' }],
        supplies: [{ id: 'carton-glue', name: 'Carton glue', supply: 'hot-melt', cleared: ['food'] }],
      },
    ]);
    expect(page.textContent).toContain('1 ink and 1 supply came out of the list.');
    expect(page.querySelector('dk-column-table')).toBeNull();
  });

  it('are told by field: a colour is whole or none, a recipe adds to 100', async () => {
    await setUp();
    const fixture = TestBed.createComponent(InkPage);
    fixture.componentRef.setInput('id', 'blue');
    fixture.detectChanges();
    const page = fixture.nativeElement as HTMLElement;
    const type = (path: string, text: string): void => {
      const field = page.querySelector<HTMLInputElement>(`[data-field="${path}"]`);
      if (!field) throw new Error(`no field ${path}`);
      field.value = text;
      field.dispatchEvent(new Event('input'));
      fixture.detectChanges();
    };
    const press = (name: string): void => {
      [...page.querySelectorAll('button')].find((button) => button.textContent?.includes(name))?.click();
      fixture.detectChanges();
    };
    type('aim.b', '');
    press('Enter it');
    expect([sent.length, page.querySelector('[role="alert"]')?.textContent]).toEqual([
      0,
      expect.stringContaining('b*'),
    ]);
    type('aim.l', '');
    type('aim.a', '');
    press('Base ink');
    press('Enter it');
    expect(sent).toHaveLength(1);
    const { aim: _aim, ...rest } = BLUE;
    expect(sent[0]?.inks).toEqual([{ ...rest, recipe: [{ ink: 'Base 1', parts: 100 }] }]);
    expect([sent[0]?.machines, sent[0]?.stocks, sent[0]?.supplies]).toEqual([[], [], []]);
  });
});
