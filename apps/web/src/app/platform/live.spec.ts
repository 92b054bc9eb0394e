import { TestBed } from '@angular/core/testing';
import { Store, provideStore } from '@ngrx/store';
import type { LiveMessage } from '@druckerei/contract';
import { testAccount } from './account.fixture';
import { Live } from './live';
import { SessionActions, sessionFeature } from './session.state';
import { Tab } from './tab';

class Source extends EventTarget {
  static readonly CLOSED = 2;
  static readonly made: Source[] = [];
  closed = false;
  constructor() {
    super();
    Source.made.push(this);
  }
  close(): void {
    this.closed = true;
  }
  says(message: LiveMessage): void {
    this.dispatchEvent(new MessageEvent('change', { data: JSON.stringify(message) }));
  }
}

function signedIn() {
  Source.made.length = 0;
  Object.assign(globalThis, { EventSource: Source });
  TestBed.configureTestingModule({ providers: [provideStore({ [sessionFeature.name]: sessionFeature.reducer })] });
  const store = TestBed.inject(Store);
  const live = TestBed.inject(Live);
  TestBed.tick();
  expect(Source.made).toEqual([]);
  store.dispatch(SessionActions.found({ account: testAccount(), demo: false, first: false }));
  TestBed.tick();
  const [source] = Source.made;
  if (!source) throw new Error('no line was opened');
  return { live, store, source };
}

describe('what others change', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('is told by its topic and job, what may have been missed to everybody, one’s own to nobody', () => {
    const { live, source } = signedIn();
    const [jobs, third, works]: string[][] = [[], [], []];
    live.on(['jobs']).subscribe(({ by }) => jobs?.push(by));
    live.on(['jobs'], () => 3).subscribe(({ by }) => third?.push(by));
    live.on(['works']).subscribe(({ by }) => works?.push(by));
    const say = (message: LiveMessage): void => {
      source.says(message);
      jest.advanceTimersByTime(5_000);
    };
    say({ topic: 'jobs', job: 3, by: 'a' });
    say({ topic: 'jobs', job: 4, by: 'b' });
    say({ topic: 'works', by: 'c', tab: TestBed.inject(Tab).id });
    say({ topic: 'works', by: 'd', tab: 'another' });
    say({ topic: 'all', by: '' });
    expect({ jobs, third, works }).toEqual({ jobs: ['a', 'b', ''], third: ['a', ''], works: ['d', ''] });
  });

  it('in a burst is told at once, and once more at its end', () => {
    const { live, source } = signedIn();
    const heard: string[] = [];
    live.on(['stores']).subscribe(({ by }) => heard.push(by));
    for (const by of ['a', 'b', 'c', 'd']) source.says({ topic: 'stores', by });
    expect(heard).toEqual(['a']);
    jest.advanceTimersByTime(5_000);
    expect(heard).toEqual(['a', 'd']);
  });

  it('is listened for while somebody is signed in', () => {
    const { store, source } = signedIn();
    store.dispatch(SessionActions.signedOut());
    TestBed.tick();
    expect(source.closed).toBe(true);
  });
});
