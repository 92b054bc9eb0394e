import { Injectable, computed, inject } from '@angular/core';
import {
  type FieldPath,
  type Job,
  type Mend,
  type Operation,
  type WayChoice,
  type WayTarget,
  type WorkStyle,
  setField,
} from '@druckerei/core';
import { fieldErrorAt, issueText, pathOf } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { selectMay } from '../../../platform/session.state';
import { readNumber } from '../../../ui/format';
import { JobActions, jobFeature } from './job.state';

/** How a field's text stands for a value. */
export interface FieldKind {
  /** What is typed, as the number that the job stores. */
  readonly store: (shown: number) => number;
  /** Empty text means that the norm of the works stands. */
  readonly optional: boolean;
}

/** The open job: what it is, what comes of it, and every way to change it. */
@Injectable({ providedIn: 'root' })
export class JobEditor {
  private readonly store = inject(Store);
  readonly job = this.store.selectSignal(jobFeature.selectJob);
  readonly works = this.store.selectSignal(jobFeature.selectWorks);
  /** Whoever looks sees no prices. */
  readonly pricesHidden = computed(() => this.works()?.pricesHidden === true);
  readonly revision = this.store.selectSignal(jobFeature.selectRevision);
  readonly outcome = this.store.selectSignal(jobFeature.selectOutcome);
  readonly plan = this.store.selectSignal(jobFeature.selectPlan);
  readonly findings = this.store.selectSignal(jobFeature.selectFindings);
  readonly planBefore = this.store.selectSignal(jobFeature.selectPlanBefore);
  readonly pending = this.store.selectSignal(jobFeature.selectPending);
  readonly canUndo = this.store.selectSignal(jobFeature.selectCanUndo);
  readonly canRedo = this.store.selectSignal(jobFeature.selectCanRedo);
  readonly save = this.store.selectSignal(jobFeature.selectSave);
  readonly unsaved = this.store.selectSignal(jobFeature.selectUnsaved);
  readonly request = this.store.selectSignal(jobFeature.selectRequest);
  readonly isNewest = this.store.selectSignal(jobFeature.selectIsNewest);
  private readonly mayEdit = this.store.selectSignal(selectMay('plan'));
  readonly editable = computed(() => this.mayEdit() && this.isNewest());

  /** What keeps the job from being planned. */
  readonly problems = computed(() => {
    const outcome = this.outcome();
    return outcome?.ok === false ? outcome.issues : [];
  });

  /** The same in words, where it is a field of this path. */
  issueAt(path: string): string | undefined {
    const issue = this.problems().find((found) => found.path === path);
    return issue && issueText(issue);
  }

  open(id: number, revision?: number): void {
    this.store.dispatch(JobActions.open(revision === undefined ? { id } : { id, revision }));
  }

  /** Loads the job again where it was saved elsewhere, without leaving it. */
  lookAgain(id: number): void {
    this.store.dispatch(JobActions.lookAgain({ id }));
  }

  /** Sets a field to a value that is known to be good (a choice from a list). */
  set(path: FieldPath, value: unknown): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'set', path, value } }));
  }

  /**
   * Takes text typed into a number field: a usable value changes the job at once, anything else is kept with the reason.
   * @param burst one number for all strokes of one visit to the field, so that they undo as one.
   */
  type(path: FieldPath, text: string, kind: FieldKind, burst: number): void {
    const job = this.job();
    if (!job || !this.editable()) return;
    const key = pathOf(path);
    const keep = (message: string) => this.store.dispatch(JobActions.type({ path: key, pending: { text, message } }));
    const read = readNumber(text);
    const empty = text.trim() === '';
    if (read === undefined && !(empty && kind.optional)) {
      keep(empty ? $localize`A number is wanted here` : $localize`“${text}” is no number; write it like 1,200 or 0.5`);
      return;
    }
    this.take(job, path, text, read === undefined ? undefined : kind.store(read), burst);
  }

  /** Takes text of a text field; refused text is kept with the reason. */
  write(path: FieldPath, text: string, burst: number): void {
    const job = this.job();
    if (job && this.editable()) this.take(job, path, text, text === '' ? undefined : text, burst);
  }

  /** Takes numbers with semicolons between them; none at all takes the field away. */
  list(path: FieldPath, text: string, store: FieldKind['store'], burst: number): void {
    const job = this.job();
    if (!job || !this.editable()) return;
    const words = text.split(';').filter((word) => word.trim() !== '');
    const read = words.map(readNumber);
    const wrong = words.find((_, i) => read[i] === undefined);
    if (wrong === undefined) {
      const values = read.flatMap((one) => (one === undefined ? [] : [store(one)]));
      this.take(job, path, text, values.length === 0 ? undefined : values, burst);
    } else {
      const message = $localize`“${wrong.trim()}” is no number; write them like 99.5; 99.5; 98`;
      this.store.dispatch(JobActions.type({ path: pathOf(path), pending: { text, message } }));
    }
  }

  /** Changes the job where the schema takes the value, else keeps the text with the reason. */
  private take(job: Job, path: FieldPath, text: string, value: unknown, burst: number): void {
    const key = pathOf(path);
    const wrong = fieldErrorAt(setField(job, path, value) as Job, path);
    if (wrong) this.store.dispatch(JobActions.type({ path: key, pending: { text, message: wrong.message } }));
    else this.store.dispatch(JobActions.edit({ command: { kind: 'set', path, value, burst } }));
  }

  chooseStyle(component: string, style: WorkStyle): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'style', component, style } }));
  }
  chooseStock(component: string, stock: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'stock', component, stock } }));
  }
  runWay(target: WayTarget, choice: WayChoice): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'way', target, choice } }));
  }
  /** Takes another plan of the whole job. */
  takePlan(job: Job): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'take', job } }));
  }
  /** Puts two sections on one press sheet. */
  share(section: string, other: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'share', section, with: other } }));
  }
  /** Gives the sections of a form sheets of their own. */
  part(form: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'apart', form } }));
  }
  insertAfter(after: string, operation: Operation): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'insert', after, operation } }));
  }
  removeStep(step: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'remove', step } }));
  }
  /** Moves a station along its lane. */
  moveBefore(step: string, before: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'move', step, before } }));
  }
  /** Takes the mend that a finding offers. */
  mend(mend: Mend): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'mend', mend } }));
  }
  /** @param share of the first run. */
  splitRun(component: string, share: number): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'split', component, share } }));
  }
  joinRuns(component: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'join', component } }));
  }
  /** Runs a station on two machines. @param machine of the second. */
  splitStation(step: string, machine?: string): void {
    const command = { kind: 'split-station', step, ...(machine === undefined ? {} : { machine }) } as const;
    if (this.editable()) this.store.dispatch(JobActions.edit({ command }));
  }
  joinStation(step: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'join-station', step } }));
  }
  /** Joins a lane or a bought part to a station. */
  takeIn(step: string, material: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'take-in', step, material } }));
  }
  leaveOut(step: string, material: string): void {
    if (this.editable()) this.store.dispatch(JobActions.edit({ command: { kind: 'leave-out', step, material } }));
  }
  undo(): void {
    if (this.editable()) this.store.dispatch(JobActions.undo());
  }
  redo(): void {
    if (this.editable()) this.store.dispatch(JobActions.redo());
  }
  saveNow(): void {
    this.store.dispatch(JobActions.saveNow());
  }
  keepMine(): void {
    this.store.dispatch(JobActions.keepMine());
  }
  takeTheirs(): void {
    this.store.dispatch(JobActions.takeTheirs());
  }
  release(): void {
    this.store.dispatch(JobActions.release());
  }
}
