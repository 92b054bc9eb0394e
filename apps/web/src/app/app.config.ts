import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import {
  type ApplicationConfig,
  inject,
  provideAppInitializer,
  provideBrowserGlobalErrorListeners,
} from '@angular/core';
import { MAT_FORM_FIELD_DEFAULT_OPTIONS } from '@angular/material/form-field';
import { MatIconRegistry } from '@angular/material/icon';
import { TitleStrategy, provideRouter, withComponentInputBinding, withPreloading } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { provideStoreDevtools } from '@ngrx/store-devtools';
import { routes } from './app.routes';
import { NoticeEffects } from './platform/notices';
import { PreloadWhenIdle } from './platform/preload-when-idle';
import { SessionEffects } from './platform/session.effects';
import { sessionFeature } from './platform/session.state';
import { sentOnceInterceptor } from './platform/sent-once.interceptor';
import { signedOutInterceptor } from './platform/signed-out.interceptor';
import { tabInterceptor } from './platform/tab.interceptor';
import { Titles } from './platform/titles';

declare const ngDevMode: object | boolean | undefined;

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideHttpClient(withFetch(), withInterceptors([signedOutInterceptor, tabInterceptor, sentOnceInterceptor])),
    provideRouter(routes, withComponentInputBinding(), withPreloading(PreloadWhenIdle)),
    { provide: TitleStrategy, useExisting: Titles },
    provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
    provideEffects(SessionEffects, NoticeEffects),
    typeof ngDevMode === 'undefined' || ngDevMode ? provideStoreDevtools({ maxAge: 50 }) : [],
    { provide: MAT_FORM_FIELD_DEFAULT_OPTIONS, useValue: { appearance: 'outline', subscriptSizing: 'dynamic' } },
    provideAppInitializer(() => {
      inject(MatIconRegistry)
        .registerFontClassAlias('outlined', 'icon-outlined mat-ligature-font')
        .setDefaultFontSetClass('icon-outlined', 'mat-ligature-font');
    }),
  ],
};
