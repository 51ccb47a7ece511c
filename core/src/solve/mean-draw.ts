import type { Machine, Outlet, Rig } from '../rig/schema.js';
import type { Cases } from './cases.js';
import { feedPath } from './inlet.js';
import { isDraw, type Solved } from './solved.js';
import { Triggers } from './triggers.js';

/** Most guns of which every way of holding the triggers is taken; of more, only all held and none. */
const MOST_GUNS = 6;

/** Where water leaves a rig's tanks and comes back. */
class Leaving {
  private readonly lines: readonly { readonly id: string; readonly tank: number; readonly sign: number }[];
  /** Machines, by their place, that turn water round in a loop of their own. */
  private readonly loops: readonly number[];

  constructor(private readonly rig: Rig) {
    const tankAt = (id: string | undefined): number => rig.tanks.findIndex((t) => t.id === id);
    this.lines = rig.lines
      .flatMap((l) => {
        if (isDraw(l)) return [{ id: l.id, tank: tankAt(l.from.id), sign: 1 }];
        return l.role === 'bypass' && l.to.at === 'tank' ? [{ id: l.id, tank: tankAt(l.to.id), sign: -1 }] : [];
      })
      .filter((l) => l.tank >= 0);
    this.loops = rig.machines.flatMap((m, i) => (rig.lines.some((l) => l.role === 'bypass' && !l.closed && l.from.id === m.id) ? [] : [i]));
  }

  /** Less what comes back, m³/s, by tank of the document. */
  of(solved: Solved, running: (machine: number) => boolean): number[] {
    const { tanks, machines } = this.rig;
    const out = tanks.map(() => 0);
    for (const { id, tank, sign } of this.lines) out[tank] += sign * solved.flowOf(id);
    // What turns round in a machine's own loop never left its tank.
    for (const i of this.loops) {
      if (!running(i)) continue;
      const [first] = feedPath(solved, machines[i]);
      const tank = first?.from.at === 'tank' ? tanks.findIndex((t) => t.id === first.from.id) : -1;
      if (tank >= 0) out[tank] -= solved.returned(machines[i]);
    }
    return out;
  }
}

/** Water that leaves each tank in a case, less what comes back to it, m³/s, by tank of the document. */
export const netOut = (solved: Solved, running: (machine: number) => boolean = () => true): number[] => new Leaving(solved.rig).of(solved, running);

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
    const leaving = new Leaving(rig);
    const settings = everyone ? {} : { running: (i: number) => runs[i] };
    const out = (solved: Solved): readonly number[] => leaving.of(solved, (i) => runs[i]);
    const ids = guns.map((o) => o.id);
    this.all = out(cases.given({ ...settings, open: ids }));
    this.ways =
      guns.length > MOST_GUNS
        ? [
            { share: 1 - triggerShare, out: out(cases.given({ ...settings, open: [] })) },
            { share: triggerShare, out: this.all },
          ]
        : this.held(ids, new Triggers(cases, guns, settings), triggerShare, out);
  }

  /** Every way of holding these triggers: what guns that stand apart take is added up. */
  private held(ids: readonly string[], triggers: Triggers, triggerShare: number, out: (solved: Solved) => readonly number[]): readonly HeldWay[] {
    const n = ids.length;
    const more = triggers.groups.map((_, g) => {
      const guns = triggers.gunsOf(g);
      return Array.from({ length: 2 ** guns.length - 1 }, (_way, bits) => {
        const held = guns.filter((_id, i) => bits & (1 << i));
        return out(triggers.held(g, held)).map((q, t) => q - this.all[t]);
      });
    });
    return Array.from({ length: 2 ** n }, (_, bits) => {
      let count = 0;
      for (let i = 0; i < n; i++) if (bits & (1 << i)) count++;
      const flows = [...this.all];
      triggers.groups.forEach((group, g) => {
        let held = 0;
        for (let k = 0; k < group.length; k++) if (bits & (1 << group[k])) held |= 1 << k;
        // With all of its guns held a group takes what it takes with every trigger held.
        const own = more[g][held] as readonly number[] | undefined;
        if (own) for (let t = 0; t < flows.length; t++) flows[t] += own[t];
      });
      return { share: triggerShare ** count * (1 - triggerShare) ** (n - count), out: flows };
    });
  }

  /** Mean of the job, m³/s, for a tank by its place. */
  mean(tank: number): number {
    return this.ways.reduce((sum, w) => sum + w.share * w.out[tank], 0);
  }
}
