import { line, parts } from '../catalogue/build-line.js';
import { electricPump } from '../catalogue/chemical-pieces.js';
import type { LineDocument, RigDocument } from '../rig/schema.js';
import { unusedId } from './id.js';

/** A 12 V pump with its hoses that moves what one tank holds into another. Gives the pump's id. */
export function addTransfer(d: RigDocument, fromId: string, toId: string): string | undefined {
  const to = d.tanks.find((t) => t.id === toId);
  if (!to || fromId === toId || !d.tanks.some((t) => t.id === fromId)) return undefined;
  const pump = electricPump(unusedId(d, 'transfer-pump'), { name: 'Transfer pump', openFlow: '4 gpm', limit: '45 psi' });
  (d.softPumps ??= []).push(pump);
  d.lines.push(
    line(unusedId(d, 'transfer-in'), 'chemical', `tank:${fromId}`, `soft-pump:${pump.id}`, parts('strainer-34', ['hose-helix-34', { length: '6 ft' }])),
    line(unusedId(d, 'transfer-out'), 'chemical', `soft-pump:${pump.id}`, `tank:${toId}@${to.fullLevel}`, parts(['hose-chemical-34', { length: '15 ft' }])),
  );
  return pump.id;
}

const atPump = (l: LineDocument, id: string): boolean => [l.from, l.to].some((e) => e.at === 'soft-pump' && e.id === id);

/** Takes a transfer pump off, with its hoses. */
export function removeTransfer(d: RigDocument, pumpId: string): void {
  d.softPumps = d.softPumps?.filter((p) => p.id !== pumpId);
  d.lines = d.lines.filter((l) => !atPump(l, pumpId));
}

/** Transfer pumps that draw from or fill a tank, shut valves or not. */
export const transfersAt = (d: RigDocument, tankId: string): string[] =>
  transfersOf(d).flatMap((t) => (t.fromId === tankId || t.toId === tankId ? [t.pumpId] : []));

/** Pumps from tank to tank as a document has them, in its order. */
export const transfersOf = (
  d: RigDocument,
): { readonly pumpId: string; readonly fromId: string; readonly toId: string; readonly lineIds: readonly string[] }[] =>
  (d.softPumps ?? []).flatMap((p) => {
    const [into, out] = [
      d.lines.find((l) => l.from.at === 'tank' && l.to.at === 'soft-pump' && l.to.id === p.id),
      d.lines.find((l) => l.to.at === 'tank' && l.from.at === 'soft-pump' && l.from.id === p.id),
    ];
    return into && out ? [{ pumpId: p.id, fromId: into.from.id!, toId: out.to.id!, lineIds: [into.id, out.id] }] : [];
  });
