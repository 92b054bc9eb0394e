import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { type Works, SHIPPED_WORKS } from '@druckerei/core';
import { failureOf } from './problem';
import { HeldWorks } from './held-works';

describe('the works that is held', () => {
  let http: HttpTestingController;
  let held: HeldWorks;
  const told: Works[] = [];
  const refused: unknown[] = [];
  const ask = () => {
    held.works().subscribe({ next: (works) => told.push(works), error: (error: unknown) => refused.push(error) });
    return http.expectOne('/api/works');
  };
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    http = TestBed.inject(HttpTestingController);
    held = TestBed.inject(HeldWorks);
    told.length = 0;
    refused.length = 0;
  });
  afterEach(() => http.verify());

  it('is the same object while the server says that nothing has changed, and the new one when something has', () => {
    const first = ask();
    expect(first.request.headers.has('If-None-Match')).toBe(false);
    first.flush(SHIPPED_WORKS, { headers: { ETag: '"one"' } });
    const second = ask();
    expect(second.request.headers.get('If-None-Match')).toBe('"one"');
    second.flush(null, { status: 304, statusText: 'Not Modified' });
    expect(told[1]).toBe(told[0]);
    ask().flush({ ...SHIPPED_WORKS, name: 'Other' }, { headers: { ETag: '"two"' } });
    const last = ask();
    expect(last.request.headers.get('If-None-Match')).toBe('"two"');
    last.flush(null, { status: 304, statusText: 'Not Modified' });
    expect(told.map(({ name }) => name)).toEqual([SHIPPED_WORKS.name, SHIPPED_WORKS.name, 'Other', 'Other']);
  });

  it('is asked for as a whole where no mark came with it', () => {
    ask().flush(SHIPPED_WORKS);
    const again = ask();
    expect(again.request.headers.has('If-None-Match')).toBe(false);
    again.flush(SHIPPED_WORKS);
  });

  it('hides no refusal', () => {
    ask().flush(SHIPPED_WORKS, { headers: { ETag: '"one"' } });
    ask().flush(
      { type: 'about:blank', title: 'The server is being stopped', status: 503 },
      { status: 503, statusText: '' },
    );
    expect(told).toHaveLength(1);
    expect(failureOf(refused[0]).text).toContain('The server is being stopped');
  });
});
