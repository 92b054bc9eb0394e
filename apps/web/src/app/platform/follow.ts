import { InjectionToken } from '@angular/core';

/** Goes to an address within this page, where it can: whether it does. A page alone leaves it to the browser. */
export const FOLLOW = new InjectionToken<(url: string) => boolean>('follow', { factory: () => () => false });
