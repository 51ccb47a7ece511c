import { spell } from '@pozzo/core/page';
import { Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink, RouterLinkActive } from '@angular/router';
import { doSum, findSum, formatQuantity, readField, shownIn, SUMS, type Sum, offeredUnits, type UnitSystem, workshopUnit } from '@pozzo/core';
import { MatButtonModule } from '@angular/material/button';
import { Store } from '@ngrx/store';
import { settingsFeature } from '../state/settings.feature';
import { SelectRow } from '../kit/select-row';
import { SUM_GROUPS } from './sum-groups';

/** Single calculations, without a rig: any unit as typed, both ways round, with working. Made for a phone too. */
@Component({
  selector: 'pz-sums-page',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, MatSelectModule, RouterLink, RouterLinkActive, SelectRow],
  templateUrl: './sums.page.html',
  styleUrl: './sums.page.scss',
})
export class SumsPage {
  private readonly router = inject(Router);
  protected readonly units = inject(Store).selectSignal(settingsFeature.selectUnits);
  readonly name = input<string>();
  protected readonly groups = SUM_GROUPS;
  protected readonly sum = computed<Sum>(() => findSum(this.name() ?? '') ?? SUMS[0]);
  protected readonly unknown = computed(() => this.name() !== undefined && !findSum(this.name()!));
  /** What was typed, by sum and input; kept while the page is open, so that going round brings it back. */
  private readonly typed = signal<Readonly<Record<string, Readonly<Record<string, string>>>>>({});
  protected readonly fields = computed(() => {
    const sum = this.sum();
    const typed = this.typed()[sum.name] ?? {};
    return sum.inputs.map((i) => {
      const text = typed[i.name];
      // What stands for it unasked is shown in the reader's units and used as it is.
      const usual = i.choices ? i.fallback : i.fallback && shownIn(i.fallback, i.rule.dimension, this.units()).text;
      const shown = text ?? usual ?? '';
      const bare = workshopUnit(i.rule.dimension, this.units(), i.rule.maxSi);
      const read = shown === '' || i.choices ? undefined : readField(i.rule, shown, bare, this.units());
      return {
        ...i,
        label: spell(i.label),
        text: shown,
        placeholder: this.range(i),
        unitChoices: unitsOf(i.rule, this.units()),
        error: text !== undefined && text !== '' && read && !read.ok ? read.error.message : '',
        value: i.choices ? shown : text === undefined ? i.fallback : read?.ok ? read.text : undefined,
        options: i.choices?.map((value) => ({ value, name: value[0].toUpperCase() + value.slice(1) })),
      };
    });
  });
  protected readonly missing = computed(() =>
    this.fields()
      .filter((f) => f.text === '')
      .map((f) => f.label.toLowerCase()),
  );
  protected readonly outcome = computed(() => {
    if (this.missing().length || this.fields().some((f) => f.value === undefined)) return undefined;
    return doSum(this.sum(), Object.fromEntries(this.fields().map((f) => [f.name, f.value])), this.units());
  });
  protected readonly results = computed(() => {
    const done = this.outcome();
    if (!done?.ok) return [];
    const other = this.units() === 'us' ? 'metric' : 'us';
    return this.sum().outputs.map((o) => {
      const amount = done.value.result[o.name];
      const also = Number.isFinite(amount.si) ? formatQuantity(amount.si, o.dimension, other) : '';
      return { label: spell(o.label), text: Number.isFinite(amount.si) ? amount.text : 'never', also: also === amount.text ? '' : also };
    });
  });
  protected readonly sold = computed(() => {
    const done = this.outcome();
    return done?.ok ? done.value.sold : undefined;
  });
  protected readonly working = computed(() => {
    const done = this.outcome();
    return done?.ok ? done.value.working : undefined;
  });
  protected readonly problem = computed(() => {
    const done = this.outcome();
    return done && !done.ok ? done.problems[0].message : '';
  });

  constructor() {
    effect(() => {
      document.title = `${this.sum().title} · Pozzo`;
    });
  }

  protected title(name: string): string {
    return spell(findSum(name)!.title);
  }
  protected type(field: string, text: string): void {
    const sum = this.sum().name;
    this.typed.update((all) => ({ ...all, [sum]: { ...all[sum], [field]: text } }));
  }
  /** A number without a unit gets the one that it was taken for, in sight. */
  protected settle(name: string): void {
    const field = this.fields().find((f) => f.name === name);
    if (field?.value !== undefined && field.value !== field.text) this.type(name, field.value);
  }
  /** Puts another unit behind the number that stands there. */
  protected withUnit(field: { readonly name: string; readonly text: string }, unit: string): void {
    const number = /^[^\p{L}°%"'′″$]*/u.exec(field.text)?.[0].trim() ?? '';
    if (number) this.type(field.name, `${number} ${unit}`);
  }
  /** What may be typed, in the system that is shown. */
  private range({ rule }: Sum['inputs'][number]): string {
    const unit = workshopUnit(rule.dimension, this.units(), rule.maxSi);
    const print = (si: number): string => formatQuantity(si, rule.dimension, this.units(), { unit, digits: 3 });
    return `${print(rule.minSi)} to ${print(rule.maxSi)}`;
  }
  protected pick(name: string): void {
    void this.router.navigate(['/sums', name]);
  }
}

/** Units to choose from under a field: the workshop's of both systems first, then others of its kind. */
function unitsOf({ dimension, maxSi }: Sum['inputs'][number]['rule'], system: UnitSystem): readonly string[] {
  const other = system === 'us' ? 'metric' : 'us';
  const ours = [workshopUnit(dimension, system, maxSi), workshopUnit(dimension, other, maxSi), workshopUnit(dimension, system), workshopUnit(dimension, other)];
  return [...new Set([...ours, ...offeredUnits(dimension, system).map((u) => u.symbol)])].filter(Boolean).slice(0, 4);
}
