import { computed, inject } from '@angular/core';
import {
  type AccountEntry,
  type CardStep,
  type RoomCard,
  type RoomState,
  type StationTally,
  NOTHING_YET,
  accountOpen,
  accountWorth,
  agreed,
  allOf,
  allSpoiled,
  baggedAt,
  balanceOf,
  isLastStation,
  isWitnessed,
  looseAt,
  roomState,
} from '@druckerei/core';
import { type JobBook, issueText } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { BookApi } from '../../platform/book-api';
import { newUid } from '../../platform/new-uid';
import { failureOf } from '../../platform/problem';

interface AccountPageState {
  readonly book: JobBook | undefined;
  readonly busy: boolean;
  /** Why the book cannot be shown, or what was entered last was not taken. */
  readonly failed: string;
}
const initial: AccountPageState = { book: undefined, busy: false, failed: '' };

const tallyIn =
  ({ tallies }: RoomState) =>
  (step: string): StationTally =>
    tallies.get(step) ?? NOTHING_YET;

/** What is accounted for of a job: read, and entered on line, for two people look at each other here. */
export const AccountStore = signalStore(
  withState(initial),
  withComputed(({ book }) => {
    const card = computed(() => (book()?.card ?? undefined) as RoomCard | undefined);
    const state = computed(() => roomState((book()?.records ?? []) as Parameters<typeof roomState>[0]));
    /** What keeps a station open, beside what its balance says. */
    const openAt = (step: CardStep): string => {
      const [now, { account }] = [card(), state()];
      const context = {
        ...{ rules: now?.accountable, state: account, steps: now?.steps ?? [] },
        ...{ tallyOf: tallyIn(state()), by: undefined },
      };
      return accountOpen(context, step, now !== undefined && isLastStation(now, step.id))
        .map(issueText)
        .join(' ');
    };
    return {
      card,
      rules: computed(() => card()?.accountable),
      stations: computed(() =>
        (card()?.steps ?? [])
          .filter(({ takes, hours }) => takes.length > 0 && hours > 0)
          .map((step) => {
            const tally = tallyIn(state())(step.id);
            return {
              id: step.id,
              title: step.title,
              unit: step.unitIn,
              closed: tally.phase === 'closed',
              takenIn: allOf(tally.takenIn),
              good: tally.good,
              samples: tally.samples,
              spoiled: allSpoiled(tally),
              leftOver: allOf(tally.leftOver),
              bagged: baggedAt(state().account, step.id),
              loose: looseAt(state().account, step.id, tally),
              open: tally.takenIn.size > 0 ? openAt(step) : '',
              difference: balanceOf(step, tally).find((line) => line.difference !== 0)?.difference ?? 0,
            };
          }),
      ),
      issued: computed(() => [...state().account.issues.values()]),
      places: computed(() => [...state().account.places]),
      bags: computed(() => [...state().account.bags.values()].map((bag) => ({ ...bag, sure: agreed(bag) }))),
      destructions: computed(() =>
        [...state().account.destructions.values()].map((one) => ({ ...one, done: isWitnessed(one) })),
      ),
      voided: computed(() => [...state().account.voided.values()]),
      worth: computed(() => {
        const [now, rules] = [card(), card()?.accountable];
        return now && rules ? accountWorth(now.steps, tallyIn(state()), state().account, rules.faceValue) : undefined;
      }),
    };
  }),
  withMethods((store, api = inject(BookApi)) => {
    const load = (job: number): void => {
      patchState(store, { busy: true });
      api.book(job).subscribe({
        next: (book) => patchState(store, { book, busy: false }),
        error: (error: unknown) => patchState(store, { busy: false, failed: failureOf(error).text }),
      });
    };
    return {
      load,
      /** Enters it; what is refused is told where it stands. @param taken what to do once it is in the book. */
      enter(event: AccountEntry, taken: () => void = () => undefined): void {
        const id = store.book()?.job.id;
        if (id === undefined) return;
        patchState(store, { busy: true, failed: '' });
        const entry = { uid: newUid(), at: new Date().toISOString(), late: false, event };
        api.enter(id, { device: $localize`Desk`, seen: 0, entries: [entry as never] }).subscribe({
          next: ({ entries }) => {
            const failed = (entries[0]?.errors ?? []).map(({ message }) => message).join(' ');
            patchState(store, { failed });
            if (failed === '') taken();
            load(id);
          },
          error: (error: unknown) => patchState(store, { busy: false, failed: failureOf(error).text }),
        });
      },
    };
  }),
);
