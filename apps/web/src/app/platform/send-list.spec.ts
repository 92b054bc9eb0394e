import { HttpClient, HttpErrorResponse, HttpEventType, provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { JSON_LINES } from '@druckerei/contract/plain';
import { failureOf } from './problem';
import { type ListSent, sendList } from './send-list';

interface Answer {
  readonly entered: number;
}

function send(entries: readonly unknown[]) {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  const told: ListSent<Answer>[] = [];
  const failed: unknown[] = [];
  const under = sendList<Answer>(TestBed.inject(HttpClient), '/api/list', { device: 'Counter' }, entries).subscribe({
    next: (one) => told.push(one),
    error: (error: unknown) => failed.push(error),
  });
  const call = TestBed.inject(HttpTestingController).expectOne('/api/list');
  return { call, told, failed, under };
}
const lines = (...told: unknown[]): string => told.map((one) => `${JSON.stringify(one)}\n`).join('');
const asLines = { headers: { 'Content-Type': JSON_LINES } };
const textOf = (blob: Blob): Promise<string> =>
  new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.readAsText(blob);
  });

describe('a list that is sent', () => {
  it('goes as lines: first what is said once, then each entry', async () => {
    const { call } = send(Array.from({ length: 2_001 }, (_, i) => ({ i })));
    expect(call.request.headers.get('Content-Type')).toBe(JSON_LINES);
    const sent = (await textOf(call.request.body as Blob)).split('\n');
    expect(sent).toHaveLength(2_003);
    expect([sent[0], sent[1], sent[2_001], sent[2_002]]).toEqual(['{"device":"Counter"}', '{"i":0}', '{"i":2000}', '']);
  });

  it('tells how far it is, and the answer last', () => {
    const { call, told } = send([1, 2]);
    const looking = { doing: 'looking', done: 0, of: 2 };
    const entering = { doing: 'entering', done: 1, of: 2 };
    // What is cut off in the middle of a line waits for its end.
    const partialText = `${lines(looking, entering)}{"answ`;
    call.event({ type: HttpEventType.DownloadProgress, loaded: 1, partialText } as never);
    call.flush(lines(looking, entering, { answer: { entered: 2 } }), asLines);
    expect(told).toEqual([{ doing: 'sending', done: 0, of: 2 }, entering, { answer: { entered: 2 } }]);
  });

  it('is answered at once where there was nothing to tell on the way', () => {
    const { call, told } = send([1]);
    call.flush('{"entered":1}', { headers: { 'Content-Type': 'application/json' } });
    expect(told.at(-1)).toEqual({ answer: { entered: 1 } });
  });

  const PROBLEM = { type: 'about:blank', title: 'Some values cannot be used', status: 422, errors: [] };
  it('fails with the problem, told at once or on the way', () => {
    const atOnce = send([1]);
    atOnce.call.flush(JSON.stringify(PROBLEM), { status: 422, statusText: 'no' });
    const later = send([1]);
    later.call.flush(lines({ doing: 'looking', done: 0, of: 1 }, { problem: PROBLEM }), asLines);
    for (const { failed } of [atOnce, later]) {
      expect(failed[0]).toBeInstanceOf(HttpErrorResponse);
      expect(failureOf(failed[0])).toMatchObject({ status: 422, text: PROBLEM.title });
    }
  });

  it('fails where the way ends without an answer', () => {
    const { call, failed } = send([1]);
    call.flush(lines({ doing: 'entering', done: 0, of: 1 }), asLines);
    expect(failureOf(failed[0]).status).toBe(500);
  });

  it('is stopped by whoever leaves', () => {
    const { call, under } = send([1]);
    under.unsubscribe();
    expect(call.cancelled).toBe(true);
  });
});
