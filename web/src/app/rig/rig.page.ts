import { Component, computed, effect, inject, input, type OnDestroy } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { type Finding, FINDING_KINDS, say, severityWord, type Station } from '@pozzo/core';
import { Store } from '@ngrx/store';
import { VerdictMark } from '../kit/verdict';
import { OpenWorking } from '../kit/working-panel';
import { DocumentActions } from '../state/document.feature';
import { RigStore } from '../state/rig-store';
import { Waterway } from '../waterway/waterway';
import { ConflictPanel } from './conflict-panel';

const GROUPS: readonly { name: string; stations: readonly { id: Station; name: string }[] }[] = [
  { name: 'Ask', stations: [{ id: 'brief', name: 'Brief' }] },
  {
    name: 'Water',
    stations: [
      { id: 'tanks', name: 'Tanks' },
      { id: 'fill', name: 'Fill' },
      { id: 'feed', name: 'Feed' },
      { id: 'machines', name: 'Machines' },
      { id: 'bypass', name: 'Bypass' },
      { id: 'guns', name: 'Guns' },
      { id: 'reels', name: 'Reels and runs' },
      { id: 'dump', name: 'Dump and vent' },
    ],
  },
  {
    name: 'Chemicals',
    stations: [
      { id: 'mix', name: 'Mix' },
      { id: 'liquids', name: 'Liquids' },
    ],
  },
  {
    name: 'Prove',
    stations: [
      { id: 'day', name: 'Work day' },
      { id: 'options', name: 'Options' },
    ],
  },
];

/** An open build: its verdict in a sentence, the waterway, the stations. */
@Component({
  selector: 'pz-rig-page',
  imports: [MatButtonModule, RouterLink, RouterLinkActive, RouterOutlet, VerdictMark, Waterway, ConflictPanel],
  templateUrl: './rig.page.html',
  styleUrl: './rig.page.scss',
})
export class RigPage implements OnDestroy {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly working = inject(OpenWorking);
  protected readonly rig = inject(RigStore);
  readonly id = input.required<string>();
  protected readonly groups = GROUPS;
  protected readonly state = this.rig.state;
  protected readonly assessment = this.rig.assessment;
  protected readonly headline = computed(() => {
    const a = this.assessment();
    return a ? say(a.headline, this.rig.units()) : '';
  });
  protected readonly problem = computed(() => this.rig.problems()[0]?.message ?? '');
  private readonly byStation = computed(() => {
    const out = new Map<Station, Finding>();
    // They come worst first.
    for (const f of this.assessment()?.findings ?? []) if (!out.has(f.station)) out.set(f.station, f);
    return out;
  });

  constructor() {
    effect(() => this.store.dispatch(DocumentActions.open({ id: this.id() })));
    this.router.events.subscribe(() => this.working.shown.set(null));
  }

  protected worstOf(station: Station): Finding | undefined {
    return this.byStation().get(station);
  }
  protected readonly scaleOf = (f: Finding) => FINDING_KINDS[f.code].scale;
  protected readonly wordOf = severityWord;
  protected retry(): void {
    this.store.dispatch(DocumentActions.open({ id: this.id() }));
  }

  protected bringBack(): void {
    this.store.dispatch(DocumentActions.bringBack());
  }
  protected keepAsNew(): void {
    this.store.dispatch(DocumentActions.keepAsNew());
  }

  ngOnDestroy(): void {
    this.store.dispatch(DocumentActions.close());
  }
}
