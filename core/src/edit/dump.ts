import { line, parts } from '../catalogue/build-line.js';
import { unusedId } from './id.js';
import { bottomLike } from './length.js';
import type { RigDocument } from '../rig/schema.js';

/** A 2 in full-bore dump valve at the bottom of a tank. */
export function addDump(d: RigDocument, tankId: string): void {
  const tank = d.tanks.find((t) => t.id === tankId);
  if (tank)
    d.lines.push(
      line(
        unusedId(d, `dump-${tankId}`),
        'dump',
        `tank:${tankId}@${bottomLike(tank.base)}`,
        'open',
        parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '1 ft' }]),
      ),
    );
}
