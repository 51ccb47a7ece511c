import { computed, inject, Injectable } from '@angular/core';
// eslint-disable-next-line no-restricted-imports -- `ownDay` makes a day up only where no worker has
import { type JudgedDays, momentAt, ownDay, type RigDocument, type WorkDayDocument } from '@pozzo/core';
import { Store } from '@ngrx/store';
import { DayActions, dayFeature, type WorkName } from './day.feature';
import { openBuild } from './record.feature';
import { useTelling } from './telling';

/** The working day of the open rig, for views. */
@Injectable({ providedIn: 'root' })
export class DayStore {
  private readonly store = inject(Store);
  private readonly tell = useTelling(this.store);
  readonly usual = this.store.selectSignal(dayFeature.selectUsual);
  readonly weighed = this.store.selectSignal(dayFeature.selectWeighed);
  readonly minute = this.store.selectSignal(dayFeature.selectMinute);
  /** Whether the sample is of the rig as it stands. */
  readonly fits = this.store.selectSignal(dayFeature.selectFits);
  readonly sample = this.store.selectSignal(dayFeature.selectSample);
  readonly sizing = this.store.selectSignal(dayFeature.selectSizing);
  readonly swings = this.store.selectSignal(dayFeature.selectSwings);
  readonly comparison = this.store.selectSignal(dayFeature.selectComparison);
  /** What goes on at the minute looked at; null while the day is seen as a whole. */
  readonly moment = computed(() => {
    const day = this.usual();
    const minute = this.minute();
    return day && minute !== null ? (momentAt(day, minute) ?? null) : null;
  });

  /** The days of the rig as it stands; null while they are being judged. */
  readonly judged = computed<JudgedDays | null>(() => (this.fits() ? this.sample().value : null));

  private readonly document = this.store.selectSignal(openBuild.selectDocument);
  private readonly made = this.store.selectSignal(dayFeature.selectMade);

  /** The day in a draft of the document, to be changed; where none is written the one that it was judged by is written down first. */
  own(draft: RigDocument): WorkDayDocument {
    const made = this.made();
    // Made up by a worker, as a rule; here only where it has not answered yet.
    if (!draft.brief.day && made?.of === this.document()) draft.brief.day = JSON.parse(JSON.stringify(made?.day)) as WorkDayDocument;
    return ownDay(draft);
  }

  watch(): void {
    this.tell(DayActions.watch());
  }
  leave(): void {
    this.tell(DayActions.leave());
  }
  look(minute: number | null): void {
    this.tell(DayActions.look({ minute }));
  }
  /** So many days, even where fewer would be enough; from then on the rig, its sizes and its options are judged by up to as many. */
  sampleMore(days: number): void {
    this.tell(DayActions.sampleMore({ days }));
  }
  size(): void {
    this.tell(DayActions.size());
  }
  compare(): void {
    this.tell(DayActions.compare());
  }
  cancel(work: WorkName): void {
    this.tell(DayActions.cancel({ work }));
  }
}
