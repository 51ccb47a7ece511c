import { formatQuantity, type LineDocument, si, type UnitSystem } from '@pozzo/core';

/** The bore of the longest hose, total hose length and number of elbows of a line, in words. */
export function lineWords(line: LineDocument | undefined, system: UnitSystem): string {
  if (!line) return '';
  const hoses = line.parts.filter((p) => p.kind === 'hose');
  if (hoses.length === 0) return `${line.parts.length} parts`;
  const longest = hoses.reduce((a, b) => (si(b.length, 'length') > si(a.length, 'length') ? b : a));
  const total = hoses.reduce((s, h) => s + si(h.length, 'length'), 0);
  const elbows = line.parts.reduce((s, p) => s + (p.kind === 'fitting' && p.is.startsWith('elbow') ? Number(p.count) : 0), 0);
  const bore = longest.bore;
  return [bore, formatQuantity(total, 'length', system, { unit: system === 'us' ? 'ft' : 'm' }), elbows ? `${elbows} elbow${elbows > 1 ? 's' : ''}` : '']
    .filter(Boolean)
    .join(' · ');
}
