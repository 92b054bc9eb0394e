import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import type { Hook, HookChange, HookMessage, People, RoleChange, RoleOf } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { Subject, of, tap } from 'rxjs';
import { testAccount } from '../../../platform/account.fixture';
import { SessionActions, sessionFeature } from '../../../platform/session.state';
import { WorksStore } from '../works.store';
import { HookDialog } from './hook.dialog';
import { HookMessagesDialog } from './hook-messages.dialog';
import { HooksApi } from './hooks.api';
import { PeopleApi } from './people.api';
import { PeoplePage } from './people.page';

const role = (id: string, rights: RoleOf['rights']): RoleOf => ({ id, name: id, rights, stations: 'all' });
const person = {
  ...{ id: 1, login: 'anna', name: 'Anna', role: 'desk', roleName: 'desk', disabled: false, invited: false },
  ...{ secondFactor: false, demo: false, sessions: 0, lastSeen: null, program: null },
};
const PEOPLE: People = {
  people: [
    person,
    { ...person, id: 2, name: 'Web shop', program: { holds: true, until: '2027-12-01T10:00:00Z', used: null } },
    { ...person, id: 3, name: 'Old shop', program: { holds: false, until: null, used: null } },
  ],
  roles: [role('desk', [])],
};

const HOOK = { url: 'https://shop.test/told', events: ['job.done', 'job.late'] as const, paused: false, waiting: 0 };
const HOOKS: Hook[] = [
  { ...HOOK, events: [...HOOK.events], id: 1, name: 'Fresh', last: null },
  {
    ...{ ...HOOK, events: ['job.late'], id: 2, name: 'Away', paused: true, waiting: 2 },
    last: { at: '2026-12-01T10:00:00Z', state: 'given up', outcome: 'answered 503' },
  },
];

/** The page, with the changes that it sends and their answers, which wait until they are given. */
async function open() {
  const sent: { readonly change: RoleChange; readonly answer: Subject<People> }[] = [];
  const api = {
    people: () => of(PEOPLE),
    putRole: (_id: string, change: RoleChange) => {
      const answer = new Subject<People>();
      sent.push({ change, answer });
      return answer;
    },
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      { provide: PeopleApi, useValue: api },
      { provide: HooksApi, useValue: { all: () => of(HOOKS) } },
      { provide: WorksStore, useValue: { machines: () => [] } },
    ],
  });
  TestBed.inject(Store).dispatch(SessionActions.found({ account: testAccount(['people']), demo: false, first: false }));
  const fixture = TestBed.createComponent(PeoplePage);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const box = (words: string) =>
    element.querySelector<HTMLInputElement>(`mat-checkbox input[aria-label="desk may: ${words}"]`);
  const tick = async (words: string) => {
    box(words)?.click();
    await fixture.whenStable();
  };
  const give = async (at: number, rights: RoleOf['rights']) => {
    sent[at]?.answer.next({ ...PEOPLE, roles: [role('desk', rights)] });
    sent[at]?.answer.complete();
    await fixture.whenStable();
  };
  const text = () => (element.textContent ?? '').replace(/\s+/g, ' ');
  return { sent, box, tick, give, text, fixture };
}
const RELEASE = 'Release jobs';
const STORES = 'Enter what comes into the stores and goes out';

describe('what a role may do', () => {
  it('is ticked faster than it is answered, one behind the other, and nothing is lost', async () => {
    const { sent, box, tick, give } = await open();
    await tick(RELEASE);
    await tick(STORES);
    expect(sent.map(({ change }) => change.rights)).toEqual([['release']]);
    await give(0, ['release', 'prices']);
    expect(sent.map(({ change }) => change.rights)).toEqual([['release'], ['release', 'stores']]);
    expect(box(STORES)?.checked).toBe(true);
    await give(1, ['release', 'stores', 'prices']);
    expect([RELEASE, STORES].map((words) => box(words)?.checked)).toEqual([true, true]);
  });

  it('that is refused is told and looked at anew, and the next change goes', async () => {
    const { sent, box, tick, text, fixture } = await open();
    await tick(RELEASE);
    sent[0]?.answer.error(new HttpErrorResponse({ status: 409, error: { title: 'Nobody would be left' } }));
    await fixture.whenStable();
    expect(box(RELEASE)?.checked).toBe(false);
    expect(text()).toContain('Look again');
    await tick(STORES);
    expect(sent[1]?.change.rights).toEqual(['stores']);
  });
});

