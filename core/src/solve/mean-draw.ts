import type { Machine, Outlet } from '../rig/schema.js';
import type { Cases } from './cases.js';
import { feedPath } from './inlet.js';
import { isDraw, type Solved } from './solved.js';

/** Most guns of which every way of holding the triggers is taken; of more, only all held and none. */
const MOST_GUNS = 6;

/** Water that leaves each tank in a case, less what comes back to it, m³/s, by tank of the document. */
export function netOut(solved: Solved, running: (machine: number) => boolean = () => true): number[] {
  const { rig } = solved;
  const out = rig.tanks.map(() => 0);
  const add = (id: string | undefined, flow: number): void => {
    const at = rig.tanks.findIndex((t) => t.id === id);
    if (at >= 0) out[at] += flow;
  };
  for (const l of rig.lines) {
    if (isDraw(l)) add(l.from.id, solved.flowOf(l.id));
    else if (l.role === 'bypass' && l.to.at === 'tank') add(l.to.id, -solved.flowOf(l.id));
  }
  // What turns round in a machine's own loop never left its tank.
  rig.machines.forEach((m, i) => {
    if (!running(i) || rig.lines.some((l) => l.role === 'bypass' && !l.closed && l.from.id === m.id)) return;
    const [first] = feedPath(solved, m);
    if (first?.from.at === 'tank') add(first.from.id, -solved.returned(m));
  });
  return out;
}

/** A way of holding the triggers: its share of the time, and what leaves each tank meanwhile, m³/s. */
export interface HeldWay {
  readonly share: number;
  readonly out: readonly number[];
}

/** What a straight job takes out of each tank: every way of holding the triggers, each gun by itself for its share of the time. */
export class Draws {
  readonly ways: readonly HeldWay[];
  /** With every trigger held, m³/s by tank. */
  readonly all: readonly number[];

  constructor(cases: Cases, triggerShare: number) {
    const { rig, net } = cases;
    const guns = rig.outlets.filter((o) => o.open);
    const runs = rig.machines.map((m: Machine) => net.outletsOf(m.id).some((o: Outlet) => o.open));
    const everyone = runs.every(Boolean);
    const out = (open: readonly string[]): readonly number[] =>
      netOut(cases.given({ open, ...(everyone ? {} : { running: (i: number) => runs[i] }) }), (i) => runs[i]);
    const ids = guns.map((o) => o.id);
    this.all = out(ids);
    this.ways =
      guns.length > MOST_GUNS
        ? [
            { share: 1 - triggerShare, out: out([]) },
            { share: triggerShare, out: this.all },
          ]
        : Array.from({ length: 2 ** guns.length }, (_, bits) => {
            const held = ids.filter((_id, i) => bits & (1 << i));
            return { share: triggerShare ** held.length * (1 - triggerShare) ** (ids.length - held.length), out: out(held) };
          });
  }

  /** Mean of the job, m³/s, for a tank by its place. */
  mean(tank: number): number {
    return this.ways.reduce((sum, w) => sum + w.share * w.out[tank], 0);
  }
}
