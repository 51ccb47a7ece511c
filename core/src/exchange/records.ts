import * as v from 'valibot';
import type { RigDocument } from '../rig/schema.js';
import { upgrade } from '../rig/upgrade.js';
import { RIG_FORMAT } from '../rig/version.js';
import { WORKSHOP_FORMAT } from '../workshop/version.js';
import type { WorkshopDocument } from '../workshop/workshop.js';
import type { Stored } from './http.js';

/** The document of each kind of record that is kept. */
export interface Documents {
  readonly build: RigDocument;
  readonly workshop: WorkshopDocument;
}
export type KindName = keyof Documents;

/** A kind of record as both sides of the wire know it. */
export interface Kind<D> {
  /** Where it is asked for, `/api/v1/builds`, and its folder in a backup. */
  readonly path: string;
  /** A document as far as its frame, lifted to today's version: enough to know that it is one. What reads the kind tells the rest. */
  readonly shape: v.GenericSchema<unknown, D>;
  /** Id of the one record of a kind that is always there, and never deleted; left out where there are many. */
  readonly only?: string;
}

const framed = <D>(entries: v.ObjectEntries): v.GenericSchema<unknown, D> => {
  const frame = v.looseObject(entries);
  return v.custom<D>((x) => v.is(frame, x), 'a document of its kind');
};

/** Every kind of record; what keeps them adds its tables, what shows them its page. */
export const KINDS: { readonly [K in KindName]: Kind<Documents[K]> } = {
  build: {
    path: 'builds',
    shape: v.pipe(
      framed<RigDocument>({ format: v.literal(RIG_FORMAT), version: v.number(), name: v.string(), lines: v.array(v.unknown()) }),
      // Stored by an older Pozzo: screens and edits know today's version only.
      v.transform((stored): RigDocument => {
        const lifted = upgrade(stored);
        return lifted.ok ? (lifted.document as unknown as RigDocument) : stored;
      }),
    ),
  },
  workshop: {
    path: 'workshop',
    shape: framed<WorkshopDocument>({
      format: v.literal(WORKSHOP_FORMAT),
      version: v.number(),
      name: v.string(),
      address: v.array(v.string()),
      terms: v.string(),
      currency: v.string(),
    }),
    only: 'own',
  },
};
/** Where records of a kind live: the last word of its address, its folder in a backup. */
export const pathOf = (kind: KindName): string => KINDS[kind].path;
export const KIND_NAMES = Object.keys(KINDS) as readonly KindName[];

export type StoredBuild = Stored<RigDocument>;
