import { formatQuantity, type Moment, type RigDocument, type UnitSystem } from '@pozzo/core';
import type { WaterwayDrawing } from './waterway-layout';

/**
 * The waterway at one moment of the day: levels as they stand, only what flows flowing. Nothing shouts; the day's own
 * figures do.
 */
export function atMoment(drawing: WaterwayDrawing, doc: RigDocument, m: Moment, clock: string, system: UnitSystem): WaterwayDrawing {
  const q = (value: number): string => formatQuantity(value, 'flow', system, { digits: 2 });
  const inHand = new Set(m.guns.map((g) => g.outletId));
  const sprayed = new Set(m.mixes.map((x) => x.mixId));
  const vesselOf = (tankId: string): Moment['vessels'][number] | undefined => m.vessels.find((v) => v.tankIds.includes(tankId));
  const machinesOn = new Set(doc.machines.filter((x) => doc.outlets.some((o) => inHand.has(o.id) && serves(doc, x.id, o.id))).map((x) => x.id));
  const flows = (key: string): boolean | undefined => {
    const [kind, ...rest] = key.split(':');
    const id = rest.join(':');
    if (kind === 'fill') return (vesselOf(doc.lines.find((l) => l.id === id)?.to.id ?? '')?.inM3s ?? 0) > 1e-9;
    if (kind === 'feed' || kind === 'machine') return machinesOn.has(id);
    if (kind === 'gun') return inHand.has(id);
    if (kind === 'mix') return sprayed.has(id);
    if (kind === 'return') return machinesOn.has(id);
    return undefined;
  };
  return {
    ...drawing,
    momentary: true,
    pipes: drawing.pipes.map((p) => {
      const on = flows(p.key);
      const fill = p.kind === 'fill' ? vesselOf(doc.lines.find((l) => l.id === p.subjectId)?.to.id ?? '') : undefined;
      const text = fill ? (on ? `${q(fill.inM3s)} in` : 'at rest') : p.kind === 'feed' ? (on ? 'running' : 'at rest') : p.pill?.text;
      return { ...p, loud: false, mark: undefined, flowing: on ?? p.flowing, ...(p.pill && text !== undefined ? { pill: { ...p.pill, text } } : {}) };
    }),
    tanks: drawing.tanks.map((t) => {
      const v = vesselOf(t.subjectId);
      return v
        ? {
            ...t,
            loud: false,
            verdict: 'fed' as const,
            start: v.share,
            end: v.share,
            big: `${Math.round(100 * v.share)}%`,
            bigSub: `at ${clock}`,
            size: t.height > 92 ? t.size : `${Math.round(100 * v.share)}%`,
            over: '',
          }
        : t;
    }),
    nodes: drawing.nodes.map((n) => ({ ...n, loud: false, mark: undefined })),
  };
}

/** Whether a machine's pressure lines lead to a gun. */
export function serves(doc: RigDocument, machineId: string, outletId: string): boolean {
  const seen = new Set<string>();
  const back = (at: string, id: string): boolean =>
    doc.lines.some((l) => {
      if (l.role !== 'pressure' || l.to.at !== at || l.to.id !== id || seen.has(l.id)) return false;
      seen.add(l.id);
      return l.from.at === 'machine' ? l.from.id === machineId : back(l.from.at, l.from.id ?? '');
    });
  return back('outlet', outletId);
}
