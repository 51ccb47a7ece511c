import { NgTemplateOutlet } from '@angular/common';
import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { type Chance, formatQuantity, FUEL_ROWS, growTank, hoseSize, makeRoom, resizeLine, resizeStore, type RigDocument, shownIn, si } from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level, place } from '../../kit/chart-parts';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { inUnit, round3, unitOf } from '../../kit/units';
import { daysEach } from '../../kit/days-each';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';

const percent = (x: number): number => Number((100 * x).toPrecision(3));

/** The smallest tank, fill hose and feed for the tolerance, and what moves the answer most. */
@Component({
  selector: 'pz-sizing-panel',
  imports: [Chart, DataTable, MatButtonModule, MatProgressBarModule, NgTemplateOutlet],
  template: `
    <div class="head">
      <h2>Sizing</h2>
      @if (busy(); as share) {
        <mat-progress-bar class="bar" [value]="100 * share" aria-label="Sizing" />
        <button type="button" mat-stroked-button class="small" (click)="cancel()">Cancel</button>
      } @else {
        <button type="button" mat-stroked-button class="small" [class.strong]="!sizing()" (click)="day.size()">
          {{ sizing() ? 'Size again' : 'Size it for these days' }}
        </button>
      }
    </div>
    @if (problem(); as words) {
      <p role="alert" class="shout">{{ words }}</p>
    }
    @if (sizing(); as z) {
      @if (z.tank) {
        <p class="lead" aria-live="polite">{{ sentence() }}</p>
        @if (plateWords(); as words) {
          <p class="lead">{{ words }}</p>
        }
        @if (grows()) {
          <button type="button" mat-flat-button class="small" (click)="take()">{{ takeWords() }}</button>
        }
        <pz-chart [option]="curves()" [height]="230" [summary]="sentence()" />
        <pz-table label="Sizes of tank" [columns]="columns" [rows]="points()" />
        <p class="quiet small">{{ metWords() }}</p>
      }
      @if (ladders().length) {
        <h3>Hose of another size</h3>
        <p class="quiet small">Short days at each size. Click to use it.</p>
      }
      @for (l of ladders(); track l.id) {
        <ng-container *ngTemplateOutlet="ladder; context: { $implicit: l }" />
      }
      @if (stores().length) {
        <h3>Stock, batteries and fuel</h3>
        <p class="quiet small">Days short of each at each size. Click to use it.</p>
      }
      @for (l of stores(); track l.id) {
        <ng-container *ngTemplateOutlet="ladder; context: { $implicit: l }" />
      }
    } @else if (nothing()) {
      <p role="status">Nothing to size: this day’s work draws on no tank and no battery.</p>
    } @else if (!busy()) {
      <p class="quiet">
        Runs every tank, fill hose and feed size through the same days, and stock, batteries and fuel where they run short. Takes a few seconds.
      </p>
    }
    <ng-template #ladder let-l>
      <div class="ladder" role="group" [attr.aria-label]="l.label">
        <strong>{{ l.name }}</strong>
        @for (s of l.sizes; track s.text) {
          <button
            type="button"
            mat-button
            class="size"
            [class.now]="s.now"
            [class.good]="s.good"
            [disabled]="s.now"
            [attr.aria-label]="l.name + ' ' + s.size + ': short on ' + s.chance + ' of days'"
            (click)="l.use(s.text)"
          >
            {{ s.size }}<br /><strong>{{ s.chance }}</strong>
          </button>
        }
        @if (l.none) {
          <span class="quiet small">None tried is enough.</span>
        }
      </div>
    </ng-template>
    @for (f of fuels(); track f.id) {
      <h3>{{ f.name }}</h3>
      <p class="lead">{{ f.words }}</p>
      <pz-table [label]="'How long fuel tanks of each size last in place of ' + f.name" [columns]="fuelColumns" [rows]="f.rows" />
    }
  `,
  styles: `
    .head {
      display: flex;
      align-items: center;
      gap: 12px;
      flex-wrap: wrap;
    }
    .bar {
      flex: 1;
    }
    .lead {
      margin: 6px 0;
    }
    h3 {
      margin: 14px 0 0;
    }
    .ladder {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      border-bottom: 1px solid var(--line);
      padding: 4px 0;
    }
    .ladder > strong {
      flex: 0 0 112px;
    }
    @media (max-width: 600px) {
      .ladder > strong {
        flex: 1 0 100%;
      }
    }
    .size {
      height: auto;
      min-width: 62px;
      padding: 4px 8px;
      text-align: left;
      line-height: 1.3;
      white-space: nowrap;
      color: var(--ink);
    }
    .size.now {
      background: var(--water-pale);
    }
    .size.good strong {
      color: var(--water);
    }
    .small {
      font-size: 13.5px;
    }
  `,
})
export class SizingPanel {
  protected readonly fuelColumns: readonly Column[] = [
    { id: 'size', name: 'Holds' },
    ...Array.from({ length: FUEL_ROWS }, (_, i) => ({ id: `days-${i + 1}`, name: i === 0 ? 'Lasts a day' : `${i + 1} in a row`, number: true })),
  ];
  /** How long fuel lasts, by the sampled days. */
  protected readonly fuels = computed(() =>
    (this.day.sample().value?.fuels ?? []).map((f) => {
      const q = (v: number): string => formatQuantity(v, 'volume', this.rig.units());
      return {
        id: f.id,
        name: f.name,
        words: `${f.ranDry ? 'At least ' : ''}${q(f.p50)} on a middling day, ${q(f.p95)} on a long one.`,
        rows: f.sizes.map((s): TableRow => ({
          id: String(s.volumeM3),
          ...(s.now ? { mark: 'now' as const } : {}),
          cells: {
            size: q(s.volumeM3),
            ...Object.fromEntries(
              Array.from({ length: FUEL_ROWS }, (_, i) => {
                const x = s.lasts.at(i);
                return [`days-${i + 1}`, { text: x === undefined ? '–' : `${percent(x)}%`, by: x ?? NaN, shout: s.now && i === 0 && (x ?? 1) < 0.98 }];
              }),
            ),
          },
        })),
      };
    }),
  );

