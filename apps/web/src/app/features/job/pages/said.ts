import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { issueText } from '@druckerei/contract';
import { Findings } from '../figures/findings';
import { JobEditor } from '../state/job-editor';
import { JobView } from '../state/job-view';
import { Names } from '../state/names';
import { ChangedElsewhere } from '../state/changed-elsewhere';
import { OtherTabs } from '../state/other-tabs';
import { Conflict } from './conflict';
import { WordPipe } from '../../../ui/word';

/** What is to be said of the open job before it is worked on: revisions, other tabs, what keeps it from being planned, rules. */
@Component({
  selector: 'dk-said',
  imports: [Conflict, Findings, MatButtonModule, MatIconModule, RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './said.html',
  styleUrl: './said.scss',
})
export class Said {
  protected readonly editor = inject(JobEditor);
  protected readonly view = inject(JobView);
  protected readonly names = inject(Names);
  protected readonly tabs = inject(OtherTabs);
  protected readonly elsewhere = inject(ChangedElsewhere);
  protected readonly issueText = issueText;
  readonly id = input.required<number>();
  protected readonly problems = this.editor.problems;
  protected readonly advice = computed(() => this.editor.plan()?.advice ?? []);
  /** The plan itself went wrong. */
  protected readonly failed = computed(() => this.problems().some(({ code }) => code === 'plan.failed'));
  protected readonly allFindings = signal(false);
}
