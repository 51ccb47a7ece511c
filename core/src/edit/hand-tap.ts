import { nextBore } from '../catalogue/hose-sizes.js';
import { takePart } from '../catalogue/items.js';
import type { LineDocument, RigDocument } from '../rig/schema.js';
import type { Device } from '../rig/thing/part.js';
import { nextAmong, unusedAmong } from './id.js';
import { ascii, m } from './length.js';
import { sizeUp } from './part.js';

type TapDocument = NonNullable<LineDocument['taps']>[number];

const lineOf = (d: RigDocument, lineId: string): LineDocument | undefined => d.lines.find((l) => l.id === lineId);

/** A hand hose or a bucket tap off a fill line, before its float valve. Gives its id. */
export function addTap(d: RigDocument, lineId: string, kind: 'hose' | 'bucket'): string | undefined {
  const line = lineOf(d, lineId);
  if (!line) return undefined;
  const taps = (line.taps ??= []);
  const id = unusedAmong(taps, 'hand');
  const name = kind === 'hose' ? 'Hand hose' : 'Bucket tap';
  const same = taps.filter((t) => t.name.startsWith(name)).length;
  const tap: TapDocument = {
    id,
    name: same ? `${name} ${same + 1}` : name,
    bore: kind === 'hose' ? '5/8 in' : '3/4 in',
    length: kind === 'hose' ? '25 ft' : '0 ft',
    height: '1 ft',
  };
  taps.push(tap);
  return id;
}

export function removeTap(d: RigDocument, lineId: string, tapId: string): void {
  const line = lineOf(d, lineId);
  if (!line?.taps) return;
  line.taps = line.taps.filter((t) => t.id !== tapId);
  if (!line.taps.length) delete line.taps;
}

/** Every hand hose of a line one size wider. */
export function widerTaps(d: RigDocument, lineId: string): void {
  for (const t of lineOf(d, lineId)?.taps ?? []) {
    const wider = nextBore(m(t.bore));
    if (wider) t.bore = ascii(wider);
  }
}

/** Every hose of a line one size wider, as far as the shelf goes. */
export function widerHoses(d: RigDocument, lineId: string): void {
  const line = lineOf(d, lineId);
  if (line) line.parts = line.parts.map((p) => (p.kind === 'hose' ? (sizeUp(p) ?? p) : p));
}

/** A backflow preventer after the hoses of a line, in the bore that is next on the shelf; one that is there already gives way to it. */
export function addBackflow(d: RigDocument, lineId: string, device: Exclude<Device, 'vacuum-breaker'> = 'double-check'): void {
  const line = lineOf(d, lineId);
  if (!line) return;
  line.parts = line.parts.filter((p) => p.is !== 'backflow-preventer');
  const hose = line.parts.map((p) => p.kind).lastIndexOf('hose');
  const wide = hose >= 0 && m(line.parts[hose].bore) > m('3/4 in');
  line.parts.splice(hose + 1, 0, takePart(`${device}-${wide ? '1' : '34'}`, nextAmong(line.parts, 'part-')));
}
