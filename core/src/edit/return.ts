import { line, parts } from '../catalogue/build-line.js';
import { unusedId } from './id.js';
import type { RigDocument } from '../rig/schema.js';

/** Leads a machine's return to a tank, or back to its own inlet (no line at all). Parts of an existing return are kept. */
export function returnTo(d: RigDocument, machineId: string, tankId: string | undefined): void {
  const i = d.lines.findIndex((l) => l.role === 'bypass' && l.from.id === machineId);
  if (!tankId) {
    if (i >= 0) d.lines.splice(i, 1);
    return;
  }
  const tank = d.tanks.find((t) => t.id === tankId);
  if (!tank) return;
  if (i >= 0) d.lines[i].to = { at: 'tank', id: tankId, apart: '36 in' };
  else
    d.lines.push(
      line(
        unusedId(d, `return-${machineId}`),
        'bypass',
        `machine:${machineId}`,
        `tank:${tankId}@${tank.fullLevel}~36 in`,
        parts('barb-34', ['hose-helix-34', { length: '6 ft' }]),
      ),
    );
}
