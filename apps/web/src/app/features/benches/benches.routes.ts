import type { Routes } from '@angular/router';

export const benchesRoutes: Routes = [
  {
    path: '',
    loadComponent: () => import('./pages/benches.page').then((m) => m.BenchesPage),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'gang' },
      {
        path: 'gang',
        title: 'Gang sheet - Druckerei',
        loadComponent: () => import('./pages/gang.page').then((m) => m.GangPage),
      },
      {
        path: 'die',
        title: 'Die-cut blank - Druckerei',
        loadComponent: () => import('./pages/die.page').then((m) => m.DiePage),
      },
      {
        path: 'web',
        title: 'Web and cylinders - Druckerei',
        loadComponent: () => import('./pages/web.page').then((m) => m.WebPage),
      },
    ],
  },
];
