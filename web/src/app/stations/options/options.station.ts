import { Component, computed, effect, inject, type OnDestroy, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { finalize, type Subscription } from 'rxjs';
import {
  assumptionValues,
  buildOption,
  dropOption,
  formatQuantity,
  fuelVolume,
  keepOption,
  MOST_OPTIONS,
  type OptionRow,
  say,
  withoutOptions,
} from '@pozzo/core';
import { NameField } from '../../bench/name-field';
import { StationFrame } from '../../bench/station-frame';
import { daysEach } from '../../kit/days-each';
import { Later } from '../../kit/later';
import { VerdictMark } from '../../kit/verdict';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { answered } from '../../workers/answered';
import { doneOf, HeavyClient, reasonOf } from '../../workers/heavy-client';

/** What differs, row by row; `better` says which end a customer wants. */
interface Line {
  readonly label: string;
  /** What each is ordered by, the better the lower; null is last. */
  readonly by: readonly (number | null)[];
  readonly cells: readonly { readonly text: string; readonly mark: '' | 'better' | 'worse' }[];
}

/** Ways of building the rig side by side, over the same days; one is chosen, the rest are kept. */
@Component({
  selector: 'pz-options-station',
  imports: [Later, MatButtonModule, NameField, StationFrame, VerdictMark],
  templateUrl: './options.station.html',
  styleUrl: './options.station.scss',
})
export class OptionsStation implements OnDestroy {
  private readonly rig = inject(RigStore);
  private readonly heavy = inject(HeavyClient);
  protected readonly day = inject(DayStore);
  /** What counts for how much against money. */
  protected readonly weighing = computed(() => {
    const v = assumptionValues(this.rig.rig()?.assumptions);
    const money = (x: number): string => formatQuantity(x, 'money', this.rig.units());
    return { tight: money(v['price-tight']), minute: money(v['price-minute']), stay: money(v['price-stay']), pound: money(v['price-weight']) };
  });
  protected readonly options = computed(() => this.rig.document()?.options ?? []);
  protected readonly full = computed(() => this.options().length >= MOST_OPTIONS);
  protected readonly most = MOST_OPTIONS;
  protected readonly work = this.day.comparison;

  constructor() {
    // What is compared changes with the build and its options; an assessed build tells that it can be compared.
    effect(() => {
      if (!this.rig.assessment() || !this.rig.document()) return;
      this.day.compare();
    });
  }
  ngOnDestroy(): void {
    this.day.cancel('comparison');
    this.made?.unsubscribe();
  }

  /** Other schools' ways of building it: that they can be taken is found out aside. */
  protected readonly variants = answered('variants', () => {
    const document = this.rig.rig() && this.rig.document();
    return document && { document: withoutOptions(document) };
  });
  /** Variants by the question they answer, those kept already left out. */
  protected readonly schools = computed(() => {
    const kept = new Set(this.options().map((o) => o.name));
    const groups = new Map<string, { id: string; title: string }[]>();
    for (const x of this.variants().value ?? []) {
      if (kept.has(x.title)) continue;
      groups.set(x.question, [...(groups.get(x.question) ?? []), { id: x.id, title: x.title }]);
    }
    return [...groups].map(([question, list]) => ({ question, list }));
  });
  /** The variant that is being made; null for none. */
  protected readonly making = signal<string | null>(null);
  protected readonly failed = signal('');
  private made: Subscription | undefined;
  protected keep({ id, title }: { readonly id: string; readonly title: string }): void {
    const document = this.rig.document();
    if (!document) return;
    this.failed.set('');
    this.making.set(id);
    this.made = doneOf(this.heavy.run('variant', { document: withoutOptions(document), id }))
      .pipe(finalize(() => this.making.set(null)))
      .subscribe({
        next: (rig) => rig && this.rig.edit(`Keep: ${title}`, (d) => void keepOption(d, title, rig)),
        error: (e: unknown) => this.failed.set(reasonOf(e)),
      });
  }
  protected keepNow(): void {
    const doc = this.rig.document();
    if (doc) this.rig.edit('Keep the build as an option', (d) => void keepOption(d, `As built, ${this.options().length + 1}`, doc));
  }
  protected drop(id: string): void {
    this.rig.edit('Drop the option', (d) => dropOption(d, id));
  }
  protected build(id: string): void {
    const name = this.rowName(id);
    this.rig.edit(`Build ${name}`, (d) => buildOption(d, id, `Before “${name}”`));
  }
  private rowName(id: string): string {
    return this.options().find((o) => o.id === id)?.name ?? 'As built';
  }

  protected readonly comparison = computed(() => {
    const value = this.work().value;
    const ids = new Set(['now', ...this.options().map((o) => o.id)]);
    return value && value.rows.every((r) => ids.has(r.id)) ? value : null;
  });
  private readonly own = computed(() =>
    (this.comparison()?.rows ?? []).map((r) => ({ ...r, name: this.rowName(r.id), best: this.comparison()?.advice?.id === r.id })),
  );
  /** What is said where there is nothing to choose between. */
  private readonly alone = computed(() => {
    const c = this.comparison();
    if (!c?.rows.length) return '';
    if (c.rows.length > 1) return 'Every option is unsafe. Fix those problems first.';
    const q = (share: number): string => formatQuantity(share, 'ratio', this.rig.units(), { digits: 2 });
    return `As built, short of water on ${q(c.rows[0].short.chance)} of days; ${q(c.tolerance)} allowed`;
  });
  protected readonly told = computed(() => {
    const [headline = this.alone(), ...reasons] = (this.comparison()?.advice?.reasons ?? []).map((m) => say(m, this.rig.units()));
    return { headline, reasons };
  });
  /** How many days each was judged by. */
  protected readonly met = computed(() => {
    const days = (this.comparison()?.rows ?? []).map((r) => r.short.days);
    return `${daysEach(days)}, the same for each`;
  });
  protected headline(r: OptionRow): string {
    return say(r.headline, this.rig.units());
  }

  /** What the options are put in the order of: the best first, or the worst. */
  protected readonly order = signal<{ readonly label: string; readonly worst: boolean } | null>(null);
  /** The best first, then the worst, then their own order again. */
  protected orderBy(label: string): void {
    const now = this.order();
    this.order.set(now?.label !== label ? { label, worst: false } : now.worst ? null : { label, worst: true });
  }
  /** Places in the build's own order, as they are shown; what is built stays in front, for it is what all are held against. */
  private readonly shown = computed<number[]>(() => {
    const places = this.own().map((_, i) => i);
    const order = this.order();
    const by = order && this.allLines().find((l) => l.label === order.label)?.by;
    if (!by) return places;
    const value = (i: number): number => {
      const own = by[i];
      return own === null ? Infinity : order.worst ? -own : own;
    };
    return [...places.slice(0, 1), ...places.slice(1).sort((a, b) => value(a) - value(b) || a - b)];
  });
  protected readonly rows = computed(() => this.shown().map((i) => this.own()[i]));
  protected readonly lines = computed(() => this.allLines().map((l) => ({ ...l, cells: this.shown().map((i) => l.cells[i]) })));

  private readonly allLines = computed<Line[]>(() => {
    const rows = this.own();
    const u = this.rig.units();
    if (!rows.length) return [];
    const q = (v: number, d: Parameters<typeof formatQuantity>[1], digits = 3): string => formatQuantity(v, d, u, { digits });
    /** Marks what differs from the build by more than `least`. */
    const line = (
      label: string,
      of: (r: OptionRow) => number | null,
      text: (r: OptionRow) => string,
      wants: 'less' | 'more' | 'either',
      least: number,
    ): Line => ({
      label,
      by: rows.map((r) => {
        const value = of(r);
        return value === null ? null : wants === 'more' ? -value : value;
      }),
      cells: rows.map((r, i) => {
        const [there, here] = [of(r), of(rows[0])];
        const change = there === null || here === null ? 0 : there - here;
        const differs = i > 0 && Math.abs(change) > least;
        const better = wants === 'less' ? change < 0 : change > 0;
        return { text: text(r), mark: !differs || wants === 'either' ? '' : better ? 'better' : 'worse' };
      }),
    });
    const signed = (v: number, text: string): string => (v < 0 ? `saves ${text}` : v > 0 ? `+${text}` : 'as it is');
    return [
      line(
        'Short of water',
        (r) => r.short.chance,
        (r) => `${q(r.short.chance, 'ratio', 2)} of days`,
        'less',
        0.004,
      ),
      line(
        'Lost in a day',
        (r) => r.lostS,
        (r) => (r.lostS < 1 ? 'none' : q(r.lostS, 'time', 2)),
        'less',
        30,
      ),
      line(
        'Price',
        (r) => Math.round(r.price),
        (r) => signed(Math.round(r.price), `$${Math.abs(Math.round(r.price))}`),
        'less',
        0.5,
      ),
      line(
        'Weight, day’s start',
        (r) => r.massKg,
        (r) => (Math.abs(r.massKg) < 0.5 ? 'as it is' : formatQuantity(r.massKg, 'mass', u, { signed: true })),
        'less',
        5,
      ),
      line(
        'On board, driving',
        (r) => r.carriedM3,
        (r) => q(r.carriedM3, 'volume'),
        'less',
        0.01,
      ),
      line(
        'Least at a gun',
        (r) => r.gunPa,
        (r) => (r.gunPa === null ? '–' : q(r.gunPa, 'pressure')),
        'more',
        5e4,
      ),
      ...(rows.some((r) => r.wanted !== null)
        ? [
            line(
              'At the wall',
              (r) =>
                r.wanted === null || r.weakest === null || r.strongest === null
                  ? null
                  : -Math.max(Math.abs(r.weakest - r.wanted), Math.abs(r.strongest - r.wanted)),
              (r) => (r.weakest === null || r.strongest === null ? '–' : `${q(r.weakest, 'ratio', 2)} to ${q(r.strongest, 'ratio', 2)}`),
              'more',
              5e-4,
            ),
            line(
              'Chemicals a day',
              (r) => r.chemicalsDay,
              (r) => q(r.chemicalsDay, 'money', 2),
              'less',
              1,
            ),
          ]
        : []),
      line(
        'Fuel a day',
        (r) => r.fuelKg,
        (r) => q(fuelVolume(r.fuelKg, assumptionValues(this.rig.rig()?.assumptions)['fuel-density']), 'volume', 2),
        'less',
        0.1,
      ),
      ...(rows.some((r) => r.fuelDays !== null)
        ? [
            line(
              'Fuel lasts',
              (r) => r.fuelDays,
              (r) => (r.fuelDays === null ? '–' : `${r.fuelDays.toFixed(1)} days`),
              'more',
              0.1,
            ),
          ]
        : []),
      ...(rows.some((r) => r.batteryLeft !== null)
        ? [
            line(
              'Battery left',
              (r) => r.batteryLeft,
              (r) => (r.batteryLeft === null ? '–' : q(r.batteryLeft, 'ratio', 2)),
              'more',
              0.02,
            ),
          ]
        : []),
    ];
  });
}
