import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { type Command } from './commands';
import { PaletteDialog } from './palette.dialog';

const command = (name: string): Command => ({ id: name, name, run: () => undefined });
const COMMANDS = ['Make cases', 'Fold: Section 7', 'Fold: Section 8'].map(command);

const opened = async () => {
  const closed: (string | undefined)[] = [];
  TestBed.configureTestingModule({
    providers: [
      { provide: MAT_DIALOG_DATA, useValue: { label: 'Which station?', commands: COMMANDS } },
      { provide: MatDialogRef, useValue: { close: (chosen?: Command) => closed.push(chosen?.name) } },
    ],
  });
  const fixture = TestBed.createComponent(PaletteDialog);
  fixture.autoDetectChanges();
  await fixture.whenStable();
  const field = (fixture.nativeElement as HTMLElement).querySelector('input');
  if (!field) throw new Error('The palette has a field');
  return {
    closed,
    fixture,
    press: (key: string, keyCode: number) =>
      field.dispatchEvent(new KeyboardEvent('keydown', { key, keyCode, bubbles: true, cancelable: true })),
    type: (text: string) => {
      field.value = text;
      field.dispatchEvent(new Event('input', { bubbles: true }));
    },
    focus: () => field.dispatchEvent(new Event('focusin', { bubbles: true })),
  };
};

describe('the palette', () => {
  it('takes what was typed, also before the list has been drawn for it', async () => {
    const palette = await opened();
    palette.focus();
    await palette.fixture.whenStable();
    palette.type('fold section 7');
    palette.press('Enter', 13);
    expect(new Set(palette.closed)).toEqual(new Set(['Fold: Section 7']));
  });

  it('takes what was typed where the list has just been drawn for it and does not listen yet', async () => {
    const palette = await opened();
    palette.focus();
    await palette.fixture.whenStable();
    palette.type('fold section 7');
    palette.fixture.detectChanges();
    palette.press('Enter', 13);
    expect(new Set(palette.closed)).toEqual(new Set(['Fold: Section 7']));
  });

  it('takes what was typed where the list has never opened', async () => {
    const palette = await opened();
    palette.type('section 8');
    palette.press('Enter', 13);
    expect(new Set(palette.closed)).toEqual(new Set(['Fold: Section 8']));
  });

  it('takes what the arrows went to', async () => {
    const palette = await opened();
    palette.focus();
    palette.type('fold');
    await palette.fixture.whenStable();
    palette.press('ArrowDown', 40);
    palette.press('Enter', 13);
    expect(new Set(palette.closed)).toEqual(new Set(['Fold: Section 8']));
  });

  it('stays open where nothing is of that name', async () => {
    const palette = await opened();
    palette.focus();
    palette.type('fold nothing');
    palette.press('Enter', 13);
    expect(palette.closed).toEqual([]);
  });
});
