import { Component, computed, effect, inject, input, signal, viewChild, type ElementRef } from '@angular/core';
import { formatQuantity, parseQuantity, quantityRule, readField, type RigDocument } from '@pozzo/core';
import { RigStore, setAt, valueAt } from '../state/rig-store';

let serial = 0;

/**
 * A field of the open rig that takes any unit as typed and keeps what was typed. Its rule (dimension, bounds) comes from
 * the document's schema by its path. What cannot be read stays in the field with the reason; the rig keeps its last value.
 * Escape puts the rig's value back; arrow up and down step the number.
 */
@Component({
  selector: 'pz-quantity',
  template: `
    <label [for]="id"
      >{{ label() }}
      @if (hint()) {
        <small>{{ hint() }}</small>
      }
    </label>
    <span class="box">
      <input
        #box
        type="text"
        autocomplete="off"
        spellcheck="false"
        [id]="id"
        [value]="text()"
        [placeholder]="placeholder()"
        [attr.aria-invalid]="error() ? 'true' : null"
        [attr.aria-describedby]="error() ? id + '-error' : spoken() ? id + '-other' : null"
        [attr.data-path]="path()"
        [attr.data-dirty]="dirty() ? 'true' : null"
        (input)="typed(box.value)"
        (blur)="leave()"
        (keydown)="key($event)"
      />
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
    input {
      width: 100%;
      height: 29px;
      padding: 2px 8px;
      text-align: right;
      font-weight: 600;
      background: var(--field);
      border: 1px solid var(--field-line);
      border-radius: 4px;
    }
    input[aria-invalid] {
      border: 2px solid var(--attention);
    }
    input::placeholder {
      color: var(--ink-quiet);
      font-weight: 400;
      opacity: 1;
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
  protected readonly id = `q${++serial}`;
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  private readonly stored = computed(() => (valueAt(this.rig.document(), this.path()) as string | undefined) ?? '');
  private readonly draft = signal<string | null>(null);
  protected readonly dirty = computed(() => this.draft() !== null);
  protected readonly text = computed(() => this.draft() ?? this.stored());
  protected readonly rule = computed(() => {
    const rule = quantityRule(this.path());
    if (!rule) throw new Error(`No quantity lives at ${this.path()}.`);
    return rule;
  });
  protected readonly error = signal('');
  /** The value in the reader's own system, when it was typed in another. */
  protected readonly spoken = computed(() => {
    const text = this.stored();
    const { dimension } = this.rule();
    const read = parseQuantity(text, dimension);
    if (!read.ok || dimension === 'number' || dimension === 'ratio' || dimension === 'time') return '';
    const metric = /^(m|mm|cm|m²|m³|L|mL|L\/min|L\/h|L\/s|m³\/h|Pa|kPa|MPa|bar|mbar|°C|K|m\/s|kg|kW|W|Kv|km)$/.test(read.unit);
    if (read.unit === 'rpm' || metric === (this.rig.units() === 'metric')) return '';
    return formatQuantity(read.si, dimension, this.rig.units());
  });

  constructor() {
    // A change from elsewhere (undo, a fix) replaces what stands in the field.
    effect(() => {
      this.stored();
      this.path();
      if (document.activeElement !== this.box().nativeElement) {
        this.draft.set(null);
        this.error.set('');
      }
    });
  }

  private bareUnit(): string {
    const { dimension, min } = this.rule();
    const read = parseQuantity(this.stored(), dimension);
    if (read.ok) return read.unit;
    const bound = parseQuantity(min, dimension);
    return bound.ok ? bound.unit : '';
  }

  protected typed(text: string): void {
    this.draft.set(text);
    if (text.trim() === '' && this.placeholder()) {
      this.error.set('');
      this.rig.edit(this.label(), (d) => setAt(d, this.path(), undefined), this.path());
      return;
    }
    const read = readField(this.rule(), text, this.bareUnit());
    this.error.set(read.ok ? '' : read.error.message);
    if (read.ok && read.text !== this.stored())
      this.rig.edit(this.label(), (d) => (this.write() ? this.write()!(d, read.text) : setAt(d, this.path(), read.text)), this.path());
  }

  protected leave(): void {
    if (!this.error()) this.draft.set(null);
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'Escape') {
      this.draft.set(null);
      this.error.set('');
      this.box().nativeElement.value = this.stored();
    } else if (event.key === 'Enter') this.leave();
    else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      const next = step(this.text(), event.key === 'ArrowUp' ? 1 : -1);
      if (next === null) return;
      event.preventDefault();
      this.typed(next);
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
