import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { AreaNav } from '../../ui/area-nav';

/** What is measured, what went wrong, and how lots are looked at, side by side. */
@Component({
  selector: 'dk-quality-frame',
  imports: [AreaNav, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-area-nav i18n-label label="Quality" [places]="PLACES" />
    <router-outlet />
  `,
})
export class QualityFrame {
  protected readonly PLACES = [
    { name: $localize`Readings`, to: '/quality', exact: true },
    { name: $localize`Faults`, to: '/quality/faults' },
    { name: $localize`Sampling`, to: '/quality/sampling' },
  ] as const;
}
