import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { sentOnceInterceptor } from './sent-once.interceptor';

describe('what is sent', () => {
  let http: HttpClient;
  let wire: HttpTestingController;
  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(withInterceptors([sentOnceInterceptor])), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpClient);
    wire = TestBed.inject(HttpTestingController);
  });
  const send = (body: object) => {
    http.post('/api/finished/lots', body).subscribe({ error: () => undefined });
    return wire.expectOne('/api/finished/lots');
  };
  const key = (sent: ReturnType<typeof send>): string | null => sent.request.headers.get('Idempotency-Key');

  it('again after a lost answer carries the same key, and another thing another', () => {
    const first = send({ pieces: 1 });
    expect(key(first)).toMatch(/^[0-9a-f]{32}$/);
    first.error(new ProgressEvent('error'));
    const again = send({ pieces: 1 });
    expect(key(again)).toBe(key(first));
    again.flush({}, { status: 503, statusText: 'away' });
    const third = send({ pieces: 1 });
    expect(key(third)).toBe(key(first));
    const other = send({ pieces: 2 });
    expect(key(other)).not.toBe(key(first));
    third.flush({});
    expect(key(send({ pieces: 1 }))).not.toBe(key(first));
  });

  it('to read or to sign in carries none', () => {
    http.get('/api/jobs').subscribe();
    expect(wire.expectOne('/api/jobs').request.headers.has('Idempotency-Key')).toBe(false);
    http.post('/api/session', {}).subscribe();
    expect(wire.expectOne('/api/session').request.headers.has('Idempotency-Key')).toBe(false);
  });
});
