import { spell } from '@pozzo/core/page';
import { Component, computed, effect, inject, input, type OnDestroy, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTabsModule } from '@angular/material/tabs';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import {
  addJob,
  addPhase,
  type Cause,
  daysJudged,
  formatQuantity,
  holdsGun,
  JOB_TEMPLATES,
  moveJob,
  movePhase,
  passPhase,
  type PhaseKind,
  removeJob,
  removePhase,
  say,
  stretchPhase,
  triggerOf,
  type Verdict,
} from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { NameField } from '../../bench/name-field';
import { ClockField } from '../../kit/clock-field';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../bench/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { DayDiffers } from '../../bench/day-differs';
import { StationFrame } from '../../bench/station-frame';
import { VerdictMark } from '../../kit/verdict';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { type BoardChange, type BoardPlace, DayBoard } from './day-board';
import { MinutePanel } from './minute-panel';
import { clockWords } from '../../kit/clock';
import { CAUSE_WORDS, shortOf } from './cause-words';
import { CREW_OPTIONS, PHASE_NAMES, PHASE_OPTIONS } from './phase-names';
import { DaySites } from './day-sites';
import { LevelsPanel } from './levels-panel';
import { SizingPanel } from './sizing-panel';
import { SwingsPanel } from './swings-panel';

/** The parts of the work day, each with an address of its own. */
const PARTS = [
  { id: 'board', name: 'Board and minute' },
  { id: 'levels', name: 'Levels and odds' },
  { id: 'sizing', name: 'Sizing' },
  { id: 'moves', name: 'What matters most' },
] as const;

/** What helps where something other than water falls short on too many days. */
const HELP: Readonly<Record<Exclude<Cause, 'water' | 'feed'>, string>> = {
  stock: 'A larger tank, or a refill between jobs.',
  battery: 'A larger battery, or charging while you work.',
  fuel: 'A larger fuel tank, or cans on board.',
  air: 'A larger compressor, or a receiver.',
  heat: 'Lead the return back to the tank.',
  reach: 'More hose on the reel, or spare hose carried; a stronger jet for high work.',
};

/** The customer's day: worked through once as usual, sampled many times, and the rig sized for it. */
@Component({
  selector: 'pz-day-station',
  imports: [
    ChoiceField,
    ClockField,
    DayBoard,
    DayDiffers,
    DaySites,
    Later,
    LevelsPanel,
    MatButtonModule,
    MatProgressBarModule,
    MatTabsModule,
    MinutePanel,
    NameField,
    Picker,
    QuantityField,
    RouterLink,
    SelectRow,
    SizingPanel,
    StationFrame,
    SwingsPanel,
    VerdictMark,
  ],
  templateUrl: './day.station.html',
  styleUrl: './day.station.scss',
})
export class DayStation implements OnDestroy {
  private readonly rig = inject(RigStore);
  protected readonly day = inject(DayStore);
  protected readonly String = String;
  protected readonly kinds = PHASE_OPTIONS;
  protected readonly crew = CREW_OPTIONS;
  protected readonly templates = JOB_TEMPLATES;
  protected readonly waters = [
    { value: 'tap', name: 'A tap' },
    { value: 'none', name: 'No tap' },
  ];
  protected readonly usual = this.day.usual;
  protected readonly sample = this.day.sample;
  protected readonly own = computed(() => this.rig.document()?.brief.day);
  protected readonly jobs = computed(() => (this.own()?.jobs ?? []).map((j, i) => ({ id: String(i), name: j.name })));
  private readonly at = signal<BoardPlace>({ job: 0, phase: 0 });
  protected readonly job = computed(() => Math.min(this.at().job, Math.max(this.jobs().length - 1, 0)));
  private readonly phaseAt = computed(() => Math.min(this.at().phase, (this.own()?.jobs[this.job()]?.phases.length ?? 1) - 1));
  protected readonly phase = computed(() => this.own()?.jobs[this.job()]?.phases[this.phaseAt()]);
  protected readonly chosenKey = computed(() => `${this.job()}:${this.phaseAt()}`);
  /** Which part of the work day is shown: board and minute, levels and chances, sizing, what moves the answer. */
  readonly part = input<string>();
  protected readonly parts = PARTS;
  protected readonly shown = computed(() => PARTS.find((p) => p.id === this.part())?.id ?? 'board');

