import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';

/** Benches that work without a job: the reckoner, shared sheets, die-cut blanks, webs, mixed colours, register, numbers, codes, single books. */
@Component({
  selector: 'dk-benches-page',
  imports: [MatTabsModule, RouterLink, RouterLinkActive, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 i18n class="cdk-visually-hidden">Benches</h1>
    <nav mat-tab-nav-bar [tabPanel]="panel" mat-stretch-tabs="false" i18n-aria-label aria-label="Benches">
      @for (bench of benches; track bench.path) {
        <a mat-tab-link [routerLink]="bench.path" routerLinkActive #link="routerLinkActive" [active]="link.isActive">{{
          bench.name
        }}</a>
      }
    </nav>
    <mat-tab-nav-panel #panel><router-outlet /></mat-tab-nav-panel>
  `,
  styles: `
    nav {
      padding: 0 12px;
    }
    a {
      min-width: 0;
      padding: 0 13px;
    }
    mat-tab-nav-panel {
      display: block;
      padding: 16px 20px 32px;
    }
  `,
})
export class BenchesPage {
  protected readonly benches = [
    { path: 'reckoner', name: $localize`Reckoner` },
    { path: 'practice', name: $localize`Practice` },
    { path: 'gang', name: $localize`Gang sheet` },
    { path: 'die', name: $localize`Die-cut blank` },
    { path: 'web', name: $localize`Web and cylinders` },
    { path: 'ink', name: $localize`Mixed colour` },
    { path: 'register', name: $localize`Register` },
    { path: 'colour', name: $localize`Colour on press` },
    { path: 'numbers', name: $localize`Numbers` },
    { path: 'codes', name: $localize`Codes` },
    { path: 'singles', name: $localize`Single books` },
  ];
}
