import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { ROOT_EFFECTS_INIT } from '@ngrx/effects';
import { provideMockActions } from '@ngrx/effects/testing';
import type { Action } from '@ngrx/store';
import { Subject, defer, of, throwError } from 'rxjs';
import { Api } from './api';
import { SessionEffects } from './session.effects';
import { SessionActions } from './session.state';

describe('who is signed in, while the server has a problem', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('is asked again until it is known; nobody is sent to the sign-in page for it', () => {
    const actions = new Subject<Action>();
    let asked = 0;
    const answer = { account: null, demo: true, first: false };
    const session = () => defer(() => (++asked < 3 ? throwError(() => new Error('503')) : of(answer)));
    TestBed.configureTestingModule({
      providers: [
        SessionEffects,
        provideMockActions(() => actions),
        { provide: Api, useValue: { session } },
        { provide: Router, useValue: {} },
      ],
    });
    const told: Action[] = [];
    TestBed.inject(SessionEffects).find.subscribe((action) => told.push(action));
    actions.next({ type: ROOT_EFFECTS_INIT });
    expect(told).toEqual([SessionActions.unanswered()]);
    jest.advanceTimersByTime(10_000);
    expect(told).toEqual([SessionActions.unanswered(), SessionActions.unanswered(), SessionActions.found(answer)]);
    expect(asked).toBe(3);
  });
});
