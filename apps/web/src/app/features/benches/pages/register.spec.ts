import { ApplicationRef, type Type } from '@angular/core';
import type { Job } from '@druckerei/core';
import { TestBed } from '@angular/core/testing';
import { MakeJob } from '../state/make-job';
import type { TakeIntoData } from '../parts/take-into-job.dialog';
import { ColourPage } from './colour.page';
import { InkPage } from './ink.page';
import { RegisterPage } from './register.page';

const taken: Omit<TakeIntoData, 'works'>[] = [];

async function open<T>(page: Type<T>) {
  const takeInto = (data: Omit<TakeIntoData, 'works'>) => taken.push(data);
  TestBed.configureTestingModule({ providers: [{ provide: MakeJob, useValue: { takeInto } }] });
  const fixture = TestBed.createComponent(page);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const text = (find: string) => (element.querySelector(find)?.textContent ?? '').replace(/\s+/g, ' ').trim();
  const click = async (label: string) => {
    const button = [...element.querySelectorAll('button')].find((one) => one.textContent.includes(label));
    if (!button) throw new Error(`no button ${label}`);
    button.click();
    await fixture.whenStable();
  };
  const type = async (field: string, value: string) => {
    const input = element.querySelector<HTMLInputElement>(`[data-field="${field}"]`);
    if (!input) throw new Error(`no field ${field}`);
    input.value = value;
    input.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  return { element, text, click, type };
}

beforeEach(() => {
  localStorage.clear();
  // jsdom does not know what the system likes.
  localStorage.setItem('druckerei.theme', 'light');
});

describe('register bench', () => {
  it('tells the moves of the example of handbook chapter 5, in millimetres and steps', async () => {
    const { text } = await open(RegisterPage);
    const row = text('[data-colour=C]');
    for (const words of ['-0.04', '-4 steps', '-0.13', '-13 steps', '-0.0667', '-7 steps', 'out'])
      expect(row).toContain(words);
    expect(text('[data-colour=C] + tr')).toContain('Move the plate');
    expect(text('[data-colour=M]')).toContain('in');
  });

  it('draws what is left once the moves are made', async () => {
    const { element, click } = await open(RegisterPage);
    const arrows = () => [...element.querySelectorAll('.arrow')].map((path) => path.getAttribute('d'));
    expect(arrows()).toHaveLength(6);
    const before = arrows();
    await click('After the moves');
    expect(arrows()).not.toEqual(before);
  });

  it('says that a reading in another unit is no misregister, and keeps it', async () => {
    const { element, text, type } = await open(RegisterPage);
    await type('C-0-dx', '60');
    expect(text('[role=alert]')).toContain('60 mm is no misregister but a slip; at most 5 mm');
    expect(element.querySelector<HTMLInputElement>('[data-field="C-0-dx"]')?.value).toBe('60');
    await type('C-0-dx', '0.06');
    expect(text('[data-colour=C]')).toContain('-0.04');
  });

  it('reads a run from the stand-in, the same for the same seed, and more marks give more to fit', async () => {
    const { element, text, click } = await open(RegisterPage);
    await click('Read a run');
    const first = text('[data-colour=M]');
    expect(text('[data-colour=M] + tr')).toContain('Over 40 sheets: scatter');
    await click('All to 0');
    expect(text('[data-colour=M]')).toContain('in');
    expect(text('[data-colour=M] + tr')).not.toContain('Over 40 sheets');
    await click('Read a run');
    expect(text('[data-colour=M]')).toBe(first);
    await click('Add a mark');
    expect(element.querySelectorAll('.ring')).toHaveLength(3);
  });
});

describe('ink bench', () => {
  it('weighs the remainder out after the rest, by the parts (identity)', async () => {
    const { text, type } = await open(InkPage);
    // 6.5 kg less a rest of 1.2: 42, 40, 8 and 10 of 5.3 kg
    const list = text('[data-test=mixing]');
    for (const words of ['1.2', 'Warm red2.226', 'Yellow2.12', 'Black0.424', 'Transparent white0.53', 'Mixed anew5.3'])
      expect(list).toContain(words);
    await type('parts-0', '40');
    expect(text('[role=alert]')).toContain('The parts add up to 98, not 100');
    await type('parts-3', '12');
    expect(text('[data-test=mixing]')).toContain('Warm red2.12');
  });

  it('puts the recipe that stands here into an ink of a job', async () => {
    const { click, type } = await open(InkPage);
    await type('parts-0', '40');
    await type('parts-3', '12');
    await click('Take into a job');
    const ink = { name: 'Copper', kind: 'mixed' as const };
    const job = { components: [], inks: [ink] } as unknown as Job;
    expect(taken.at(-1)?.parts(job)).toEqual([{ id: 'Copper', name: 'Copper' }]);
    const [after] = taken.at(-1)?.take(job, 'Copper').inks ?? [];
    expect(after?.recipe?.map(({ parts }) => parts)).toEqual([40, 40, 8, 12]);
    expect([after?.tolerance, after?.aim?.l]).toEqual([2, 46]);
  });

  it('keeps what is typed, takes it back, and begins anew', async () => {
    const first = await open(InkPage);
    await first.type('wanted', '9');
    TestBed.resetTestingModule();
    const { element, click } = await open(InkPage);
    const wanted = () => element.querySelector<HTMLInputElement>('[data-field=wanted]')?.value;
    const press = (name: string) => element.querySelector<HTMLButtonElement>(`[aria-label="${name}"]`)?.click();
    expect(wanted()).toBe('9');
    press('Begin anew');
    await click('Add a rest');
    expect(wanted()).toBe('6.5');
    press('Undo');
    await TestBed.inject(ApplicationRef).whenStable();
    expect(wanted()).toBe('9');
  });

  it('measures a trial against its aim', async () => {
    const { text, type } = await open(InkPage);
    expect(text('[data-test=verdict]')).toContain('within the tolerance');
    await type('trial-b', '60');
    expect(text('[data-test=verdict]')).toContain('outside the tolerance');
    // literature: pair 1 of Sharma, Wu and Dalal
    for (const [field, value] of Object.entries({
      'aim-l': 50,
      'aim-a': 2.6772,
      'aim-b': -79.7751,
      'trial-l': 50,
      'trial-a': 0,
      'trial-b': -82.7485,
    }))
      await type(field, String(value));
    expect(text('[data-test=verdict]')).toContain('Difference 2.04');
  });
});

describe('humidity and fan-out', () => {
  it('reckons the change of the sheet across and along the grain (identity of handbook chapter 3)', async () => {
    const { text, type } = await open(RegisterPage);
    await type('delta-rh', '10');
    // 720 mm across the grain: 720 x 10 x 0.012 %; along it a third: 1,020 x 10 x 0.004 %
    expect(text('[data-test=fan-out]')).toContain('0.408 mm across and 0.864 mm around');
    await type('delta-rh', '-10');
    expect(text('[data-test=fan-out]')).toContain('-0.408 mm across');
  });
});

describe('colour on press', () => {
  it('judges an entered reading against the aims, and refuses what no instrument shows', async () => {
    const { element, text, click, type } = await open(ColourPage);
    expect(element.textContent).toContain('No reading yet');
    await type('density', '17.5');
    await click('Enter the reading');
    expect(text('[role=alert]')).toContain('density goes from 0 to 4, not 17.5');
    await type('density', '1.6');
    await click('Enter the reading');
    expect(text('[data-colour=K] + tr')).toContain('Density is low: give more ink');
    expect(element.querySelector('[role=alert]')).toBeNull();
  });

  it('reads a run from the stand-in, the same for the same seed, and puts it away', async () => {
    const { element, text, click, type } = await open(ColourPage);
    await click('Read a run');
    const first = text('[data-test=colour]');
    expect(first).toContain('40');
    await type('density', '1.7');
    await click('Enter the reading');
    expect(text('[data-test=colour]')).not.toBe(first);
    await click('Read a run');
    expect(text('[data-test=colour]')).toBe(first);
    await click('readings away');
    expect(element.querySelector('[data-test=colour]')).toBeNull();
  });
});
