export { type Locale, localeFor, localeOfHeader, LOCALES, readerLocale, setReaderLocale } from './locale.js';
export { isTerm, spell } from './spell.js';
export { TERMS } from './terms.js';
