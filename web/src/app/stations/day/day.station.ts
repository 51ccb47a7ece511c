import { Component, computed, effect, inject, type OnDestroy, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  addJob,
  addPhase,
  type Cause,
  clockPattern,
  type DayResult,
  formatQuantity,
  holdsGun,
  JOB_TEMPLATES,
  moveJob,
  movePhase,
  ownDay,
  passPhase,
  type PhaseKind,
  removeJob,
  removePhase,
  stretchPhase,
  triggerOf,
  type Verdict,
} from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level, place } from '../../kit/chart-parts';
import { ChoiceField } from '../../kit/choice-field';
import { type Fact, Facts } from '../../kit/facts';
import { NameField } from '../../kit/name-field';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../kit/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { StationFrame } from '../../kit/station-frame';
import { VerdictMark } from '../../kit/verdict';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { type BoardChange, type BoardPlace, DayBoard } from './day-board';
import { MinutePanel } from './minute-panel';
import { clockWords } from '../../kit/clock';
import { CREW_OPTIONS, PHASE_NAMES, PHASE_OPTIONS } from './phase-names';
import { DaySites } from './day-sites';
import { SizingPanel } from './sizing-panel';

const CAUSE_WORDS: Readonly<Record<Cause, string>> = {
  water: 'runs dry',
  feed: 'starves at its inlet',
  stock: 'is used up',
  battery: 'is flat',
  fuel: 'is out',
  air: 'is short of air',
  heat: 'runs hot in bypass',
  reach: 'does not reach the work',
};

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
    Chart,
    ChoiceField,
    DayBoard,
    DaySites,
    Facts,
    MatButtonModule,
    MinutePanel,
    NameField,
    Picker,
    QuantityField,
    SelectRow,
    SizingPanel,
    StationFrame,
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
  protected readonly vessel = signal<string | undefined>(undefined);
  protected startError = '';

  constructor() {
    // A day is worked anew for each document, while this station is open.
    effect(() => {
      if (this.rig.state().id) this.day.watch();
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

  // What is set.
  protected write(): void {
    this.rig.edit('Write the day down', (d) => void ownDay(d));
  }
  protected setStart(box: HTMLInputElement): void {
    const text = box.value.trim();
    this.startError = clockPattern.test(text) ? '' : 'A time of day reads like 7:30 or 14:05.';
    if (!this.startError) this.rig.edit('Start of the day', (d) => void (ownDay(d).starts = text));
  }
  protected add(template: string): void {
    let job = 0;
    this.rig.edit('Add a job', (d) => void (job = addJob(d, template)));
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
      const p = ownDay(d).jobs[this.job()].phases[this.phaseAt()];
      if (gun) p.gun = gun;
      else delete p.gun;
    });
  }
  protected readonly places = computed(() => [
    { value: '', name: 'a usual standpipe' },
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
  protected readonly verdictWords = computed(() => {
    const s = this.sample().value;
    if (!s) return 'Work day';
    const chance = this.q(s.short.chance, 'ratio', 2);
    const allowed = `${this.q(s.tolerance, 'ratio', 2)} allowed`;
    if (s.short.chance === 0) return `No day in ${s.days} goes short of water; ${allowed}`;
    return `${chance} of days go short of water; ${allowed}`;
  });
  /** The days against what is allowed. */
  protected readonly judged = computed<{ verdict: Verdict; words: string } | null>(() => {
    const s = this.sample().value;
    if (!s) return null;
    const chance = this.q(s.short.chance, 'ratio', 2);
    const allowed = this.q(s.tolerance, 'ratio', 2);
    if (s.short.chance <= s.tolerance)
      return {
        verdict: 'fed',
        words: s.short.chance === 0 ? `Water on every day sampled; ${allowed} may go short.` : `Water on all but ${chance} of days; ${allowed} may go short.`,
      };
    const worst = s.causes.find((c) => c.cause === 'water' || c.cause === 'feed');
    return {
      verdict: s.short.low > 5 * s.tolerance ? 'starved' : 'tight',
      words: `Short of water on ${chance} of days, more than the ${allowed} allowed${worst ? `: ${worst.name} ${CAUSE_WORDS[worst.cause]}` : ''}.`,
    };
  });
  protected readonly sampledWords = computed(() => {
    const s = this.sample().value;
    if (!s) return 'Sampling days…';
    const interval = `${this.q(s.short.low, 'ratio', 2)} to ${this.q(s.short.high, 'ratio', 2)}`;
    const state = this.sample().state === 'cancelled' ? ', stopped' : this.sample().state === 'working' ? '' : s.enough ? ', enough to know' : '';
    return `${s.days} days sampled${state}; 95 % sure of ${interval}.`;
  });
  protected readonly causes = computed(() =>
    (this.sample().value?.causes ?? []).slice(0, 4).map((c) => ({
      chance: this.q(c.chance.chance, 'ratio', 2),
      text: `of days: ${c.name} ${CAUSE_WORDS[c.cause]}${Number.isFinite(c.firstMedianS) && c.firstMedianS > 0 ? `, mostly after ${this.q(c.firstMedianS, 'time', 2)}` : ''}.`,
    })),
  );
  protected readonly usualWords = computed(() => {
    const u = this.usual();
    return u ? `The usual day: ${clockWords(u.startsS)} to ${clockWords(u.startsS + u.lengthS)}, ${this.q(u.used, 'volume')} of water used.` : '';
  });
  protected readonly bySeason = computed(() => {
    const seasons = this.sample().value?.seasons ?? [];
    if (!seasons.some((s) => s.short.chance > 0)) return '';
    return `Short of water: ${seasons.map((s) => `${this.q(s.short.chance, 'ratio', 2)} of ${s.season} days`).join(', ')}.`;
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
  protected readonly vessels = computed(() => (this.sample().value?.bands ?? []).map((b) => ({ id: b.tankIds[0], name: b.name })));
  protected readonly bands = computed(() => {
    const list = this.sample().value?.bands ?? [];
    return list.find((b) => b.tankIds[0] === this.vessel()) ?? list.find((b) => b.water) ?? list[0];
  });
  protected readonly levelWords = computed(() => {
    const b = this.bands();
    if (!b) return '';
    return `${b.name}: lowest at ${Math.round(100 * Math.min(...b.p50))} % on a middling day, ${Math.round(100 * Math.min(...b.p5))} % on one day in twenty; not usable below ${Math.round((100 * b.heel) / b.full)} %.`;
  });
  protected readonly levels = computed<ChartOption>(() => {
    const s = this.sample().value!;
    const b = this.bands();
    const u = this.usual()!;
    const hours = (t: number): number => Number(((u.startsS + t) / 3600).toFixed(4));
    const line = (shares: readonly number[]): [number, number][] => s.times.map((t, i) => [hours(t), Number((100 * shares[i]).toFixed(2))]);
    const spread = line(b.p95.map((x, i) => x - b.p5[i]));
    const usualLine = this.usualLine(u, b.tankIds[0]).map(([t, x]) => [hours(t), Number((100 * x).toFixed(2))] as [number, number]);
    const minute = this.day.minute();
    return (c) => {
      const base = axes(
        c,
        { name: 'time of day', min: Math.floor(hours(0)), max: Math.ceil(hours(u.lengthS)) },
        { name: `${b.name}, % of full`, min: 0, max: 100 },
      );
      return {
        ...base,
        legend: { top: 0, right: 8, textStyle: { color: c.ink }, itemHeight: 8, data: ['usual day', 'middling', '5 to 95 days of 100'] },
        tooltip: { show: false },
        series: [
          { ...curve('floor', line(b.p5), 'transparent', { stack: 'band', silent: true, lineStyle: { opacity: 0 } }) },
          curve('5 to 95 days of 100', spread, c.waterMid, {
            stack: 'band',
            silent: true,
            lineStyle: { opacity: 0 },
            areaStyle: { color: c.waterMid, opacity: 0.45 },
          }),
          curve('middling', line(b.p50), c.water, { lineStyle: { color: c.water, width: 2, type: 'dashed' } }),
          curve('usual day', usualLine, c.ink, { markLine: level(Number(((100 * b.heel) / b.full).toFixed(1)), 'not usable below', c.attention) }),
          ...(minute === null ? [] : [curve('now', [], c.attention, { markLine: place(hours(minute), '', c.attention) })]),
        ],
      };
    };
  });
  private usualLine(u: DayResult, tankId: string): [number, number][] {
    const v = u.vessels.findIndex((x) => x.tankIds[0] === tankId);
    const t = u.trace;
    return t && v >= 0 ? t.timeS.map((s, i) => [s, t.volumeM3[v][i] / u.vessels[v].full]) : [];
  }
  protected readonly facts = computed<Fact[]>(() => {
    const s = this.sample().value;
    const u = this.usual();
    if (!s || !u) return [];
    const f = s.figures;
    const of = (x: { p50: number; p95: number }, d: Parameters<typeof formatQuantity>[1]): string => {
      const [usual, most] = [this.q(x.p50, d), this.q(x.p95, d)];
      return usual === most ? usual : `${usual} to ${most}`;
    };
    const lost = f.waited.mean + f.undone.mean;
    const out: Fact[] = [
      { label: 'Water used', text: of(f.used, 'volume') },
      { label: 'Lost in a day, mean', text: this.q(lost, 'time', 2) },
      { label: 'From taps', text: of(f.filled, 'volume') },
      { label: 'On board while driving', text: of(f.carried, 'volume') },
      { label: 'Length of the day', text: of(f.length, 'time') },
      { label: 'Fuel, usual day', text: this.q(u.fuelKg, 'mass', 2) },
    ];
    if (f.refilled.p95 > 0) out.push({ label: 'Refilled', text: of(f.refilled, 'volume') });
    if (f.dumped.p95 > 0) out.push({ label: 'Dumped', text: of(f.dumped, 'volume') });
    const doc = this.rig.document();
    for (const x of s.strengths)
      out.push({
        label: `${doc?.mixes?.find((m) => m.id === x.mixId)?.name ?? 'Mix'} at the wall`,
        text: `${this.q(x.p5, 'ratio', 2)} to ${this.q(x.p95, 'ratio', 2)}`,
      });
    for (const g of u.guns) out.push({ label: `${doc?.outlets.find((o) => o.id === g.outletId)?.name ?? 'Gun'}, least`, text: this.q(g.lowestPa, 'pressure') });
    if (u.batteryLeft !== null) out.push({ label: 'Battery left', text: this.q(u.batteryLeft, 'charge', 2) });
    if (u.airLowest !== null) out.push({ label: 'Air in the receiver, least', text: this.q(u.airLowest, 'ratio', 2) });
    return out;
  });
}
