import { DestroyRef } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatDialog, MatDialogRef } from '@angular/material/dialog';
import { WholeLists } from '../ui/whole-lists';
import { TablesDialog } from './tables.dialog';

const open = async (html: string, openDialogs: { id: string }[] = []) => {
  const page = document.createElement('main');
  page.innerHTML = html;
  document.body.append(page);
  TestBed.configureTestingModule({
    providers: [
      { provide: MatDialogRef, useValue: {} },
      { provide: MatDialog, useValue: { openDialogs } },
    ],
  });
  TestBed.inject(WholeLists).add(() => {
    page.querySelector('tbody')?.insertAdjacentHTML('beforeend', '<tr><td>that came late</td></tr>');
    return Promise.resolve();
  }, TestBed.inject(DestroyRef));
  const fixture = TestBed.createComponent(TablesDialog);
  const element = fixture.nativeElement as HTMLElement;
  await fixture.whenStable();
  for (let i = 0; i < 50 && element.querySelector('mat-progress-bar'); i++) {
    await new Promise((go) => setTimeout(go, 5));
    await fixture.whenStable();
  }
  page.remove();
  return element;
};

describe('the tables of a page', () => {
  it('are offered one by one with all their lines, and all at once', async () => {
    const dialog = await open(
      '<h2>Jobs</h2><table><tbody><tr><td>one</td></tr></tbody></table><table aria-label="Costs"><tr><td>2</td></tr></table>',
    );
    expect([...dialog.querySelectorAll('li > span')].map(({ textContent }) => textContent.trim())).toEqual([
      'Jobs 2 lines',
      'Costs 1 line',
    ]);
    expect(dialog.textContent).toContain('All as one XLSX');
  });

  it('are those of the dialog that is open over it', async () => {
    const over = document.createElement('mat-dialog-container');
    over.id = 'over';
    over.innerHTML = '<h2>The class</h2><table><tbody><tr><td>Anna</td></tr></tbody></table>';
    document.body.append(over);
    const dialog = await open('<h2>Jobs</h2><table><tbody><tr><td>one</td></tr></tbody></table>', [{ id: 'over' }]);
    over.remove();
    expect(dialog.textContent).toContain('Tables of this dialog');
    expect([...dialog.querySelectorAll('li > span')].map(({ textContent }) => textContent.trim())).toEqual([
      'The class 1 line',
    ]);
  });

  it('are said to be none where there are none', async () => {
    expect((await open('<table></table>')).textContent).toContain('no table on this page');
  });
});
