import { tapParts } from '../catalogue/tap-parts.js';
import type { HandTap, Line, Rig } from '../rig/schema.js';
import { bucketFlow, type SpigotCurve } from './spigot-curve.js';

/** Where on a fill line its hand taps stand: before the float valve, or at the end where there is none. */
export const tapPlace = (line: Line): number => {
  const float = line.parts.findIndex((p) => p.kind === 'valve' && p.is === 'float-valve');
  return float < 0 ? line.parts.length : float;
};

/** Ids of the two ways that a tee parts the water into. */
export const handLine = (tap: HandTap): string => `hand ${tap.id}`;
export const handTee = (tap: HandTap): string => `tee ${tap.id}`;

/**
 * The rig with one hand tap open: a tee before the float valve, the rest of the fill line behind it under the line's own id,
 * and the tap's way to the open air. Spigots keep their curves, whatever hose they were read with.
 * @param full whether the tank's float is shut, so that the hand hose has all
 */
export function withTapOpen(rig: Rig, line: Line, tap: HandTap, curves: ReadonlyMap<string, SpigotCurve>, full: boolean): Rig {
  const at = tapPlace(line);
  const tee = { at: 'manifold', id: handTee(tap) } as const;
  const ways: Line[] = [
    { ...line, id: `to ${handTee(tap)}`, to: tee, parts: line.parts.slice(0, at), taps: undefined },
    { ...line, from: tee, parts: line.parts.slice(at), closed: full, taps: undefined },
    { id: handLine(tap), role: 'fill', from: tee, to: { at: 'open', height: tap.height }, parts: tapParts(tap) },
  ];
  return {
    ...rig,
    spigots: rig.spigots.map((s) => {
      const bare = bucketFlow(curves.get(s.id)!);
      return Number.isFinite(bare) ? { ...s, readings: [{ flow: bare, at: 'spigot' as const }] } : s;
    }),
    manifolds: [...rig.manifolds, { id: handTee(tap), name: tap.name, height: tap.height }],
    lines: rig.lines.flatMap((l) => (l.id === line.id ? ways : [l])),
  };
}
