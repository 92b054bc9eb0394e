import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv({ errorOnUnknownElements: true, errorOnUnknownProperties: true });

// Dates are written as one locale has them, whatever the machine's own is.
Object.defineProperty(navigator, 'language', { value: 'en-GB', configurable: true });
