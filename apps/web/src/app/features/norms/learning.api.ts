import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Happened, Learning, NormDecisions } from '@druckerei/contract';
import type { Observable } from 'rxjs';

/** The server's calls about what the log of the floor teaches. */
@Injectable({ providedIn: 'root' })
export class LearningApi {
  private readonly http = inject(HttpClient);

  learning(): Observable<Learning> {
    return this.http.get<Learning>('/api/learning');
  }
  decide(decisions: NormDecisions): Observable<Learning> {
    return this.http.post<Learning>('/api/learning/decisions', decisions);
  }
  happened(month: string | undefined): Observable<Happened> {
    return this.http.get<Happened>('/api/happened', { params: month === undefined ? {} : { month } });
  }
}
