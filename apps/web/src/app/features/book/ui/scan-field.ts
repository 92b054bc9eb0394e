import { ChangeDetectionStrategy, Component, type ElementRef, input, output, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { type CameraScan, canScan, scanByCamera } from './camera';
import { WordPipe } from '../../../ui/word';

/** Takes a code: typed, by a hand scanner that types, or by the camera where the browser lets it. */
@Component({
  selector: 'dk-scan-field',
  imports: [MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="send($event)">
      <label>
        <span i18n>Tag, ticket or number</span>
        <input #field name="code" autocomplete="off" autocapitalize="characters" spellcheck="false" maxlength="200" />
      </label>
      <button i18n matButton="filled" type="submit" [disabled]="busy()">Open</button>
      @if (canScan) {
        <button matButton="outlined" type="button" (click)="camera ? stop() : look()">
          <mat-icon aria-hidden="true">{{ camera ? 'videocam_off' : 'qr_code_scanner' }}</mat-icon>{{
            camera ? ('Stop' | word) : ('Camera' | word)
          }}
        </button>
      }
    </form>
    @if (problem(); as text) {
      <p class="wrong" role="alert">{{ text }}</p>
    }
    <video #video muted playsinline [hidden]="!seeing()" i18n-aria-label aria-label="What the camera sees"></video>
  `,
  styles: `
    form {
      display: flex;
      align-items: end;
      gap: 8px;
    }
    label {
      flex: 1;
      display: flex;
      flex-direction: column;
      gap: 2px;
    }
    input {
      font: inherit;
      font-size: 20px;
      height: 52px;
      padding: 0 12px;
      border: 1px solid var(--mat-sys-outline);
      border-radius: 4px;
      background: var(--mat-sys-surface-container-lowest);
      color: inherit;
    }
    button {
      height: 52px;
    }
    video {
      display: block;
      width: 100%;
      max-height: 320px;
      margin-top: 8px;
      object-fit: cover;
      border-radius: 4px;
    }
    video[hidden] {
      display: none;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class ScanField {
  readonly busy = input(false);
  readonly scanned = output<string>();
  protected readonly canScan = canScan();
  protected readonly problem = signal('');
  protected readonly seeing = signal(false);
  protected camera: CameraScan | undefined;
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  private readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');

  protected send(event: Event): void {
    event.preventDefault();
    const field = this.field().nativeElement;
    const code = field.value.trim();
    if (code === '') return;
    field.select();
    this.scanned.emit(code);
  }

  protected async look(): Promise<void> {
    this.problem.set('');
    try {
      this.camera = scanByCamera(this.video().nativeElement);
      this.seeing.set(true);
      const code = await this.camera.found;
      if (code !== undefined) {
        this.field().nativeElement.value = code;
        this.scanned.emit(code);
      }
    } catch {
      this.problem.set($localize`The camera cannot be used here. Type the number of the tag, or use a hand scanner.`);
    }
    this.stop();
  }
  protected stop(): void {
    this.camera?.stop();
    this.camera = undefined;
    this.seeing.set(false);
  }
}
