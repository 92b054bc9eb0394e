import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectMay } from '../../platform/session.state';
import { AreaNav } from '../../ui/area-nav';

/** Norms, what the log proposes, and what happened, side by side. */
@Component({
  selector: 'dk-norms-frame',
  imports: [AreaNav, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-area-nav i18n-label label="Norms and what the log says" [places]="places()" />
    <router-outlet />
  `,
})
export class NormsFrame {
  private readonly seesPrices = inject(Store).selectSignal(selectMay('prices'));
  protected readonly places = computed(() => [
    { name: $localize`In force`, to: '/norms', exact: true as const },
    { name: $localize`Proposals`, to: '/norms/proposals' },
    ...(this.seesPrices() ? [{ name: $localize`Planned and happened`, to: '/norms/happened' }] : []),
  ]);
}
