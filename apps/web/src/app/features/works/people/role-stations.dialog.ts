import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { type Machine, type OwnStations, OPERATIONS, OPERATION_RULES, ROOM_KEYS, stationKey } from '@druckerei/core';
import type { RoleOf } from '@druckerei/contract';

export interface RoleStations {
  readonly role: RoleOf;
  readonly machines: readonly Machine[];
}

/** Stations at which a role enters what happens: all, or those that are ticked. */
@Component({
  selector: 'dk-role-stations-dialog',
  imports: [MatButtonModule, MatCheckboxModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Where {{ role.name }} enters what happens</h2>
    <mat-dialog-content>
      <mat-checkbox i18n [checked]="own() === 'all'" (change)="own.set($event.checked ? 'all' : [])"
        >At all stations, also at those that come to be</mat-checkbox
      >
      @for (group of groups; track group.name) {
        <fieldset [disabled]="own() === 'all'">
          <legend>{{ group.name }}</legend>
          @for (station of group.stations; track station.key) {
            <mat-checkbox
              [checked]="has(station.key)"
              [disabled]="own() === 'all'"
              (change)="tick(station.key, $event.checked)"
              >{{ station.name }}</mat-checkbox
            >
          }
        </fieldset>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button i18n matButton mat-dialog-close>Cancel</button>
      <button i18n matButton="filled" (click)="dialog.close(own())">Keep</button>
    </mat-dialog-actions>
  `,
  styles: `
    fieldset {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
      margin: 12px 0 0;
      padding: 0 8px 4px;
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 4px;
    }
    legend {
      padding: 0 4px;
      color: var(--mat-sys-on-surface-variant);
    }
  `,
})
export class RoleStationsDialog {
  protected readonly dialog = inject<MatDialogRef<RoleStationsDialog, OwnStations>>(MatDialogRef);
  private readonly data = inject<RoleStations>(MAT_DIALOG_DATA);
  protected readonly role = this.data.role;
  protected readonly own = signal<OwnStations>(this.role.stations);
  protected readonly groups = [
    {
      name: $localize`Rooms`,
      stations: [
        { key: ROOM_KEYS.plates, name: $localize`Plate room: artwork, plates, inspection` },
        { key: ROOM_KEYS.inks, name: $localize`Ink room: trials, ink by weight` },
      ],
    },
    {
      name: $localize`Machines`,
      stations: this.data.machines
        .map(({ id, name, retired }) => ({
          key: stationKey({ machine: id, operation: 'print' }),
          name: retired ? $localize`${name} (retired)` : name,
        }))
        .sort((a, b) => a.name.localeCompare(b.name)),
    },
    {
      name: $localize`By hand`,
      stations: OPERATIONS.filter((operation) => OPERATION_RULES[operation].time !== 'lag').map((operation) => ({
        key: stationKey({ machine: null, operation }),
        name: OPERATION_RULES[operation].name,
      })),
    },
  ];
  protected readonly has = (key: string): boolean => this.own() !== 'all' && this.own().includes(key);

  protected tick(key: string, on: boolean): void {
    this.own.update((own) => {
      if (own === 'all') return own;
      return on ? [...own, key] : own.filter((one) => one !== key);
    });
  }
}
