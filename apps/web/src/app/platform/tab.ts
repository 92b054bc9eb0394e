import { Injectable } from '@angular/core';
import { Subject, filter } from 'rxjs';

/** What tabs of one browser tell each other. `tab` is who says it. */
export type TabMessage =
  | { readonly kind: 'claim'; readonly tab: string; readonly nonce: number }
  | { readonly kind: 'taken'; readonly tab: string; readonly nonce: number }
  | { readonly kind: 'who'; readonly tab: string }
  | { readonly kind: 'here'; readonly tab: string }
  /** Looks at a job of an account, types into it, has saved it, or goes away. */
  | {
      readonly kind: 'job';
      readonly what: 'opened' | 'open' | 'typing' | 'saved' | 'left';
      readonly tab: string;
      readonly account: number;
      readonly job: number;
    };

const NAME = 'druckerei.tabs';
const KEPT = 'druckerei.tab';
/** Milliseconds that the other tabs have to answer, which may be busy; this one may be too, and hears them behind that. */
const ANSWER_MS = 1_000;
const HEAR_MS = 50;

const random = (): number => crypto.getRandomValues(new Uint32Array(1))[0] ?? 0;

/** This tab among others of the browser: a name that outlives a reload, and a line to the others. */
@Injectable({ providedIn: 'root' })
export class Tab {
  private readonly channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(NAME);
  private readonly heard = new Subject<TabMessage>();
  private readonly nonce = random();
  private name = this.kept();
  /** What the other tabs say. */
  readonly messages = this.heard.pipe(filter(({ kind }) => kind === 'job'));

  constructor() {
    this.channel?.addEventListener('message', ({ data }: MessageEvent<TabMessage>) => this.hear(data));
    // A tab that was copied has the name of the other: whoever was there first keeps it.
    this.channel?.postMessage({ kind: 'claim', tab: this.name, nonce: this.nonce } satisfies TabMessage);
  }

  get id(): string {
    return this.name;
  }

  /** Tells the other tabs. */
  say(message: TabMessage): void {
    this.channel?.postMessage(message);
  }

  /** Names of the other tabs that are there. */
  others(): Promise<ReadonlySet<string>> {
    const found = new Set<string>();
    if (!this.channel) return Promise.resolve(found);
    const listening = this.heard.subscribe((message) => {
      if (message.kind === 'here') found.add(message.tab);
    });
    this.say({ kind: 'who', tab: this.name });
    return new Promise((resolve) => {
      const end = (): void => {
        listening.unsubscribe();
        resolve(found);
      };
      setTimeout(() => setTimeout(end, HEAR_MS), ANSWER_MS);
    });
  }

  private hear(message: TabMessage): void {
    if (message.kind === 'claim' && message.tab === this.name && message.nonce !== this.nonce)
      this.say({ kind: 'taken', tab: this.name, nonce: message.nonce });
    if (message.kind === 'taken' && message.nonce === this.nonce) this.rename();
    if (message.kind === 'who') this.say({ kind: 'here', tab: this.name });
    this.heard.next(message);
  }

  private kept(): string {
    try {
      const kept = sessionStorage.getItem(KEPT);
      if (kept !== null) return kept;
    } catch {
      // Closed to us: a name for as long as the page lives.
    }
    return this.rename();
  }

  private rename(): string {
    this.name = `${random().toString(36)}${random().toString(36)}`;
    try {
      sessionStorage.setItem(KEPT, this.name);
    } catch {
      // As above.
    }
    return this.name;
  }
}
