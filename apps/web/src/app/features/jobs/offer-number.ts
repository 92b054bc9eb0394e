import type { FormControl } from '@angular/forms';
import { EMPTY, catchError } from 'rxjs';
import type { JobsStore } from './jobs.store';

/** Puts the next number of the works into a field that nobody has typed in; where it cannot be had, the field stays empty. */
export const offerNumber = (jobs: InstanceType<typeof JobsStore>, field: FormControl<string>): void => {
  jobs
    .nextNumber()
    .pipe(catchError(() => EMPTY))
    .subscribe((number) => {
      if (field.pristine) field.setValue(number);
    });
};
