import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { RouterLink } from '@angular/router';
import type { GuideAt } from './guide-place';
import { GuideReader } from './guide-reader';

/** The guide over the page that it is about. */
@Component({
  selector: 'dk-guide-dialog',
  imports: [GuideReader, MatButtonModule, MatDialogModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 i18n mat-dialog-title>Guide</h1>
    <mat-dialog-content><dk-guide-reader [at]="at()" (went)="at.set($event)" /></mat-dialog-content>
    <mat-dialog-actions align="end">
      <a i18n matButton mat-dialog-close [routerLink]="['/guide', at().page]" [fragment]="at().heading">As a page</a>
      <button i18n matButton="filled" mat-dialog-close>Close</button>
    </mat-dialog-actions>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      height: 68vh;
      max-height: none;
      overflow: hidden;
    }
  `,
})
export class GuideDialog {
  protected readonly at = signal(inject<GuideAt>(MAT_DIALOG_DATA));
}
