import '@angular/localize/init';
import { deserialize, serialize } from 'node:v8';
import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv({ errorOnUnknownElements: true, errorOnUnknownProperties: true });

// Dates are written as one locale has them, whatever the machine's own is.
Object.defineProperty(navigator, 'language', { value: 'en-GB', configurable: true });

/** jsdom has no line to a server: one that says nothing. */
class SilentSource extends EventTarget {
  close(): void {
    this.dispatchEvent(new Event('closed'));
  }
}
// jsdom has no copying of data either.
const structuredClone = (value: unknown): unknown => deserialize(serialize(value)) as unknown;
Object.assign(globalThis, { EventSource: SilentSource, structuredClone });
