import { computed, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  type CardStep,
  type RoomCard,
  type RoomEntry,
  type RoomRecord,
  type StationTally,
  NOTHING_YET,
  balanceOf,
  forecastCounts,
  isOwnStation,
  isTallied,
  refuse,
  roomState,
  shiftBalances,
  stationKey,
} from '@druckerei/core';
import { type JobBook, issueText } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { patchState, signalStore, withComputed, withMethods, withProps, withState } from '@ngrx/signals';
import { filter, firstValueFrom } from 'rxjs';
import { BookApi } from '../../platform/book-api';
import { BookOutbox } from '../../platform/book-outbox';
import { BookShelf } from '../../platform/book-shelf';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';
import { selectMay, selectOwnStations } from '../../platform/session.state';
import { soundOf } from './sound';

interface StationState {
  readonly job: number;
  readonly step: string;
  readonly book: JobBook | undefined;
  /** The book is as this device saw it last: the server does not answer. */
  readonly kept: boolean;
  readonly failed: string;
  /** Why the last entry was not taken, and what it was: it can be kept for explaining. */
  readonly problem: string;
  readonly refused: { readonly event: RoomEntry; readonly picture: string | undefined } | undefined;
  /** What was done last, for those who hear the page. */
  readonly said: string;
}

const initial: StationState = {
  job: 0,
  step: '',
  book: undefined,
  kept: false,
  failed: '',
  problem: '',
  refused: undefined,
  said: '',
};

/** Entries that are on their way are numbered behind all that the book has. */
export const ON_THE_WAY = 1_500_000_000;

