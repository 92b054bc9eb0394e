import { HttpClient, type HttpEvent, HttpParams } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  ItemKind,
  HouseFold,
  Job,
  RoomEvent,
  SingleOrder,
  SingleState,
  StationDrawing,
  Works,
  WorksSettings,
} from '@druckerei/core';
import type {
  Account,
  BegunJobs,
  Change,
  ChangeKind,
  CopyJob,
  CountedList,
  Customer,
  CustomerOrder,
  CustomerRow,
  CustomersQuery,
  Difference,
  Exchanged,
  DraftApart,
  Finished,
  FirstManager,
  HoldingHistoryEntry,
  ItemChanges,
  ItemVersion,
  Items,
  JobListQuery,
  JobRow,
  KeptCarrier,
  EnteredCustomers,
  HeldList,
  KeptCustomer,
  KeptOrder,
  Lot,
  LotsQuery,
  Needs,
  NewFactor,
  NewHolding,
  NewOffer,
  NormChange,
  NormChanges,
  NormEffect,
  NormHistoryEntry,
  Offer,
  OfferTake,
  PastJob,
  PressRoom,
  Restored,
  Revision,
  SingleBook,
  Stores,
} from '@druckerei/contract';
import { type Observable, forkJoin, map } from 'rxjs';
import { HeldWorks } from './held-works';
import { type ListSent, sendList } from './send-list';

/** A page of a list, and how many there are in all; what is not told, and empty words, are not asked for. */
export function askPage(
  http: HttpClient,
  path: string,
  asked: Readonly<Record<string, string | number | undefined>>,
): Observable<{ rows: unknown[]; total: number }> {
  const given = Object.entries(asked).flatMap(([name, value]) =>
    value === undefined || value === '' ? [] : [[name, value] as const],
  );
  return http
    .get<unknown[]>(path, { params: new HttpParams({ fromObject: Object.fromEntries(given) }), observe: 'response' })
    .pipe(
      map(({ body, headers }) => ({
        rows: body ?? [],
        total: Number(headers.get('X-Total-Count') ?? body?.length ?? 0),
      })),
    );
}

