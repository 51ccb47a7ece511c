import { Component, computed, effect, inject, type OnDestroy, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { CURRENCIES, logoTrouble, MOST_ADDRESS_LINES, pictureOf, WorkshopSchema } from '@pozzo/core/workshop';
import { KINDS } from '@pozzo/core/page';
import { Store } from '@ngrx/store';
import * as v from 'valibot';
import { SelectRow } from '../kit/select-row';
import { TextBox } from '../kit/text-box';
import { SavingPanel } from '../record/saving-panel';
import { SettingsActions, settingsFeature } from '../state/settings.feature';
import { WorkshopStore } from '../state/workshop-store';

const Field = WorkshopSchema.entries;
/** A text of lines as the list that is stored: empty ones at its end are none. */
const linesOf = (text: string): string[] =>
  text
    .replace(/\s+$/, '')
    .split('\n')
    .map((l) => l.trim());
const AddressText = v.pipe(
  v.string(),
  v.transform((text) => (text.trim() ? linesOf(text) : [])),
  v.maxLength(MOST_ADDRESS_LINES, `At most ${MOST_ADDRESS_LINES} lines.`),
  v.everyItem((line) => v.is(Field.address.pipe[0].item, line), 'A line has at most 80 characters.'),
);
const ByText = v.pipe(v.string(), v.maxLength(80, 'At most 80 characters.'));

/** The workshop itself: what stands at the head and the foot of what is printed for a customer, and who works on this device. */
@Component({
  selector: 'pz-workshop',
  imports: [MatButtonModule, RouterLink, SavingPanel, SelectRow, TextBox],
  templateUrl: './workshop.page.html',
  styleUrl: './workshop.page.scss',
})
export class WorkshopPage implements OnDestroy {
  protected readonly workshop = inject(WorkshopStore);
  private readonly store = inject(Store);
  protected readonly field = Field;
  protected readonly addressText = AddressText;
  protected readonly byText = ByText;
  protected readonly by = this.store.selectSignal(settingsFeature.selectBy);
  protected readonly currencies = (() => {
    const names = new Intl.DisplayNames(undefined, { type: 'currency' });
    return CURRENCIES.map((value) => ({ value, name: `${value} · ${names.of(value) ?? value}` }));
  })();
  protected readonly address = computed(() => this.workshop.document()?.address.join('\n') ?? '');
  protected readonly isBlank = computed(() => {
    const d = this.workshop.document();
    return !!d && !d.name && !d.address.length && !d.terms && !d.logo;
  });
  /** An amount as this currency is written here. */
  protected readonly sample = computed(() => {
    const currency = this.workshop.document()?.currency;
    return currency ? new Intl.NumberFormat(undefined, { style: 'currency', currency }).format(1234.5) : '';
  });
  /** Why the last picture was not taken. */
  protected readonly refused = signal('');

  constructor() {
    untracked(() => this.workshop.open(KINDS.workshop.only!));
    effect(() => {
      if (this.workshop.document()?.logo) this.refused.set('');
    });
  }

  protected reopen(): void {
    this.workshop.open(KINDS.workshop.only!);
  }
  protected setName(name: string): void {
    this.workshop.edit('Name', (d) => void (d.name = name), 'name');
  }
  protected setAddress(text: string): void {
    this.workshop.edit('Address', (d) => void (d.address = text.trim() ? linesOf(text) : []), 'address');
  }
  protected setTerms(terms: string): void {
    this.workshop.edit('Terms', (d) => void (d.terms = terms), 'terms');
  }
  protected setCurrency(currency: string): void {
    this.workshop.edit('Currency', (d) => void (d.currency = currency));
  }
  protected setBy(by: string): void {
    this.store.dispatch(SettingsActions.setBy({ by: by.trim() }));
  }

  protected async pick(box: HTMLInputElement): Promise<void> {
    const file = box.files?.[0];
    box.value = '';
    if (!file) return;
    const bytes = await file
      .arrayBuffer()
      .then((b) => new Uint8Array(b))
      .catch(() => undefined);
    const trouble = bytes ? logoTrouble(bytes) : 'This file cannot be read.';
    this.refused.set(trouble);
    if (!bytes || trouble) return;
    const data = btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''));
    this.workshop.edit('Logo', (d) => void (d.logo = `data:${pictureOf(bytes)!.type};base64,${data}`));
  }
  protected dropLogo(): void {
    this.workshop.edit('Logo taken away', (d) => void delete d.logo);
  }

  ngOnDestroy(): void {
    this.workshop.close();
  }
}
