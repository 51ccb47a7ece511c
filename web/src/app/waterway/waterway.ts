import { ChangeDetectionStrategy, Component, computed, effect, type ElementRef, inject, input, viewChild } from '@angular/core';
import { Router } from '@angular/router';
import { VERDICT_WORDS } from '../kit/verdict';
import { RigStore } from '../state/rig-store';
import { layoutWaterway, type Stretch } from './waterway-layout';

/** Map, menu and verdict in one: every stretch is a link to its station. */
@Component({
  selector: 'pz-waterway',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './waterway.html',
  styleUrl: './waterway.scss',
})
export class Waterway {
  private readonly rig = inject(RigStore);
  private readonly router = inject(Router);
  readonly id = input.required<string>();
  protected readonly words = VERDICT_WORDS;
  private readonly frame = viewChild<ElementRef<HTMLElement>>('frame');
  protected readonly drawing = computed(() => {
    const doc = this.rig.document();
    const a = this.rig.assessment();
    // While an edit is on its way the assessment may speak of things no longer in the document.
    return doc && a && a.tanks.length === doc.tanks.length && a.chemical.mixes.every((m) => doc.mixes?.some((x) => x.id === m.mixId))
      ? layoutWaterway(doc, a, this.rig.units())
      : null;
  });

  constructor() {
    effect(() => {
      const d = this.drawing();
      const frame = this.frame()?.nativeElement;
      if (d && frame && d.loudX && frame.scrollWidth > frame.clientWidth) frame.scrollLeft = (d.loudX / d.width) * frame.scrollWidth - frame.clientWidth / 2;
      if (d && frame && d.loudY && frame.scrollHeight > frame.clientHeight)
        frame.scrollTop = (d.loudY / d.height) * frame.scrollHeight - frame.clientHeight / 2;
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
