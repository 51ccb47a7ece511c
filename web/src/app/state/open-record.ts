import { computed, inject, type Signal } from '@angular/core';
import type { Documents, KindName } from '@pozzo/core';
import { Store } from '@ngrx/store';
import { produceWithPatches } from 'immer';
import { SHOWN } from './kinds';
import type { RecordOf, RecordState } from './record.feature';
import { useTelling } from './telling';

/** An open record of whatever kind, for what is shown around any. */
export interface AnyRecord {
  readonly of: Pick<RecordOf<KindName>, 'kind'>;
  readonly name: Signal<string>;
  readonly state: Signal<RecordState<Documents[KindName]>>;
  undo(): void;
  redo(): void;
  keepMine(): void;
  takeTheirs(): void;
  bringBack(): void;
  keepAsNew(): void;
}

/** The open record of a kind, for views: what it holds, whether it is saved, how to change it. */
export abstract class OpenRecord<K extends KindName> implements AnyRecord {
  protected readonly store = inject(Store);
  private readonly tell = useTelling(this.store);
  readonly document: Signal<Documents[K] | null>;
  readonly state: Signal<RecordState<Documents[K]>>;
  /** What it is called; empty while none is open. */
  readonly name: Signal<string>;

  /** @param mend puts a draft right after each edit */
  constructor(
    readonly of: RecordOf<K>,
    private readonly mend: (draft: Documents[K]) => void = () => undefined,
  ) {
    this.document = this.store.selectSignal(of.selectDocument);
    this.state = this.store.selectSignal(of.selectState);
    this.name = computed(() => {
      const document = this.document();
      return document ? SHOWN[of.kind].nameOf(document) : '';
    });
  }

  open(id: string): void {
    this.tell(this.of.actions.open({ id }));
  }
  close(): void {
    this.tell(this.of.actions.close());
  }

  /**
   * Changes the document by a recipe; nothing happens when the recipe changes nothing.
   * @param key edits with the same key in quick succession are one step of undo
   */
  edit(label: string, recipe: (draft: Documents[K]) => void, key = '', gesture = false): void {
    const now = this.document();
    if (!now) return;
    const [, patches, inverse] = produceWithPatches(now, (draft) => {
      recipe(draft as Documents[K]);
      this.mend(draft as Documents[K]);
    });
    if (patches.length) this.tell(this.of.actions.edited({ step: { label, patches, inverse, key, at: Date.now(), ...(gesture && { gesture }) } }));
  }
  undo(): void {
    this.tell(this.of.actions.undo());
  }
  redo(): void {
    this.tell(this.of.actions.redo());
  }

  keepMine(): void {
    this.tell(this.of.actions.keepMine());
  }
  takeTheirs(): void {
    this.tell(this.of.actions.takeTheirs());
  }
  bringBack(): void {
    this.tell(this.of.actions.bringBack());
  }
  keepAsNew(): void {
    this.tell(this.of.actions.keepAsNew());
  }
}
