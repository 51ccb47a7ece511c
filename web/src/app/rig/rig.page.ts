import { Component, computed, effect, inject, input, type OnDestroy } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { type Finding, FINDING_KINDS, say, severityWord, type Station } from '@pozzo/core';
import { Store } from '@ngrx/store';
import { VerdictMark } from '../kit/verdict';
import { OpenWorking } from '../kit/working-panel';
import { DocumentActions } from '../state/document.feature';
import { RigStore } from '../state/rig-store';
import { GROUPS, STATION_LIST } from '../stations/registry';
import { Waterway } from '../waterway/waterway';
import { ConflictPanel } from './conflict-panel';

/** The list as it is shown: each group with its stations. */
const LIST = GROUPS.map((name) => ({ name, stations: STATION_LIST.filter((s) => s.group === name) }));

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
  protected readonly groups = LIST;
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
