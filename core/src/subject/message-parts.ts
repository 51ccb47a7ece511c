import type { Dimension } from '../quantity/dimension.js';
import { si } from '../quantity/parse.js';
import type { MessageQuantity } from '../working/figure.js';
import type { Finding, About } from './finding.js';
import type { Verdict } from './verdict.js';

/** A size off the shelf, m, for a sentence. */
export const shelf = (metres: number): MessageQuantity => ({ value: metres, dimension: 'length', shelf: true });

/** A quantity as typed into the document, for a sentence: it is told in the reader's unit. */
export const typed = (text: string, dimension: Dimension): MessageQuantity => ({ value: si(text, dimension), dimension });

export const percent = (value: number) => ({ value, dimension: 'ratio' as const });

export function finding(code: Finding['code'], verdict: Verdict, station: Finding['station'], subject: About, m: Finding['message']): Finding {
  return { code, verdict, station, subject, message: m };
}
