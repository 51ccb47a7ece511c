import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { assumptionValues, formatQuantity, parseQuantity, SEASONS, seasonsOf, typeableQuantity } from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { QuantityField } from '../../bench/quantity-field';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { RefillPlaces } from './refill-places';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

const SEASON_OPTIONS = [
  { value: '', name: 'any, water as briefed' },
  { value: 'year', name: 'the whole year' },
  ...SEASONS.map((value) => ({ value, name: value })),
];

/** What the customers' sites give and ask: their spigots, how far and high the work lies, the season, where to refill. */
@Component({
  selector: 'pz-day-sites',
  imports: [SpellPipe, ChoiceField, MatButtonModule, QuantityField, RefillPlaces],
  template: `
    @if (own(); as day) {
      @if (taps()) {
        <h3>The customers’ {{ '‹spigots›' | spell }}</h3>
        @if (day.spigot) {
          <pz-quantity label="Poorest" path="brief.day.spigot.poor" />
          <pz-quantity label="Usual" path="brief.day.spigot.usual" />
          <pz-quantity label="Best" path="brief.day.spigot.good" />
        } @else {
          <p class="quiet small">{{ spreadWords() }}</p>
          <button type="button" mat-stroked-button class="small" (click)="giveSpread()">Enter flows</button>
        }
        <pz-quantity label="Sites with no water" hint="share of sites" path="brief.day.dry" placeholder="none" />
      }
      <h3>The customers’ sites</h3>
      @if (day.distance) {
        <pz-quantity label="Nearest corner" [hint]="'‹curb› to far corner' | spell" path="brief.day.distance.near" />
        <pz-quantity label="Usual corner" [hint]="'‹curb› to far corner' | spell" path="brief.day.distance.usual" />
        <pz-quantity label="Farthest corner" [hint]="'‹curb› to far corner' | spell" path="brief.day.distance.far" />
      }
      @if (day.height) {
        <pz-quantity label="Lowest work" [hint]="'above the ‹curb›' | spell" path="brief.day.height.low" />
        <pz-quantity label="Usual work" [hint]="'above the ‹curb›' | spell" path="brief.day.height.usual" />
        <pz-quantity label="Highest work" [hint]="'above the ‹curb›' | spell" path="brief.day.height.high" />
      }
      @if (!day.distance || !day.height) {
        <button type="button" mat-stroked-button class="small" (click)="giveSites()">Enter distances and heights</button>
      } @else {
        <button type="button" mat-stroked-button class="small" (click)="forgetSites()">Leave them out</button>
      }
      <h3>Season</h3>
      <pz-choice label="The rig works in" path="brief.day.season" [options]="seasons" />
      @if (winter() && taps()) {
        <pz-quantity label="Taps shut in winter" hint="share of sites" path="brief.day.dryWinter" [placeholder]="day.dry ?? 'none'" />
      }
      <p class="quiet small">{{ seasonWords() }}</p>
      <pz-refill-places />
    }
  `,
  styles: `
    h3 {
      margin-top: 14px;
    }
    .small {
      font-size: 13.5px;
    }
    .mdc-button {
      margin-top: 8px;
    }
  `,
})
export class DaySites {
  private readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  protected readonly own = computed(() => this.rig.document()?.brief.day);
  protected readonly seasons = SEASON_OPTIONS;

  private readonly read = computed(() => this.rig.rig() ?? undefined);
  private readonly values = computed(() => assumptionValues(this.read()?.assumptions));

  private q(value: number, dimension: Parameters<typeof formatQuantity>[1], digits = 3): string {
    return formatQuantity(value, dimension, this.rig.units(), { digits });
  }
  protected giveSpread(): void {
    const doc = this.rig.document()!;
    // Into an open bucket, also where the reading was taken at the hose's end.
    const [spigot] = doc.spigots;
    const bucket = this.rig.assessment()?.fills.find((f) => f.spigotId === spigot?.id)?.spigotFlow.value;
    const read = parseQuantity(spigot?.readings[0]?.flow ?? '4.5 gpm', 'flow');
    const usual = bucket !== undefined && Number.isFinite(bucket) ? bucket : read.ok ? read.si : 2.8e-4;
    const values = this.values();
    const unit = this.rig.units() === 'us' ? 'gpm' : 'L/min';
    const text = (share: number): string => typeableQuantity(usual * share, 'flow', unit, 2);
    this.rig.edit(
      spell('The customers’ ‹spigots›'),
      (d) => void (this.day.own(d).spigot = { poor: text(values['poor-spigot']), usual: text(1), good: text(values['good-spigot']) }),
    );
  }
  protected giveSites(): void {
    const length = (m: number): string => typeableQuantity(m, 'length', this.rig.units() === 'us' ? 'ft' : 'm', 2);
    const site = this.rig.document()?.site;
    const si = (text: string | undefined, otherwise: number): number => {
      const read = parseQuantity(text ?? '', 'length');
      return read.ok ? read.si : otherwise;
    };
    const [distance, height] = [si(site?.distance, 30), si(site?.height, 5)];
    this.rig.edit('The customers’ sites', (d) => {
      const day = this.day.own(d);
      day.distance = { near: length(distance * 0.4), usual: length(distance), far: length(distance * 1.8) };
      day.height = { low: length(height * 0.6), usual: length(height), high: length(height * 1.8) };
    });
  }
  protected forgetSites(): void {
    this.rig.edit('The customers’ sites', (d) => {
      const day = this.day.own(d);
      delete day.distance;
      delete day.height;
    });
  }
  protected readonly spreadWords = computed(() => {
    const values = this.values();
    return `From ${this.q(values['poor-spigot'], 'ratio')} to ${this.q(values['good-spigot'], 'ratio')} of the rig’s own, as assumed.`;
  });
  protected readonly taps = computed(() => (this.rig.document()?.spigots.length ?? 0) > 0);
  protected readonly winter = computed(() => this.own()?.season === 'year' || this.own()?.season === 'winter');
  protected readonly seasonWords = computed(() => {
    const rig = this.read();
    if (!rig?.brief.day) return '';
    const seasons = seasonsOf(rig.brief.day, this.values(), rig.brief.water);
    const low = Math.min(...seasons.map((s) => s.water[0]));
    const high = Math.max(...seasons.map((s) => s.water[2]));
    return `Water from ${this.q(low, 'temperature', 2)} to ${this.q(high, 'temperature', 2)}.`;
  });
}
