import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { ClassLine, FilledExercise, PlayedShift, Reached } from '@druckerei/contract';
import type { Observable } from 'rxjs';

/** The server's calls about exercises: what was reached in them, by whom. */
@Injectable({ providedIn: 'root' })
export class PracticeApi {
  private readonly http = inject(HttpClient);

  reached(): Observable<Reached[]> {
    return this.http.get<Reached[]>('/api/practice/reached');
  }
  fill(exercise: FilledExercise): Observable<Reached[]> {
    return this.http.post<Reached[]>('/api/practice/reached', exercise);
  }
  play(shift: PlayedShift): Observable<Reached[]> {
    return this.http.post<Reached[]>('/api/practice/shifts', shift);
  }
  class(): Observable<ClassLine[]> {
    return this.http.get<ClassLine[]>('/api/practice/class');
  }
}
