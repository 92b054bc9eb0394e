import { ChangeDetectionStrategy, Component, Injector, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { Api } from './api';
import { Commands } from './commands';
import { Keys } from './keys';
import { Live } from './live';
import { NoticeActions } from './notices';
import { openPalette } from './open-palette';
import { failureOf } from './problem';
import type { BookOutbox } from './book-outbox';
import { RoomOutbox } from './room-outbox';
import { SessionActions, sessionFeature } from './session.state';
import { SignOutDialog, type Unsent } from './sign-out.dialog';
import { Theme } from './theme';
import { unsentDrafts } from './unsent';
import { LOCALES } from '../ui/locale';
import { Measures } from '../ui/measures';
import { WordPipe } from '../ui/word';

/** The frame of every page: where one can go, what one can do, who is signed in. */
@Component({
  selector: 'dk-root',
  imports: [MatButtonModule, MatIconModule, MatMenuModule, RouterLink, RouterLinkActive, RouterOutlet, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (framed()) {
      <header>
        @if (account(); as account) {
          <a routerLink="/desk" class="mark" i18n-aria-label aria-label="Druckerei, to the desk"
            ><img src="mark.svg" alt="" width="22" height="22" /><ng-container i18n>Druckerei</ng-container></a
          >
          <nav i18n-aria-label aria-label="Areas">
            <a i18n routerLink="/desk" routerLinkActive="here" ariaCurrentWhenActive="page">Desk</a>
            <a i18n routerLink="/jobs" routerLinkActive="here" ariaCurrentWhenActive="page">Jobs</a>
            <a i18n routerLink="/floor" routerLinkActive="here" ariaCurrentWhenActive="page">Floor</a>
            <a i18n routerLink="/book" routerLinkActive="here" ariaCurrentWhenActive="page">Stations</a>
            <a i18n routerLink="/quality" routerLinkActive="here" ariaCurrentWhenActive="page">Quality</a>
            <a i18n routerLink="/benches" routerLinkActive="here" ariaCurrentWhenActive="page">Benches</a>
            <a i18n routerLink="/customers" routerLinkActive="here" ariaCurrentWhenActive="page">Customers</a>
            <a i18n routerLink="/stores" routerLinkActive="here" ariaCurrentWhenActive="page">Stores</a>
            <a i18n routerLink="/norms" routerLinkActive="here" ariaCurrentWhenActive="page">Norms</a>
            <a i18n routerLink="/works" routerLinkActive="here" ariaCurrentWhenActive="page">Works</a>
          </nav>
          <span class="gap"></span>
          <button matButton (click)="openPalette()">
            <mat-icon>manage_search</mat-icon><span i18n class="word">Find</span> <kbd i18n>Ctrl K</kbd>
          </button>
          <button matButton (click)="openGuide()">
            <mat-icon>help_outline</mat-icon><span i18n class="word">Guide</span> <kbd>F1</kbd>
          </button>
          <button matButton class="keys" (click)="openKeys()">
            <mat-icon>keyboard</mat-icon><span i18n class="word">Keys</span> <kbd>?</kbd>
          </button>
          <button matButton [matMenuTriggerFor]="who">
            <mat-icon>person</mat-icon><span class="word name">{{ account.name }}</span>
          </button>
          <mat-menu #who>
            <span i18n mat-menu-item disabled>Role: {{ account.roleName }}</span>
            <a mat-menu-item routerLink="/account"
              ><mat-icon>manage_accounts</mat-icon><ng-container i18n>Your account</ng-container></a
            >
            <button mat-menu-item (click)="theme.toggle()">
              <mat-icon>{{ theme.dark() ? 'light_mode' : 'dark_mode' }}</mat-icon>{{
                theme.dark() ? ('Light colours' | word) : ('Dark colours' | word)
              }}
            </button>
            <button mat-menu-item (click)="measures.toggle()">
              <mat-icon>{{ measures.system() === 'metric' ? 'square_foot' : 'straighten' }}</mat-icon>{{
                measures.system() === 'metric' ? ('Measures in inch and pound' | word) : ('Measures in metric' | word)
              }}
            </button>
            @if (account.rights.includes('backup')) {
              <a i18n mat-menu-item routerLink="/backup">Backup</a>
            }
            <button i18n mat-menu-item [matMenuTriggerFor]="dates">Language and dates</button>
            <button i18n mat-menu-item (click)="signOut()">Sign out</button>
          </mat-menu>
          <mat-menu #dates>
            @for (one of locales; track one.id) {
              <button
                mat-menu-item
                role="menuitemradio"
                [attr.aria-checked]="one.id === account.locale"
                (click)="chooseLocale(one.id)"
              >
                <mat-icon>{{
                  one.id === account.locale ? 'radio_button_checked' : 'radio_button_unchecked'
                }}</mat-icon>{{ one.name }}
              </button>
            }
          </mat-menu>
        }
      </header>
    }
    @if (unanswered()) {
      <p i18n class="unanswered" role="alert">
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
      box-sizing: border-box;
      height: var(--dk-head);
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
    nav,
    header > button {
      white-space: nowrap;
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
    kbd {
      margin-left: 4px;
      font: inherit;
      font-size: 11px;
      padding: 0 4px;
      color: var(--mat-sys-on-surface-variant);
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 3px;
    }
    .gap {
      flex: 1;
    }
    /* Areas have longer names in German: the tools beside them make room. */
    @media (max-width: 1560px) {
      :host-context([lang='de']) kbd {
        display: none;
      }
      :host-context([lang='de']) header > button {
        min-width: 40px;
        padding: 0 8px;
      }
      :host-context([lang='de']) .word:not(.name) {
        position: absolute;
        width: 1px;
        height: 1px;
        overflow: hidden;
        clip-path: inset(50%);
        white-space: nowrap;
      }
    }
    @media (max-width: 1240px) {
      :host-context([lang='de']) nav {
        flex: 1;
        min-width: 0;
        overflow-x: auto;
        scrollbar-width: none;
      }
    }
    @media (max-width: 900px) {
      kbd {
        display: none;
      }
      /* Heard, not seen: the icon stands for it. */
      .word {
        position: absolute;
        width: 1px;
        height: 1px;
        overflow: hidden;
        clip-path: inset(50%);
        white-space: nowrap;
      }
      .mark {
        margin-right: 4px;
      }
      nav a {
        padding: 6px 7px;
      }
      /* Whoever has so little room has no keyboard; the palette tells the keys, too. */
      .keys {
        display: none;
      }
      header > button {
        min-width: 40px;
        padding: 0 8px;
      }
      header {
        padding: 0 8px;
      }
    }
    /* On a telephone the areas are pushed along beneath the finger. */
    @media (max-width: 760px) {
      nav {
        flex: 1;
        min-width: 0;
        overflow-x: auto;
        scrollbar-width: none;
      }
      .gap {
        display: none;
      }
      .mark {
        font-size: 0;
        gap: 0;
      }
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
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly commands = inject(Commands);
  private readonly router = inject(Router);
  private readonly outbox = inject(RoomOutbox);
  private readonly injector = inject(Injector);
  /** Fetched beside the page: what waits is sent whatever page is open. */
  private bookOutbox: BookOutbox | undefined;
  protected readonly theme = inject(Theme);
  /** As the works writes them, or as one of these places does. */
  protected readonly locales = [{ id: null, name: $localize`As the works` }, ...LOCALES];
  protected readonly measures = inject(Measures);
  protected readonly account = this.store.selectSignal(sessionFeature.selectAccount);
  /** The head keeps its place while it is asked who is signed in, so that nothing below it moves. */
  protected readonly framed = computed(() => this.account() !== undefined || (this.unknown() && !this.atSignIn));
  private readonly unknown = this.store.selectSignal(sessionFeature.selectUnknown);
  private readonly atSignIn = location.pathname.startsWith('/sign-in');
  protected readonly unanswered = this.store.selectSignal(sessionFeature.selectUnanswered);

  constructor() {
    inject(Keys);
    inject(Live);
    void import('./book-outbox').then(({ BookOutbox: Outbox }) => (this.bookOutbox = this.injector.get(Outbox)));
    this.commands.offerShell([
      { id: 'palette', name: $localize`Find a command`, key: '$mod+k', run: () => this.openPalette() },
      { id: 'guide', name: $localize`Open the guide at this place`, key: 'F1', run: () => void this.openGuide() },
      {
        ...{ id: 'tables', name: $localize`Save the tables of this page, or of the dialog that is open` },
        ...{ key: '$mod+Shift+s', inDialogs: true, run: () => void this.openTables() },
      },
      { id: 'keys', name: $localize`Show all keys`, key: '?', run: () => void this.openKeys() },
      { id: 'desk', name: $localize`Go to the desk`, key: 'g d', run: () => void this.router.navigateByUrl('/desk') },
      { id: 'jobs', name: $localize`Go to jobs`, key: 'g j', run: () => void this.router.navigateByUrl('/jobs') },
      {
        id: 'floor',
        name: $localize`Go to the floor`,
        key: 'g f',
        run: () => void this.router.navigateByUrl('/floor'),
      },
      {
        id: 'quality',
        name: $localize`Go to quality`,
        key: 'g q',
        run: () => void this.router.navigateByUrl('/quality'),
      },
      {
        id: 'benches',
        name: $localize`Go to benches`,
        key: 'g b',
        run: () => void this.router.navigateByUrl('/benches'),
      },
      {
        id: 'customers',
        name: $localize`Go to customers`,
        key: 'g c',
        run: () => void this.router.navigateByUrl('/customers'),
      },
      { id: 'norms', name: $localize`Go to norms`, key: 'g n', run: () => void this.router.navigateByUrl('/norms') },
      { id: 'works', name: $localize`Go to works`, key: 'g w', run: () => void this.router.navigateByUrl('/works') },
      { id: 'backup', name: $localize`Go to backup`, run: () => void this.router.navigateByUrl('/backup') },
      { id: 'measures', name: $localize`Metric or inch and pound`, run: () => this.measures.toggle() },
      { id: 'theme', name: $localize`Light or dark`, run: () => this.theme.toggle() },
      { id: 'sign-out', name: $localize`Sign out`, run: () => this.signOut() },
    ]);
  }

  protected openPalette(): void {
    const commands = this.commands.all().filter(({ id }) => id !== 'palette');
    void openPalette(this.dialog, { label: $localize`What do you want to do?`, commands });
  }

  /** Every page writes dates anew. */
  protected chooseLocale(locale: string | null): void {
    this.api.ownSettings({ locale }).subscribe({
      next: () => location.reload(),
      error: (error: unknown) => this.store.dispatch(NoticeActions.say({ text: failureOf(error).text })),
    });
  }

  protected async openGuide(): Promise<void> {
    const [{ GuideDialog }, { GuidePlace }] = await Promise.all([
      import('./guide/guide.dialog'),
      import('./guide/guide-place'),
    ]);
    const data = this.injector.get(GuidePlace).now();
    this.dialog.open(GuideDialog, { data, width: '1100px', maxWidth: '94vw', autoFocus: 'article' });
  }

  protected async openTables(): Promise<void> {
    const { TablesDialog } = await import('./tables.dialog');
    if (!this.dialog.getDialogById('tables')) this.dialog.open(TablesDialog, { id: 'tables', width: '560px' });
  }

  protected async openKeys(): Promise<void> {
    const { KeysDialog } = await import('./keys.dialog');
    this.dialog.open(KeysDialog, { width: '460px' });
  }

  protected signOut(): void {
    const account = this.account();
    const unsent: Unsent = {
      jobs: account ? unsentDrafts(account.id) : [],
      entries: this.outbox.unsent() + (this.bookOutbox?.unsent() ?? 0),
    };
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
