import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import type { CountLines, CountedLines } from '@druckerei/contract';
import { of, throwError } from 'rxjs';
import { BookApi } from '../../platform/book-api';
import { CountsFile } from './counts-file';

let answer: () => ReturnType<BookApi['enterCounts']>;
const sent: CountLines[] = [];
const LIST = [
  'Job;Station;When;Good;Spoiled;Reason',
  'HB-2041;Fold;30.11.2026 14:05;1.200;35;crease',
  'HB-2041;Fold;30.11.2026;10;;',
  'HB-2042;Box;30.11.2026 15:00;500;;',
].join('\n');

async function open() {
  sent.length = 0;
  const api = { enterCounts: (lines: CountLines) => (sent.push(lines), answer()) };
  TestBed.configureTestingModule({ providers: [{ provide: BookApi, useValue: api }] });
  const fixture = TestBed.createComponent(CountsFile);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const field = element.querySelector<HTMLInputElement>('input[type=file]');
  const bytes = new TextEncoder().encode(LIST);
  const files = [{ name: 'counter.csv', arrayBuffer: () => Promise.resolve(bytes.buffer) }] as unknown as FileList;
  if (field) Object.defineProperty(field, 'files', { value: files, configurable: true });
  field?.dispatchEvent(new Event('change'));
  const text = () => (element.textContent ?? '').replace(/\s+/g, ' ');
  for (let i = 0; i < 50 && !text().includes('Take'); i++) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    await fixture.whenStable();
  }
  const take = async () => {
    [...element.querySelectorAll('button')].find((one) => one.textContent.includes('Take'))?.click();
    await fixture.whenStable();
  };
  return { text, take };
}

describe('counts out of a file', () => {
  it('are read line by line, what cannot is told, and the rest goes into the book', async () => {
    answer = () => of({ answer: { entered: 2, known: 1, held: 1 } satisfies CountedLines });
    const { text, take } = await open();
    expect(text()).toContain('Line 3: There is no moment “30.11.2026”');
    expect(text()).toContain('Take 2 counts');
    await take();
    expect(sent[0]?.lines).toEqual([
      { job: 'HB-2041', station: 'Fold', at: '2026-11-30T14:05', good: 1200, spoiled: 35, reason: 'crease' },
      { job: 'HB-2042', station: 'Box', at: '2026-11-30T15:00', good: 500, spoiled: 0 },
    ]);
    expect(text()).toContain('2 entries came into the book, 1 stood there already, 1 are held');
  });

  it('are told by their lines where the server takes none', async () => {
    const errors = [{ path: 'lines[1].station', message: 'Job HB-2042 has no station Box.' }];
    const problem = { type: 'about:blank', title: 'Nothing', status: 422, errors };
    answer = () => throwError(() => new HttpErrorResponse({ status: 422, error: problem }));
    const { text, take } = await open();
    await take();
    expect(text()).toContain('Nothing was taken. Line 4: Job HB-2042 has no station Box.');
    expect(text()).toContain('Take 2 counts');
  });
});
