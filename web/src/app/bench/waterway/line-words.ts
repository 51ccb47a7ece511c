import { type AsTold, formatQuantity, hoseSize, type LineDocument, type MachineResult, si, type UnitSystem } from '@pozzo/core';

const length = (metres: number, system: UnitSystem): string => formatQuantity(metres, 'length', system, { unit: system === 'us' ? 'ft' : 'm' });

/** The bore of the longest hose and the total hose length of a line, in words; empty without a line. */
export function boreWords(line: LineDocument | undefined, system: UnitSystem): string {
  if (!line) return '';
  const hoses = line.parts.filter((p) => p.kind === 'hose');
  if (hoses.length === 0) return `${line.parts.length} parts`;
  const longest = hoses.reduce((a, b) => (si(b.length, 'length') > si(a.length, 'length') ? b : a));
  return `${hoseSize(si(longest.bore, 'length'), system)} · ${length(
    hoses.reduce((s, h) => s + si(h.length, 'length'), 0),
    system,
  )}`;
}

/** The bore of the longest hose, total hose length and number of elbows of a line, in words. */
export function lineWords(line: LineDocument | undefined, system: UnitSystem): string {
  const elbows = (line?.parts ?? []).reduce((s, p) => s + (p.kind === 'fitting' && p.is.startsWith('elbow') ? Number(p.count) : 0), 0);
  return [boreWords(line, system), elbows ? `${elbows} elbow${elbows > 1 ? 's' : ''}` : ''].filter(Boolean).join(' · ');
}

/** What a washer gives with its guns open, beside what it is made for where that is less. */
export function givesWords(rated: string, result: AsTold<Pick<MachineResult, 'givesM3s' | 'madeForM3s'>> | undefined, system: UnitSystem): string {
  // While an edit is not judged yet, what was told belongs to the rating of before.
  if (!result || result.givesM3s >= 0.99 * result.madeForM3s) return formatQuantity(si(rated, 'flow'), 'flow', system);
  return `${formatQuantity(result.givesM3s, 'flow', system)} of ${formatQuantity(result.madeForM3s, 'flow', system)}`;
}
