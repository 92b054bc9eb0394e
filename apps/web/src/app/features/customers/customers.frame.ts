import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectMay } from '../../platform/session.state';
import { AreaNav } from '../../ui/area-nav';

/** Customers and offers, side by side. */
@Component({
  selector: 'dk-customers-frame',
  imports: [AreaNav, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-area-nav i18n-label label="Customers and offers" [places]="mayOffer() ? [CUSTOMERS, OFFERS] : [CUSTOMERS]" />
    <router-outlet />
  `,
})
export class CustomersFrame {
  protected readonly mayOffer = inject(Store).selectSignal(selectMay('customers'));
  protected readonly CUSTOMERS = { name: $localize`Customers`, to: '/customers' };
  protected readonly OFFERS = { name: $localize`Offers`, to: '/offers' };
}
