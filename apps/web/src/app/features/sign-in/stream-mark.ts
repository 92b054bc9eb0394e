import { ChangeDetectionStrategy, Component } from '@angular/core';

/** The stream that narrows at a station: the mark of the pages before one is signed in. */
@Component({
  selector: 'dk-stream-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 600 120" aria-hidden="true" preserveAspectRatio="none">
      <path
        d="M0 18 C180 18 220 40 330 46 S480 52 600 52 V70 C480 70 430 72 330 78 S180 102 0 102Z"
        fill="var(--dk-stream)"
      />
      <path
        d="M0 46 C160 46 220 56 330 59 S480 60 600 60 V62 C480 62 430 62 330 64 S160 74 0 74Z"
        fill="var(--dk-station)"
      />
    </svg>
  `,
  styles: `
    svg {
      display: block;
      height: 96px;
      width: calc(100% + 64px);
      margin: 0 -32px 16px;
    }
  `,
})
export class StreamMark {}
