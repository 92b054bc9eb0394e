import { inject } from '@angular/core';
import type { FormControl } from '@angular/forms';
import { EMPTY, catchError } from 'rxjs';
import { Api } from './api';

/**
 * Puts the next job number of the works into a field that nobody has typed in; where it cannot be had, the field stays empty. To
 * be called where one may inject.
 */
export function offerNumber(field: FormControl<string>): void {
  inject(Api)
    .nextNumber()
    .pipe(catchError(() => EMPTY))
    .subscribe((number) => {
      if (field.pristine) field.setValue(number);
    });
}
