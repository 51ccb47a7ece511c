import type { ValidatorFn } from '@angular/forms';
import type { ErrorStateMatcher } from '@angular/material/core';
import * as v from 'valibot';

/**
 * A control's validator from a Valibot schema, asked anew at each keystroke: the first issue, in words, is the control's
 * error `field`.
 * @param empty whether an empty field is well as it is
 */
export const follows =
  (schema: () => v.GenericSchema<string, unknown>, empty: () => boolean = () => false): ValidatorFn =>
  ({ value }) => {
    const text = String(value ?? '');
    if (text.trim() === '' && empty()) return null;
    const read = v.safeParse(schema(), text);
    return read.success ? null : { field: read.issues[0].message };
  };

/** A field that cannot be read shows so while it is typed, not only once it is left. */
export const AT_ONCE: ErrorStateMatcher = { isErrorState: (control) => !!control?.invalid };

/** A name: not empty, not longer than a document takes. */
export const NameText = v.pipe(v.string(), v.trim(), v.minLength(1, 'Give it a name.'), v.maxLength(80, 'At most 80 characters.'));
