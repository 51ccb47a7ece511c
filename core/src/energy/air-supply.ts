import type { AssumptionValues } from '../assumption/register.js';
import { placedOn, portTo, type Standing } from '../deck/index.js';
import type { Compressor, Rig, SoftPump } from '../rig/schema.js';

/** The compressor that an air-operated pump breathes from: by its air line, else the first; −1 where there is none. */
export function compressorOf(rig: Pick<Rig, 'compressors' | 'airLines'>, pumpId: string): number {
  const line = rig.airLines.find((l) => l.to === pumpId);
  return line ? rig.compressors.findIndex((c) => c.id === line.from) : rig.compressors.length ? 0 : -1;
}

/** Of all receivers behind a compressor, m³. */
export const receiversOf = (rig: Pick<Rig, 'receivers'>, compressorId: string): number =>
  rig.receivers.reduce((s, r) => (r.compressor === compressorId ? s + r.volume : s), 0);

export const cutOutOf = (c: Pick<Compressor, 'cutOut'> | undefined, values: AssumptionValues): number => c?.cutOut ?? values['air-cut-out'];

/** Where it starts again; as far under its cut-out as usual where only that is typed. */
export const cutInOf = (c: Pick<Compressor, 'cutIn' | 'cutOut'> | undefined, values: AssumptionValues): number =>
  c?.cutIn ?? Math.max(cutOutOf(c, values) - (values['air-cut-out'] - values['air-cut-in']), 0);

/** The air line to a pump and how long it is, m; undefined where none is drawn. */
export function airLineOf(rig: Rig, values: AssumptionValues, pump: Pick<SoftPump, 'id'>, things: readonly Standing[] = placedOn(rig)) {
  const line = rig.airLines.find((l) => l.to === pump.id);
  if (!line) return undefined;
  const [a, b] = [line.from, line.to].map((id) => things.find((t) => t.id === id)?.box);
  const way = a && b ? [portTo(a, b, a.z0), portTo(b, a, b.z0)] : undefined;
  const laid = way && (Math.abs(way[0].x - way[1].x) + Math.abs(way[0].y - way[1].y) + Math.abs(way[0].z - way[1].z)) * (1 + values['wire-slack']);
  return { line, lengthM: Math.max(line.length ?? laid ?? values['wire-length'], 0.15), asLaid: line.length === undefined && laid !== undefined };
}
