/** Spellings that there are. Units follow the unit system, never the locale: all four combinations exist. */
export const LOCALES = ['en-US', 'en-GB'] as const;
export type Locale = (typeof LOCALES)[number];

/** The locale for a reader who asks for these, best first: English as it is written outside North America is en-GB, all else en-US. */
export function localeFor(asked: readonly string[]): Locale {
  for (const tag of asked) {
    const [language, ...rest] = tag.trim().toLowerCase().split(/[-_]/);
    if (language !== 'en') continue;
    const region = rest.find((r) => /^[a-z]{2}$|^\d{3}$/.test(r));
    return region === undefined || region === 'us' || region === 'ca' || region === '001' ? 'en-US' : 'en-GB';
  }
  return 'en-US';
}

/** Of an Accept-Language header (RFC 9110, section 12.5.4). */
export const localeOfHeader = (header: string | undefined): Locale =>
  localeFor(
    (header ?? '')
      .slice(0, 500)
      .split(',')
      .map((part) => {
        const [tag, ...options] = part.split(';');
        const q = Number(/^\s*q=([\d.]+)/.exec(options.find((o) => /^\s*q=/.test(o)) ?? ' q=1')?.[1] ?? 1);
        return { tag: tag.trim(), q };
      })
      .filter(({ tag, q }) => tag !== '' && q > 0)
      .sort((a, b) => b.q - a.q)
      .map(({ tag }) => tag),
  );

let reader: Locale = 'en-US';
/** The locale of whoever reads what this program says; one a program, as `Intl` has one. Who serves several readers hands it on. */
export const readerLocale = (): Locale => reader;
export function setReaderLocale(locale: Locale): void {
  reader = locale;
}
