import { HttpErrorResponse } from '@angular/common/http';
import { failureOf } from './problem';

describe('what the server refuses', () => {
  it.each([
    ['This number is taken', 'This number is taken. Choose another.', 'This number is taken. Choose another.'],
    ['Some values cannot be used', 'Name is empty', 'Some values cannot be used. Name is empty'],
  ])('“%s” with “%s” is said once', (title, message, text) => {
    const error = { type: 'about:blank', title, status: 409, errors: [{ path: 'number', message }] };
    expect(failureOf(new HttpErrorResponse({ status: 409, error })).text).toBe(text);
  });
});
