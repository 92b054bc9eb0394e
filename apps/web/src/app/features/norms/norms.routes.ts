import type { Routes } from '@angular/router';
import { NormsFrame } from './norms.frame';

/** The norms of the works, what the log proposes for them, and what happened beside the plans. */
export const normsRoutes: Routes = [
  {
    path: '',
    component: NormsFrame,
    children: [
      {
        path: '',
        pathMatch: 'full',
        title: $localize`Norms`,
        loadComponent: () => import('./norms.page').then((m) => m.NormsPage),
      },
      {
        path: 'proposals',
        title: $localize`Proposals`,
        loadComponent: () => import('./proposals.page').then((m) => m.ProposalsPage),
      },
      {
        path: 'happened',
        title: $localize`Planned and happened`,
        loadComponent: () => import('./happened.page').then((m) => m.HappenedPage),
      },
    ],
  },
];
