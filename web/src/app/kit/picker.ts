import { Component, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';

export interface Pick {
  readonly id: string;
  readonly name: string;
}

/** Which of several things a station shows. Hidden while there is but one. */
@Component({
  selector: 'pz-picker',
  imports: [MatButtonToggleModule],
  template: `
    @if (items().length > 1) {
      <mat-button-toggle-group hideSingleSelectionIndicator [value]="chosen()" [attr.aria-label]="label()" (change)="choose.emit($event.value)">
        @for (i of items(); track i.id) {
          <mat-button-toggle [value]="i.id">{{ i.name }}</mat-button-toggle>
        }
      </mat-button-toggle-group>
    }
  `,
  styles: `
    mat-button-toggle-group {
      display: flex;
      flex-wrap: wrap;
      gap: 4px;
      margin: 2px 0 8px;
      border: 0;
      overflow: visible;
    }
    mat-button-toggle {
      border: 1px solid var(--field-line) !important;
      border-radius: 4px;
    }
  `,
})
export class Picker {
  readonly items = input.required<readonly Pick[]>();
  readonly chosen = input.required<string | undefined>();
  readonly label = input('Which one');
  readonly choose = output<string>();
}
