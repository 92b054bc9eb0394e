import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { EffectTable } from '../../ui/effect-table';
import { TypedBar } from '../../ui/typed-bar';
import type { AnyEdit } from './item-edit';
import { WorksStore } from './works.store';
import { WordPipe } from '../../ui/word';

/** What is typed of an item of the works and not entered: what it does to open jobs, and entering or leaving it. */
@Component({
  selector: 'dk-item-bar',
  imports: [EffectTable, MatButtonModule, TypedBar, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let one = edit();
    <dk-typed-bar
      [mayEdit]="mayEdit()"
      [changed]="one.isChanged()"
      [enter]="one.effect.jobs()?.length ? ('Enter it nevertheless' | word) : ('Enter it' | word)"
      [busy]="one.effect.look() !== undefined"
      i18n-others
      others="A production manager changes this."
      [said]="one.said()"
      [failed]="one.sending.failed() || one.effect.failed()"
      [contested]="one.sending.changed()"
      [rows]="one.sending.changed() ? one.differing() : []"
      (entered)="one.enter()"
      (left)="one.leave()"
    >
      @if (one.effect.look()) {
        <ng-container ngProjectAs="[progress]">
          <span aria-live="polite">{{ one.effect.progress() }}</span>
          <button i18n matButton (click)="one.effect.stop()">Stop</button>
        </ng-container>
      }
      @if (one.effect.jobs(); as jobs) {
        @if (jobs.length > 0 || !one.effect.look()) {
          <dk-effect-table [jobs]="jobs" [currency]="works.currency()" [looking]="one.effect.look() !== undefined" />
        }
      }
    </dk-typed-bar>
  `,
  styles: `
    :host {
      position: sticky;
      top: 0;
      z-index: 2;
      display: block;
    }
    dk-effect-table {
      flex-basis: 100%;
      margin: 2px 0;
    }
  `,
})
export class ItemBar {
  protected readonly works = inject(WorksStore);
  readonly edit = input.required<AnyEdit>();
  readonly mayEdit = input.required<boolean>();
}
