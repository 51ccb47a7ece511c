import { Component, computed, ElementRef, inject, Injectable, input, output, signal, viewChild } from '@angular/core';
import { DateAdapter, MAT_DATE_FORMATS, type MatDateFormats, NativeDateAdapter } from '@angular/material/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatTimepickerModule } from '@angular/material/timepicker';
import { clock } from '@pozzo/core';
import * as v from 'valibot';
import { clockWords } from './clock';

/** Seconds after midnight of a text, or why it is no time of day. */
const read = (text: string): number | string => {
  const parsed = v.safeParse(clock, text.trim());
  return parsed.success ? parsed.output : parsed.issues[0].message;
};

/** What was typed and is no time of day. */
class Unread extends Date {
  constructor(readonly typed: string) {
    super(NaN);
  }
}

/** Times of day written as everywhere here, "8:05", on a day of no meaning. What cannot be read is written as it was typed. */
@Injectable()
class ClockAdapter extends NativeDateAdapter {
  override format(date: Date): string {
    return date instanceof Unread ? date.typed : clockWords(date.getHours() * 3600 + date.getMinutes() * 60);
  }
  override getValidDateOrNull(date: unknown): Date | null {
    return date instanceof Unread ? date : super.getValidDateOrNull(date);
  }
  override deserialize(value: unknown): Date | null {
    return value instanceof Unread ? value : super.deserialize(value);
  }
  override parseTime(value: unknown): Date | null {
    const typed = typeof value === 'string' ? value : '';
    const seconds = read(typed);
    return typeof seconds === 'number' ? at(seconds) : new Unread(typed);
  }
}
const at = (seconds: number): Date => new Date(2000, 0, 1, 0, 0, seconds);

const AS_A_CLOCK: MatDateFormats = {
  parse: { dateInput: '', timeInput: '' },
  display: { dateInput: '', monthYearLabel: '', dateA11yLabel: '', monthYearA11yLabel: '', timeInput: '', timeOptionLabel: '' },
};

let serial = 0;

/**
 * A time of day, typed or picked from a list of quarter hours that the arrow keys open. What cannot be read stays in the
 * field with the reason, and is not told; Escape puts the value back.
 */
@Component({
  selector: 'pz-clock',
  imports: [MatFormFieldModule, MatInputModule, MatTimepickerModule],
  providers: [
    { provide: DateAdapter, useClass: ClockAdapter },
    { provide: MAT_DATE_FORMATS, useValue: AS_A_CLOCK },
  ],
  template: `
    <label [for]="id">{{ label() }}</label>
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      <input
        matInput
        #box
        [id]="id"
        autocomplete="off"
        spellcheck="false"
        [value]="date()"
        [matTimepicker]="times"
        [matTimepickerOpenOnClick]="false"
        [attr.aria-invalid]="error() ? 'true' : null"
        [attr.aria-describedby]="error() ? id + '-error' : null"
        (change)="take(box.value)"
      />
      <mat-timepicker-toggle matSuffix [for]="times" [aria-label]="'Times of day for ' + label()">
        <span class="icon" matTimepickerToggleIcon aria-hidden="true">schedule</span>
      </mat-timepicker-toggle>
      <mat-timepicker #times interval="15m" (selected)="take(box.value)" />
    </mat-form-field>
    @if (error(); as e) {
      <p class="shout" role="alert" [id]="id + '-error'">{{ e }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 150px;
      align-items: center;
      gap: 2px 10px;
      min-height: 37px;
      padding: 4px 0;
      border-bottom: 1px solid var(--line);
    }
    input {
      font-weight: 600;
      text-align: right;
    }
    mat-timepicker-toggle {
      --mat-icon-button-state-layer-size: 30px;
      --mat-icon-button-touch-target-size: 30px;
    }
    p {
      grid-column: 1 / -1;
      margin: 0 0 4px;
    }
  `,
})
export class ClockField {
  protected readonly id = `pz-clock-${++serial}`;
  readonly label = input.required<string>();
  /** "8:00". */
  readonly value = input.required<string>();
  /** A time of day that was typed or picked, as it was typed. */
  readonly choose = output<string>();

  protected readonly error = signal('');
  protected readonly date = computed(() => {
    const seconds = read(this.value());
    return typeof seconds === 'number' ? at(seconds) : null;
  });
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  constructor() {
    // The picker empties its field at Escape: here it comes first.
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    host.addEventListener('keydown', (e) => this.back(e), { capture: true });
  }

  protected take(typed: string): void {
    const text = typed.trim();
    const seconds = read(text);
    this.error.set(typeof seconds === 'string' ? seconds : '');
    if (typeof seconds === 'number' && text !== this.value()) this.choose.emit(text);
  }

  private back(e: KeyboardEvent): void {
    const box = this.box().nativeElement;
    if (e.key !== 'Escape' || e.target !== box || box.getAttribute('aria-expanded') === 'true') return;
    e.stopPropagation();
    e.preventDefault();
    if (box.value === this.value()) {
      // Nothing to put back: it is for whoever stands around the field.
      box.parentElement?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true }));
      return;
    }
    box.value = this.value();
    box.dispatchEvent(new Event('input', { bubbles: true }));
    this.error.set('');
  }
}
