import type { RigDocument } from '@pozzo/core';
import { MOST_DOCUMENT_BYTES } from '@pozzo/core/page';

/** Largest file that is looked into, bytes: what is stored, with room for the spaces of a file made to be read. */
export const LARGEST_FILE = 4 * MOST_DOCUMENT_BYTES;

/** What became of a file that a person picked. */
export type RigFile =
  | { readonly ok: true; readonly name: string; readonly document: RigDocument }
  | { readonly ok: false; readonly name: string; readonly problems: readonly string[] };

export const refuse = (name: string, ...problems: string[]): RigFile => ({ ok: false, name, problems });
