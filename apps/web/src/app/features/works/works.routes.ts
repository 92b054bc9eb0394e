import type { Routes } from '@angular/router';
import { WorksFrame } from './works.frame';
import { WorksStore } from './works.store';

/** The works: what it says of itself, and what it has. */
export const worksRoutes: Routes = [
  {
    path: '',
    component: WorksFrame,
    providers: [WorksStore],
    children: [
      {
        path: '',
        pathMatch: 'full',
        title: $localize`Works`,
        loadComponent: () => import('./settings.page').then((m) => m.SettingsPage),
      },
      {
        path: 'machines',
        title: $localize`Machines`,
        loadComponent: () => import('./machines/machines.page').then((m) => m.MachinesPage),
      },
      {
        path: 'machines/:id',
        title: $localize`Machine`,
        loadComponent: () => import('./machines/machine.page').then((m) => m.MachinePage),
      },
      {
        path: 'people',
        title: $localize`People`,
        loadComponent: () => import('./people/people.page').then((m) => m.PeoplePage),
      },
      {
        path: 'audit',
        title: $localize`What was done`,
        loadComponent: () => import('./people/audit.page').then((m) => m.AuditPage),
      },
      {
        path: 'inks',
        title: $localize`Inks and supplies`,
        loadComponent: () => import('./inks/inks.page').then((m) => m.InksPage),
      },
      {
        path: 'inks/:id',
        title: $localize`Ink`,
        loadComponent: () => import('./inks/ink.page').then((m) => m.InkPage),
      },
      {
        path: 'supplies/:id',
        title: $localize`Supply`,
        loadComponent: () => import('./inks/supply.page').then((m) => m.SupplyPage),
      },
      {
        path: 'papers',
        title: $localize`Papers`,
        loadComponent: () => import('./papers/papers.page').then((m) => m.PapersPage),
      },
      {
        path: 'papers/price-list',
        title: $localize`Price list`,
        loadComponent: () => import('./papers/price-list.page').then((m) => m.PriceListPage),
      },
      {
        path: 'papers/:id',
        title: $localize`Paper`,
        loadComponent: () => import('./papers/paper.page').then((m) => m.PaperPage),
      },
    ],
  },
];
