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
        title: 'Works - Druckerei',
        loadComponent: () => import('./settings.page').then((m) => m.SettingsPage),
      },
      {
        path: 'machines',
        title: 'Machines - Druckerei',
        loadComponent: () => import('./machines/machines.page').then((m) => m.MachinesPage),
      },
      {
        path: 'machines/:id',
        title: 'Machine - Druckerei',
        loadComponent: () => import('./machines/machine.page').then((m) => m.MachinePage),
      },
      {
        path: 'people',
        title: 'People - Druckerei',
        loadComponent: () => import('./people/people.page').then((m) => m.PeoplePage),
      },
      {
        path: 'audit',
        title: $localize`What was done - Druckerei`,
        loadComponent: () => import('./people/audit.page').then((m) => m.AuditPage),
      },
      {
        path: 'inks',
        title: $localize`Inks and supplies - Druckerei`,
        loadComponent: () => import('./inks/inks.page').then((m) => m.InksPage),
      },
      {
        path: 'inks/:id',
        title: 'Ink - Druckerei',
        loadComponent: () => import('./inks/ink.page').then((m) => m.InkPage),
      },
      {
        path: 'supplies/:id',
        title: 'Supply - Druckerei',
        loadComponent: () => import('./inks/supply.page').then((m) => m.SupplyPage),
      },
      {
        path: 'papers',
        title: 'Papers - Druckerei',
        loadComponent: () => import('./papers/papers.page').then((m) => m.PapersPage),
      },
      {
        path: 'papers/price-list',
        title: 'Price list - Druckerei',
        loadComponent: () => import('./papers/price-list.page').then((m) => m.PriceListPage),
      },
      {
        path: 'papers/:id',
        title: 'Paper - Druckerei',
        loadComponent: () => import('./papers/paper.page').then((m) => m.PaperPage),
      },
    ],
  },
];
