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

  it('is told with the line that it is of', () => {
    const errors = [
      { path: 'purchase.lines[1].quantity', message: '2.5 is no whole number.' },
      { path: 'components[0].sheet', message: 'The sheet is too wide.' },
    ];
    const error = { type: 'about:blank', title: 'Some values cannot be used', status: 422, errors };
    expect(failureOf(new HttpErrorResponse({ status: 422, error })).text).toBe(
      'Some values cannot be used. Line 2: 2.5 is no whole number. The sheet is too wide.',
    );
  });
});
