import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { MockStore, provideMockStore } from '@ngrx/store/testing';
import type { RoomEvent } from '@druckerei/core';
import { type Account, type PressRoom, UNDER_WAY } from '@druckerei/contract';
import type { Observable } from 'rxjs';
import { of, throwError } from 'rxjs';
import { Api } from './api';
import { RoomOutbox, type Sent } from './room-outbox';
import { sessionFeature } from './session.state';
import { testAccount } from './account.fixture';

const account = (id: number): Account => testAccount(['record'], id);
const count = (good: number): RoomEvent => ({ kind: 'count', step: 'box', good });
const problem = (status: number, title: string): HttpErrorResponse =>
  new HttpErrorResponse({ status, error: { type: 'about:blank', title, status } });
const AWAY = new HttpErrorResponse({ status: 0 });

/** A server that enters what has not been entered with its key before, unless it is told what to answer. */
class FakeServer {
  readonly entered = new Map<string, { job: number; event: RoomEvent; seen: number }>();
  answer: HttpErrorResponse | undefined;
  /** Enters it, and loses the answer. */
  loses = false;
  sent = 0;
  enterEvent(job: number, event: RoomEvent, seen: number, key: string): Observable<PressRoom> {
    this.sent++;
    if (this.answer) return throwError(() => this.answer);
    if (!this.entered.has(key)) this.entered.set(key, { job, event, seen });
    if (this.loses) return throwError(() => AWAY);
    const records = [...this.entered.values()]
      .filter((one) => one.job === job)
      .map((one, i) => ({ id: i + 1, at: '2026-11-25T08:00:00.000Z', by: 'a', event: one.event }));
    return of({ records, kept: [] } as unknown as PressRoom);
  }
}

describe('entries of the press room on their way', () => {
  let store: MockStore;
  let server: FakeServer;
  let outbox: RoomOutbox;
  const signIn = (who: Account | undefined): void => {
    store.overrideSelector(sessionFeature.selectAccount, who);
    store.refreshState();
    TestBed.tick();
  };
  const send = (job: number, event: RoomEvent, seen = 0): Sent | HttpErrorResponse | undefined => {
    let outcome: Sent | HttpErrorResponse | undefined;
    outbox.send(job, event, seen).subscribe({
      next: (sent) => (outcome = sent),
      error: (error: HttpErrorResponse) => (outcome = error),
    });
    return outcome;
  };
  beforeEach(() => {
    jest.useFakeTimers();
    localStorage.clear();
    server = new FakeServer();
    TestBed.configureTestingModule({
      providers: [
        provideMockStore({ selectors: [{ selector: sessionFeature.selectAccount, value: account(1) }] }),
        { provide: Api, useValue: server },
      ],
    });
    store = TestBed.inject<MockStore>(MockStore);
    outbox = TestBed.inject(RoomOutbox);
    TestBed.tick();
  });
  afterEach(() => {
    jest.restoreAllMocks();
    jest.useRealTimers();
  });

  it('are gone from here once the server has them', () => {
    expect(send(7, count(5))).toMatchObject({ room: { records: [{ event: count(5) }] } });
    expect([outbox.waiting(), localStorage.length]).toEqual([[], 0]);
  });

  it('wait in their order while it is away, are sent by themselves, and see each other', () => {
    server.answer = AWAY;
    expect([send(7, count(5), 3), send(7, count(6), 3), send(8, count(9), 1)]).toEqual(
      Array.from({ length: 3 }, () => ({ waits: true })),
    );
    expect(outbox.waiting().map(({ event }) => event)).toEqual([count(5), count(6), count(9)]);
    server.answer = undefined;
    const heard: number[] = [];
    outbox.answers.subscribe(({ job }) => heard.push(job));
    jest.advanceTimersByTime(5_000);
    expect(outbox.waiting()).toEqual([]);
    expect([...server.entered.values()].filter(({ job }) => job === 7).map(({ event }) => event)).toEqual([
      count(5),
      count(6),
    ]);
    expect(heard.sort()).toEqual([7, 7, 8]);
  });

  it('whose answer was lost are entered once', () => {
    server.loses = true;
    expect(send(7, count(5))).toEqual({ waits: true });
    server.loses = false;
    jest.advanceTimersByTime(5_000);
    expect([server.entered.size, server.sent, outbox.waiting()]).toEqual([1, 2, []]);
  });

  it.each([
    ['after a reload', 500, 'away'],
    ['after signing in again', 401, 'Sign in first'],
    ['once another tab is through with them', 409, UNDER_WAY],
  ])('are sent %s', (_, status, title) => {
    server.answer = problem(status, title);
    expect(send(7, count(5))).toEqual({ waits: true });
    signIn(undefined);
    expect(outbox.waiting()).toHaveLength(1);
    server.answer = undefined;
    signIn(account(1));
    expect([outbox.waiting(), server.entered.size]).toEqual([[], 1]);
  });

  it("are never sent in another person's name", () => {
    server.answer = AWAY;
    send(7, count(5));
    server.answer = undefined;
    signIn(account(2));
    jest.advanceTimersByTime(20_000);
    expect([outbox.waiting(), server.entered.size]).toEqual([[], 0]);
    signIn(account(1));
    expect(server.entered.size).toBe(1);
  });

  it('are told where they are refused: at once to who stands there, later with the reason until somebody decides', () => {
    server.answer = problem(422, 'The artwork is not approved');
    expect(send(7, count(5))).toMatchObject({ status: 422 });
    expect(outbox.waiting()).toEqual([]);
    server.answer = AWAY;
    send(7, count(5));
    send(7, count(6));
    server.answer = problem(409, 'Somebody has recorded this meanwhile');
    jest.advanceTimersByTime(5_000);
    expect(outbox.waiting().map(({ refused }) => refused)).toEqual(['Somebody has recorded this meanwhile', undefined]);
    // It holds up what is behind it, and goes over what stands once its author has seen that.
    server.answer = undefined;
    jest.advanceTimersByTime(20_000);
    expect(server.entered.size).toBe(0);
    const [first] = outbox.waiting();
    outbox.again(first?.key ?? '', 4);
    expect([...server.entered.values()].map(({ event, seen }) => [event, seen])).toEqual([
      [count(5), 4],
      [count(6), 0],
    ]);
  });

  it('are left out where their author says so', () => {
    server.answer = AWAY;
    send(7, count(5));
    const [first] = outbox.waiting();
    outbox.drop(first?.key ?? '');
    expect([outbox.waiting(), localStorage.length]).toEqual([[], 0]);
  });

  it('that another tab has sent are gone here too, and looked for', () => {
    server.answer = AWAY;
    send(7, count(5));
    const heard: { job: number; room?: PressRoom }[] = [];
    outbox.answers.subscribe((answer) => heard.push(answer));
    localStorage.clear();
    window.dispatchEvent(new StorageEvent('storage'));
    expect([outbox.waiting(), heard]).toEqual([[], [{ job: 7 }]]);
  });

  it('that this computer cannot keep are told to be lost while somebody is there to enter them again', () => {
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    server.answer = AWAY;
    expect(send(7, count(5))).toMatchObject({ status: 0 });
  });
});
