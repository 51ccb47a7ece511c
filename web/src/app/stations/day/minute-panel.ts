import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { formatQuantity } from '@pozzo/core';
import { Elevation } from '../../bench/elevation';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { clockWords } from '../../kit/clock';
import { PHASE_NAMES } from './phase-names';

/** What goes on at the minute looked at: levels, flows, guns, strength; and the feed from the side with that level. */
@Component({
  selector: 'pz-minute-panel',
  imports: [Elevation, MatButtonModule],
  template: `
    @if (now(); as m) {
      <div class="head">
        <h3>At {{ m.clock }}</h3>
        <span class="quiet">{{ m.doing }}</span>
        <button type="button" mat-stroked-button class="small" (click)="day.look(null)">Whole day</button>
      </div>
      <div class="tanks">
        @for (v of m.vessels; track $index) {
          <div class="tank">
            <span class="glass" [class.chem]="v.chem"><span [style.height.%]="100 * v.share"></span></span>
            <span
              ><strong>{{ v.name }}</strong
              ><br />{{ v.level }}<br /><span class="quiet">{{ v.flows }}</span></span
            >
          </div>
        }
      </div>
      @if (m.lines.length) {
        <p class="lines">{{ m.lines.join(' · ') }}</p>
      }
      @if (m.machineId; as id) {
        <pz-elevation [machineId]="id" [share]="m.share" />
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .head {
      display: flex;
      align-items: baseline;
      gap: 12px;
      flex-wrap: wrap;
    }
    h3 {
      color: var(--ink);
      font-size: 18px;
    }
    .mdc-button {
      margin-left: auto;
    }
    .tanks {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
      gap: 10px 16px;
      margin: 8px 0;
    }
    .tank {
      display: flex;
      gap: 10px;
      line-height: 1.25;
    }
    .glass {
      position: relative;
      width: 26px;
      height: 54px;
      border: 2px solid var(--ink);
      border-radius: 3px;
      background: var(--card);
      flex: none;
    }
    .glass span {
      position: absolute;
      left: 0;
      right: 0;
      bottom: 0;
      background: var(--water-mid);
    }
    .glass.chem span {
      background: var(--chem);
    }
    .lines {
      margin: 0 0 6px;
      font-weight: 600;
    }
  `,
})
export class MinutePanel {
  private readonly rig = inject(RigStore);
  protected readonly day = inject(DayStore);
  protected readonly now = computed(() => {
    const m = this.day.moment();
    const usual = this.day.usual();
    const doc = this.rig.document();
    if (!m || !usual || !doc) return null;
    const q = (v: number, d: Parameters<typeof formatQuantity>[1], digits = 3): string => formatQuantity(v, d, this.rig.units(), { digits });
    const gun = (id: string): string => doc.outlets.find((o) => o.id === id)?.name ?? id;
    const mix = (id: string): string => doc.mixes?.find((x) => x.id === id)?.name ?? id;
    const source = this.rig.assessment()?.feeds[0];
    const fed = m.vessels.find((v) => source && v.tankIds.includes(source.sourceId));
    return {
      clock: clockWords(usual.startsS + m.timeS),
      doing: m.phases.map((p) => (p.crew ? `Hand ${p.crew}: ${PHASE_NAMES[p.kind]}` : PHASE_NAMES[p.kind])).join(' · ') || 'Done for the day',
      vessels: m.vessels.map((v) => {
        const flows = [v.inM3s > 1e-9 ? `${q(v.inM3s, 'flow', 2)} in` : '', v.outM3s > 1e-9 ? `${q(v.outM3s, 'flow', 2)} out` : ''].filter(Boolean);
        return {
          name: v.name,
          chem: !v.water,
          share: v.share,
          level: `${q(v.volumeM3, 'volume')}, ${Math.round(100 * v.share)}%`,
          flows: flows.join(', ') || 'at rest',
        };
      }),
      lines: [
        ...m.guns.map((g) => `${gun(g.outletId)} ${q(g.pressurePa, 'pressure')}`),
        ...m.mixes.map((x) => `${mix(x.mixId)} ${q(x.strength, 'ratio')} at the wall`),
      ],
      machineId: fed ? source!.machineId : null,
      share: fed?.share ?? 0,
    };
  });
}
