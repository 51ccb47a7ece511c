export { type Locale, localeFor, localeOfHeader, LOCALES, readerLocale, setReaderLocale } from './locale.js';
export { spell } from './spell.js';
export { TERMS } from './terms.js';
