import { Component, input, output } from '@angular/core';

export interface Pick {
  readonly id: string;
  readonly name: string;
}

/** Which of several things a station shows. Hidden while there is but one. */
@Component({
  selector: 'pz-picker',
  template: `
    @if (items().length > 1) {
      <div class="row" role="group" [attr.aria-label]="label()">
        @for (i of items(); track i.id) {
          <button type="button" [class.on]="i.id === chosen()" [attr.aria-pressed]="i.id === chosen()" (click)="choose.emit(i.id)">{{ i.name }}</button>
        }
      </div>
    }
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 4px;
      margin: 2px 0 8px;
    }
    button {
      border: 1px solid var(--field-line);
      background: var(--card);
      border-radius: 4px;
      padding: 4px 10px;
      min-height: 32px;
      cursor: pointer;
      font-weight: 500;
    }
    button.on {
      background: var(--press);
      color: var(--press-ink);
      border-color: var(--press);
    }
  `,
})
export class Picker {
  readonly items = input.required<readonly Pick[]>();
  readonly chosen = input.required<string | undefined>();
  readonly label = input('Which one');
  readonly choose = output<string>();
}
