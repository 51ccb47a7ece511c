import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { SEVERITY_WORDS } from '@pozzo/core';
import { clockWords } from '../../kit/clock';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { foldWaterway } from './folded';
import { FoldedWaterwayView, type Here } from './folded-waterway';
import { layoutWaterway, leftToRight, type Stretch } from './waterway-layout';
import { atMoment } from './waterway-moment';
import { SpellPipe } from '../../kit/spell.pipe';

/** Map, menu and verdict in one: every stretch is a link to its station. */
@Component({
  selector: 'pz-waterway',
  imports: [SpellPipe, FoldedWaterwayView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './waterway.html',
  styleUrl: './waterway.scss',
})
export class Waterway {
  private readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  private readonly router = inject(Router);
  readonly id = input.required<string>();
  /** Drawn whole, zoomed to fit; else folded to a line a machine or mix. */
  readonly unfolded = input(false);
  protected readonly words = SEVERITY_WORDS.feeding;
  protected readonly leftToRight = leftToRight;
  /** The document with its assessment; none while an edit is on its way and the assessment may speak of what is gone. */
  private readonly judged = computed(() => {
    const doc = this.rig.document();
    const a = this.rig.assessment();
    if (!doc || !a || a.tanks.length !== doc.tanks.length || !a.chemical.mixes.every((m) => doc.mixes?.some((x) => x.id === m.mixId))) return null;
    const moment = this.day.moment();
    const starts = this.day.usual()?.startsS ?? 0;
    return { doc, a, at: moment ? { moment, clock: clockWords(starts + moment.timeS) } : undefined };
  });
  protected readonly folded = computed(() => {
    const j = this.judged();
    return j && foldWaterway(j.doc, j.a, this.rig.units(), j.at);
  });
  protected readonly drawing = computed(() => {
    const j = this.judged();
    if (!j) return null;
    const drawn = layoutWaterway(j.doc, j.a, this.rig.units());
    return j.at ? atMoment(drawn, j.doc, j.at.moment, j.at.clock, this.rig.units()) : drawn;
  });

  private readonly url = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map(() => this.router.url),
      startWith(this.router.url),
    ),
    { initialValue: '' },
  );
  /** What the open station speaks of. */
  protected readonly here = computed<Here>(
    () => {
      const tree = this.router.parseUrl(this.url());
      return { station: tree.root.children['primary']?.segments[2]?.path ?? '', of: (tree.queryParams['of'] as string | undefined) ?? undefined };
    },
    { equal: (a, b) => a.station === b.station && a.of === b.of },
  );

  protected readonly hrefOf = (s: Pick<Stretch, 'station'>): string => `/rig/${this.id()}/${s.station}`;
  protected href(s: Stretch): string {
    return this.hrefOf(s);
  }
  protected pick(s: Pick<Stretch, 'station' | 'subjectId'>): void {
    void this.router.navigate(['/rig', this.id(), s.station], { queryParams: { of: s.subjectId } });
  }
  protected go(event: Event, s: Stretch): void {
    if (event instanceof MouseEvent && (event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    this.pick(s);
  }
}
