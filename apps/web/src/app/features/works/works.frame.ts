import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectMay } from '../../platform/session.state';
import { AreaNav } from '../../ui/area-nav';
import { SetUp } from './set-up';

/** What belongs to the works, side by side. */
@Component({
  selector: 'dk-works-frame',
  imports: [AreaNav, RouterOutlet, SetUp],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-area-nav i18n-label label="The works" [places]="places()" />
    @if (mayEdit()) {
      <dk-set-up />
    }
    <router-outlet />
  `,
})
export class WorksFrame {
  private readonly store = inject(Store);
  protected readonly mayEdit = this.store.selectSignal(selectMay('machines'));
  private readonly mayPeople = this.store.selectSignal(selectMay('people'));
  protected readonly places = computed(() => [
    { name: $localize`Settings`, to: '/works', exact: true as const },
    { name: $localize`Machines`, to: '/works/machines' },
    { name: $localize`Papers`, to: '/works/papers' },
    { name: $localize`Inks and supplies`, to: '/works/inks' },
    ...(this.mayPeople() ? [{ name: $localize`People`, to: '/works/people' }] : []),
  ]);
}
