import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { CONTACTS, inkOf, notCleared, figureOf, figureId } from '@druckerei/core';
import { CONTACT_WORDS, INK_KIND_WORDS } from '@druckerei/contract';
import { Choice } from '../parts/choice';
import { JobEditor } from '../state/job-editor';
import { RoomStore } from '../record/room.store';
import { FigureButton } from '../../../ui/figure-button';
import { InkDot } from '../parts/ink-dot';
import { RoomLine } from '../record/room-line';
import { InkCard } from './ink-card';
import { InkUnits } from './ink-units';
import { WordPipe } from '../../../ui/word';

/** The ink bench of a component: its inks in the units of the press, what is drawn of each, and each in hand with its trial. */
@Component({
  selector: 'dk-inks-bench',
  imports: [Choice, FigureButton, InkCard, InkDot, InkUnits, RoomLine, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './inks-bench.html',
  styleUrl: './inks-bench.scss',
})
export class InksBench {
  protected readonly editor = inject(JobEditor);
  protected readonly room = inject(RoomStore);
  readonly componentId = input.required<string>();
  readonly figureOpened = output<string>();
  protected readonly contacts = [
    { id: '', name: $localize`nothing that asks for clearance` },
    ...CONTACTS.map((id) => ({ id, name: CONTACT_WORDS[id] })),
  ];
  protected readonly words = CONTACT_WORDS;
  protected readonly kinds = INK_KIND_WORDS;
  private readonly picked = signal('');
  protected readonly rows = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    const component = job?.components.find(({ id }) => id === this.componentId());
    if (!job || !works || !component) return [];
    const open = new Set(job.contact ? notCleared(job, works, job.contact).inks : []);
    const plan = this.editor.plan();
    // What this press prints, and what its sheets get on another one.
    const again = job.route.flatMap((step) => (step.component === component.id ? (step.inks ?? []) : []));
    return [...new Set([...component.front, ...component.back, ...again].map(({ name }) => name))].map((name) => ({
      name,
      kind: inkOf(job, works, name).kind,
      kg: figureOf(plan, figureId.ink(name, 'kg')),
      pails: figureOf(plan, figureId.ink(name, 'pails')),
      isCleared: !open.has(name),
    }));
  });
  protected readonly chosen = computed(
    () => this.rows().find(({ name }) => name === this.picked())?.name ?? this.rows()[0]?.name,
  );
  protected readonly contact = computed(() => this.editor.job()?.contact);

  protected pick(name: string): void {
    this.picked.set(name);
  }
}
