import { LOCALES, setReaderLocale } from '@pozzo/core/page';

/* What a worker writes into a document, or says, is spelled for the reader of the page that called it. */
const called = LOCALES.find((l) => l === self.name);
if (called) setReaderLocale(called);
