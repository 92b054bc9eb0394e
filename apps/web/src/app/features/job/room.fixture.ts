import { type RoomEvent, type RoomRecord, SHIPPED_WORKS, plan, refuse, roomCard, roomState } from '@druckerei/core';
import { type PressRoom, issueText } from '@druckerei/contract';
import type { Job } from '@druckerei/core';
import { HttpErrorResponse } from '@angular/common/http';
import { type Observable, of, throwError } from 'rxjs';
import type { Api } from '../../platform/api';

/** A press room that keeps what its gates let through, as the server does. */
export class FakeRoom implements Pick<Api, 'room' | 'enterEvent'> {
  readonly records: RoomRecord[] = [];
  constructor(
    private readonly job: Job,
    private readonly kept: PressRoom['kept'] = [],
  ) {}
  private get answer(): PressRoom {
    return { records: [...this.records] as PressRoom['records'], kept: this.kept };
  }
  room(): Observable<PressRoom> {
    return of(this.answer);
  }
  enterEvent(_id: number, event: RoomEvent, seen: number): Observable<PressRoom> {
    if (seen !== this.records.length) throw new Error(`seen ${seen} of ${this.records.length}`);
    const planned = plan(this.job, SHIPPED_WORKS);
    if (!planned.ok) throw new Error('not planned');
    const card = roomCard(this.job, planned.value, SHIPPED_WORKS);
    if (!card.ok) throw new Error('no card');
    const issues = refuse({ card: card.value, state: roomState(this.records) }, event);
    if (issues.length > 0) {
      const errors = issues.map((issue) => ({ path: `event.${issue.path}`, message: issueText(issue) }));
      const error = { type: 'about:blank', title: 'Not taken', status: 422, errors };
      return throwError(() => new HttpErrorResponse({ status: 422, error }));
    }
    this.records.push({ id: this.records.length + 1, at: '2026-11-25T08:00:00.000Z', by: 'Production manager', event });
    return of(this.answer);
  }
}
