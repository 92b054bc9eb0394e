import { inject } from '@angular/core';
import { Router, type Routes } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { Api } from '../../platform/api';
import { FOLLOW } from '../../platform/follow';
import { WORKS_AT_HAND } from './state/works-at-hand';

export const benchesRoutes: Routes = [
  {
    path: '',
    loadComponent: () => import('./pages/benches.page').then((m) => m.BenchesPage),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'reckoner' },
      {
        path: 'reckoner',
        title: $localize`Reckoner`,
        loadComponent: () => import('./pages/reckoner.page').then((m) => m.ReckonerPage),
        providers: [
          {
            provide: WORKS_AT_HAND,
            useFactory:
              (api = inject(Api)) =>
              () =>
                firstValueFrom(api.works()),
          },
          {
            provide: FOLLOW,
            useFactory:
              (router = inject(Router)) =>
              (url: string) => {
                void router.navigateByUrl(url);
                return true;
              },
          },
        ],
      },
      {
        path: 'practice',
        title: $localize`Practice`,
        loadComponent: () => import('./pages/practice.page').then((m) => m.PracticePage),
      },
      {
        path: 'practice/shift',
        title: $localize`Shift at the press`,
        loadComponent: () => import('./pages/shift.page').then((m) => m.ShiftPage),
      },
      {
        path: 'gang',
        title: $localize`Gang sheet`,
        loadComponent: () => import('./pages/gang.page').then((m) => m.GangPage),
      },
      {
        path: 'die',
        title: $localize`Die-cut blank`,
        loadComponent: () => import('./pages/die.page').then((m) => m.DiePage),
      },
      {
        path: 'ink',
        title: $localize`Mixed colour`,
        loadComponent: () => import('./pages/ink.page').then((m) => m.InkPage),
      },
      {
        path: 'colour',
        title: $localize`Colour on press`,
        loadComponent: () => import('./pages/colour.page').then((m) => m.ColourPage),
      },
      {
        path: 'register',
        title: $localize`Register`,
        loadComponent: () => import('./pages/register.page').then((m) => m.RegisterPage),
      },
      {
        path: 'numbers',
        title: $localize`Numbers`,
        loadComponent: () => import('./pages/numbers.page').then((m) => m.NumbersPage),
      },
      {
        path: 'codes',
        title: $localize`Codes at the bindery`,
        loadComponent: () => import('./pages/codes.page').then((m) => m.CodesPage),
      },
      {
        path: 'singles',
        title: $localize`Single books`,
        loadComponent: () => import('./pages/singles.page').then((m) => m.SinglesPage),
      },
      {
        path: 'web',
        title: $localize`Web and cylinders`,
        loadComponent: () => import('./pages/web.page').then((m) => m.WebPage),
      },
    ],
  },
];
