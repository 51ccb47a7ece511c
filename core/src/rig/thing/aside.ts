import * as v from 'valibot';
import { note } from '../fields.js';

/** What is below unsafe and may be set aside. */
export const SET_ASIDE = ['unchecked', 'tight', 'starved'] as const;

/** Something that is not right and stays so, with the builder's reason. It changes no verdict, and lapses when it gets worse. */
export const aside = v.strictObject({
  /** What it is, by its kind and its things; see `todoOf`. */
  of: v.pipe(v.string(), v.regex(/^[a-z0-9:+-]{1,300}$/, 'It names a kind and its things.')),
  /** How bad it was when it was set aside. */
  grade: v.picklist(SET_ASIDE),
  reason: v.pipe(note, v.trim(), v.minLength(1, 'Give a reason.'), v.maxLength(300, 'A reason has at most 300 characters.')),
});
export type Aside = v.InferOutput<typeof aside>;
