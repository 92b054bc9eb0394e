import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { CustomerRow } from '@druckerei/contract';
import { of } from 'rxjs';
import { Api } from '../../../platform/api';
import { JobEditor } from '../state/job-editor';
import { CustomerLine } from './customer-line';

const row = (change: Partial<CustomerRow>): CustomerRow => ({
  id: 4,
  name: 'Botanic Garden',
  reference: null,
  places: 0,
  jobs: 1,
  lastJob: null,
  policy: null,
  artwork: 'Bleed of 3 mm',
  retired: false,
  ...change,
});

async function lineOf(rows: readonly CustomerRow[], customer = 'Botanic Garden') {
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: Api, useValue: { customers: () => of({ rows, total: rows.length }) } },
      { provide: JobEditor, useValue: { job: signal({ customer }) } },
    ],
  });
  const fixture = TestBed.createComponent(CustomerLine);
  await fixture.whenStable();
  await new Promise((resolve) => setTimeout(resolve, 300));
  await fixture.whenStable();
  return fixture.nativeElement as HTMLElement;
}

describe('what the works knows of the customer of a job', () => {
  it('is a way to them, and what their artwork keeps to', async () => {
    const line = await lineOf([row({ id: 3, name: 'Botanic Gardens of the north' }), row({})]);
    expect(line.querySelector('a')?.getAttribute('href')).toBe('/customers/4');
    expect(line.textContent).toContain('Artwork: Bleed of 3 mm');
  });

  it.each<[string, readonly CustomerRow[]]>([
    ['nobody is called so', [row({ name: 'Botanic Gardens of the north' })]],
    ['they are retired', [row({ retired: true })]],
  ])('is nothing where %s', async (_, rows) => {
    expect((await lineOf(rows)).textContent?.trim()).toBe('');
  });
});
