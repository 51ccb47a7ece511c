import { Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink, RouterLinkActive } from '@angular/router';
import { doSum, findSum, formatQuantity, parseQuantity, readField, SUMS, type Sum } from '@pozzo/core';
import { Store } from '@ngrx/store';
import { settingsFeature } from '../state/settings.feature';
import { SUM_GROUPS } from './sum-groups';

/** Single calculations, without a rig: any unit as typed, both ways round, with working. Made for a phone too. */
@Component({
  selector: 'pz-sums-page',
  imports: [RouterLink, RouterLinkActive],
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
      const shown = text ?? i.fallback ?? '';
      const read = shown === '' ? undefined : readField(i.rule, shown, bareUnit(i.fallback ?? i.rule.min, i.rule.dimension));
      return {
        ...i,
        text: shown,
        error: text !== undefined && text !== '' && read && !read.ok ? read.error.message : '',
        value: read?.ok ? read.text : undefined,
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
      return { label: o.label, text: Number.isFinite(amount.si) ? amount.text : 'never', also: also === amount.text ? '' : also };
    });
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
    return findSum(name)!.title;
  }
  protected type(field: string, text: string): void {
    const sum = this.sum().name;
    this.typed.update((all) => ({ ...all, [sum]: { ...all[sum], [field]: text } }));
  }
  protected pick(event: Event): void {
    void this.router.navigate(['/sums', (event.target as HTMLSelectElement).value]);
  }
}

/** The unit a bare number takes: that of a text the field already knows. */
function bareUnit(text: string, dimension: Parameters<typeof parseQuantity>[1]): string {
  const read = parseQuantity(text, dimension);
  return read.ok ? read.unit : '';
}
