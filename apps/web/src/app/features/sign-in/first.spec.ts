import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { FirstManager } from '@druckerei/contract';
import { Store, provideStore } from '@ngrx/store';
import { of, throwError } from 'rxjs';
import { Api } from '../../platform/api';
import { sessionFeature } from '../../platform/session.state';
import { FirstPage } from './first.page';

const GOOD = {
  code: 'ABCD-EFGH-JKLM-NPQR',
  name: 'Production, early',
  login: 'early',
  password: 'a lantern in the weir',
};

async function open(code: string) {
  const asked: FirstManager[] = [];
  const account = { id: 1, login: 'early', name: 'Production, early', role: 'manager' as const };
  const makeFirstManager = (first: FirstManager) => {
    asked.push(first);
    const errors = [{ path: 'code', message: 'This is not the code.' }];
    return first.code === code
      ? of({ account })
      : throwError(
          () =>
            new HttpErrorResponse({
              status: 422,
              error: { type: 'about:blank', status: 422, title: 'Not valid', errors },
            }),
        );
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
      { provide: Api, useValue: { makeFirstManager } },
    ],
  });
  const fixture = TestBed.createComponent(FirstPage);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const send = async (values: Partial<typeof GOOD>) => {
    for (const [name, value] of Object.entries(values)) {
      const field = element.querySelector<HTMLInputElement>(`[formControlName=${name}]`);
      if (!field) throw new Error(`no field ${name}`);
      field.value = value;
      field.dispatchEvent(new Event('input'));
    }
    element.querySelector('form')?.dispatchEvent(new Event('submit'));
    await fixture.whenStable();
  };
  const who = () => TestBed.inject(Store).selectSignal(sessionFeature.selectWho)().kind;
  return { asked, send, who, text: () => element.textContent ?? '' };
}

describe('the page of the first manager', () => {
  it('asks for all of it before it asks the server', async () => {
    const { asked, send, text } = await open(GOOD.code);
    await send({ ...GOOD, password: 'short' });
    expect(asked).toEqual([]);
    expect(text()).toContain('Ten letters or more');
  });

  it('says what the server refuses and keeps what was typed, then is signed in', async () => {
    const { asked, send, who, text } = await open(GOOD.code);
    await send({ ...GOOD, code: 'no' });
    expect(text()).toContain('This is not the code.');
    expect(who()).not.toBe('known');
    await send({ code: GOOD.code });
    expect(asked.at(-1)).toEqual(GOOD);
    expect(who()).toBe('known');
  });
});
