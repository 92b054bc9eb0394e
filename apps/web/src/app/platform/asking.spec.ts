import { HttpErrorResponse } from '@angular/common/http';
import { of, throwError } from 'rxjs';
import { Asking } from './asking';

describe('what is asked of the server', () => {
  it('keeps why it could not be done, until something else is asked', () => {
    const asking = new Asking();
    const taken: string[] = [];
    asking.ask(
      throwError(
        () =>
          new HttpErrorResponse({
            status: 409,
            error: { type: 'about:blank', title: 'A program has this name already', status: 409 },
          }),
      ),
      () => taken.push('refused'),
    );
    expect(asking.failed()).toContain('A program has this name already');
    asking.ask(of('made'), (answer) => taken.push(answer));
    expect([asking.failed(), taken]).toEqual(['', ['made']]);
  });

  it('tells what is wrong with a field at that field', () => {
    const asking = new Asking();
    const errors = [{ path: 'url', message: 'Address: is no address' }];
    const error = { type: 'about:blank', title: 'Some fields cannot be used', status: 422, errors };
    asking.ask(
      throwError(() => new HttpErrorResponse({ status: 422, error })),
      () => undefined,
    );
    expect([asking.failedAt('url'), asking.failedAt('name')]).toEqual(['Address: is no address', '']);
    asking.ask(of('made'), () => undefined);
    expect(asking.failedAt('url')).toBe('');
  });
});
