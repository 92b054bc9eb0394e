import type { Routes } from '@angular/router';

export const bookRoutes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: $localize`Stations`,
    loadComponent: () => import('./stations.page').then((m) => m.StationsPage),
  },
  {
    path: 'check',
    title: $localize`The chain of the book`,
    loadComponent: () => import('./check.page').then((m) => m.CheckPage),
  },
  {
    path: ':job/account',
    title: $localize`Accountable work`,
    loadComponent: () => import('./account.page').then((m) => m.AccountPage),
  },
  {
    path: ':job/:step',
    title: $localize`Station`,
    loadComponent: () => import('./station.page').then((m) => m.StationPage),
  },
];