/** The server's calls. The CSRF header is set by Angular from the cookie. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);
  private readonly held = inject(HeldWorks);

  session(): Observable<{ account: Account | null; demo: boolean; first: boolean }> {
    return this.http.get<{ account: Account | null; demo: boolean; first: boolean }>('/api/session');
  }
  signIn(login: string, password: string, code?: string): Observable<{ account: Account }> {
    return this.http.post<{ account: Account }>('/api/session', { login, password, ...(code ? { code } : {}) });
  }
  ownPassword(now: string, next: string): Observable<unknown> {
    return this.http.put('/api/session/password', { now, next });
  }
  endOtherSessions(): Observable<unknown> {
    return this.http.delete('/api/session/others');
  }
  newFactor(): Observable<NewFactor> {
    return this.http.post<NewFactor>('/api/session/second-factor', {});
  }
  /** @param old a code of the factor that stands, where one does. */
  setFactor(secret: string, code: string, old: string): Observable<string[]> {
    return this.http
      .put<{ recoveryCodes: string[] }>('/api/session/second-factor', {
        secret,
        code,
        ...(old === '' ? {} : { old }),
      })
      .pipe(map(({ recoveryCodes }) => recoveryCodes));
  }
  dropFactor(old: string): Observable<unknown> {
    return this.http.post('/api/session/second-factor/off', { old });
  }
  linkFor(token: string): Observable<{ login: string; name: string }> {
    return this.http.post<{ login: string; name: string }>('/api/welcome/look', { token });
  }
  welcome(token: string, password: string): Observable<{ account: Account }> {
    return this.http.post<{ account: Account }>('/api/welcome', { token, password });
  }
  signOut(): Observable<unknown> {
    return this.http.delete('/api/session');
  }
  makeFirstManager(first: FirstManager): Observable<{ account: Account }> {
    return this.http.post<{ account: Account }>('/api/first-manager', first);
  }
  ownSettings(own: { locale: string | null }): Observable<{ account: Account }> {
    return this.http.put<{ account: Account }>('/api/session/settings', own);
  }
  changeSettings(settings: WorksSettings, seen: WorksSettings): Observable<Works> {
    return this.http.put<Works>('/api/works/settings', { settings, seen });
  }
  nextNumber(): Observable<string> {
    return this.http.get<{ number: string }>('/api/job-numbers/next').pipe(map(({ number }) => number));
  }
  /** The products of jobs, drawn, by id. */
  pictures(jobs: readonly number[]): Observable<ReadonlyMap<number, StationDrawing>> {
    return this.http
      .get<{ job: number; picture: StationDrawing }[]>('/api/pictures', { params: { jobs: jobs.join(',') } })
      .pipe(map((pictures) => new Map(pictures.map(({ job, picture }) => [job, picture]))));
  }
  works(): Observable<Works> {
    return this.held.works();
  }
  normHistory(): Observable<NormHistoryEntry[]> {
    return this.http.get<NormHistoryEntry[]>('/api/norms/history');
  }
  /** The picture at the head of papers: a data URL, or none. */
  logo(): Observable<string | null> {
    return this.http.get<{ logo: string | null }>('/api/works/logo').pipe(map(({ logo }) => logo));
  }
  /** @param image PNG or JPEG in base64; null takes it away. */
  setLogo(image: string | null): Observable<string | null> {
    const call =
      image === null
        ? this.http.delete<{ logo: string | null }>('/api/works/logo')
        : this.http.put<{ logo: string | null }>('/api/works/logo', { image });
    return call.pipe(map(({ logo }) => logo));
  }
  changeNorm(id: string, change: NormChange): Observable<Works> {
    return this.http.put<Works>(`/api/norms/${encodeURIComponent(id)}`, change);
  }
  changeNorms(changes: NormChanges): Observable<Works> {
    return this.http.put<Works>('/api/norms', changes);
  }
  /** What norms would do to the drafts in hand, some at a time. */
  normEffect(changes: readonly { norm: string; value: number }[], skip: number): Observable<NormEffect> {
    return this.http.post<NormEffect>('/api/norms/effect', { changes, skip });
  }
  /** Enters machines and papers with norms of theirs, all or none. */
  changeItems(changes: ItemChanges): Observable<Works> {
    return this.http.put<Works>('/api/works/items', changes);
  }
  /** What machines and papers would do to the drafts in hand, some at a time. */
  itemEffect(items: Items, skip: number): Observable<NormEffect> {
    return this.http.post<NormEffect>('/api/works/items/effect', { ...items, skip });
  }
  itemVersions(kind: ItemKind, id: string): Observable<ItemVersion[]> {
    return this.http.get<ItemVersion[]>('/api/works/items/versions', { params: { kind, id } });
  }
  addFold(fold: HouseFold): Observable<Works> {
    return this.http.post<Works>('/api/works/folds', fold);
  }
  dropFold(name: string): Observable<Works> {
    return this.http.delete<Works>(`/api/works/folds/${encodeURIComponent(name)}`);
  }
  /** A page of the jobs, and how many there are in all. */
  jobs(asked: JobListQuery = {}): Observable<{ rows: JobRow[]; total: number }> {
    return askPage(this.http, '/api/jobs', asked) as Observable<{ rows: JobRow[]; total: number }>;
  }
  createJob(job: Job): Observable<Revision> {
    return this.http.post<Revision>('/api/jobs', job);
  }
  /** What a file of another program tells. @param file in base64 */
  readExchange(file: string): Observable<Exchanged> {
    return this.http.post<Exchanged>('/api/exchange/xjdf', { file });
  }
  /** Begins all of these jobs, or none. */
  createJobs(jobs: readonly Job[]): Observable<BegunJobs> {
    return this.http.post<BegunJobs>('/api/jobs/several', { jobs });
  }
  copyJob(id: number, changes: CopyJob): Observable<Revision> {
    return this.http.post<Revision>(`/api/jobs/${id}/copy`, changes);
  }
  job(id: number, revision?: number): Observable<Revision> {
    const at = revision === undefined ? `/api/jobs/${id}` : `/api/jobs/${id}/revisions/${revision}`;
    return forkJoin({
      told: this.http.get<Revision | DraftApart>(at, { params: { works: 'apart' } }),
      works: this.works(),
    }).pipe(map(({ told, works }) => (told.works === null ? { ...told, works: works as Revision['works'] } : told)));
  }
  saveDraft(id: number, version: number, job: Job): Observable<Revision> {
    return this.http.put<Revision>(`/api/jobs/${id}/draft`, { version, job });
  }
  putAside(id: number, version: number, aside: boolean): Observable<Revision> {
    return this.http.put<Revision>(`/api/jobs/${id}/aside`, { version, aside });
  }
  /** Releases a draft as it was seen, with the works that it was seen with. */
  release({ id, version, works, worksMark }: Revision): Observable<Revision> {
    const seen = { version, mark: works.mark ?? 0, ...(worksMark ? { worksMark } : {}) };
    return this.http.post<Revision>(`/api/jobs/${id}/release`, seen);
  }
  room(id: number): Observable<PressRoom> {
    return this.http.get<PressRoom>(`/api/jobs/${id}/room`);
  }
  /** @param key of the entry: sent again with it, it is entered once. */
  enterEvent(id: number, event: RoomEvent, seen: number, key: string): Observable<PressRoom> {
    return this.http.post<PressRoom>(`/api/jobs/${id}/room`, { event, seen }, { headers: { 'Idempotency-Key': key } });
  }
  keptCarriers(): Observable<KeptCarrier[]> {
    return this.http.get<KeptCarrier[]>('/api/carriers');
  }
  stores(): Observable<Stores> {
    return this.http.get<Stores>('/api/stores');
  }
  lots(asked: LotsQuery): Observable<{ rows: Lot[]; total: number }> {
    return askPage(this.http, '/api/stores/lots', asked) as Observable<{ rows: Lot[]; total: number }>;
  }
  needs(): Observable<Needs> {
    return this.http.get<Needs>('/api/needs');
  }
  countHoldings({ lots, reason }: HeldList): Observable<ListSent<CountedList>> {
    return sendList(this.http, '/api/stores/holdings/list', { reason }, lots);
  }
  addHolding(lot: NewHolding): Observable<Stores> {
    return this.http.post<Stores>('/api/stores/holdings', lot);
  }
  changeHolding(
    id: number,
    change: { quantity: number; expected: number; version: number; place: string; reason: string },
  ): Observable<Stores> {
    return this.http.put<Stores>(`/api/stores/holdings/${id}`, change);
  }
  holdingHistory(id: number): Observable<HoldingHistoryEntry[]> {
    return this.http.get<HoldingHistoryEntry[]>(`/api/stores/holdings/${id}/history`);
  }
  reserve(job: number, reservation: { key: string; quantity: number; seen: number }): Observable<Stores> {
    return this.http.put<Stores>(`/api/jobs/${job}/reservations`, reservation);
  }
  finished(): Observable<Finished> {
    return this.http.get<Finished>('/api/finished');
  }
  addFinished(lot: { job: number; pieces: number; place: string; meant?: boolean }): Observable<Finished> {
    return this.http.post<Finished>('/api/finished/lots', lot);
  }
  callOff(
    lot: number,
    call: {
      pieces: number;
      expected: number;
      version: number;
      seen: number;
      destination: string;
      transitDays: number;
      due?: string;
    },
  ): Observable<Finished> {
    return this.http.post<Finished>(`/api/finished/lots/${lot}/call-offs`, call);
  }
  customers(asked: CustomersQuery): Observable<{ rows: CustomerRow[]; total: number }> {
    return askPage(this.http, '/api/customers', asked) as Observable<{ rows: CustomerRow[]; total: number }>;
  }
  customer(id: number): Observable<KeptCustomer> {
    return this.http.get<KeptCustomer>(`/api/customers/${id}`);
  }
  addCustomers(customers: readonly Customer[]): Observable<ListSent<EnteredCustomers>> {
    return sendList(this.http, '/api/customers/list', {}, customers);
  }
  addCustomer(customer: Customer): Observable<KeptCustomer> {
    return this.http.post<KeptCustomer>('/api/customers', customer);
  }
  changeCustomer(id: number, version: number, customer: Customer): Observable<KeptCustomer> {
    return this.http.put<KeptCustomer>(`/api/customers/${id}`, { version, customer });
  }
  /** Jobs of a customer, and what became of them. */
  pastJobs(customer: number): Observable<PastJob[]> {
    return this.http.get<PastJob[]>(`/api/customers/${customer}/jobs`);
  }
  /** Carriers that the store keeps of their jobs. */
  customerCarriers(customer: number): Observable<KeptCarrier[]> {
    return this.http.get<KeptCarrier[]>(`/api/customers/${customer}/carriers`);
  }
  orders(customer: number): Observable<KeptOrder[]> {
    return this.http.get<KeptOrder[]>(`/api/customers/${customer}/orders`);
  }
  addOrder(customer: number, order: CustomerOrder): Observable<KeptOrder> {
    return this.http.post<KeptOrder>(`/api/customers/${customer}/orders`, order);
  }
  changeOrder(id: number, version: number, order: CustomerOrder): Observable<KeptOrder> {
    return this.http.put<KeptOrder>(`/api/orders/${id}`, { version, order });
  }
  offers(asked: CustomersQuery): Observable<{ rows: Offer[]; total: number }> {
    return askPage(this.http, '/api/offers', asked) as Observable<{ rows: Offer[]; total: number }>;
  }
  addOffer(offer: Omit<NewOffer, 'jobs'> & { readonly jobs: readonly Job[] }): Observable<Offer> {
    return this.http.post<Offer>('/api/offers', offer);
  }
  setOffer(id: number, version: number, state: 'open' | 'declined'): Observable<Offer> {
    return this.http.put<Offer>(`/api/offers/${id}`, { version, state });
  }
  takeOffer(id: number, take: OfferTake): Observable<Offer> {
    return this.http.post<Offer>(`/api/offers/${id}/job`, take);
  }
  singles(): Observable<SingleBook[]> {
    return this.http.get<SingleBook[]>('/api/singles');
  }
  addSingles(orders: readonly SingleOrder[]): Observable<SingleBook[]> {
    return this.http.post<SingleBook[]>('/api/singles', { orders });
  }
  moveSingles(
    books: readonly Pick<SingleBook, 'id' | 'version'>[],
    state: Exclude<SingleState, 'kitted'>,
  ): Observable<SingleBook[]> {
    return this.http.put<SingleBook[]>('/api/singles/state', {
      books: books.map(({ id, version }) => ({ id, version })),
      state,
    });
  }
  kitSingle(cover: string, block: string): Observable<SingleBook[]> {
    return this.http.post<SingleBook[]>('/api/singles/kits', { cover, block });
  }
  changes(kind: ChangeKind, subject?: string): Observable<Change[]> {
    return this.http.get<Change[]>('/api/changes', { params: subject === undefined ? { kind } : { kind, subject } });
  }
  difference(id: number, from: number, to: number): Observable<Difference> {
    return this.http.get<Difference>(`/api/jobs/${id}/difference`, { params: { from, to } });
  }
  restore(backup: File): Observable<HttpEvent<Restored>> {
    return this.http.post<Restored>('/api/backup', backup, {
      headers: { 'Content-Type': 'application/zip' },
      observe: 'events',
      reportProgress: true,
    });
  }
}
