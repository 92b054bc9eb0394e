import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { NEW_WORKS, inUse } from '@druckerei/core';
import { WorksStore } from './works.store';
import { WordPipe } from '../../ui/word';

/** What a works still has to tell before its first job can be planned; nothing once it has told it. */
@Component({
  selector: 'dk-set-up',
  imports: [MatIconModule, RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (steps().length > 0) {
      <section i18n-aria-label aria-label="Setting up the works">
        <h2 i18n>Setting up the works</h2>
        <ol>
          @for (step of steps(); track step.words) {
            <li>
              <mat-icon [class.done]="step.done">{{ step.done ? 'check_circle' : 'radio_button_unchecked' }}</mat-icon>
              <a [routerLink]="step.link">{{ step.words }}</a>
              <span class="quiet">{{ step.done ? ('done' | word) : step.why }}</span>
            </li>
          }
        </ol>
      </section>
    }
  `,
  styles: `
    section {
      margin: 16px 24px 0;
      padding: 8px 16px;
      max-width: 860px;
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 6px;
      background: var(--mat-sys-surface-container-low);
    }
    h2 {
      margin: 4px 0;
      font-size: 15px;
    }
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: center;
      gap: 10px;
      min-height: 32px;
    }
    mat-icon {
      font-size: 20px;
      width: 20px;
      height: 20px;
    }
    .done,
    a {
      color: var(--mat-sys-primary);
    }
  `,
})
export class SetUp {
  private readonly works = inject(WorksStore);

  protected readonly steps = computed(() => {
    const works = this.works.works();
    if (!works) return [];
    const steps = [
      {
        words: $localize`Say what the works is called, its currency and its time zone`,
        link: '/works',
        why: $localize`tickets and offers say it`,
        done: works.name !== NEW_WORKS.name,
      },
      {
        words: $localize`Choose the machines that it has, and correct them`,
        link: '/works/machines',
        why: $localize`a job is planned on them`,
        done: inUse(works.machines).some(({ press }) => press),
      },
      {
        words: $localize`Enter its papers, by a price list or one by one`,
        link: '/works/papers',
        why: $localize`sheets and prices come from them`,
        done: inUse(works.stocks).length > 0,
      },
    ];
    return steps.every(({ done }) => done)
      ? []
      : [
          ...steps,
          {
            words: $localize`Plan the first job`,
            link: '/jobs',
            why: $localize`then release it and print its ticket`,
            done: false,
          },
        ];
  });
}
