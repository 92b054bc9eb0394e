import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Faults, Readings } from '@druckerei/contract';
import type { Observable } from 'rxjs';

/** The server's calls about what the book says of quality. */
@Injectable({ providedIn: 'root' })
export class QualityApi {
  private readonly http = inject(HttpClient);

  readings(days: number): Observable<Readings> {
    return this.http.get<Readings>('/api/quality/readings', { params: { days } });
  }
  faults(days: number): Observable<Faults> {
    return this.http.get<Faults>('/api/quality/faults', { params: { days } });
  }
}
