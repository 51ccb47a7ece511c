import type { Comparison, Contender, DayChunk, DayResult, DaySample, RigDocument, Sizing, Swing, WayCompared } from '@pozzo/core';
import type { RigFile } from '../yard/rig-file';

/** Work too long for the page: what is asked, and what each kind gives. */
export interface HeavyWork {
  readonly read: { readonly ask: { readonly name: string; readonly text: string }; readonly gives: RigFile };
  readonly ways: { readonly ask: { readonly document: RigDocument; readonly mixId: string }; readonly gives: readonly WayCompared[] };
  readonly day: { readonly ask: { readonly document: RigDocument }; readonly gives: DayResult };
  readonly sample: {
    readonly ask: { readonly document: RigDocument; readonly seed: number; readonly from: number; readonly count: number };
    readonly gives: DayChunk;
  };
  readonly gather: { readonly ask: { readonly document: RigDocument; readonly seed: number; readonly part: DayChunk }; readonly gives: DaySample };
  readonly sizing: { readonly ask: { readonly document: RigDocument; readonly days: number; readonly seed: number }; readonly gives: Sizing | undefined };
  readonly swings: { readonly ask: { readonly document: RigDocument; readonly days: number; readonly seed: number }; readonly gives: readonly Swing[] };
  readonly compare: { readonly ask: { readonly contenders: readonly Contender[]; readonly days: number; readonly seed: number }; readonly gives: Comparison };
}
export type HeavyKind = keyof HeavyWork;
export type HeavyAsk = { [K in HeavyKind]: { readonly kind: K } & HeavyWork[K]['ask'] }[HeavyKind];

export type HeavyRequest = { readonly id: number; readonly ask: HeavyAsk } | { readonly id: number; readonly cancel: true };

export type HeavyAnswer = { readonly id: number } & (
  | { readonly state: 'working'; readonly share: number }
  | { readonly state: 'done'; readonly value: unknown }
  | { readonly state: 'cancelled' }
  | { readonly state: 'failed'; readonly message: string }
);
