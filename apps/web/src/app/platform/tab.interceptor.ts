import type { HttpInterceptorFn } from '@angular/common/http';
import { inject } from '@angular/core';
import { TAB_HEADER } from '@druckerei/contract/plain';
import { Tab } from './tab';

/** Tells the server which tab writes, so that it knows its own changes when they come back. */
export const tabInterceptor: HttpInterceptorFn = (request, next) =>
  next(request.method === 'GET' ? request : request.clone({ setHeaders: { [TAB_HEADER]: inject(Tab).id } }));
