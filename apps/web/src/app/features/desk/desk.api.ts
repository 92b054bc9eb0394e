import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Desk, DeskNote } from '@druckerei/contract';
import type { Observable } from 'rxjs';

/** The server's calls about what wants a decision. */
@Injectable({ providedIn: 'root' })
export class DeskApi {
  private readonly http = inject(HttpClient);

  desk(): Observable<Desk> {
    return this.http.get<Desk>('/api/desk');
  }
  note(note: DeskNote): Observable<Desk> {
    return this.http.put<Desk>('/api/desk/notes', note);
  }
}
