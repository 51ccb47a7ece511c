import type { RigDocument } from '@pozzo/core';

/** What the yard shows and finds a build by, taken from its document's text. */
export interface Shown {
  readonly name: string;
  readonly customer: string;
  readonly search: string;
  readonly machines: number;
  readonly tanks: number;
}

const length = (x: unknown): number => (Array.isArray(x) ? x.length : 0);

/** A text that is no document shows as nothing. */
export function shownOf(text: string): Shown {
  const d = documentOf(text);
  const word = (x: unknown): string => (typeof x === 'string' ? x.slice(0, 80) : '');
  const name = word(d?.name);
  const customer = word(d?.customer);
  return { name, customer, search: `${name} ${customer}`.toLowerCase(), machines: length(d?.machines), tanks: length(d?.tanks) };
}

/** The document in a row's text; undefined where the row is damaged. */
export function documentOf(text: string): RigDocument | undefined {
  try {
    const d = JSON.parse(text) as RigDocument | null;
    return typeof d === 'object' && d !== null && !Array.isArray(d) ? d : undefined;
  } catch {
    return undefined;
  }
}
