import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { AreaNav } from '../../ui/area-nav';

/** Norms, what the log proposes, and what happened, side by side. */
@Component({
  selector: 'dk-norms-frame',
  imports: [AreaNav, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-area-nav label="Norms and what the log says" [places]="PLACES" />
    <router-outlet />
  `,
})
export class NormsFrame {
  protected readonly PLACES = [
    { name: 'In force', to: '/norms', exact: true },
    { name: 'Proposals', to: '/norms/proposals' },
    { name: 'Planned and happened', to: '/norms/happened' },
  ] as const;
}
