import { afterRenderEffect, ChangeDetectionStrategy, Component, computed, type ElementRef, inject, input, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { SEVERITY_WORDS } from '@pozzo/core';
import { clockWords } from '../kit/clock';
import { DayStore } from '../state/day-store';
import { RigStore } from '../state/rig-store';
import { layoutWaterway, placeOf, type Stretch } from './waterway-layout';
import { atMoment } from './waterway-moment';

/** Map, menu and verdict in one: every stretch is a link to its station. */
@Component({
  selector: 'pz-waterway',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './waterway.html',
  styleUrl: './waterway.scss',
})
export class Waterway {
  private readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  private readonly router = inject(Router);
  readonly id = input.required<string>();
  protected readonly words = SEVERITY_WORDS.feeding;
  private readonly frame = viewChild<ElementRef<HTMLElement>>('frame');
  protected readonly drawing = computed(() => {
    const doc = this.rig.document();
    const a = this.rig.assessment();
    // While an edit is on its way the assessment may speak of things no longer in the document.
    if (!doc || !a || a.tanks.length !== doc.tanks.length || !a.chemical.mixes.every((m) => doc.mixes?.some((x) => x.id === m.mixId))) return null;
    const drawn = layoutWaterway(doc, a, this.rig.units());
    const moment = this.day.moment();
    const starts = this.day.usual()?.startsS ?? 0;
    return moment ? atMoment(drawn, doc, moment, clockWords(starts + moment.timeS), this.rig.units()) : drawn;
  });

  private readonly url = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map(() => this.router.url),
      startWith(this.router.url),
    ),
    { initialValue: '' },
  );
  /** What the open station speaks of, or else what holds the rig back most. */
  private readonly focus = computed(
    () => {
      const d = this.drawing();
      const tree = this.router.parseUrl(this.url());
      const station = tree.root.children['primary']?.segments[2]?.path ?? '';
      const at = d && (placeOf(d, station, tree.queryParamMap.get('of') ?? undefined) ?? { x: d.loudX, y: d.loudY });
      return at && { x: at.x / d.width, y: at.y / d.height };
    },
    // Scrolled to only when it moves: reading sizes back costs a layout.
    { equal: (a, b) => a?.x === b?.x && a?.y === b?.y },
  );

  constructor() {
    afterRenderEffect(() => {
      const at = this.focus();
      const frame = this.frame()?.nativeElement;
      if (!at || !frame) return;
      if (frame.scrollWidth > frame.clientWidth) frame.scrollLeft = at.x * frame.scrollWidth - frame.clientWidth / 2;
      if (frame.scrollHeight > frame.clientHeight) frame.scrollTop = at.y * frame.scrollHeight - frame.clientHeight / 2;
    });
  }

  protected href(s: Stretch): string {
    return `/rig/${this.id()}/${s.station}`;
  }
  protected go(event: Event, s: Stretch): void {
    if (event instanceof MouseEvent && (event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    void this.router.navigate(['/rig', this.id(), s.station], { queryParams: { of: s.subjectId } });
  }
}
