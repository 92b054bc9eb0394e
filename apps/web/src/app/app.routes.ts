import { inject } from '@angular/core';
import { type CanActivateFn, Router, type Routes } from '@angular/router';
import { Store } from '@ngrx/store';
import { filter, map, take } from 'rxjs';
import { needsFactor, sessionFeature } from './platform/session.state';

/**
 * Waits until it is known who is signed in; strangers are asked to sign in and come back where they wanted to go, or to make the
 * first manager where nobody has an account.
 */
const signedIn: CanActivateFn = (_route, state) => {
  const [router, store] = [inject(Router), inject(Store)];
  const isFirst = store.selectSignal(sessionFeature.selectFirst);
  return store.select(sessionFeature.selectWho).pipe(
    filter((who) => who.kind === 'known' || who.kind === 'nobody'),
    take(1),
    map((who) => {
      if (who.kind === 'known')
        return !needsFactor(who.account) || state.url === '/account' || router.createUrlTree(['/account']);
      return isFirst()
        ? router.createUrlTree(['/first'])
        : router.createUrlTree(['/sign-in'], { queryParams: { to: state.url } });
    }),
  );
};

export const routes: Routes = [
  {
    path: 'sign-in',
    title: $localize`Sign in`,
    loadComponent: () => import('./features/sign-in/sign-in.page').then((m) => m.SignInPage),
  },
  {
    path: 'first',
    title: $localize`The first manager`,
    loadComponent: () => import('./features/sign-in/first.page').then((m) => m.FirstPage),
  },
  {
    path: 'welcome',
    title: $localize`Welcome`,
    loadComponent: () => import('./features/sign-in/welcome.page').then((m) => m.WelcomePage),
  },
  {
    path: '',
    canActivateChild: [signedIn],
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'desk' },
      {
        path: 'desk',
        title: $localize`Desk`,
        loadComponent: () => import('./features/desk/desk.page').then((m) => m.DeskPage),
      },
      {
        path: 'jobs',
        title: $localize`Jobs`,
        loadComponent: () => import('./features/jobs/jobs.page').then((m) => m.JobsPage),
      },
      {
        path: 'jobs/list',
        title: $localize`List of orders`,
        loadComponent: () => import('./features/jobs/order-list.page').then((m) => m.OrderListPage),
      },
      {
        path: 'jobs/file',
        title: $localize`Job out of a file`,
        loadComponent: () => import('./features/jobs/job-file.page').then((m) => m.JobFilePage),
      },
      {
        path: 'jobs/:id',
        title: $localize`Job`,
        loadChildren: () => import('./features/job/job.routes').then((m) => m.jobRoutes),
      },
      {
        path: 'floor',
        title: $localize`Floor`,
        loadComponent: () => import('./features/floor/floor.page').then((m) => m.FloorPage),
      },
      {
        path: 'book',
        loadChildren: () => import('./features/book/book.routes').then((m) => m.bookRoutes),
      },
      {
        path: 'quality',
        loadChildren: () => import('./features/quality/quality.routes').then((m) => m.qualityRoutes),
      },
      { path: 'reckoner', redirectTo: 'benches/reckoner' },
      { path: 'practice', redirectTo: 'benches/practice' },
      {
        path: 'benches',
        title: $localize`Benches`,
        loadChildren: () => import('./features/benches/benches.routes').then((m) => m.benchesRoutes),
      },
      {
        path: 'customers',
        loadChildren: () => import('./features/customers/customers.routes').then((m) => m.customersRoutes),
      },
      {
        path: 'offers',
        loadChildren: () => import('./features/customers/customers.routes').then((m) => m.offersRoutes),
      },
      {
        path: 'stores',
        title: $localize`Stores`,
        loadComponent: () => import('./features/stores/stores.page').then((m) => m.StoresPage),
      },
      {
        path: 'norms',
        loadChildren: () => import('./features/norms/norms.routes').then((m) => m.normsRoutes),
      },
      {
        path: 'works',
        loadChildren: () => import('./features/works/works.routes').then((m) => m.worksRoutes),
      },
      {
        path: 'backup',
        title: $localize`Backup`,
        loadComponent: () => import('./features/backup/backup.page').then((m) => m.BackupPage),
      },
      { path: 'guide', pathMatch: 'full', redirectTo: 'guide/first-job' },
      {
        path: 'guide/:page',
        title: $localize`Guide`,
        loadComponent: () => import('./features/guide/guide.page').then((m) => m.GuidePageComponent),
      },
      {
        path: 'account',
        title: $localize`Your account`,
        loadComponent: () => import('./features/account/account.page').then((m) => m.AccountPage),
      },
      {
        path: '**',
        title: $localize`Not found`,
        loadComponent: () => import('./platform/not-found.page').then((m) => m.NotFoundPage),
      },
    ],
  },
];
