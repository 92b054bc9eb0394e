import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { RoomEntry } from '@druckerei/core';
import { type Photograph, photographOf, pictureUrl } from '../../platform/photograph';
import { WordPipe } from '../../ui/word';

/** A photograph at the station: from the camera or a file, with what is to be seen on it. */
@Component({
  selector: 'dk-photo-entry',
  imports: [MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <input
      #file
      type="file"
      accept="image/*"
      capture="environment"
      i18n-aria-label
      aria-label="Picture from the camera or a file"
      class="cdk-visually-hidden"
      tabindex="-1"
      (change)="take(file)"
    />
    @if (taken(); as photo) {
      <img [src]="url(photo.picture)" i18n-alt alt="The picture as it will be kept" />
    }
    <button [matButton]="taken() ? 'outlined' : 'filled'" class="wide" (click)="file.click()">
      <mat-icon aria-hidden="true">photo_camera</mat-icon
      >{{ taken() ? ('Take it again' | word) : ('Take a picture' | word) }}
    </button>
    @if (taken(); as photo) {
      <label><span i18n>What is to be seen</span><input #note maxlength="300" /></label>
      <button i18n matButton="filled" class="wide" [disabled]="busy()" (click)="enter(photo, note.value)">
        Enter the photograph
      </button>
    }
  `,
  styleUrl: './entry-form.scss',
  styles: `
    img {
      display: block;
      max-width: 100%;
      max-height: 320px;
      margin: 8px 0;
    }
    .cdk-visually-hidden {
      min-height: 0;
    }
  `,
})
export class PhotoEntry {
  readonly step = input.required<string>();
  readonly busy = input(false);
  readonly entered = output<{ readonly entry: RoomEntry; readonly picture: string }>();
  readonly wrong = output<string>();
  protected readonly taken = signal<Photograph | undefined>(undefined);
  protected readonly url = pictureUrl;

  protected async take(input: HTMLInputElement): Promise<void> {
    const [file] = input.files ?? [];
    // The same file may be chosen again.
    input.value = '';
    if (!file) return;
    const photo = await photographOf(file);
    if (photo) this.taken.set(photo);
    this.wrong.emit(
      photo
        ? ''
        : $localize`${file.name} is no picture that can be read here. Take one with the camera, or choose a JPEG or PNG.`,
    );
  }
  protected enter({ sha256, picture }: Photograph, typed: string): void {
    const note = typed.trim();
    const entry = { kind: 'photo', step: this.step(), sha256, ...(note === '' ? {} : { note }) } as const;
    this.entered.emit({ entry, picture });
  }
}
