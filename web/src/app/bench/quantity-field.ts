import { Component, computed, effect, inject, input, signal, viewChild, type ElementRef } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { parseQuantity, type QuantityRule, quantityRule, type RigDocument, shownIn, typedSchema } from '@pozzo/core';
import * as v from 'valibot';
import { AT_ONCE, follows } from '../kit/follows';
import { RigStore, setAt, valueAt } from '../state/rig-store';

let serial = 0;

/** A quantity that stands in no field of its own: what it reads now, and its rule. It needs to be told how it is written. */
export interface Derived {
  readonly text: string;
  readonly rule: QuantityRule;
}

/**
 * A field of the open rig that takes any unit as typed and keeps what was typed; to a person of the other unit system it is
 * shown converted, and nothing is written until something else is typed. Its rule (dimension, bounds) comes from
 * the document's schema by its path. What cannot be read stays in the field with the reason; the rig keeps its last value.
 * Escape puts the rig's value back; arrow up and down step the number.
 */
@Component({
  selector: 'pz-quantity',
  imports: [MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  template: `
    <label [for]="id"
      >{{ label() }}
      @if (hint()) {
        <small>{{ hint() }}</small>
      }
    </label>
    <span class="box">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <input
          matInput
          #box
          type="text"
          autocomplete="off"
          spellcheck="false"
          [formControl]="control"
          [errorStateMatcher]="atOnce"
          [id]="id"
          [placeholder]="usual()"
          [aria-describedby]="error() ? id + '-error' : spoken() ? id + '-other' : ''"
          [attr.data-path]="path()"
          [attr.data-dirty]="dirty() ? 'true' : null"
          (blur)="leave()"
          (keydown)="key($event)"
        />
      </mat-form-field>
      @if (spoken(); as s) {
        <small class="other" [id]="id + '-other'">{{ s }}</small>
      }
    </span>
    @if (error(); as e) {
      <p class="error" role="alert" [id]="id + '-error'">{{ e }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 118px;
      align-items: center;
      gap: 2px 10px;
      min-height: 37px;
      padding: 4px 0;
      border-bottom: 1px solid var(--line);
    }
    label {
      line-height: 1.2;
    }
    label small {
      display: block;
      color: var(--ink-quiet);
      font-size: 12.5px;
    }
    .box {
      position: relative;
      display: block;
    }
    mat-form-field {
      width: 100%;
    }
    input {
      text-align: right;
    }
    .other {
      display: block;
      text-align: right;
      color: var(--ink-quiet);
      font-size: 12px;
      line-height: 1.2;
      padding-right: 8px;
    }
    .error {
      grid-column: 1 / -1;
      margin: 0 0 4px;
      color: var(--attention);
      font-size: 13.5px;
      line-height: 1.25;
    }
  `,
})
export class QuantityField {
  private readonly rig = inject(RigStore);
  readonly label = input.required<string>();
  /** Dotted path in the document, such as `tanks.0.base`. */
  readonly path = input.required<string>();
  readonly hint = input('');
  /** Shown while the field is empty; a field with a placeholder may be left empty. */
  readonly placeholder = input('');
  /** How a new text enters the document; by default it is set at the path. */
  readonly write = input<(draft: RigDocument, text: string) => void>();
  /** What stands there where it is reckoned from other fields. */
  readonly derived = input<Derived>();
  protected readonly id = `q${++serial}`;
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  private readonly stored = computed(() => this.derived()?.text ?? (valueAt(this.rig.document(), this.path()) as string | undefined) ?? '');
  /** Whether what stands in the field was typed and has not been left yet. */
  protected readonly dirty = signal(false);
  /** What was typed last and taken, until the field is left: a bare number after it takes its unit. */
  private readonly under = signal<string | null>(null);
  protected readonly atOnce = AT_ONCE;
  protected readonly rule = computed(() => {
    const rule = this.derived()?.rule ?? quantityRule(this.path());
    if (!rule) throw new Error(`No quantity lives at ${this.path()}.`);
    return rule;
  });
  protected readonly error = signal('');
  /** The stored text as a person of the chosen units reads it. */
  private readonly shown = computed(() => shownIn(this.stored(), this.rule().dimension, this.rig.units()));
  /** What was typed, where it was typed in the other system. */
  protected readonly spoken = computed(() => this.shown().typed && `typed ${this.shown().typed}`);
  protected readonly usual = computed(() => shownIn(this.placeholder(), this.rule().dimension, this.rig.units()).text);

  private readonly schema = computed(() => typedSchema(this.rule(), this.bareUnit(), this.rig.units()));
  protected readonly control = new FormControl('', { nonNullable: true });

  constructor() {
    // What it follows is known once its path is.
    this.control.addValidators(
      follows(
        () => this.schema(),
        () => this.placeholder() !== '',
      ),
    );
    // A change from elsewhere (undo, a fix) replaces what stands in the field, but not under the hand.
    effect(() => {
      this.shown();
      this.path();
      if (document.activeElement !== this.box().nativeElement || !this.dirty()) this.restore();
    });
    this.control.valueChanges.pipe(takeUntilDestroyed()).subscribe((text) => this.typed(text));
  }

  /** Puts the rig's value into the field. */
  private restore(): void {
    this.control.setValue(this.shown().text, { emitEvent: false });
    this.dirty.set(false);
    this.under.set(null);
    this.error.set('');
  }

  private bareUnit(): string {
    const { dimension, min } = this.rule();
    const read = parseQuantity(this.under() ?? this.shown().text, dimension);
    if (read.ok) return read.unit;
    const bound = parseQuantity(shownIn(min, dimension, this.rig.units()).text, dimension);
    return bound.ok ? bound.unit : '';
  }

  private typed(text: string): void {
    this.dirty.set(true);
    this.error.set((this.control.errors?.['field'] as string | undefined) ?? '');
    if (this.error()) return;
    if (text.trim() === '') return this.rig.edit(this.label(), (d) => setAt(d, this.path(), undefined), this.path());
    const typed = v.parse(this.schema(), text).text;
    this.under.set(typed);
    if (typed !== this.stored()) this.rig.edit(this.label(), (d) => (this.write() ? this.write()!(d, typed) : setAt(d, this.path(), typed)), this.path());
  }

  protected leave(): void {
    if (!this.error()) this.restore();
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'Escape') this.restore();
    else if (event.key === 'Enter') this.leave();
    else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      const next = step(this.control.value, event.key === 'ArrowUp' ? 1 : -1);
      if (next === null) return;
      event.preventDefault();
      this.control.setValue(next);
      this.leave();
    }
  }
}

/** The text with its number one step up or down; null when it holds a fraction or several terms. */
export function step(text: string, by: 1 | -1): string | null {
  const m = /^(-?\d+(?:\.(\d+))?)(\s*[^\d]*)$/.exec(text.trim());
  if (!m) return null;
  const decimals = m[2]?.length ?? 0;
  const size = 10 ** -decimals * (Math.abs(Number(m[1])) >= 1000 ? 50 : Math.abs(Number(m[1])) >= 100 ? 5 : 1);
  return `${(Number(m[1]) + by * size).toFixed(decimals)}${m[3]}`;
}
