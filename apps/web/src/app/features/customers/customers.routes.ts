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
        title: 'Offers - Druckerei',
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
        title: 'Customers - Druckerei',
        loadComponent: () => import('./customers.page').then((m) => m.CustomersPage),
      },
      {
        path: ':id',
        title: 'Customer - Druckerei',
        loadComponent: () => import('./customer.page').then((m) => m.CustomerPage),
      },
    ],
  },
];
