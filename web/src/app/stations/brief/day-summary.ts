import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { formatQuantity, withoutOptions } from '@pozzo/core';
import { clockWords } from '../../kit/clock';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { RigStore } from '../../state/rig-store';
import { answered } from '../../workers/answered';
import { spell } from '@pozzo/core/page';

const refills = (n: number): string => (n === 0 ? '' : n === 1 ? ', one refill place' : `, ${n} refill places`);

const AFTER_MS = 120;

/** The customer's day in short: its jobs, their length, what the sites give; the board is one press away. */
@Component({
  selector: 'pz-day-summary',
  imports: [DataTable, MatButtonModule, RouterLink],
  template: `
    <h2>The customer’s day</h2>
    @if (day(); as d) {
      <p class="lead">{{ d.words }}</p>
      <pz-table label="Jobs of the day" [columns]="columns" [rows]="d.jobs" />
      <p><a mat-stroked-button class="small" [routerLink]="['/rig', rig.state().id, 'day']">Open the day board</a></p>
    } @else if (madeUp().error; as e) {
      <p role="alert" class="shout">{{ e }}</p>
    } @else {
      <p class="quiet" role="status">Making up a day from this brief…</p>
    }
  `,
  styles: `
    .lead {
      margin: 4px 0;
    }
  `,
})
export class DaySummary {
  protected readonly columns: readonly Column[] = ['name', 'length', 'crew', 'water'].map((id) => ({ id, name: '' }));
  protected readonly rig = inject(RigStore);
  /** A day where none is written: what it takes to spray is solved for. */
  protected readonly madeUp = answered(
    'plan',
    () => {
      const [rig, document] = [this.rig.rig(), this.rig.document()];
      return rig && document && !rig.brief.day ? { document: withoutOptions(document) } : null;
    },
    AFTER_MS,
  );
  protected readonly day = computed(() => {
    const rig = this.rig.rig();
    const day = rig?.brief.day ?? this.madeUp().value;
    if (!rig || !day) return null;
    const q = (v: number, d: Parameters<typeof formatQuantity>[1]): string => formatQuantity(v, d, this.rig.units(), { digits: 2 });
    const season = day.season === undefined ? '' : day.season === 'year' ? ', the whole year' : `, ${day.season}`;
    const spigot = !rig.spigots.length
      ? 'no taps'
      : day.spigot
        ? spell(`‹spigots› of ${q(day.spigot.poor, 'flow')} to ${q(day.spigot.good, 'flow')}`)
        : spell('‹spigots› as assumed below');
    return {
      words: `${rig.brief.day ? 'As written' : 'Built from this brief'}: starts at ${clockWords(day.starts)}${season}, ${spigot}${day.dry ? `, ${q(day.dry, 'ratio')} of the taps shut` : ''}${refills(day.refills?.length ?? 0)}; ${q(day.tolerance, 'ratio')} of days may go short.`,
      jobs: day.jobs.map((j, i): TableRow => {
        const hands = Math.max(1, ...j.phases.map((p) => (p.crew === 'all' ? 1 : Number(p.crew))));
        const lengths = Array.from({ length: hands }, (_, c) => j.phases.reduce((s, p) => s + (p.crew === 'all' || Number(p.crew) === c + 1 ? p.time : 0), 0));
        return {
          id: String(i),
          cells: {
            name: j.name,
            length: q(Math.max(...lengths), 'time'),
            crew: hands === 1 ? '1 hand' : `crew of ${hands}`,
            water: j.water === 'tap' ? 'tap' : 'no tap',
          },
        };
      }),
    };
  });
}
