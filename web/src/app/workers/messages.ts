import type { Assessment, Fix, Problem } from '@pozzo/core';

export interface AssessRequest {
  readonly sequence: number;
  readonly document: unknown;
}

export type AssessAnswer = { readonly sequence: number } & (
  | { readonly kind: 'assessed'; readonly assessment: Assessment }
  | { readonly kind: 'refused'; readonly problems: readonly Problem[] }
  | { readonly kind: 'advised'; readonly fixes: readonly Fix[] }
  | { readonly kind: 'failed'; readonly message: string }
);
