import { localeFor, setReaderLocale } from '@pozzo/core/page';
import { keptSettings } from './settings.feature';

/*
 * Words are spelled as modules are loaded and views drawn: whose words they are is decided before the first of either. A page
 * that is to speak otherwise is loaded anew.
 */
if (typeof window !== 'undefined') {
  const kept = keptSettings(() => window.localStorage, false).locale;
  const locale = kept ?? localeFor(navigator.languages ?? [navigator.language]);
  setReaderLocale(locale);
  document.documentElement.lang = locale;
}
