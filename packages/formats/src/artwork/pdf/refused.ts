import { type Issue, error } from '@druckerei/core';

/** A reason why a file is not read, on its way out. */
export class Refused extends Error {
  readonly issue: Issue;

  constructor(code: Issue['code'], params: Issue['params'] = {}) {
    super(code);
    this.issue = error(code, 'artwork', params);
  }
}
