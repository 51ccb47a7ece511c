import { computed, signal } from '@angular/core';
import {
  advise,
  assess,
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
  parseRig,
  pontoonRig,
  type RigDocument,
  sampleDays,
  say,
  simulateDay,
  type UnitSystem,
  weighDay,
  type WorkDayDocument,
} from '@pozzo/core';
import { applyPatches, enablePatches, produce } from 'immer';
import type { Work } from '../state/day.feature';

enablePatches();

/** The open rig in memory, without store, worker or server: edits are judged at once. */
export class FakeRig {
  readonly document = signal<RigDocument>(pontoonRig());
  readonly assessment = signal<Assessment>(assess(parseRig(pontoonRig())));
  readonly judged = computed(() => (this.assessment() as Assessment | null) !== null);
  readonly held = signal<Assessment | null>(null);
  readonly fixes = signal<readonly Fix[]>([]);
  readonly fixing = signal(false);
  readonly problems = signal([]);
  readonly state = signal({ id: 'rig' });
  readonly units = signal<UnitSystem>('us');
  readonly labels: string[] = [];

  constructor(document?: RigDocument) {
    if (document) this.open(document);
  }

  open(document: RigDocument): void {
    this.document.set(document);
    this.assessment.set(assess(parseRig(document)));
  }
  edit(label: string, recipe: (d: RigDocument) => void): void {
    this.labels.push(label);
    this.document.update((d) =>
      produce(d, (draft) => {
        recipe(draft);
        mend(draft);
      }),
    );
    this.assessment.set(assess(parseRig(this.document())));
  }
  readonly heightFrom = computed(() => (this.document().platform ? 'the ground' : 'deck'));
  readonly rig = computed(() => parseRig(this.document()));
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
    this.fixes.set(advise(this.document(), parseRig(this.document()), this.assessment()));
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
    const rig = parseRig(this.rig.document());
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
