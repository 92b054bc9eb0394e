import { computed, inject } from '@angular/core';
import { buyList, normsOf, onOrderFor, purchaseNeeds, restsOf, stillNeeded } from '@druckerei/core';
import type { Stores } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { Api } from '../../../platform/api';
import { whenChanged } from '../../../platform/live';
import { failureOf } from '../../../platform/problem';
import { JobEditor } from '../state/job-editor';

interface BuyingState {
  readonly stores: Stores | null;
  readonly busy: boolean;
  readonly problem: string;
}
const initial: BuyingState = { stores: null, busy: false, problem: '' };

/** What the open job needs to be bought or taken from the store. */
export const BuyingStore = signalStore(
  withState(initial),
  withProps(() => ({ api: inject(Api), editor: inject(JobEditor) })),
  withComputed(({ stores, editor }) => ({
    lines: computed(() => {
      const [job, plan, works, now] = [editor.job(), editor.plan(), editor.works(), stores()];
      const id = editor.revision()?.id ?? 0;
      if (!job || !plan || !works || !now) return [];
      const needs = purchaseNeeds(job, plan, works);
      return buyList(
        stillNeeded([{ job: id, due: job.due, needs }], now.drawn),
        now.holdings,
        now.reservations,
        onOrderFor(now.onOrder, id),
        works,
      );
    }),
    rests: computed(() => {
      const [job, plan, works] = [editor.job(), editor.plan(), editor.works()];
      if (!job || !plan || !works) return [];
      const norms = normsOf(works, job.norms);
      return Object.values(plan.layouts).flatMap((layout) =>
        restsOf(layout, plan.figures, norms).map((rest) => ({ ...rest, component: layout.component.name })),
      );
    }),
  })),
  withMethods((store) => ({
    load(): void {
      store.api.stores().subscribe({
        next: (stores) => patchState(store, { stores, problem: '' }),
        error: (error: unknown) => patchState(store, { problem: failureOf(error).text }),
      });
    },
    /** Shows what others have made of it. */
    look(): void {
      store.api.stores().subscribe({ next: (stores) => patchState(store, { stores }), error: () => undefined });
    },
    /** Reserves for the open job; 0 lets it go. */
    reserve(key: string, quantity: number): void {
      const seen = store.stores()?.mark ?? 0;
      patchState(store, { busy: true, problem: '' });
      store.api.reserve(store.editor.revision()?.id ?? 0, { key, quantity, seen }).subscribe({
        next: (stores) => patchState(store, { stores, busy: false }),
        error: (error: unknown) => {
          const { status, text } = failureOf(error);
          patchState(store, { problem: text, busy: false });
          // Somebody else was faster: what stands now is shown beside the reason.
          if (status === 409) this.look();
        },
      });
    },
  })),
  withHooks({ onInit: (store) => whenChanged(['stores', 'room'], () => store.look()) }),
);
