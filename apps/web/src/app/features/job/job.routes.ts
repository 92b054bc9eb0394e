import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import { JobEffects } from './state/job.effects';
import { jobFeature } from './state/job.state';

/** The job page with the state that only it needs. */
export const jobRoutes: Routes = [
  // Reckons nothing: it opens whatever a job says.
  {
    path: 'plain',
    title: $localize`Job, plainly`,
    loadComponent: () => import('./pages/plain.page').then((m) => m.PlainPage),
  },
  {
    path: '',
    providers: [provideState(jobFeature), provideEffects(JobEffects)],
    loadComponent: () => import('./pages/job.page').then((m) => m.JobPage),
  },
];
