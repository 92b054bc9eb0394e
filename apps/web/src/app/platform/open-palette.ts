import type { MatDialog } from '@angular/material/dialog';
import type { Command, Offer } from './commands';
import type { PaletteDialog } from './palette.dialog';

/** Lets somebody choose by typing, and does what was chosen. */
export async function openPalette(dialog: MatDialog, offer: Offer): Promise<void> {
  const { PaletteDialog: Palette } = await import('./palette.dialog');
  dialog
    .open<PaletteDialog, Offer, Command>(Palette, {
      data: offer,
      width: '520px',
      position: { top: '72px' },
      ariaLabel: offer.label,
    })
    .afterClosed()
    .subscribe((command) => command?.run());
}
