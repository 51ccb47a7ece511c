import type { Documents, KindName } from '@pozzo/core';

/** How a kind of record is called and where it is opened. */
export interface KindShown<K extends KindName> {
  /** In a sentence: "This build was saved elsewhere". */
  readonly word: string;
  /** Commands for the router. */
  readonly route: (id: string) => readonly string[];
  readonly nameOf: (document: Documents[K]) => string;
}

export const SHOWN: { readonly [K in KindName]: KindShown<K> } = {
  build: { word: 'build', route: (id) => ['/rig', id], nameOf: (d) => d.name },
  workshop: { word: 'workshop', route: () => ['/workshop'], nameOf: (d) => d.name || 'Workshop' },
};
/** Of a kind that is only known as one of them. */
export const shownOf = (kind: KindName): KindShown<KindName> => SHOWN[kind] as KindShown<KindName>;
