import { spell } from '@pozzo/core/page';
import { Component, computed, effect, ElementRef, HostListener, linkedSignal, inject, input, type OnDestroy, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { NavigationEnd, Router, RouterLink, RouterOutlet } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { hasDays, notChecked, reread, say, SEVERITY_WORDS, type Said, type Scale, type Verdict, verdictOf, worse } from '@pozzo/core';
import { VerdictMark } from '../kit/verdict';
import { OpenWorking } from './working-panel';
import { DayStore } from '../state/day-store';
import { RigStore } from '../state/rig-store';
import { SavingPanel } from '../record/saving-panel';
import { GROUPS, STATION_LIST } from '../stations/registry';
import { when } from '../kit/when';
import { Waterway } from './waterway/waterway';
import { injectRoad, injectToDo } from './road';
import { Shortcuts } from './shortcuts';
import { StartPanel } from './start-panel';
import { StationList, type Worst, worstOfFinding } from './station-list';

/** Said of the days while they are not known. */
const DAY_WORDS = {
  idle: 'Its days are being judged…',
  working: 'Its days are being judged…',
  done: 'Its days are being judged…',
  cancelled: 'Its days are not judged.',
  failed: 'Its days could not be judged.',
} as const;

/** An open build: its verdict in a sentence, the waterway, the stations. */
@Component({
  selector: 'pz-rig-page',
  imports: [MatButtonModule, RouterLink, RouterOutlet, StartPanel, StationList, VerdictMark, Waterway, SavingPanel],
  templateUrl: './rig.page.html',
  styleUrl: './rig.page.scss',
})
export class RigPage implements OnDestroy {
  private readonly router = inject(Router);
  private readonly working = inject(OpenWorking);
  protected readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  readonly id = input.required<string>();
  private readonly keys = inject(Shortcuts);
  private readonly root = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly list = viewChild(StationList);
  protected readonly groups = GROUPS;
  protected readonly stations = STATION_LIST;
  /** Whether the waterway is drawn whole. */
  protected readonly unfolded = signal(false);
  private readonly url = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map(() => this.router.url),
      startWith(this.router.url),
    ),
    { initialValue: '' },
  );
  protected readonly station = computed(() => this.router.parseUrl(this.url()).root.children['primary']?.segments[2]?.path ?? '');
  protected readonly stationName = computed(() => (this.station() === 'todo' ? 'To do' : (STATION_LIST.find((s) => s.id === this.station())?.name ?? '')));
  /** Version and day at the head of a printed page. */
  protected readonly printed = computed(() => `version ${this.rig.state().version}, ${when(this.rig.state().savedAt ?? new Date().toISOString(), 'day')}`);
  protected readonly state = this.rig.state;
  protected readonly assessment = this.rig.assessment;
  private readonly road = injectRoad();
  private readonly todo = injectToDo(this.road);
  /** How much is left to do, where it is known. */
  protected readonly left = computed(() => this.todo()?.filter((x) => x.grade !== 'note' && x.aside === undefined).length ?? null);
  private readonly said = computed(() => {
    const a = this.assessment();
    return a && verdictOf(a, this.day.judged() ?? undefined, this.road());
  });
  private readonly waits = computed(() => {
    const [a, said] = [this.assessment(), this.said()];
    return !!a && hasDays(a) && !said?.days;
  });
  /** What was last said of this build with its days judged: after an edit it stands until they are again. */
  private readonly last = linkedSignal<{ id: string; said: Said | null; waits: boolean }, { id: string; verdict: Verdict; scale: Scale } | undefined>({
    source: () => ({ id: this.id(), said: this.said(), waits: this.waits() }),
    computation: ({ id, said, waits }, before) => (said && !waits ? { id, verdict: said.verdict, scale: said.scale } : before?.value),
  });
  /** The rig's verdict, its days counted in where they are known. */
  protected readonly whole = computed(() => {
    const [a, said, units] = [this.assessment(), this.said(), this.rig.units()];
    if (!a || !said) return null;
    const { verdict, scale, headline, days } = said;
    const state = this.day.sample().state;
    const waits = this.waits();
    // Fed is said once the days are judged; after an edit what they said last stands until then.
    const checking = waits && verdict === 'fed' && state !== 'cancelled' && state !== 'failed';
    const held = this.last();
    const last = checking && held?.id === this.id() ? held : undefined;
    const rig = this.rig.rig();
    const unchecked = rig && notChecked(rig);
    return {
      verdict: last?.verdict ?? verdict,
      about: last?.scale ?? scale,
      checking: checking && !last,
      headline: say(headline, units),
      days: days && said.by !== 'days' ? say(days.message, units) : waits ? DAY_WORDS[state] : '',
      unchecked: unchecked ? say(unchecked, units) : '',
    };
  });
  protected readonly problem = computed(() => spell(this.rig.problems()[0]?.message ?? ''));
  protected readonly worst = computed(() => {
    const out = new Map<string, Worst>();
    // They come worst first.
    for (const f of this.assessment()?.findings ?? []) if (!out.has(f.station)) out.set(f.station, worstOfFinding(f));
    const road = this.road();
    if (road && worse(out.get('weight')?.verdict ?? 'fed', road.verdict) === road.verdict) out.set('weight', worstOfFinding(road));
    const days = this.said()?.days;
    if (days && days.verdict !== 'fed') out.set('day', { verdict: days.verdict, about: 'feeding', word: SEVERITY_WORDS.feeding[days.verdict] });
    return out;
  });

  constructor() {
    this.rig.readBy(reread);
    effect(() => this.rig.open(this.id()));
    this.router.events.pipe(takeUntilDestroyed()).subscribe(() => this.working.close());
  }

  /** Single keys, wherever the focus is but in a field. */
  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    const does = this.keys.of(event);
    if (!does || !this.state().document) return;
    const acts: Record<typeof does, () => boolean> = {
      unfold: () => (this.unfolded.update((u) => !u), true),
      before: () => (this.list()?.step(-1), true),
      after: () => (this.list()?.step(1), true),
      fix: () => this.focusFix(),
      guide: () => (void this.router.navigate(['/guide'], { fragment: this.station() }), true),
      list: () => (void this.keys.list(), true),
      close: () => {
        if (this.working.shown()) this.working.close();
        else if (this.unfolded()) this.unfolded.set(false);
        else return false;
        return true;
      },
    };
    if (acts[does]()) event.preventDefault();
  }
  private focusFix(): boolean {
    const first = this.root.nativeElement.querySelector<HTMLElement>('[data-fix]');
    first?.focus();
    return !!first;
  }

  ngOnDestroy(): void {
    this.rig.close();
  }
}
