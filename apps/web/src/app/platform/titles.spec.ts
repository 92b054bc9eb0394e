import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Title } from '@angular/platform-browser';
import { TitleStrategy, provideRouter } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { Titles } from './titles';

@Component({ selector: 'dk-place', changeDetection: ChangeDetectionStrategy.OnPush, template: '' })
class Place {}

describe('the tab of the browser', () => {
  it('says the place and the application; a place without a name leaves what stands', async () => {
    TestBed.configureTestingModule({
      providers: [
        provideRouter([
          { path: 'norms', title: 'Norms', component: Place },
          { path: 'plain', component: Place },
        ]),
        { provide: TitleStrategy, useExisting: Titles },
      ],
    });
    const title = TestBed.inject(Title);
    const harness = await RouterTestingHarness.create('/norms');
    expect(title.getTitle()).toBe('Norms - Druckerei');
    TestBed.inject(Titles).say('HB-2041 Trail map');
    await harness.navigateByUrl('/plain');
    expect(title.getTitle()).toBe('HB-2041 Trail map - Druckerei');
  });
});
