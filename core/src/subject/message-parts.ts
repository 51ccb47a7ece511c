import type { Finding, Subject } from './finding.js';
import type { Verdict } from './verdict.js';

export const percent = (value: number) => ({ value, dimension: 'ratio' as const });

export function finding(code: Finding['code'], verdict: Verdict, station: Finding['station'], subject: Subject, m: Finding['message']): Finding {
  return { code, verdict, station, subject, message: m };
}
