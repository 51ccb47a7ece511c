import type { RigDocument, WayCompared } from '@pozzo/core';

/** Work too long for the page: what is asked, and what each kind gives. */
export interface HeavyWork {
  readonly ways: { readonly ask: { readonly document: RigDocument; readonly mixId: string }; readonly gives: readonly WayCompared[] };
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
