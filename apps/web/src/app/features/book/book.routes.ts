import type { Routes } from '@angular/router';

export const bookRoutes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Stations - Druckerei',
    loadComponent: () => import('./stations.page').then((m) => m.StationsPage),
  },
  {
    path: 'check',
    title: $localize`The chain of the book - Druckerei`,
    loadComponent: () => import('./check.page').then((m) => m.CheckPage),
  },
  {
    path: ':job/account',
    title: 'Accountable work - Druckerei',
    loadComponent: () => import('./account.page').then((m) => m.AccountPage),
  },
  {
    path: ':job/:step',
    title: 'Station - Druckerei',
    loadComponent: () => import('./station.page').then((m) => m.StationPage),
  },
];