  private readonly opened = computed(() => this.rig.state().id);

  constructor() {
    // A day is worked anew for each document, while this station is open.
    effect(() => {
      if (this.opened()) this.day.watch();
    });
  }
  ngOnDestroy(): void {
    this.day.leave();
  }

  private q(value: number, dimension: Parameters<typeof formatQuantity>[1], digits = 3): string {
    return formatQuantity(value, dimension, this.rig.units(), { digits });
  }
  protected jobPath(field: string): string {
    return `brief.day.jobs.${this.job()}.${field}`;
  }
  protected phasePath(field: string): string {
    return `brief.day.jobs.${this.job()}.phases.${this.phaseAt()}.${field}`;
  }
  protected readonly works = holdsGun;
  protected phaseName(kind: PhaseKind): string {
    return PHASE_NAMES[kind];
  }

  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  /** Sizes are worked out where they are shown. */
  protected findTank(): void {
    this.day.size();
    void this.router.navigate([], { relativeTo: this.route, queryParams: { part: 'sizing' }, queryParamsHandling: 'merge' });
  }

  // What is set.
  protected write(): void {
    this.rig.edit('Customize this day', (d) => void this.day.own(d));
  }
  protected setStart(text: string): void {
    this.rig.edit('Start of the day', (d) => void (this.day.own(d).starts = text));
  }
  protected add(template: string): void {
    let job = 0;
    this.rig.edit('Add a job', (d) => {
      this.day.own(d);
      job = addJob(d, template);
    });
    this.at.set({ job, phase: 0 });
  }
  protected pickJob(id: string): void {
    this.at.set({ job: Number(id), phase: 0 });
  }
  protected shiftJob(by: number): void {
    let to = this.job();
    this.rig.edit('Move the job', (d) => void (to = moveJob(d, this.job(), by)));
    this.at.set({ job: to, phase: this.phaseAt() });
  }
  protected dropJob(): void {
    this.rig.edit('Remove the job', (d) => removeJob(d, this.job()));
  }
  protected insertPhase(): void {
    let phase = 0;
    this.rig.edit('Add a phase', (d) => void (phase = addPhase(d, this.job(), this.phaseAt())));
    this.at.set({ job: this.job(), phase });
  }
  protected dropPhase(): void {
    this.change({ does: 'remove', job: this.job(), phase: this.phaseAt() });
  }
  protected setGun(gun: string): void {
    this.rig.edit('What is in hand', (d) => {
      const p = this.day.own(d).jobs[this.job()].phases[this.phaseAt()];
      if (gun) p.gun = gun;
      else delete p.gun;
    });
  }
  protected readonly places = computed(() => [
    { value: '', name: spell('‹a hydrant›, typical') },
    ...(this.own()?.refills ?? []).map((r) => ({ value: r.id, name: r.name })),
  ]);
  protected readonly guns = computed(() => {
    const doc = this.rig.document();
    return [{ value: '', name: 'what does such work' }, ...[...(doc?.outlets ?? []), ...(doc?.sprayers ?? [])].map((g) => ({ value: g.id, name: g.name }))];
  });
  protected readonly usualTrigger = computed(() => {
    const p = this.phase();
    const rig = this.rig.rig();
    if (!rig || !p) return '';
    return this.q(triggerOf(rig, { ...p, time: 0, trigger: undefined }), 'ratio', 2);
  });

  // The board.
  protected choose({ job, phase }: BoardPlace): void {
    if (!this.own()) this.write();
    this.at.set({ job, phase });
  }
  protected change(c: BoardChange): void {
    const { job } = c;
    let { phase } = c;
    switch (c.does) {
      case 'move':
        this.rig.edit('Move the phase', (d) => void (phase = movePhase(d, job, phase, c.by)));
        break;
      case 'pass':
        this.rig.edit('Pass to another hand', (d) => passPhase(d, job, c.phase, c.by), `pass-${job}-${phase}`);
        break;
      case 'stretch':
        this.rig.edit('Length of the phase', (d) => stretchPhase(d, job, c.phase, c.bySeconds), `stretch-${job}-${phase}`);
        break;
      case 'remove':
        this.rig.edit('Remove the phase', (d) => void (phase = removePhase(d, job, c.phase)));
        break;
    }
    this.at.set({ job, phase });
  }

