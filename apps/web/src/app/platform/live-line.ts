import type { LiveMessage } from '@druckerei/contract';

const NAME = 'druckerei.live';
/** Milliseconds before a line that the server closed is opened again. */
const AGAIN_MS = 5_000;

const MISSED: LiveMessage = { topic: 'all', by: '' };

/**
 * A line to the server that the tabs of a browser share: one of them holds it and hands on what it hears, and when that one is
 * closed another takes it up. Where the browser has no locks (no TLS) each tab has a line of its own.
 */
export class LiveLine {
  private readonly ended = new AbortController();
  private readonly channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(NAME);
  private source: EventSource | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Something may have been said while nobody listened. */
  private missed = false;

  /** @param heard told what is changed, here and in every other tab. */
  constructor(private readonly heard: (message: LiveMessage) => void) {
    this.channel?.addEventListener('message', ({ data }: MessageEvent<LiveMessage>) => this.heard(data));
    if ('locks' in navigator) this.takeTurn();
    else this.open();
  }

  /** Takes up the line where no tab holds it, else when its turn comes. */
  private takeTurn(): void {
    const hold = (): Promise<void> => {
      this.open();
      return new Promise((resolve) => this.ended.signal.addEventListener('abort', () => resolve()));
    };
    const wait = (): void => {
      this.missed = true;
      // Refused where the tab gives up while it waits.
      navigator.locks.request(NAME, { signal: this.ended.signal }, hold).catch(() => undefined);
    };
    void navigator.locks.request(NAME, { ifAvailable: true }, (lock) => (lock && !this.over ? hold() : wait()));
  }

  private get over(): boolean {
    return this.ended.signal.aborted;
  }

  private open(): void {
    if (this.over) return;
    const source = new EventSource('/api/live');
    this.source = source;
    source.addEventListener('open', () => {
      if (this.missed) this.tell(MISSED);
      this.missed = false;
    });
    source.addEventListener('change', ({ data }: MessageEvent<string>) => this.tell(JSON.parse(data) as LiveMessage));
    source.addEventListener('error', () => {
      this.missed = true;
      // Closed for good by what the server answered: it is asked again later. Otherwise the browser does that by itself.
      if (source.readyState === EventSource.CLOSED) this.timer = setTimeout(() => this.open(), AGAIN_MS);
    });
  }

  private tell(message: LiveMessage): void {
    if ('locks' in navigator) this.channel?.postMessage(message);
    this.heard(message);
  }

  close(): void {
    clearTimeout(this.timer);
    this.source?.close();
    this.channel?.close();
    this.ended.abort();
  }
}
