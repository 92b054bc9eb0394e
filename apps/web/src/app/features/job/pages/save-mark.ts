import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { JobEditor } from '../state/job-editor';

/** Whether the server has the latest, by word and shape. */
@Component({
  selector: 'dk-save-mark',
  imports: [MatButtonModule, MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span role="status"
      ><mat-icon aria-hidden="true">{{ mark().icon }}</mat-icon
      >{{ mark().text }}</span
    >
    @if (editor.save().kind === 'failed') {
      <button i18n matButton (click)="editor.saveNow()">Try again</button>
    }
  `,
  styles: `
    :host,
    span {
      display: inline-flex;
      align-items: center;
      gap: 6px;
    }
    mat-icon {
      font-size: 18px;
      width: 18px;
      height: 18px;
    }
  `,
})
export class SaveMark {
  protected readonly editor = inject(JobEditor);
  protected readonly mark = computed(() => {
    if (!this.editor.editable()) return { icon: 'lock', text: $localize`Read only` };
    const save = this.editor.save();
    if (Object.keys(this.editor.pending()).length > 0 && save.kind === 'saved')
      return { icon: 'edit', text: $localize`Saved, but for a field that cannot be used` };
    switch (save.kind) {
      case 'saved':
        return { icon: 'cloud_done', text: $localize`Saved` };
      case 'waiting':
      case 'saving':
        return { icon: 'cloud_upload', text: $localize`Saving` };
      case 'failed':
        return { icon: 'cloud_off', text: $localize`Not saved. ${save.message}` };
      case 'conflict':
        return { icon: 'call_split', text: $localize`Not saved: changed by somebody else` };
    }
  });
}
