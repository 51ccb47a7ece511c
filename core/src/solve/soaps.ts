import type { Mix, Rig } from '../rig/schema.js';

export type Soap = NonNullable<Mix['soap']>;

const onBranch = (rig: Rig, mix: Mix, soap: Soap): boolean =>
  rig.lines.some(
    (l) =>
      l.role === 'chemical' && !l.closed && l.to.at === 'mix' && l.to.id === mix.id && rig.tanks.some((t) => t.id === l.from.id && t.holds === soap.liquid),
  );

/** The soaps that go into a mix today: one on a line of its own whose valve is shut stays out of it. */
export const soapsOf = (rig: Rig, mix: Mix): readonly Soap[] =>
  [mix.soap, mix.second].filter((s): s is Soap => s !== undefined && (s.by === 'poured' || mix.way !== 'proportioner' || onBranch(rig, mix, s)));
