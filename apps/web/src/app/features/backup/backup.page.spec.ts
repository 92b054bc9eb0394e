import { HttpErrorResponse, type HttpEvent, HttpEventType, HttpResponse } from '@angular/common/http';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { Store, provideStore } from '@ngrx/store';
import type { Restored } from '@druckerei/contract';
import { Subject } from 'rxjs';
import { Api } from '../../platform/api';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { BackupPage } from './backup.page';
import { testAccount } from '../../platform/account.fixture';

describe('backup in the application', () => {
  let sent: Subject<HttpEvent<Restored>>;
  let fixture: ComponentFixture<BackupPage>;
  const text = (): string => ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
  const click = async (name: string): Promise<void> => {
    const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
    const found = buttons.find((one) => one.textContent.includes(name));
    if (!found) throw new Error(`no button ${name}`);
    found.click();
    await fixture.whenStable();
  };
  const choose = async (): Promise<void> => {
    const input = (fixture.nativeElement as HTMLElement).querySelector('input');
    const file = new File(['x'.repeat(2_000_000)], 'works.zip');
    Object.defineProperty(input, 'files', { value: [file] });
    input?.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  const open = async (role: 'manager' | 'viewer'): Promise<void> => {
    sent = new Subject();
    TestBed.configureTestingModule({
      providers: [
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        { provide: Api, useValue: { restore: () => sent } },
      ],
    });
    const account = testAccount(role === 'manager' ? undefined : []);
    TestBed.inject(Store).dispatch(SessionActions.found({ account, demo: false, first: false }));
    fixture = TestBed.createComponent(BackupPage);
    await fixture.whenStable();
  };

  it('is for managers alone', async () => {
    await open('viewer');
    expect(text()).toContain('managers alone');
    expect((fixture.nativeElement as HTMLElement).querySelector('a, button')).toBeNull();
  });

  it('sends a file, shows how far it is, and says what came of it', async () => {
    await open('manager');
    await choose();
    expect(text()).toContain('works.zip, 2 MB');
    await click('Restore');
    sent.next({ type: HttpEventType.UploadProgress, loaded: 500_000, total: 2_000_000 });
    await fixture.whenStable();
    const bar = (fixture.nativeElement as HTMLElement).querySelector('mat-progress-bar');
    expect([bar?.getAttribute('aria-valuenow'), text()]).toEqual(['25', expect.stringContaining('Sending the file')]);
    sent.next({ type: HttpEventType.UploadProgress, loaded: 2_000_000, total: 2_000_000 });
    await fixture.whenStable();
    expect(text()).toContain('comparing with what the backup says');
    sent.next(new HttpResponse({ body: { made: '2026-11-27T10:00:00.000Z', jobs: 17, rows: 1_234 } }));
    await fixture.whenStable();
    expect(text()).toContain('Restored as of 27 Nov 2026: 17 jobs, 1,234 rows in all');
    await click('Sign in');
    expect(TestBed.inject(Store).selectSignal(sessionFeature.selectAccount)()).toBeUndefined();
  });

  it('can be stopped, and says why the server refuses', async () => {
    await open('manager');
    await choose();
    await click('Restore');
    await click('Stop');
    expect([text(), sent.observed]).toEqual([expect.stringContaining('Stopped'), false]);
    await click('Restore');
    const error = { type: 'about:blank', title: 'This works is in use', status: 409, detail: 'It holds: job 17.' };
    sent.error(new HttpErrorResponse({ status: 409, error }));
    await fixture.whenStable();
    expect(text()).toContain('This works is in use. It holds: job 17.');
  });
});
