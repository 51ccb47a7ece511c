import { readerLocale } from '@pozzo/core/page';

/** How exactly a moment is told. */
export type Told = 'day' | 'time' | 'day and time' | 'date and time' | 'to the second';

const DAY = { day: 'numeric', month: 'short' } as const;
const TIME = { hour: '2-digit', minute: '2-digit' } as const;
const FORMATS: Readonly<Record<Told, Intl.DateTimeFormatOptions>> = {
  day: { ...DAY, year: 'numeric' },
  time: TIME,
  'day and time': { ...DAY, ...TIME },
  'date and time': { ...DAY, year: 'numeric', ...TIME },
  'to the second': { ...DAY, ...TIME, second: '2-digit' },
};

/** Formatters by locale and exactness: making one takes far longer than using it. */
const KEPT = new Map<string, Intl.DateTimeFormat>();

/** An ISO time in words, as the reader's locale writes dates. */
export function when(at: string, told: Told): string {
  const key = `${readerLocale()} ${told}`;
  let format = KEPT.get(key);
  if (!format) KEPT.set(key, (format = new Intl.DateTimeFormat(readerLocale(), FORMATS[told])));
  return format.format(new Date(at));
}
