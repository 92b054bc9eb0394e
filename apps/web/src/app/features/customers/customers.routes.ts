import type { Routes } from '@angular/router';
import { CustomersFrame } from './customers.frame';

/** What customers are offered. */
export const offersRoutes: Routes = [
  {
    path: '',
    component: CustomersFrame,
    children: [
      {
        path: '',
        title: $localize`Offers`,
        loadComponent: () => import('./offers.page').then((m) => m.OffersPage),
      },
    ],
  },
];

/** Customers, and what they order. */
export const customersRoutes: Routes = [
  {
    path: '',
    component: CustomersFrame,
    children: [
      {
        path: '',
        pathMatch: 'full',
        title: $localize`Customers`,
        loadComponent: () => import('./customers.page').then((m) => m.CustomersPage),
      },
      {
        path: ':id',
        title: $localize`Customer`,
        loadComponent: () => import('./customer.page').then((m) => m.CustomerPage),
      },
    ],
  },
];
