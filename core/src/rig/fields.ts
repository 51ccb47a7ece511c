import * as v from 'valibot';
import { quantity } from './quantity-field.js';

/** What no line of text holds: control characters, halves of a character, breaks and turns of a line, what XML has no place for. */
const UNPRINTED = /[\p{Cc}\p{Cs}\u2028\u2029\u202A-\u202E\u2066-\u2069\uFFFE\uFFFF]+/gu;
/** A text as one line: what cannot be printed is a space. */
export const oneLine = (text: string): string => text.replace(UNPRINTED, ' ');
/** A text of several lines, each as {@link oneLine}; tabs stay. */
export const printed = (text: string): string =>
  text
    .split(/\r\n|\r|\n/)
    .map((line) => line.split('\t').map(oneLine).join('\t'))
    .join('\n');

/** Cleans a text as it is read. Told as `trim` is: a schema in another language knows that, and goes on to the bounds behind it. */
export const cleaned = (clean: (text: string) => string): v.TrimAction => ({
  ...v.trim(),
  '~run'(dataset) {
    dataset.value = clean(dataset.value);
    return dataset;
  },
});

/** Fields that every kind of thing on a rig shares. */
export const label = v.pipe(v.string(), cleaned(oneLine), v.trim(), v.maxLength(80, 'A name has at most 80 characters.'));
export const name = v.pipe(v.string(), cleaned(oneLine), v.trim(), v.minLength(1, 'Give it a name.'), v.maxLength(80, 'A name has at most 80 characters.'));
export const note = v.pipe(v.string(), cleaned(printed), v.maxLength(4000, 'A note has at most 4000 characters.'));
export const id = v.pipe(v.string(), v.regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'An id is up to 40 small letters, digits and dashes.'));
/** A list of at most so many entries. It is counted before any entry is read: a list too long costs nothing. */
export function list<T extends v.BaseSchema<unknown, unknown, v.BaseIssue<unknown>>>(item: T, most: number) {
  const entries = v.array(item);
  const bound = v.maxLength<unknown[], number, string>(most, `At most ${most} entries.`);
  const counted: typeof entries = {
    ...entries,
    '~run'(dataset, config) {
      if (!Array.isArray(dataset.value) || dataset.value.length <= most) return entries['~run'](dataset, config);
      const told = bound['~run']({ typed: true, value: dataset.value } as never, config);
      return { typed: false, value: dataset.value, issues: told.issues } as never;
    },
  };
  return v.pipe(counted, bound as v.MaxLengthAction<v.InferOutput<T>[], number, string>);
}

export const height = quantity('length', '-10 ft', '40 ft');
export const bore = quantity('length', '1 mm', '300 mm');
