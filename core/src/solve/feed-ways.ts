import type { Line, Rig, Tank } from '../rig/schema.js';

/** A tank that a washer's inlet can be led to. */
export interface FeedWay {
  readonly tank: Tank;
  /** Whether every valve on the way stands open. */
  readonly open: boolean;
  /** Where it leaves the tank, m above the deck. */
  readonly outletM: number;
}

/** Tanks that a machine's inlet can be led to, through shut valves too: a shut valve is opened one day. */
export function feedWays(rig: Rig, machineId: string): FeedWay[] {
  const out = new Map<string, FeedWay>();
  const seen = new Set<Line>();
  const back = (at: string, id: string, open: boolean): void => {
    for (const l of rig.lines) {
      if ((l.role !== 'feed' && l.role !== 'boost') || l.to.at !== at || l.to.id !== id || seen.has(l)) continue;
      seen.add(l);
      const way = open && !l.closed;
      const tank = l.from.at === 'tank' ? rig.tanks.find((t) => t.id === l.from.id) : undefined;
      if (tank) {
        const before = out.get(tank.id);
        const outletM = Math.max(l.from.height ?? tank.base, tank.base);
        out.set(tank.id, { tank, open: way || (before?.open ?? false), outletM: Math.min(outletM, before?.outletM ?? Infinity) });
      } else if (l.from.id) back(l.from.at, l.from.id, way);
    }
  };
  back('machine', machineId, true);
  return [...out.values()];
}
