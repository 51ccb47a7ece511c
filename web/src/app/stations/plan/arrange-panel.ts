import { Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { ARRANGE_WAYS, type Arrangement, type ArrangeWay, formatQuantity, layHoses, type PlacementDocument, type RigDocument } from '@pozzo/core';
import { type Subscription, toArray, forkJoin, map, tap } from 'rxjs';
import { RigStore } from '../../state/rig-store';
import { HeavyClient, reasonOf } from '../../workers/heavy-client';
import { spell } from '@pozzo/core/page';

const WAY_WORDS: Readonly<Record<ArrangeWay, string>> = {
  kerb: spell('Reels at the ‹curb›'),
  rear: 'Reels at the rear',
  near: 'As near to today’s as it gets',
};
const SEED = 11;

const sameStand = (now: readonly PlacementDocument[], then: readonly PlacementDocument[]): boolean =>
  then.every((p) => {
    const was = now.find((x) => x.thing === p.thing);
    return was?.x === p.x && was.y === p.y && (was.turned ?? '0') === (p.turned ?? '0') && was.service === p.service;
  });

interface Offered extends Arrangement {
  readonly words: string;
}

/** Looks for good ways to stand everything: three to choose from. */
@Component({
  selector: 'pz-arrange-panel',
  imports: [MatButtonModule, MatProgressBarModule],
  template: `
    <div class="acts">
      @if (share() === null) {
        <button type="button" mat-stroked-button class="small strong" (click)="start()">Arrange it for me</button>
      } @else {
        <mat-progress-bar mode="determinate" [value]="100 * share()!" aria-label="Arranging" />
        <button type="button" mat-stroked-button class="small" (click)="stop()">Cancel</button>
      }
    </div>
    @if (failed()) {
      <p role="alert" class="failed">{{ failed() }}</p>
    }
    <div class="offers">
      @for (o of offers(); track o.way) {
        <div class="card">
          <strong>{{ name(o.way) }}</strong>
          <span class="quiet">{{ o.words }}</span>
          <button type="button" mat-stroked-button class="small" (click)="take(o)" [attr.aria-label]="'Take: ' + name(o.way)">Take it</button>
        </div>
      }
    </div>
  `,
  styles: `
    .acts {
      display: flex;
      gap: 10px;
      align-items: center;
      margin: 8px 0;
    }
    mat-progress-bar {
      width: 220px;
    }
    .offers {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
      gap: 10px;
    }
    .card {
      display: flex;
      flex-direction: column;
      gap: 4px;
      align-items: flex-start;
      padding: 10px;
    }
    .failed {
      color: var(--attention);
    }
  `,
})
export class ArrangePanel {
  private readonly store = inject(RigStore);
  private readonly heavy = inject(HeavyClient);
  protected readonly share = signal<number | null>(null);
  protected readonly offers = signal<readonly Offered[]>([]);
  protected readonly failed = signal('');
  private work: Subscription | undefined;
  /** What an arrangement was made for: all but where things stand. */
  private readonly made = computed(() => {
    const d = this.store.document();
    return d ? JSON.stringify([d.platform, d.gear, d.tanks, d.machines, d.reels, d.lines.map((l) => [l.id, l.from, l.to])]) : '';
  });

  constructor() {
    // What no longer fits the rig is no longer offered.
    effect(() => {
      this.made();
      untracked(() => {
        this.stop();
        this.offers.set([]);
      });
    });
  }

  protected name(way: ArrangeWay): string {
    return WAY_WORDS[way];
  }

  protected start(): void {
    const document = this.store.document();
    if (!document) return;
    this.failed.set('');
    this.share.set(0);
    const shares = ARRANGE_WAYS.map(() => 0);
    this.work = forkJoin(
      ARRANGE_WAYS.map((way, i) =>
        this.heavy.run('arrange', { document, way, seed: SEED }).pipe(
          tap((p) => {
            shares[i] = p.state === 'working' ? p.share : 1;
            this.share.set(shares.reduce((a, b) => a + b, 0) / shares.length);
          }),
          toArray(),
          map((all) => {
            const last = all[all.length - 1];
            return last?.state === 'done' ? last.value : undefined;
          }),
        ),
      ),
    ).subscribe({
      next: (all) => this.offers.set(all.flatMap((a) => (a ? (this.offered(document, a) ?? []) : []))),
      error: (e: unknown) => {
        this.share.set(null);
        this.failed.set(reasonOf(e));
      },
      complete: () => this.share.set(null),
    });
  }

  /** An arrangement in words. */
  private offered(document: RigDocument, a: Arrangement): Offered | undefined {
    // What stands there already is no offer.
    if (sameStand(document.placements ?? [], a.placements)) return undefined;
    const units = this.store.units();
    const mass = (kg: number): string => formatQuantity(kg, 'mass', units);
    const loads =
      a.tongueShare !== undefined
        ? `${formatQuantity(a.tongueShare, 'ratio', units)} ${spell('‹tongue weight›')}, full`
        : `front ${mass(a.axlesKg[0])}, rear ${a.axlesKg.slice(1).map(mass).join(' and ')}`;
    const told = a.told ? `${a.told} ${a.told === 1 ? 'thing' : 'things'} still to mend` : 'nothing to mend at Plan and Weight';
    return { ...a, words: [loads, `${formatQuantity(a.hoseM, 'length', units)} of hose between things`, told].join(', ') };
  }

  protected stop(): void {
    this.work?.unsubscribe();
    this.work = undefined;
    this.share.set(null);
  }

  protected take(o: Offered): void {
    this.store.edit(`Arrange: ${this.name(o.way).toLowerCase()}`, (d) => {
      d.placements = [...o.placements];
      layHoses(d);
    });
  }
}