describe('programs', () => {
  it('stand apart from people, with how long their token holds', async () => {
    const { text } = await open();
    expect(text()).toMatch(/Web shopdeskuntil 1 Dec 2027, not used yet/);
    expect(text()).toMatch(/Old shopdeskno token that holds/);
  });
});

describe('addresses that are told', () => {
  it('say what they are told, how the last message went, and how many wait', async () => {
    const { text } = await open();
    expect(text()).toMatch(/Freshhttps:..shop.test.tolddone, latenone yet/);
    expect(text()).toMatch(
      /Awayhttps:..shop.test.toldlatepaused; given up, answered 503, 1 Dec.*10:00; 2 messages waiting/,
    );
  });

  it('are entered with what they are told; the secret is shown, once', async () => {
    const sent: HookChange[] = [];
    const add = (hook: HookChange) => {
      sent.push(hook);
      return of({ secret: 'whsec_AAAA' });
    };
    TestBed.configureTestingModule({
      providers: [
        { provide: HooksApi, useValue: { add } },
        { provide: MatDialogRef, useValue: { close: () => undefined } },
      ],
    });
    const fixture = TestBed.createComponent(HookDialog);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const button = () =>
      [...element.querySelectorAll('button')].find((one) => one.textContent?.includes('make a secret'));
    expect(button()?.disabled).toBe(true);
    for (const [at, value] of ['Shop', ' https://shop.test '].entries()) {
      const field = element.querySelectorAll<HTMLInputElement>('input[matInput]')[at];
      if (!field) throw new Error('no field');
      field.value = value;
      field.dispatchEvent(new Event('input'));
    }
    element.querySelector<HTMLInputElement>('[role=group] input')?.click();
    await fixture.whenStable();
    button()?.click();
    await fixture.whenStable();
    expect(sent).toEqual([
      { name: 'Shop', url: 'https://shop.test', events: ['job.counted', 'job.done', 'job.late'], paused: false },
    ]);
    expect(element.textContent).toContain('whsec_AAAA');
    expect(button()).toBeUndefined();
  });

  it('show their messages, those that were given up to be sent again, and send one to try', async () => {
    const message = { id: 7, event: 'job.late', at: '2026-12-01T10:00:00Z', tries: 12, outcome: 'answered 503' };
    const asked: string[] = [];
    const messages: HookMessage[] = [
      { ...message, state: 'given up' },
      { ...message, id: 8, event: 'hook.tried', tries: 1, state: 'delivered', outcome: 'answered 204' },
    ];
    const api = {
      messages: () => of(messages),
      sendAgain: (id: number, one: number) => of([]).pipe(tap(() => asked.push(`again ${id} ${one}`))),
      tryOut: (id: number) => of(messages.slice(1)).pipe(tap(() => asked.push(`try ${id}`))),
    };
    TestBed.configureTestingModule({
      providers: [
        { provide: HooksApi, useValue: api },
        { provide: MAT_DIALOG_DATA, useValue: HOOKS[1] },
        { provide: MatDialogRef, useValue: {} },
      ],
    });
    const fixture = TestBed.createComponent(HookMessagesDialog);
    const element = fixture.nativeElement as HTMLElement;
    const rows = () => [...element.querySelectorAll('tbody tr')].map(({ textContent }) => textContent.trim());
    const press = async (name: string) => {
      [...element.querySelectorAll('button')].find((one) => one.textContent.trim() === name)?.click();
      await fixture.whenStable();
    };
    while (rows().length === 0) {
      await new Promise((resolve) => setTimeout(resolve, 5));
      await fixture.whenStable();
    }
    expect(rows()[0]).toMatch(/A job becomes late\s*given up\s*12\s*answered 503\s*Send again/);
    expect(rows()[1]).toMatch(/Nothing, to try it out\s*delivered\s*1\s*answered 204$/);
    await press('Send again');
    expect(element.textContent).toContain('Nothing was told yet.');
    await press('Try it out');
    expect(rows()).toHaveLength(1);
    expect(asked).toEqual(['again 2 7', 'try 2']);
    fixture.destroy();
  });
});
