import type { Mix, Rig } from '../rig/schema.js';

export type Soap = NonNullable<Mix['soap']>;

/** Whether a soap's own line into a mix is there and shut. One that has no line yet is counted by its dose. */
function shutOff(rig: Rig, mix: Mix, soap: Soap): boolean {
  const own = rig.lines.filter(
    (l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id && rig.tanks.some((t) => t.id === l.from.id && t.holds === soap.liquid),
  );
  return own.length > 0 && own.every((l) => l.closed);
}

/** The soaps that go into a mix today: one on a line of its own whose valve is shut stays out of it. */
export const soapsOf = (rig: Rig, mix: Mix): readonly Soap[] =>
  [mix.soap, mix.second].filter((s): s is Soap => s !== undefined && (s.by === 'poured' || !shutOff(rig, mix, s)));
