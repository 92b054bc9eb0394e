import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  BookCheck,
  CountLines,
  CountedLines,
  JobBook,
  Scanned,
  SentAnswer,
  SentEntries,
  StationLine,
  StationSheetAnswer,
} from '@druckerei/contract';
import type { Observable } from 'rxjs';
import { type ListSent, sendList } from './send-list';

/** The server's calls about the book of the floor. */
@Injectable({ providedIn: 'root' })
export class BookApi {
  private readonly http = inject(HttpClient);

  book(job: number): Observable<JobBook> {
    return this.http.get<JobBook>(`/api/jobs/${job}/book`);
  }
  /** What a station looks at beside its tally. */
  sheet(job: number, revision: number, step: string): Observable<StationSheetAnswer> {
    return this.http.get<StationSheetAnswer>(`/api/jobs/${job}/revisions/${revision}/stations/${step}.json`);
  }
  enter(job: number, sent: SentEntries): Observable<SentAnswer> {
    return this.http.post<SentAnswer>(`/api/jobs/${job}/book`, sent);
  }
  settle(job: number, record: number, taken: boolean, why: string): Observable<JobBook> {
    return this.http.post<JobBook>(`/api/jobs/${job}/book/${record}/settled`, { taken, why });
  }
  stations(): Observable<StationLine[]> {
    return this.http.get<StationLine[]>('/api/book/stations');
  }
  scan(code: string): Observable<Scanned> {
    return this.http.get<Scanned>('/api/book/scan', { params: { code } });
  }
  check(hash?: string): Observable<BookCheck> {
    return this.http.get<BookCheck>('/api/book/check', { params: hash === undefined ? {} : { hash } });
  }
  enterCounts({ device, lines }: CountLines): Observable<ListSent<CountedLines>> {
    return sendList(this.http, '/api/book/counts', { device }, lines);
  }
}
