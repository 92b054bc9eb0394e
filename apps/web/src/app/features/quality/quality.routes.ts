import type { Routes } from '@angular/router';
import { QualityFrame } from './quality.frame';

/** Charts, faults and sampling. */
export const qualityRoutes: Routes = [
  {
    path: '',
    component: QualityFrame,
    children: [
      {
        path: '',
        pathMatch: 'full',
        title: $localize`Quality`,
        loadComponent: () => import('./charts.page').then((m) => m.ChartsPage),
      },
      {
        path: 'faults',
        title: $localize`Faults`,
        loadComponent: () => import('./faults.page').then((m) => m.FaultsPage),
      },
      {
        path: 'sampling',
        title: $localize`Sampling`,
        loadComponent: () => import('./sampling.page').then((m) => m.SamplingPage),
      },
    ],
  },
];
