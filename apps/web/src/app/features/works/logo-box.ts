import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { Api } from '../../platform/api';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';
import { WordPipe } from '../../ui/word';

/** Bytes of the largest picture. */
const MOST_BYTES = 500_000;

/** The picture at the head of papers that leave the works: shown, set from a file, taken away. It is kept at once. */
@Component({
  selector: 'dk-logo-box',
  imports: [MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (logo(); as picture) {
      <img [src]="picture" i18n-alt alt="Logo of the works" />
    } @else {
      <span class="quiet">{{ loaded() ? ('No logo yet.' | word) : ('Looking for the logo.' | word) }}</span>
    }
    @if (mayEdit() && loaded()) {
      <input
        #file
        type="file"
        accept="image/png,image/jpeg"
        i18n-aria-label
        aria-label="Logo from a file"
        class="cdk-visually-hidden"
        tabindex="-1"
        (change)="take(file)"
      />
      <button matButton="outlined" type="button" (click)="file.click()">
        <mat-icon>image</mat-icon>{{ logo() ? ('Another logo' | word) : ('A logo from a file' | word) }}
      </button>
      @if (logo()) {
        <button i18n matButton type="button" (click)="set(null)">Take it away</button>
      }
      <span i18n class="quiet">PNG or JPEG, up to 500 kB; it is kept at once.</span>
    }
    @if (failed(); as message) {
      <p role="alert">{{ message }}</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 16px;
      grid-column: 1 / -1;
    }
    img {
      max-width: 226px;
      max-height: 85px;
      padding: 6px;
      background: #fff;
      border: 1px solid var(--mat-sys-outline-variant);
    }
    p {
      flex-basis: 100%;
      margin: 0;
      color: var(--mat-sys-error);
    }
  `,
})
export class LogoBox {
  readonly mayEdit = input.required<boolean>();
  private readonly api = inject(Api);
  protected readonly logo = signal<string | null>(null);
  protected readonly loaded = signal(false);
  protected readonly failed = signal('');

  constructor() {
    const look = () => this.follow(this.api.logo());
    look();
    whenChanged(['works'], look);
  }

  protected take(input: HTMLInputElement): void {
    const [file] = input.files ?? [];
    // The same file may be chosen again.
    input.value = '';
    if (!file) return;
    if (file.size > MOST_BYTES) {
      this.failed.set($localize`${file.name} is larger than 500 kB. Save it smaller, as PNG or JPEG.`);
      return;
    }
    const reader = new FileReader();
    reader.onload = () => this.set((reader.result as string).replace(/^[^,]*,/, ''));
    reader.onerror = () => this.failed.set($localize`${file.name} cannot be read.`);
    reader.readAsDataURL(file);
  }

  protected set(image: string | null): void {
    this.follow(this.api.setLogo(image));
  }

  private follow(call: ReturnType<Api['logo']>): void {
    this.failed.set('');
    call.subscribe({
      next: (logo) => {
        this.logo.set(logo);
        this.loaded.set(true);
      },
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