  // What comes of it.
  /** All that runs short, with its share of days: water first, then whatever else. */
  protected readonly verdictWords = computed(() => {
    const s = this.sample().value;
    if (!s) return 'Work day';
    const allowed = `${this.q(s.tolerance, 'ratio', 2)} allowed`;
    const others = shortOf(s.causes)
      .map((x) => `${this.q(x.chance, 'ratio', 2)} ${x.words}`)
      .slice(0, 3);
    if (s.short.chance === 0) return [`No day in ${s.days} goes short of water`, ...others].join(', ') + `; ${allowed}`;
    return [`${this.q(s.short.chance, 'ratio', 2)} of days go short of water`, ...others].join(', ') + `; ${allowed}`;
  });
  /** The days against what is allowed. */
  protected readonly judged = computed<{ verdict: Verdict; words: string } | null>(() => {
    const s = this.sample().value;
    if (!s) return null;
    const chance = this.q(s.short.chance, 'ratio', 2);
    const allowed = this.q(s.tolerance, 'ratio', 2);
    const all = daysJudged(s);
    if (s.short.chance <= s.tolerance && all.verdict !== 'fed') return { verdict: all.verdict, words: say(all.message, this.rig.units()) };
    if (s.short.chance <= s.tolerance)
      return {
        verdict: 'fed',
        words: s.short.chance === 0 ? `Water on every day sampled; ${allowed} may go short.` : `Water on all but ${chance} of days; ${allowed} may go short.`,
      };
    const worst = s.causes.find((c) => c.cause === 'water' || c.cause === 'feed');
    return {
      verdict: all.verdict,
      words: `Short of water on ${chance} of days, more than the ${allowed} allowed${worst ? `: ${worst.name} ${CAUSE_WORDS[worst.cause]}` : ''}.`,
    };
  });
  protected readonly sampledWords = computed(() => {
    const s = this.sample().value;
    if (!s) return 'Sampling days…';
    const interval = `${this.q(s.short.low, 'ratio', 2)} to ${this.q(s.short.high, 'ratio', 2)}`;
    const state = this.sample().state === 'cancelled' ? ', stopped' : this.sample().state === 'working' ? '' : s.enough ? ', enough to decide' : '';
    return `${s.days} days sampled${state}; 95% interval ${interval}.`;
  });
  protected readonly usualWords = computed(() => {
    const u = this.usual();
    return u ? `The usual day: ${clockWords(u.startsS)} to ${clockWords(u.startsS + u.lengthS)}, ${this.q(u.used, 'volume')} of water used.` : '';
  });
  /** What falls short on more days than water may, and was not on the usual day. */
  protected readonly often = computed(() => {
    const s = this.sample().value;
    const usual = this.usual()?.shortages ?? [];
    return (s?.causes ?? []).flatMap((c) => {
      if (c.cause === 'water' || c.cause === 'feed' || c.chance.chance <= s!.tolerance || usual.some((u) => u.cause === c.cause && u.id === c.id)) return [];
      return [`On ${this.q(c.chance.chance, 'ratio', 2)} of days ${c.name} ${CAUSE_WORDS[c.cause]}. ${HELP[c.cause]}`];
    });
  });
  protected readonly shortages = computed(() => {
    const u = this.usual();
    return (u?.shortages ?? []).map((s): { verdict: Verdict; text: string } => ({
      verdict: s.cause === 'air' || s.cause === 'heat' || s.cause === 'reach' ? 'tight' : 'starved',
      text: `On the usual day ${s.name} ${CAUSE_WORDS[s.cause]} at ${clockWords(u!.startsS + s.atS)}${s.lostS > 30 ? `; ${this.q(s.lostS, 'time', 2)} of work lost` : ''}.`,
    }));
  });
}
