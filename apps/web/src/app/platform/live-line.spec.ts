import type { LiveMessage } from '@druckerei/contract';
import { LiveLine } from './live-line';

class Source extends EventTarget {
  static readonly CLOSED = 2;
  static readonly made: Source[] = [];
  readyState = 1;
  constructor(readonly url: string) {
    super();
    Source.made.push(this);
  }
  close(): void {
    this.readyState = Source.CLOSED;
  }
  opened(): void {
    this.dispatchEvent(new Event('open'));
  }
  says(message: LiveMessage): void {
    this.dispatchEvent(new MessageEvent('change', { data: JSON.stringify(message) }));
  }
  breaks(readyState: number): void {
    this.readyState = readyState;
    this.dispatchEvent(new Event('error'));
  }
}

/** Channels of one browser: each hears what the others post. */
class Channel extends EventTarget {
  static readonly all = new Set<Channel>();
  constructor() {
    super();
    Channel.all.add(this);
  }
  postMessage(data: unknown): void {
    for (const one of Channel.all) if (one !== this) one.dispatchEvent(new MessageEvent('message', { data }));
  }
  close(): void {
    Channel.all.delete(this);
  }
}

/** One lock, held by one, waited for by others. */
function makeLocks() {
  const turns: (() => Promise<void>)[] = [];
  let held = false;
  const take = async (work: (lock: object | null) => Promise<void> | void): Promise<void> => {
    held = true;
    await work({});
    held = false;
    const next = turns.shift();
    if (next) void next();
  };
  const request = (
    _name: string,
    { ifAvailable }: { ifAvailable?: boolean },
    work: (lock: object | null) => Promise<void> | void,
  ): Promise<void> => {
    if (!held) return take(work);
    if (ifAvailable) return Promise.resolve(work(null));
    turns.push(() => take(work));
    return Promise.resolve();
  };
  return { request };
}

const NEWS: LiveMessage = { topic: 'jobs', job: 3, by: 'Anna' };
const settle = async (): Promise<void> => {
  for (let i = 0; i < 10; i++) await Promise.resolve();
};
const made = (i: number): Source => {
  const source = Source.made[i];
  if (!source) throw new Error('no line was opened');
  return source;
};
const heardBy = (): { line: LiveLine; heard: LiveMessage[] } => {
  const heard: LiveMessage[] = [];
  return { line: new LiveLine((message) => heard.push(message)), heard };
};

describe('a line to the server', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    Source.made.length = 0;
    Channel.all.clear();
    Object.assign(globalThis, { EventSource: Source, BroadcastChannel: Channel });
  });
  afterEach(() => {
    jest.useRealTimers();
    Reflect.deleteProperty(navigator, 'locks');
  });
  const withLocks = (): void => {
    Object.defineProperty(navigator, 'locks', { value: makeLocks(), configurable: true });
  };

  it('is one for the tabs of a browser, and told to each of them once', async () => {
    withLocks();
    const [one, two] = [heardBy(), heardBy()];
    await settle();
    expect(Source.made).toHaveLength(1);
    made(0).opened();
    made(0).says(NEWS);
    expect([one.heard, two.heard]).toEqual([[NEWS], [NEWS]]);
  });

  it('is taken up by another tab when the one that holds it goes, which may have missed something', async () => {
    withLocks();
    const [one, two, three] = [heardBy(), heardBy(), heardBy()];
    await settle();
    one.line.close();
    await settle();
    expect(Source.made).toHaveLength(2);
    made(1).opened();
    made(1).says(NEWS);
    expect(one.heard).toEqual([]);
    expect(two.heard).toEqual([{ topic: 'all', by: '' }, NEWS]);
    expect(three.heard).toEqual(two.heard);
  });

  it('tells that something may have been missed when it comes back, and is opened again where the server closed it', () => {
    const { heard } = heardBy();
    made(0).opened();
    made(0).breaks(0);
    made(0).opened();
    expect(heard).toEqual([{ topic: 'all', by: '' }]);
    made(0).breaks(Source.CLOSED);
    jest.advanceTimersByTime(10_000);
    expect(Source.made).toHaveLength(2);
    made(1).opened();
    expect(heard).toHaveLength(2);
  });

  it('is of each tab alone where the browser has no locks, and ends when it is closed', () => {
    const [one, two] = [heardBy(), heardBy()];
    expect(Source.made).toHaveLength(2);
    made(0).says(NEWS);
    expect([one.heard, two.heard]).toEqual([[NEWS], []]);
    made(1).breaks(Source.CLOSED);
    two.line.close();
    jest.advanceTimersByTime(10_000);
    expect(Source.made).toHaveLength(2);
  });
});
