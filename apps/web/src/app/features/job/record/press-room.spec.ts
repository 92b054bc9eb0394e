import { type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Job } from '@druckerei/core';
import type { Account, KeptCarrier } from '@druckerei/contract';
import { provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import { Api } from '../../../platform/api';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { example, revisionOf } from '../job.fixture';
import { FakeRoom } from '../room.fixture';
import { JobEditor } from '../state/job-editor';
import { JobActions, jobFeature } from '../state/job.state';
import { RoomStore } from './room.store';
import { CarriersBench } from '../plates/carriers-bench';
import { InksBench } from '../inks/inks-bench';
import { RegisterPlanBench } from '../register/register-plan-bench';
import { StepRecord } from './step-record';
import { testAccount } from '../../../platform/account.fixture';

const cards = example('constellation-cards');
/** What a role may do here. */
const RIGHTS = { manager: undefined, operator: ['record'], viewer: [] } as const;
type Role = keyof typeof RIGHTS;

async function open<T>(
  bench: Type<T>,
  inputs: Readonly<Record<string, unknown>>,
  {
    job = cards,
    role = 'manager',
    kept = [],
    stations = 'all',
  }: { job?: Job; role?: Role; kept?: KeptCarrier[]; stations?: Account['stations'] } = {},
) {
  const api = new FakeRoom(job, kept);
  TestBed.configureTestingModule({
    providers: [
      provideStore({ job: jobFeature.reducer, [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: api },
      RoomStore,
      provideRouter([{ path: '**', children: [] }]),
    ],
  });
  const store = TestBed.inject(Store);
  store.dispatch(
    SessionActions.found({ account: { ...testAccount(RIGHTS[role]), stations }, demo: false, first: false }),
  );
  store.dispatch(JobActions.loaded({ revision: revisionOf(job), local: null }));
  const room = TestBed.inject(RoomStore);
  room.load(7);
  const fixture = TestBed.createComponent(bench);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const text = () => (element.textContent ?? '').replace(/\s+/g, ' ');
  const button = (name: string, exact = false) =>
    [...element.querySelectorAll('button')].find((one) => {
      const words = one.textContent.replace(/\s+/g, ' ').trim();
      return exact ? words === name : words.includes(name);
    });
  const click = async (name: string, exact = false) => {
    const found = button(name, exact);
    if (!found) throw new Error(`no button ${name} in: ${text()}`);
    found.click();
    await fixture.whenStable();
  };
  const press = async (target: Element | null | undefined, key: string) => {
    target?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await fixture.whenStable();
  };
  const type = async (find: string, value: string) => {
    const field = element.querySelector<HTMLInputElement>(find);
    if (!field) throw new Error(`no field ${find}`);
    field.focus();
    field.value = value;
    for (const kind of ['input', 'change']) field.dispatchEvent(new Event(kind));
    await fixture.whenStable();
  };
  const enter = async (...events: Parameters<typeof room.enter>[0][]) => {
    for (const event of events) room.enter(event);
    await fixture.whenStable();
  };
  const editor = TestBed.inject(JobEditor);
  return { fixture, element, api, room, editor, text, button, click, press, type, enter };
}

describe('carriers bench', () => {
  const inputs = { componentId: 'card' };

  it('lists the carriers with unit, making and state, and stops one before the artwork is approved', async () => {
    const { element, text, click, room } = await open(CarriersBench, inputs);
    expect(element.querySelectorAll('tbody tr')).toHaveLength(5 + 39);
    expect(text()).toContain('175 lines an inch at 45°');
    expect(text()).toContain('customer’s property');
    await click('All 44 wanted are made');
    expect(room.problem()).toContain('The artwork of Card is not approved');
    expect(element.querySelector('[role=alert]')?.textContent).toContain('Approve it first');
    await click('Approve the artwork');
    await click('All 44 wanted are made');
    expect(room.problem()).toBe('');
    expect(text()).not.toContain('Wanted');
  });

  it('inspects by keyboard: a digit ticks, Enter records and goes on; a fault sends it back', async () => {
    const { element, api, press, enter, room } = await open(CarriersBench, inputs);
    await enter(
      { kind: 'artwork', component: 'card', approved: true },
      { kind: 'carrier', carrier: 'card.front.silver', state: 'made' },
      { kind: 'carrier', carrier: 'card.front.k', state: 'made' },
    );
    const first = element.querySelector('[id="carrier-card.front.silver"]');
    await press(first, '2');
    await press(first, '1');
    await press(first, '2');
    await press(first, 'Enter');
    expect(api.records.at(-1)?.event).toEqual({
      kind: 'inspection',
      carrier: 'card.front.silver',
      faults: ['scratch'],
    });
    expect(room.state().carriers.get('card.front.silver')?.state).toBe('wanted');
    await press(element.querySelector('[id="carrier-card.front.k"]'), 'Enter');
    expect(room.state().carriers.get('card.front.k')?.state).toBe('inspected');
    // one that is not made is not inspected
    const entries = api.records.length;
    await press(element.querySelector('[id="carrier-card.back.k"]'), 'Enter');
    expect(api.records).toHaveLength(entries);
  });

  it('lets none go while the count is short, unless told why; the last entry is taken back', async () => {
    const { element, text, click, enter, room } = await open(CarriersBench, inputs);
    await enter(
      { kind: 'artwork', component: 'card', approved: true },
      { kind: 'carrier', carrier: 'card.front.silver', state: 'made' },
    );
    await click('Recycle');
    expect(text()).toContain('may be needed for the missing copies');
    const reason = [...element.querySelectorAll<HTMLInputElement>('dk-carrier-card input')].at(-1);
    if (reason) reason.value = 'customer has cancelled';
    await click('Recycle');
    expect(room.state().carriers.get('card.front.silver')?.state).toBe('recycled');
    await click('Take it back');
    expect(room.state().carriers.get('card.front.silver')?.state).toBe('made');
  });

  it('shows what was taken before one of several is refused', async () => {
    const { room, enter } = await open(CarriersBench, inputs);
    await enter({ kind: 'artwork', component: 'card', approved: true });
    room.enterAll([
      { kind: 'carrier', carrier: 'card.front.k', state: 'made' },
      { kind: 'carrier', carrier: 'card.front.k', state: 'made' },
      { kind: 'carrier', carrier: 'card.back.k', state: 'made' },
    ]);
    expect(room.state().carriers.get('card.front.k')?.state).toBe('made');
    expect(room.state().carriers.get('card.back.k')).toBeUndefined();
    expect(room.problem()).toContain('K front is made');
  });

  it('lets a kept carrier go later', async () => {
    const { text, button, enter, element } = await open(CarriersBench, inputs);
    await enter(
      { kind: 'artwork', component: 'card', approved: true },
      { kind: 'carrier', carrier: 'card.front.silver', state: 'made' },
      { kind: 'carrier', carrier: 'card.front.silver', state: 'kept', place: 'rack 4', reason: 'job is over' },
    );
    expect(element.querySelector('tr.current')?.textContent).toContain('rack 4');
    expect(text()).toContain('Let go');
    expect(button('Keep', true)).toBeUndefined();
    expect(button('Destroy', true)).toBeDefined();
  });

  it('offers what the store keeps in the place of one that is wanted', async () => {
    const { room, text } = await open(CarriersBench, inputs);
    const silver = room.carriers().find(({ id }) => id === 'card.front.silver');
    const kept: KeptCarrier = {
      key: silver?.key ?? '',
      jobId: 3,
      job: 'HB-2000',
      title: 'Constellation cards',
      carrier: 'card.front.silver',
      name: 'Card',
      kind: 'plate',
      ink: 'Silver',
      owner: 'house',
      place: 'rack 4',
      used: 1_200,
      life: 200_000,
      since: '2026-05-01T08:00:00.000Z',
    };
    expect(text()).not.toContain('In store');
    TestBed.resetTestingModule();
    const again = await open(CarriersBench, inputs, { kept: [kept] });
    expect(again.text()).toContain('In store from HB-2000 Constellation cards, rack 4: 1,200 of 200,000 run');
    await again.enter({ kind: 'artwork', component: 'card', approved: true });
    await again.click('Take it', true);
    expect(again.api.records.at(-1)?.event).toEqual({
      kind: 'carrier',
      carrier: 'card.front.silver',
      state: 'made',
      from: { job: 'HB-2000', used: 1200 },
      place: 'rack 4',
    });
  });

  it('sets versions, and takes them away again, by edits that can be undone', async () => {
    const { element, editor, type, button } = await open(CarriersBench, inputs);
    await type('dk-carrier-fields input[maxlength="600"]', 'English, German,  , German');
    expect(editor.job()?.components[0]?.versions).toEqual({ names: ['English', 'German'], inks: ['K'] });
    expect(element.querySelectorAll('tbody tr')).toHaveLength(7 + 39);
    editor.undo();
    expect(editor.job()?.components[0]?.versions).toBeUndefined();
    expect(button('Add a die or box')).toBeDefined();
  });

  it('is only read by who does not record', async () => {
    const { button } = await open(CarriersBench, inputs, { role: 'viewer' });
    expect(button('Approve the artwork')).toBeUndefined();
    expect(button('wanted are made')).toBeUndefined();
  });
});

describe('ink bench', () => {
  const inputs = { componentId: 'card' };
  const order = (element: HTMLElement) =>
    [...element.querySelectorAll('[data-unit-ink]')].map((one) => one.getAttribute('data-unit-ink'));

  it('shows the units with their inks, why they stand there, and what is washed', async () => {
    const { element, text } = await open(InksBench, inputs);
    expect(order(element)).toEqual(['Silver', 'K', 'Night blue', 'K', 'Night blue']);
    expect(text()).toContain('under the transparent inks');
    expect(text()).toContain('4 wash-ups');
    expect(text()).toContain('not cleared');
  });

  it('moves an ink by key, answers with the rule at once, and goes back to the rules', async () => {
    const { element, editor, press, click } = await open(InksBench, inputs);
    await press(element.querySelector('[data-unit-ink="Silver"]'), 'ArrowRight');
    expect(editor.job()?.components[0]?.inkOrder).toEqual({ front: ['K', 'Silver', 'Night blue'] });
    expect(editor.plan()?.advice.map(({ code }) => code)).toContain('ink.order');
    await click('Let the rules order them');
    expect(editor.job()?.components[0]?.inkOrder).toBeUndefined();
    expect(editor.plan()?.advice.map(({ code }) => code)).not.toContain('ink.order');
  });

  it('takes what was in a unit before: the same ink is not washed', async () => {
    const { editor, type, text } = await open(InksBench, inputs);
    await type('input[aria-label="Ink in unit 1 before this job"]', 'Silver');
    expect(editor.job()?.components[0]?.unitsBefore?.[0]).toBe('Silver');
    expect(text()).toContain('3 wash-ups');
  });

  it('weighs out by the recipe, rests first, and says what is wrong with parts', async () => {
    const { element, click, type, text } = await open(InksBench, inputs);
    await click('Night blue');
    const rows = () =>
      [...element.querySelectorAll('[data-test=mixing] tbody tr')].map((row) =>
        [...row.querySelectorAll('td')].map((cell) => (cell.textContent ?? '').trim()).join(' '),
      );
    expect(rows()).toEqual(['Star atlas jacket, tin 3 (rest) 0.8', 'Reflex blue 0.661', 'Violet 0.245', 'Black 0.16']);
    await type('[data-path="inks[0].recipe[0].parts"]', '60');
    expect(text()).toContain('The parts add up to 98, not 100');
    expect(rows()).toEqual([]);
  });

  it('judges a trial, and accepts one out of tolerance only with a note', async () => {
    const { api, text, click, type } = await open(InksBench, inputs);
    await click('Night blue');
    await type('[data-field=trial-l]', '32');
    expect(text()).toContain('outside the tolerance of 2');
    await click('Accept the trial');
    expect(api.records).toEqual([]);
    expect(text()).toContain('Refuse it, or write who accepts it and why');
    await click('Refuse it');
    await type('[data-field=trial-l]', '26.4');
    await click('Accept the trial');
    expect(api.records.map(({ event }) => event.kind === 'trial' && event.accepted)).toEqual([false, true]);
    expect(text()).toMatch(/accepted.*refused/);
  });

  it('reads a made-up draw-down, the same for the same trial', async () => {
    const { element, click } = await open(InksBench, inputs);
    await click('Night blue');
    await click('Stand-in reads');
    const first = element.querySelector<HTMLInputElement>('[data-field=trial-l]')?.value;
    await click('Stand-in reads');
    expect(element.querySelector<HTMLInputElement>('[data-field=trial-l]')?.value).toBe(first);
    expect(first).not.toBe('26');
  });

  it('issues and takes back by weight where the ink is accountable, no more than is out', async () => {
    const job: Job = { ...cards, inks: (cards.inks ?? []).map((ink) => ({ ...ink, accountable: true })) };
    const { element, text, click, type } = await open(InksBench, inputs, { job });
    await click('Silver');
    await type('[data-field=weighed]', '1.5');
    await click('Issue');
    expect(text()).toContain('1.5 kg are out');
    await type('[data-field=weighed]', '2');
    await click('Return');
    expect(text()).toContain('only 1.5 kg are out');
    // what was refused is still there to be mended
    expect(element.querySelector<HTMLInputElement>('[data-field=weighed]')?.value).toBe('2');
  });
});

describe('records at a step', () => {
  it('are entered by those of the station alone', async () => {
    const inputs = { stepId: 'print-card', isPress: true };
    const shown = async (stations: Account['stations']): Promise<boolean> => {
      const { button } = await open(StepRecord, inputs, { role: 'operator', stations });
      TestBed.resetTestingModule();
      return button('Start the press') !== undefined;
    };
    expect([await shown('all'), await shown(['room/plates']), await shown([])]).toEqual([true, false, false]);
  });

  it('start the press only behind its gates, count only after the first sheet', async () => {
    const { text, button, click, enter, room, element } = await open(StepRecord, {
      stepId: 'print-card',
      isPress: true,
    });
    expect(button('Start the press')?.disabled).toBe(true);
    expect(text()).toContain('The trial of Night blue is not accepted');
    expect(text()).toContain('5 carriers of Print are not inspected');
    const aim = { l: 26, a: 14, b: -48 };
    const ids = room.carriers().flatMap(({ id, ink }) => (ink === undefined ? [] : [id]));
    await enter(
      { kind: 'artwork', component: 'card', approved: true },
      ...ids.flatMap((carrier) => [
        { kind: 'carrier', carrier, state: 'made' } as const,
        { kind: 'inspection', carrier, faults: [] } as const,
      ]),
      ...['Silver', 'Night blue'].map(
        (ink) => ({ kind: 'trial', ink, aim, measured: aim, tolerance: 2, accepted: true }) as const,
      ),
    );
    expect(button('Start the press')?.disabled).toBe(false);
    expect(button('Enter the count')).toBeUndefined();
    await click('Start the press');
    await click('Pass the first sheet');
    const good = element.querySelector<HTMLInputElement>('input[inputmode=numeric]');
    if (good) good.value = 'about 500';
    await click('Enter the count');
    expect(text()).toContain('A whole number of good pieces is wanted');
    expect(good?.value).toBe('about 500');
    if (good) good.value = '503';
    await click('Enter the count');
    expect(text()).toContain('503 good counted by Production manager');
    expect(text()).toMatch(
      /of 12,000 expected by the last count \([\d,]+ to [\d,]+ in nine of ten runs\), chance of falling short/,
    );
  });
});

describe('register of a component', () => {
  it('says what has to stand to what, and lets marks be placed by hand and put back', async () => {
    const { text, element, click, editor, type } = await open(RegisterPlanBench, { componentId: 'card' });
    expect(text()).toContain('Print to foil');
    expect(element.querySelectorAll('path.target')).toHaveLength(2);
    await click('Place them by hand');
    await type('[data-path="components[0].marks[0].xMm"]', '300');
    expect(text()).toContain('has no place clear of image and colour bar');
    await click('Back to the usual places');
    expect(editor.job()?.components[0]?.marks).toBeUndefined();
    expect(text()).not.toContain('has no place clear');
  });

  it('hands sheet, marks, colours and steps over to the register bench', async () => {
    const { click } = await open(RegisterPlanBench, { componentId: 'card' });
    await click('Measure on the register bench');
    const kept = JSON.parse(localStorage.getItem('druckerei.register') ?? '{}') as Record<string, unknown>;
    expect(kept).toMatchObject({ widthMm: 1020, heightMm: 720, toleranceMm: 0.1, stepMm: 0.01, packing: true });
    expect((kept['rows'] as { colour: string }[]).map(({ colour }) => colour)).toEqual(['Silver', 'Night blue']);
    localStorage.clear();
  });
});
