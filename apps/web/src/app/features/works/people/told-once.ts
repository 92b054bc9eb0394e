import { ChangeDetectionStrategy, Component, effect, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { WordPipe } from '../../../ui/word';

/** A link, token or secret that is shown this once, to be copied. */
@Component({
  selector: 'dk-told-once',
  imports: [MatButtonModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      <code [attr.data-test]="kind()">{{ text() }}</code>
    </p>
    <button matButton (click)="copy()">{{ copied() ? ('Copied' | word) : ('Copy it' | word) }}</button>
  `,
  styles: `
    p {
      overflow-wrap: anywhere;
    }
  `,
})
export class ToldOnce {
  readonly kind = input.required<'link' | 'token' | 'secret'>();
  readonly text = input.required<string>();
  protected readonly copied = signal(false);

  constructor() {
    effect(() => {
      this.text();
      this.copied.set(false);
    });
  }

  protected copy(): void {
    void navigator.clipboard.writeText(this.text()).then(() => this.copied.set(true));
  }
}
