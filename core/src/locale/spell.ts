import { type Locale, readerLocale } from './locale.js';
import { TERMS } from './terms.js';

const TOKEN = /‹(a |an )?([^‹›]+)›/gi;

/** Each term, singular and plural, by what it is in en-US. */
const BY_NAME: ReadonlyMap<string, Readonly<Record<Locale, string>>> = new Map(
  TERMS.flatMap(({ us, gb }) => us.map((name, i) => [name!.toLowerCase(), { 'en-US': name!, 'en-GB': gb[i]! }] as const)),
);

/** Whether "an" stands before a word as it is said: letters of an acronym one by one. */
const isAn = (word: string): boolean => (/^[A-Z]{2}/.test(word) ? /^[AEFHILMNORSX]/ : /^[aeiou]/i).test(word);

/**
 * A text with its terms as they are called in a locale: `‹a spigot›` is "a spigot" or "an outside tap", `‹Tires›` "Tires" or
 * "Tyres". What is no term stays as it is written.
 */
export function spell(text: string, locale: Locale = readerLocale()): string {
  if (!text.includes('‹')) return text;
  return text.replace(TOKEN, (whole: string, article: string | undefined, name: string, at: number) => {
    const found = BY_NAME.get(name.toLowerCase())?.[locale];
    if (!found) return whole;
    // "Tires" asks for a capital; "AC power" has its own, and its other name one only where a sentence begins.
    const begins = /^\p{Lu}\p{Ll}/u.test(name) || (/^\p{Lu}/u.test(name) && /(^|[.!?:]\s)$/.test(text.slice(0, at)));
    const word = !article && begins ? found[0].toUpperCase() + found.slice(1) : found;
    if (!article) return word;
    const a = isAn(word) ? 'an' : 'a';
    return `${/^A/.test(article) ? a[0].toUpperCase() + a.slice(1) : a} ${word}`;
  });
}