  private readonly rig = inject(RigStore);
  protected readonly day = inject(DayStore);
  protected readonly busy = computed(() => (this.day.sizing().state === 'working' ? Math.max(this.day.sizing().share, 0.01) : 0));
  protected readonly problem = computed(() => this.day.sizing().error);
  /** It was asked for, and no tank's size decides anything. */
  protected readonly nothing = computed(() => this.day.sizing().state === 'done' && !this.day.sizing().value);
  protected readonly sizing = computed(() => (this.day.sizing().state === 'done' ? this.day.sizing().value : null));
  private q(value: number, dimension: Parameters<typeof formatQuantity>[1], digits = 3): string {
    return formatQuantity(value, dimension, this.rig.units(), { digits });
  }
  /** The smallest good tank differs from the one there is. */
  protected readonly grows = computed(() => {
    const t = this.sizing()?.tank;
    return !!t?.smallest && Math.abs(t.smallest.volumeM3 / t.now.volumeM3 - 1) > 0.02;
  });
  /** Chance of a short day with a size; that of the build as it is is the one which the heading quotes. */
  private shortOf(p: { readonly now: boolean; readonly short: Chance }): Chance {
    const sampled = this.day.fits() ? this.day.sample().value?.short : undefined;
    return p.now && sampled ? sampled : p.short;
  }
  protected readonly sentence = computed(() => {
    const z = this.sizing();
    if (!z?.tank) return '';
    const { tank, tolerance } = z;
    const may = this.q(tolerance, 'ratio', 2);
    if (tank.withOpenTaps)
      return (
        `No size of ${tank.name} tried keeps within ${may} of days, because taps are found shut: if none were, ${this.q(tank.withOpenTaps.volumeM3, 'volume')} would do. ` +
        'Put a refill stop in the day, carry the water of the whole job, or plan another day for such sites.'
      );
    const barred = tank.points.find((p) => p.short.chance <= tolerance && p.refused !== undefined);
    if (!tank.smallest && barred)
      return `${this.q(barred.volumeM3, 'volume')} in ${tank.name} would keep within ${may} of days, but ${barred.refused === 'weight' ? 'then what carries it is overloaded' : 'that does not fit the deck'}: mend the fill or the feed, or take a larger platform.`;
    if (!tank.smallest) return `No size of ${tank.name} tried keeps within ${may} of days: mend the fill or the feed first.`;
    const now = `${this.q(tank.now.volumeM3, 'volume')} goes short on ${this.q(this.shortOf(tank.now).chance, 'ratio', 2)}`;
    return this.grows()
      ? `The smallest ${tank.name} for ${may} of days is ${this.q(tank.smallest.volumeM3, 'volume')}; ${now}.`
      : `${tank.name} is as small as ${may} of days allow: ${now}.`;
  });
  /** What a plate over the outlet saves. */
  protected readonly plateWords = computed(() => {
    const t = this.sizing()?.tank;
    if (!t) return '';
    if (!t.plated) return '';
    const size = this.q(t.plated.volumeM3, 'volume');
    if (!t.smallest) return `With an anti-vortex plate over the outlet ${size} would do.`;
    return t.plated.volumeM3 < t.smallest.volumeM3 * 0.98
      ? `With an anti-vortex plate over the outlet ${size} would do as well.`
      : 'An anti-vortex plate over the outlet would not make it smaller.';
  });
  /** How many days each size was judged by. */
  protected readonly metWords = computed(() => {
    const z = this.sizing();
    if (!z) return '';
    const days = [...(z.tank?.points ?? []), ...z.fills.flatMap((l) => l.sizes), ...z.feeds.flatMap((l) => l.sizes)].map((s) => s.short.days);
    const met = `${daysEach(days)}, the same for every size: as many as it takes to know.`;
    const sampled = this.day.fits() ? (this.day.sample().value?.days ?? 0) : 0;
    return sampled > z.most ? `${met} The rig has been put through ${sampled} since: size again for as many.` : met;
  });
  protected readonly takeWords = computed(() => {
    const s = this.sizing()?.tank?.smallest;
    if (!s) return '';
    const money = s.price >= 0 ? `+$${Math.round(s.price)}` : `saves $${Math.round(-s.price)}`;
    return `Make it ${this.q(s.volumeM3, 'volume')} (${money}, ${formatQuantity(s.massKg, 'mass', this.rig.units(), { digits: 2, signed: true })} full)`;
  });
  protected take(): void {
    const t = this.sizing()?.tank;
    if (t?.smallest) this.grow(this.takeWords(), (d) => t.tankIds.forEach((id) => growTank(d, id, t.smallest!.factor)));
  }
  /** Makes something larger as it was tried: what stands in the way is moved aside. */
  private grow(label: string, change: (d: RigDocument) => void): void {
    const [rig, now] = [this.rig.rig(), this.rig.document()];
    if (!rig || !now) return;
    const grown = JSON.parse(JSON.stringify(now)) as RigDocument;
    change(grown);
    const room = makeRoom(rig, grown);
    this.rig.edit(label, (d) => {
      change(d);
      if (room) d.placements = [...room];
    });
  }
  private readonly tank = computed(() => {
    const z = this.sizing();
    return z?.tank && { tank: z.tank, tolerance: z.tolerance };
  });
  protected readonly curves = computed<ChartOption>(() => {
    const { tank, tolerance } = this.tank()!;
    const u = this.rig.units();
    const volume = (v: number): number => round3(inUnit(v, 'volume', u));
    const chance = tank.points.map((p) => [volume(p.volumeM3), percent(this.shortOf(p).chance)] as [number, number]);
    const money = tank.points.map((p) => [volume(p.volumeM3), Math.round(p.price)] as [number, number]);
    const most = volume(Math.max(tank.now.volumeM3, tank.smallest?.volumeM3 ?? 0) * 2.2);
    return (c) => {
      const base = axes(c, { name: `tank, ${unitOf('volume', u)}`, max: most }, { name: 'short days, %', min: 0 }) as { yAxis: object; grid: object };
      return {
        ...base,
        grid: { ...base.grid, right: 56 },
        legend: { top: 0, right: 110, textStyle: { color: c.ink }, itemHeight: 8 },
        yAxis: [base.yAxis, { type: 'value', name: 'more, $', nameTextStyle: { color: c.quiet }, axisLabel: { color: c.ink }, splitLine: { show: false } }],
        series: [
          curve('short days', chance, c.water, {
            showSymbol: true,
            symbolSize: 5,
            // Where the curve has come down to nothing, nothing is under the word.
            markLine: level(percent(tolerance), 'allowed', c.attention, 'insideEndTop'),
          }),
          curve('price', money, c.quiet, {
            yAxisIndex: 1,
            lineStyle: { color: c.quiet, type: 'dashed', width: 2 },
            markLine: place(volume(tank.now.volumeM3), 'now', c.ink),
          }),
        ],
      };
    };
  });
  /** The sizes round the answer. */
  protected readonly points = computed(() => {
    const t = this.sizing()?.tank;
    if (!t) return [];
    const centre = t.points.findIndex((p) => p === (t.smallest ?? t.now));
    return t.points.slice(Math.max(centre - 3, 0), centre + 4).map((p): TableRow => {
      const { chance } = this.shortOf(p);
      return {
        id: String(p.volumeM3),
        mark: p === t.smallest ? 'best' : p.now ? 'now' : undefined,
        cells: {
          volume: { text: `${this.q(p.volumeM3, 'volume')}${p.now ? ', now' : ''}`, by: p.volumeM3 },
          chance: { text: this.q(chance, 'ratio', 2), by: chance },
          lost: { text: p.lostS < 1 ? 'none' : this.q(p.lostS, 'time', 2), by: p.lostS },
          price: { text: p.price < 0 ? `saves $${Math.round(-p.price)}` : `+$${Math.round(p.price)}`, by: p.price },
          mass: {
            text: `${formatQuantity(p.massKg, 'mass', this.rig.units(), { signed: true })}${p.refused === 'weight' ? ', too heavy' : p.refused === 'room' ? ', does not fit' : ''}`,
            by: p.massKg,
            shout: p.refused !== undefined,
          },
        },
      };
    });
  });
  protected readonly columns: readonly Column[] = [
    { id: 'volume', name: 'Tank', sorts: true },
    { id: 'chance', name: 'Short days', number: true, sorts: true },
    { id: 'lost', name: 'Lost a day', number: true, sorts: true },
    { id: 'price', name: 'Price', number: true, sorts: true },
    { id: 'mass', name: 'Weight, full', number: true, sorts: true },
  ];
  protected readonly ladders = computed(() => {
    const z = this.sizing();
    return [...(z?.fills ?? []), ...(z?.feeds ?? [])].map((l) => ({
      id: l.lineId,
      name: l.name,
      label: `Chance of a short day by size of ${l.name}`,
      none: false,
      use: (bore: string) => this.rig.edit(`${bore} line`, (d) => resizeLine(d, l.lineId, bore)),
      sizes: l.sizes.map((s) => {
        const { chance } = this.shortOf(s);
        return {
          text: s.bore,
          size: hoseSize(si(s.bore, 'length'), this.rig.units()),
          now: s.now,
          good: chance <= z!.tolerance,
          chance: this.q(chance, 'ratio', 2),
        };
      }),
    }));
  });
  /** What else runs short; fuel that lasts has its table below. */
  protected readonly stores = computed(() => {
    const z = this.sizing();
    return (z?.stores ?? [])
      .filter((s) => s.kind !== 'fuel' || s.sizes.length > 1)
      .map(({ kind, id, name, sizes, smallest }) => ({
        id,
        name,
        label: `Days short by size of ${name}`,
        none: smallest === undefined,
        use: (text: string) => this.grow(`${name} of ${text}`, (d) => resizeStore(d, kind, id, text)),
        sizes: sizes.map((s) => ({
          text: s.text,
          size: `${shownIn(s.text, kind === 'battery' ? 'charge' : 'volume', this.rig.units()).text}${s.refused === 'weight' ? ', too heavy' : s.refused === 'room' ? ', does not fit' : ''}`,
          now: s.now,
          good: s.text === smallest,
          chance: this.q(s.short.chance, 'ratio', 2),
        })),
      }));
  });
  protected cancel(): void {
    this.day.cancel('sizing');
    this.day.cancel('swings');
  }
}
