import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatTooltipModule } from '@angular/material/tooltip';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { type Command, Commands } from './commands';
import { Keys } from './keys';
import type { PaletteDialog } from './palette.dialog';
import { RoomOutbox } from './room-outbox';
import { SessionActions, sessionFeature } from './session.state';
import { SignOutDialog, type Unsent } from './sign-out.dialog';
import { Theme } from './theme';
import { unsentDrafts } from './unsent';
import { Measures } from '../ui/measures';

/** The frame of every page: where one can go, what one can do, who is signed in. */
@Component({
  selector: 'dk-root',
  imports: [
    MatButtonModule,
    MatIconModule,
    MatMenuModule,
    MatTooltipModule,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (account(); as account) {
      <header>
        <a routerLink="/jobs" class="mark" aria-label="Druckerei, to the jobs"
          ><img src="mark.svg" alt="" width="22" height="22" />Druckerei</a
        >
        <nav aria-label="Areas">
          <a routerLink="/jobs" routerLinkActive="here" ariaCurrentWhenActive="page">Jobs</a>
          <a routerLink="/benches" routerLinkActive="here" ariaCurrentWhenActive="page">Benches</a>
          <a routerLink="/stores" routerLinkActive="here" ariaCurrentWhenActive="page">Stores</a>
          <a routerLink="/norms" routerLinkActive="here" ariaCurrentWhenActive="page">Norms</a>
        </nav>
        <span class="gap"></span>
        <button
          matIconButton
          (click)="openPalette()"
          matTooltip="Find a command (Ctrl + K)"
          aria-label="Find a command"
        >
          <mat-icon>manage_search</mat-icon>
        </button>
        <button matIconButton (click)="openKeys()" matTooltip="Keys (?)" aria-label="Keys">
          <mat-icon>keyboard</mat-icon>
        </button>
        <button
          matIconButton
          (click)="theme.toggle()"
          [matTooltip]="theme.dark() ? 'Light' : 'Dark'"
          [attr.aria-label]="theme.dark() ? 'Light colours' : 'Dark colours'"
        >
          <mat-icon>{{ theme.dark() ? 'light_mode' : 'dark_mode' }}</mat-icon>
        </button>
        <button
          matIconButton
          (click)="measures.toggle()"
          [matTooltip]="
            measures.system() === 'metric' ? 'Metric; switch to inch and pound' : 'Inch and pound; switch to metric'
          "
          [attr.aria-label]="measures.system() === 'metric' ? 'Measures in inch and pound' : 'Measures in metric'"
        >
          <mat-icon>{{ measures.system() === 'metric' ? 'straighten' : 'square_foot' }}</mat-icon>
        </button>
        <button matButton [matMenuTriggerFor]="who"><mat-icon>person</mat-icon>{{ account.name }}</button>
        <mat-menu #who>
          <span mat-menu-item disabled>Role: {{ account.role }}</span>
          @if (account.role === 'manager') {
            <a mat-menu-item routerLink="/backup">Backup</a>
          }
          <button mat-menu-item (click)="signOut()">Sign out</button>
        </mat-menu>
      </header>
    }
    @if (unanswered()) {
      <p class="unanswered" role="alert">
        The server has a problem and does not answer. It is asked again by itself; what you typed is kept on this
        computer.
      </p>
    }
    <main><router-outlet /></main>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 100vh;
    }
    .unanswered {
      margin: 48px auto;
      max-width: 480px;
      padding: 16px 20px;
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 4px;
      background: var(--mat-sys-surface-container);
    }
    header {
      display: flex;
      align-items: center;
      gap: 4px;
      height: 46px;
      padding: 0 16px;
      background: var(--mat-sys-surface-container);
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    .mark {
      display: flex;
      align-items: center;
      gap: 8px;
      font-weight: 700;
      font-size: 16px;
      color: inherit;
      text-decoration: none;
      margin-right: 20px;
    }
    nav a {
      display: inline-block;
      padding: 6px 12px;
      color: var(--mat-sys-on-surface-variant);
      text-decoration: none;
      border-radius: 4px;
    }
    nav a.here {
      color: var(--mat-sys-on-surface);
      font-weight: 650;
      box-shadow: inset 0 -2px var(--mat-sys-primary);
      border-radius: 0;
    }
    .gap {
      flex: 1;
    }
    main {
      flex: 1;
      display: flex;
      flex-direction: column;
      min-width: 0;
    }
  `,
})
export class Shell {
  private readonly store = inject(Store);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  private readonly outbox = inject(RoomOutbox);
  protected readonly theme = inject(Theme);
  protected readonly measures = inject(Measures);
  protected readonly account = this.store.selectSignal(sessionFeature.selectAccount);
  protected readonly unanswered = this.store.selectSignal(sessionFeature.selectUnanswered);

  constructor() {
    inject(Keys);
    inject(Commands).offerShell([
      { id: 'palette', name: 'Find a command', key: '$mod+k', run: () => void this.openPalette() },
      { id: 'keys', name: 'Show all keys', key: '?', run: () => void this.openKeys() },
      { id: 'jobs', name: 'Go to jobs', key: 'g j', run: () => void this.router.navigateByUrl('/jobs') },
      { id: 'benches', name: 'Go to benches', key: 'g b', run: () => void this.router.navigateByUrl('/benches') },
      { id: 'norms', name: 'Go to norms', key: 'g n', run: () => void this.router.navigateByUrl('/norms') },
      { id: 'backup', name: 'Go to backup', run: () => void this.router.navigateByUrl('/backup') },
      { id: 'measures', name: 'Metric or inch and pound', run: () => this.measures.toggle() },
      { id: 'theme', name: 'Light or dark', run: () => this.theme.toggle() },
      { id: 'sign-out', name: 'Sign out', run: () => this.signOut() },
    ]);
  }

  protected async openPalette(): Promise<void> {
    const { PaletteDialog: Palette } = await import('./palette.dialog');
    const dialog = this.dialog.open<PaletteDialog, undefined, Command>(Palette, {
      width: '520px',
      position: { top: '72px' },
      ariaLabel: 'Find a command',
    });
    dialog.afterClosed().subscribe((command) => command?.run());
  }

  protected async openKeys(): Promise<void> {
    const { KeysDialog } = await import('./keys.dialog');
    this.dialog.open(KeysDialog, { width: '460px' });
  }

  protected signOut(): void {
    const account = this.account();
    const unsent: Unsent = { jobs: account ? unsentDrafts(account.id) : [], entries: this.outbox.unsent() };
    if (unsent.jobs.length === 0 && unsent.entries === 0) {
      this.store.dispatch(SessionActions.signOut());
      return;
    }
    this.dialog
      .open<SignOutDialog, Unsent, boolean>(SignOutDialog, { data: unsent, width: '460px' })
      .afterClosed()
      .subscribe((yes) => {
        if (yes === true) this.store.dispatch(SessionActions.signOut());
      });
  }
}
