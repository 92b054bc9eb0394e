import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { SHIPPED_WORKS } from '@druckerei/core';
import type { HeldList } from '@druckerei/contract';
import { of, throwError } from 'rxjs';
import { ListFile } from '../../ui/list-file';
import { CountFile } from './count-file';
import { StoresStore } from './stores.store';

const OTHER = { kind: 'ink', name: 'Night blue', unit: 'kg' } as const;
const LIST = [
  'What;Where;On hand',
  'Silk coated 115 g, 1020 × 720 mm, grain along 1020;Row 1;1,200 sheets',
  'Nobody knows;Row 2;3',
  'Night blue;;12.5 kg',
  'Thread for sewing;;7',
  'Silk coated 115 g, 1020 x 720 mm, grain along 1020;Row 1;300',
].join('\n');

const opened = async (count: (list: HeldList) => unknown) => {
  const stores = {
    works: () => SHIPPED_WORKS,
    needs: () => ({
      jobs: [
        {
          needs: [{ key: 'supplies/glue', kind: 'supplies', name: 'Thread for sewing', unit: 'm' }, { kind: 'sheets' }],
        },
      ],
    }),
    stores: () => ({
      holdings: [
        { key: 'ink/Night blue', other: OTHER },
        { key: 'rolls/x/1', paper: { stock: 'x', widthMm: 1 } },
      ],
    }),
    count,
  };
  TestBed.configureTestingModule({ providers: [{ provide: StoresStore, useValue: stores }] });
  const fixture = TestBed.createComponent(CountFile);
  await fixture.whenStable();
  (fixture.debugElement.query(By.directive(ListFile)).componentInstance as ListFile<unknown>).begin(LIST);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const press = async (name: string): Promise<void> => {
    [...element.querySelectorAll('button')].find(({ textContent }) => textContent.includes(name))?.click();
    await fixture.whenStable();
  };
  return { press, text: () => element.textContent.replace(/\s+/g, ' ') };
};

beforeEach(() => localStorage.clear());

describe('stock out of a file', () => {
  it('is known by what the stores call it, added up by place, and counted together', async () => {
    const sent: HeldList[] = [];
    const file = await opened((list) => {
      sent.push(list);
      return of({ answer: { added: 1, changed: 2, same: 0 } });
    });
    expect(file.text()).toContain('3 counts can be taken; 1 line cannot.');
    expect(file.text()).toContain('Line 3: What lies there: “Nobody knows” is nothing');
    await file.press('Take 3 counts');
    expect(sent).toEqual([
      {
        lots: [
          {
            paper: expect.objectContaining({ widthMm: 1020, heightMm: 720, grain: 'width' }) as object,
            quantity: 1500,
            place: 'Row 1',
          },
          { other: { key: 'ink/Night blue', ...OTHER }, quantity: 12.5 },
          { other: { key: 'supplies/glue', kind: 'supplies', name: 'Thread for sewing', unit: 'm' }, quantity: 7 },
        ],
        reason: 'Counted by a list',
      },
    ]);
    expect(file.text()).toContain('1 lot came in, 2 counts changed what stood, 0 counts found it as it stood.');
    expect(file.text()).not.toContain('can be taken');
  });

  it('stays on show where the server refuses it, told by its lines', async () => {
    const errors = [{ path: 'lots[1].quantity', message: 'Too much.' }];
    const error = { type: 'about:blank', title: 'Not valid', status: 422, errors };
    const file = await opened(() => throwError(() => new HttpErrorResponse({ status: 422, error })));
    await file.press('Take 3 counts');
    expect(file.text()).toContain('Nothing was taken. Line 4: Too much.');
    expect(file.text()).toContain('3 counts can be taken');
  });
});