/** A station with its job: what the book has of it with what is on its way there, and every way to add to it. */
export const StationStore = signalStore(
  withState(initial),
  withProps(() => ({
    api: inject(BookApi),
    outbox: inject(BookOutbox),
    shelf: inject(BookShelf),
    session: inject(Store),
  })),
  withComputed(({ book, job, step, outbox, session }) => {
    const card = computed(() => (book()?.card ?? undefined) as RoomCard | undefined);
    const waiting = computed(() => outbox.waiting().filter((entry) => entry.job === job()));
    const records = computed((): readonly RoomRecord[] => [
      ...((book()?.records ?? []) as readonly RoomRecord[]),
      ...waiting().map(({ n, at, event }) => ({ id: ON_THE_WAY + n, at, by: $localize`on its way`, event })),
    ]);
    const state = computed(() => roomState(records()));
    const station = computed((): CardStep | undefined => card()?.steps.find(({ id }) => id === step()));
    const tally = computed((): StationTally => state().tallies.get(step()) ?? NOTHING_YET);
    const [rightToRecord, own] = [session.selectSignal(selectMay('record')), session.selectSignal(selectOwnStations)];
    /** Nothing is kept from anybody before the station is known. */
    const isHere = computed(() => {
      const of = station();
      return of === undefined || isOwnStation(own(), [stationKey(of)]);
    });
    const ownStep = (entry: RoomRecord['event']): string =>
      'step' in entry ? (entry.step ?? '') : entry.kind === 'held' ? ownStep(entry.entry) : '';
    return {
      card,
      waiting,
      state,
      station,
      tally,
      /** Entries of this station, the last first. */
      lines: computed(() =>
        records()
          .filter(({ event }) => ownStep(event) === step())
          .reverse(),
      ),
      balance: computed(() => {
        const of = station();
        return of ? balanceOf(of, tally()) : [];
      }),
      /** The balance of every shift that entered something; tablets stand in the works, and go by its wall. */
      shifts: computed(() => {
        const of = station();
        const { standing } = state();
        const entries = records()
          .flatMap(({ id, at }) => {
            const event = standing.get(id);
            return event && isTallied(event) && event.step === step() ? [{ at, event }] : [];
          })
          .sort((a, b) => a.at.localeCompare(b.at));
        return of ? shiftBalances(of, entries, Intl.DateTimeFormat().resolvedOptions().timeZone) : [];
      }),
      forecast: computed(() => {
        const all = card();
        return all && forecastCounts(all.forecast, state());
      }),
      mayRecord: computed(() => rightToRecord() && isHere()),
      /** They enter at other stations, and not here. */
      notHere: computed(() => rightToRecord() && !isHere()),
      mayExplain: session.selectSignal(selectMay('explain')),
    };
  }),
  withMethods((store) => {
    const lastOf = (book: JobBook | undefined): number => book?.records.at(-1)?.id ?? 0;
    const take = (book: JobBook): void => {
      const known = store.book();
      // A book only grows: an answer that came late knows less than what is shown.
      if (known?.job.id === book.job.id && lastOf(known) > lastOf(book)) return;
      patchState(store, { book, kept: false, failed: '' });
      store.outbox.saw(book.job.id, lastOf(book));
      void store.shelf.keep(book);
    };
    const load = async (): Promise<void> => {
      const job = store.job();
      try {
        const book = await firstValueFrom(store.api.book(job));
        if (job === store.job()) take(book);
      } catch (error) {
        const { status, text } = failureOf(error);
        const kept = status === 0 || status >= 500 ? await store.shelf.kept(job) : undefined;
        if (job !== store.job()) return;
        if (store.book() !== undefined) patchState(store, { kept: true });
        else if (kept) patchState(store, { book: kept, kept: true });
        else patchState(store, { failed: text });
      }
    };
    store.outbox.answers
      .pipe(
        filter(({ job }) => job === store.job()),
        takeUntilDestroyed(),
      )
      .subscribe(({ seen, records }) => {
        const book = store.book();
        const last = lastOf(book);
        // What was answered to another page may leave something out in between: all is asked for then.
        if (!book || seen > last) void load();
        else take({ ...book, records: [...book.records, ...records.filter(({ id }) => id > last)] });
      });
    whenChanged(
      ['room'],
      () => void load(),
      () => store.job(),
    );
    const refuseHere = (refused: StationState['refused'], problem: string): false => {
      patchState(store, { refused, problem, said: '' });
      soundOf('refused');
      return false;
    };
    /** What the book would say to an entry, as far as this device knows it. */
    const gates = (event: RoomEntry): string[] => {
      const [card, state] = [store.card(), store.state()];
      return card ? refuse({ card, state }, event).map(issueText) : [];
    };
    /** @param picture of a photograph: JPEG, base64. @returns whether it was taken, or waits to be sent. */
    const enter = async (event: RoomEntry, picture?: string, late = false): Promise<boolean> => {
      const why = late ? [] : gates(event);
      if (why.length > 0) return refuseHere({ event, picture }, why.join(' '));
      patchState(store, { problem: '', refused: undefined });
      const answer = await store.outbox.enter(store.job(), event, { late, picture });
      if (answer?.outcome === 'refused')
        return refuseHere({ event, picture }, answer.errors.map(({ message }) => message).join(' '));
      patchState(store, { said: answer ? $localize`Entered.` : $localize`Kept on this device; it is sent by itself.` });
      soundOf(answer?.outcome === 'held' ? 'held' : 'taken');
      return true;
    };
    return {
      gates,
      enter,
      open(job: number, step: string): void {
        if (job !== store.job()) patchState(store, { ...initial, job, step });
        else patchState(store, { step, problem: '', refused: undefined, said: '' });
        void load();
      },
      load,
      /** Enters what was refused all the same: it is held until somebody who may explain has said whether it counts. */
      async keepForExplaining(): Promise<void> {
        const refused = store.refused();
        if (refused) await enter(refused.event, refused.picture, true);
      },
      async settle(record: number, taken: boolean, why: string): Promise<void> {
        try {
          take(await firstValueFrom(store.api.settle(store.job(), record, taken, why)));
        } catch (error) {
          patchState(store, { problem: failureOf(error).text, refused: undefined });
        }
      },
      /** Says what is wrong with something else than an entry. */
      say: (problem: string) => patchState(store, { problem, refused: undefined }),
      forget: () => patchState(store, { problem: '', refused: undefined }),
    };
  }),
);
export type Station = InstanceType<typeof StationStore>;
