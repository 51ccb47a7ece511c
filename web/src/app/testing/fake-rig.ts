import { computed, signal } from '@angular/core';
import {
  advise,
  type Assessed,
  type Assessment,
  type DayResult,
  type DaySample,
  type DayWeight,
  dayModel,
  type Figure,
  figureAt,
  mend,
  type Fix,
  momentAt,
  ownDay,
  pontoonRig,
  reassess,
  reread,
  type Rig,
  type RigDocument,
  RigError,
  type RigReading,
  sampleDays,
  say,
  simulateDay,
  type UnitSystem,
  weighDay,
  type WorkDayDocument,
} from '@pozzo/core';
import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer';
import type { Work } from '../state/day.feature';

enablePatches();

/** The open rig in memory, without store, worker or server: edits are read and judged at once, each from the one before as the application does. */
export class FakeRig {
  private given: RigDocument | undefined;
  private read: RigReading | undefined;
  private last: Assessed | undefined;
  readonly document = signal<RigDocument>(pontoonRig());
  readonly assessment = signal<Assessment>(this.judgedAt(this.document()));
  readonly judged = computed(() => (this.assessment() as Assessment | null) !== null);
  readonly held = signal<Assessment | null>(null);
  readonly fixes = signal<readonly Fix[]>([]);
  readonly fixing = signal(false);
  readonly problems = signal([]);
  readonly state = signal({ id: 'rig' });
  readonly units = signal<UnitSystem>('us');
  readonly labels: string[] = [];
  /** Every edit, with what takes it back and what does it again. */
  readonly steps: { before: RigDocument; after: RigDocument; patches: Patch[]; inverse: Patch[] }[] = [];

  constructor(document?: RigDocument) {
    if (document) this.open(document);
  }

  private readAt(document: RigDocument): Rig {
    if (this.read && this.given === document) return this.read.rig;
    const read = reread(document, this.read);
    if (!read.ok) throw new RigError(read.problems);
    [this.given, this.read] = [document, read];
    return read.rig;
  }
  private judgedAt(document: RigDocument): Assessment {
    this.last = reassess(this.readAt(document), this.last);
    return this.last.assessment;
  }

  open(document: RigDocument): void {
    this.document.set(document);
    this.assessment.set(this.judgedAt(document));
  }
  edit(label: string, recipe: (d: RigDocument) => void): void {
    this.labels.push(label);
    const before = this.document();
    const [after, patches, inverse] = produceWithPatches(before, (draft) => {
      recipe(draft);
      mend(draft);
    });
    this.steps.push({ before, after, patches, inverse });
    this.open(after);
  }
  readonly heightFrom = computed(() => (this.document().platform ? 'the ground' : 'deck'));
  readonly rig = computed(() => this.readAt(this.document()));
  readonly waiting = signal<string | null>(null);
  apply(fix: Fix): void {
    this.edit(say(fix.title, this.units()), (d) => void applyPatches(d, [...fix.patches]));
  }
  explain(at: string): Promise<Figure | undefined> {
    return Promise.resolve(figureAt(this.assessment(), at) as Figure | undefined);
  }
  /** Edits and tries fixes, as the worker would. */
  judge(change: (d: RigDocument) => void): void {
    this.edit('set up', change);
    this.fixes.set(advise(this.document(), this.rig(), this.assessment()));
  }
}

const idle = <T>(): Work<T> => ({ state: 'idle', share: 0, value: null, error: null });

/** The day of a fake rig, worked when asked. */
export class FakeDay {
  readonly usual = signal<DayResult | null>(null);
  readonly weighed = signal<DayWeight | null>(null);
  readonly minute = signal<number | null>(null);
  readonly sample = signal<Work<DaySample>>(idle());
  readonly sizing = signal<Work<never>>(idle());
  readonly swings = signal<Work<never>>(idle());
  readonly comparison = signal<Work<never>>(idle());
  readonly moment = () => (this.usual() && this.minute() !== null ? momentAt(this.usual()!, this.minute()!)! : null);
  readonly fits = signal(true);
  readonly judged = () => null;
  readonly asked: string[] = [];

  constructor(private readonly rig: FakeRig) {}

  /** Works the usual day and so many sampled ones. */
  work(days = 40): void {
    const rig = this.rig.rig();
    const day = simulateDay(rig);
    this.usual.set(day);
    this.weighed.set(weighDay(rig, day) ?? null);
    this.sample.set({ state: 'done', share: 1, value: sampleDays(dayModel(rig), days, 1), error: null });
  }
  own(draft: RigDocument): WorkDayDocument {
    return ownDay(draft);
  }
  watch(): void {
    this.asked.push('watch');
  }
  leave(): void {
    this.asked.push('leave');
    this.minute.set(null);
  }
  look(minute: number | null): void {
    this.minute.set(minute);
  }
  sampleMore(days: number): void {
    this.asked.push(`sample ${days}`);
  }
  size(): void {
    this.asked.push('size');
  }
  compare(): void {
    this.asked.push('compare');
  }
  cancel(work: string): void {
    this.asked.push(`cancel ${work}`);
  }
}
