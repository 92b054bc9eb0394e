import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  Effort,
  Floor,
  FloorFeed,
  MadeFloorFeed,
  MoveAsked,
  MoveEffect,
  PinChange,
  Schedule,
} from '@druckerei/contract';
import type { Observable } from 'rxjs';

/** The server's calls about when work runs. */
@Injectable({ providedIn: 'root' })
export class FloorApi {
  private readonly http = inject(HttpClient);

  floor(): Observable<Floor> {
    return this.http.get<Floor>('/api/floor');
  }
  setHours(version: number, hours: Floor['hours']): Observable<Floor> {
    return this.http.put<Floor>('/api/floor/hours', { version, hours });
  }
  setPin(pin: PinChange): Observable<Floor> {
    return this.http.put<Floor>('/api/floor/pins', pin);
  }
  /** Asks for a plan: it comes as a trial. */
  plan(effort: Effort): Observable<{ id: number }> {
    return this.http.post<{ id: number }>('/api/floor/schedules', { effort, seed: 1 });
  }
  /** Ends a plan with what it has. */
  stop(run: number): Observable<Floor> {
    return this.http.delete<Floor>(`/api/floor/runs/${run}`);
  }
  dropTrial(id: number): Observable<Floor> {
    return this.http.delete<Floor>(`/api/floor/schedules/${id}`);
  }
  tryMove(move: MoveAsked): Observable<MoveEffect> {
    return this.http.post<MoveEffect>('/api/floor/tries', move);
  }
  move(move: MoveAsked): Observable<Schedule> {
    return this.http.post<Schedule>('/api/floor/moves', move);
  }
  feed(): Observable<FloorFeed> {
    return this.http.get<FloorFeed>('/api/session/floor-feed');
  }
  makeFeed(): Observable<MadeFloorFeed> {
    return this.http.post<MadeFloorFeed>('/api/session/floor-feed', {});
  }
  dropFeed(): Observable<FloorFeed> {
    return this.http.delete<FloorFeed>('/api/session/floor-feed');
  }
  take(id: number): Observable<Floor> {
    return this.http.post<Floor>('/api/floor/in-force', { id });
  }
}
