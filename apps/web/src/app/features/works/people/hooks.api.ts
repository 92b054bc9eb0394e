import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Hook, HookChange, HookMessage, HookSecret } from '@druckerei/contract';
import type { Observable } from 'rxjs';

/** The server's calls about addresses of other programs that are told what happens. */
@Injectable({ providedIn: 'root' })
export class HooksApi {
  private readonly http = inject(HttpClient);

  all(): Observable<Hook[]> {
    return this.http.get<Hook[]>('/api/hooks');
  }
  add(hook: HookChange): Observable<HookSecret> {
    return this.http.post<HookSecret>('/api/hooks', hook);
  }
  change(id: number, hook: HookChange): Observable<Hook[]> {
    return this.http.put<Hook[]>(`/api/hooks/${id}`, hook);
  }
  drop(id: number): Observable<Hook[]> {
    return this.http.delete<Hook[]>(`/api/hooks/${id}`);
  }
  renewSecret(id: number): Observable<HookSecret> {
    return this.http.post<HookSecret>(`/api/hooks/${id}/secret`, {});
  }
  messages(id: number): Observable<HookMessage[]> {
    return this.http.get<HookMessage[]>(`/api/hooks/${id}/messages`);
  }
  tryOut(id: number): Observable<HookMessage[]> {
    return this.http.post<HookMessage[]>(`/api/hooks/${id}/messages`, {});
  }
  sendAgain(id: number, message: number): Observable<HookMessage[]> {
    return this.http.post<HookMessage[]>(`/api/hooks/${id}/messages/${message}`, {});
  }
}
