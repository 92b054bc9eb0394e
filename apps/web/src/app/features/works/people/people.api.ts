import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { AuditRecord, MadeLink, MadeToken, People, RoleChange, SignIns } from '@druckerei/contract';
import type { Observable } from 'rxjs';
import { askPage } from '../../../platform/api';

/** The server's calls about who may come in, people and programs, and what they did. */
@Injectable({ providedIn: 'root' })
export class PeopleApi {
  private readonly http = inject(HttpClient);

  people(): Observable<People> {
    return this.http.get<People>('/api/people');
  }
  invite(person: { login: string; name: string; role: string }): Observable<MadeLink> {
    return this.http.post<MadeLink>('/api/people', person);
  }
  changePerson(id: number, change: { name: string; role: string; disabled: boolean }): Observable<People> {
    return this.http.put<People>(`/api/people/${id}`, change);
  }
  recover(id: number): Observable<MadeLink> {
    return this.http.post<MadeLink>(`/api/people/${id}/link`, {});
  }
  endSessions(id: number): Observable<unknown> {
    return this.http.delete(`/api/people/${id}/sessions`);
  }
  signIns(id: number): Observable<SignIns> {
    return this.http.get<SignIns>(`/api/people/${id}/sign-ins`);
  }
  putRole(id: string, role: RoleChange): Observable<People> {
    return this.http.put<People>(`/api/roles/${encodeURIComponent(id)}`, role);
  }
  /** A page of what was done, and how many lines there are in all. */
  audit(asked: {
    search?: string;
    limit?: number;
    offset?: number;
  }): Observable<{ rows: AuditRecord[]; total: number }> {
    return askPage(this.http, '/api/audit', asked) as Observable<{ rows: AuditRecord[]; total: number }>;
  }
  addProgram(program: { name: string; role: string; days: number | null }): Observable<MadeToken> {
    return this.http.post<MadeToken>('/api/programs', program);
  }
  renewToken(id: number, days: number | null): Observable<MadeToken> {
    return this.http.post<MadeToken>(`/api/programs/${id}/token`, { days });
  }
  withdrawToken(id: number): Observable<People> {
    return this.http.delete<People>(`/api/programs/${id}/token`);
  }
}
